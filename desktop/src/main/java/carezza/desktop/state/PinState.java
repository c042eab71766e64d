package carezza.desktop.state;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;

import carezza.colour.Lab;
import carezza.desktop.task.Lane;
import carezza.desktop.task.TaskRunner;
import carezza.desktop.text.Texts;
import carezza.model.Point;
import carezza.model.Project;
import carezza.session.ColourAdvice.Pinned;
import carezza.session.Session;

/** Places whose colours stay in sight, as settled and as finished. */
public final class PinState implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("state");

  private static final Duration REST = Duration.ofMillis(150);
  private static final int MOST = 8;

  private final DocumentState document;
  private final Status status;
  private final Lane reading;
  private final ObjectProperty<List<Optional<Pinned>>> read = new SimpleObjectProperty<>(List.of());

  public PinState(DocumentState document, Status status, TaskRunner tasks) {
    this.document = document;
    this.status = status;
    reading = tasks.droppable("pins");
    document.projectProperty().subscribe((was, is) -> follow(is));
  }

  private void follow(Project project) {
    if (project == null || project.pins().isEmpty()) {
      reading.cancel();
      read.set(List.of());
      return;
    }
    Session session = document.session();
    reading.rested(
        REST,
        cancellation -> {
          List<Optional<Pinned>> all = new ArrayList<>();
          for (Point pin : project.pins()) {
            cancellation.check();
            all.add(session.colour().pinned(project, pin, cancellation));
          }
          return all;
        },
        read::set,
        status::fail);
  }

  /** What was read last, pin by pin. */
  public ObjectProperty<List<Optional<Pinned>>> readProperty() {
    return read;
  }

  /** The pin at a place, or −1. */
  public int at(Point place, double grab) {
    List<Point> pins = document.project().pins();
    for (int i = 0; i < pins.size(); i++) {
      if (pins.get(i).distance(place) <= grab) {
        return i;
      }
    }
    return -1;
  }

  public void add(Point place) {
    List<Point> pins = new ArrayList<>(document.project().pins());
    if (pins.size() == MOST) {
      status.say(TEXTS.get("pinState.there-are-pins-take-one-out", MOST));
      return;
    }
    pins.add(place);
    document.edit(null, p -> p.withPins(pins));
  }

  public void remove(int index) {
    document.edit(null, p -> p.withPins(without(p, index)));
  }

  private static List<Point> without(Project project, int index) {
    List<Point> pins = new ArrayList<>(project.pins());
    pins.remove(index);
    return pins;
  }

  public static Project moved(Project project, int index, Point to) {
    List<Point> pins = new ArrayList<>(project.pins());
    pins.set(index, to);
    return project.withPins(pins);
  }

  /** A line for each pin. */
  public String words() {
    StringBuilder words = new StringBuilder();
    List<Optional<Pinned>> all = read.get();
    for (int i = 0; i < all.size(); i++) {
      int number = i + 1;
      all.get(i)
          .ifPresent(
              p ->
                  words.append(
                      "%d   L* %s   a* %s   b* %s\n     hue %s°   ITA %s° %s\n"
                          .formatted(
                              number,
                              change(p.settled().l(), p.finished().l()),
                              change(p.settled().a(), p.finished().a()),
                              change(p.settled().b(), p.finished().b()),
                              change(p.settled().hue(), p.finished().hue()),
                              change(p.settled().ita(), p.finished().ita()),
                              ItaClass.of(p.finished()).words())));
    }
    return words.isEmpty() ? TEXTS.get("pinState.none-yet") : words.toString().stripTrailing();
  }

  private static String change(double from, double to) {
    return "%.1f → %.1f".formatted(from, to);
  }

  /** A short label beside a pin on the picture. */
  public static String label(int number, Lab settled, Lab finished) {
    return "%d  L* %.0f→%.0f  h %.0f→%.0f°"
        .formatted(number, settled.l(), finished.l(), settled.hue(), finished.hue());
  }

  @Override
  public void close() {
    reading.close();
  }
}
