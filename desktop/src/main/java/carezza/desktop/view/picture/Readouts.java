package carezza.desktop.view.picture;

import javafx.scene.control.Label;
import javafx.scene.layout.HBox;

import carezza.colour.Lab;
import carezza.colour.WorkingSpace;
import carezza.desktop.state.AppState;
import carezza.desktop.state.ItaClass;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.task.Lane;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.model.Point;
import carezza.model.Project;
import carezza.render.Renderer.Readiness;
import carezza.session.Session;

/**
 * Colour under the pointer, of the picture as shown: sRGB, L*a*b*, LCh and the skin tone angle with
 * its class.
 */
public final class Readouts extends HBox {

  private final AppState state;
  private final Label text = new Label("");
  private final Lane reading;
  private final Subscriptions subscriptions = new Subscriptions();

  public Readouts(AppState state) {
    this.state = state;
    reading = state.tasks().lane("readouts");
    text.setId("readouts");
    text.getStyleClass().add("readouts");
    getChildren().add(text);
    subscriptions.on(this::forget, state.document().sessionProperty());
  }

  /** Another document: nothing of the last one's colours stays. */
  private void forget() {
    reading.cancel();
    text.setText("");
  }

  /**
   * @param at in photograph pixels
   * @param level that is on the screen: what is read is what is seen
   */
  void read(Point at, int level) {
    Session session = state.document().session();
    Area pixel = new Area((int) Math.floor(at.x()), (int) Math.floor(at.y()), 1, 1);
    Area seen =
        new Area(pixel.x() >> level, pixel.y() >> level, 1, 1)
            .intersect(session.size().atLevel(level).area());
    if (pixel.intersect(session.size().area()).isEmpty() || seen.isEmpty()) {
      forget();
      return;
    }
    Project project = state.document().project();
    int layers = state.view().shownLayers();
    reading.newest(
        cancellation ->
            words(
                session
                    .renderer()
                    .render(
                        session.scene(project).through(layers),
                        seen,
                        level,
                        Readiness.QUICK,
                        cancellation),
                pixel),
        text::setText,
        state.status()::fail);
  }

  private static String words(Picture working, Area pixel) {
    Picture srgb = WorkingSpace.toSrgb(working);
    Picture planes = Lab.of(working);
    Lab lab =
        new Lab(
            planes.first().values()[0], planes.second().values()[0], planes.third().values()[0]);
    return "x %d  y %d    R %d  G %d  B %d    L* %.1f  a* %.1f  b* %.1f    C* %.1f  h %.0f°    ITA %.0f° %s"
        .formatted(
            pixel.x(),
            pixel.y(),
            Math.round(255 * srgb.first().values()[0]),
            Math.round(255 * srgb.second().values()[0]),
            Math.round(255 * srgb.third().values()[0]),
            lab.l(),
            lab.a(),
            lab.b(),
            lab.chroma(),
            lab.hue(),
            lab.ita(),
            ItaClass.of(lab).words());
  }

  public void close() {
    subscriptions.close();
    reading.close();
  }
}
