package carezza.desktop.state;

import java.util.ArrayList;
import java.util.List;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleDoubleProperty;

import carezza.desktop.geometry.RepairHandles;
import carezza.desktop.task.Lane;
import carezza.desktop.task.TaskRunner;
import carezza.desktop.text.Texts;
import carezza.measure.Blemish;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.KeptMark;
import carezza.model.Point;
import carezza.model.Project;

/** Places on the skin that are proposed, and the walk through them. */
public final class ProposalState implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("state");

  private final DocumentState document;
  private final SelectionController selection;
  private final Status status;
  private final Lane looking;
  private final ReadOnlyObjectWrapper<List<Blemish>> proposals =
      new ReadOnlyObjectWrapper<>(List.of());
  private final ReadOnlyObjectWrapper<Blemish> current = new ReadOnlyObjectWrapper<>();
  private final DoubleProperty sensitivity = new SimpleDoubleProperty(1);
  private final DoubleProperty smallest = new SimpleDoubleProperty(0);
  private final DoubleProperty largest = new SimpleDoubleProperty(120);

  /** What was asked for when they were looked for last. */
  private List<Double> looked = List.of();

  public ProposalState(
      DocumentState document, SelectionController selection, Status status, TaskRunner tasks) {
    this.document = document;
    this.selection = selection;
    this.status = status;
    selection.selectedProperty().subscribe((was, is) -> current.set(null));
    document.sessionProperty().subscribe((was, is) -> drop());
    looking = tasks.lane("proposals");
  }

  /** Proposals that are not decided yet. */
  public ReadOnlyObjectProperty<List<Blemish>> allProperty() {
    return proposals.getReadOnlyProperty();
  }

  /** The one to decide on now, or null. */
  public ReadOnlyObjectProperty<Blemish> currentProperty() {
    return current.getReadOnlyProperty();
  }

  /** 1 as usual, more for fainter ones. */
  public DoubleProperty sensitivityProperty() {
    return sensitivity;
  }

  /** Least radius in photograph pixels. */
  public DoubleProperty smallestProperty() {
    return smallest;
  }

  /** Most radius in photograph pixels. */
  public DoubleProperty largestProperty() {
    return largest;
  }

  /** Looks anew if places are proposed and what is asked for is no longer what it was. */
  public void lookAgain() {
    if (!proposals.get().isEmpty() && !asked().equals(looked)) {
      look();
    }
  }

  private List<Double> asked() {
    return List.of(sensitivity.get(), smallest.get(), largest.get());
  }

  /** Looks for blemishes that no repair is on yet. */
  public void look() {
    if (document.isRestrained()) {
      status.say(TEXTS.get("proposalState.not-in-an-exercise"));
      return;
    }
    looked = asked();
    Project asked = document.project();
    if (asked.faces() == null) {
      status.say(TEXTS.get("proposalState.blemishes-are-looked-for-on-a"));
      return;
    }
    double how = sensitivity.get();
    double least = smallest.get();
    double most = largest.get();
    var session = document.session();
    looking.cancel();
    Status.Job job =
        status.begin(TEXTS.get("proposalState.looking-for-blemishes"), looking::cancel);
    looking.newest(
        cancellation ->
            session.repairs().blemishes(asked, how, cancellation).stream()
                .filter(b -> b.radius() >= least && b.radius() <= most)
                .filter(b -> !healed(asked, b))
                .toList(),
        found -> {
          if (session == document.session()) {
            proposals.set(found);
            current.set(null);
            status.say(
                found.isEmpty()
                    ? TEXTS.get("proposalState.nothing-is-proposed-at-this-sensitivity")
                    : TEXTS.get("proposalState.places-proposed-n-goes-to-the", found.size()));
          }
        },
        status::fail,
        job::end);
  }

  private static boolean healed(Project project, Blemish b) {
    Point place = new Point(b.x(), b.y());
    return project.stack().layers().stream()
        .filter(l -> l instanceof HealLayer && l.attributes().on())
        .flatMap(l -> ((HealLayer) l).patches().stream())
        .anyMatch(p -> RepairHandles.holds(p.area(), place, 0));
  }

  /** Forgets the proposals. */
  private void drop() {
    looking.cancel();
    current.set(null);
    proposals.set(List.of());
  }

  /** Ends the walk; what is proposed stays. */
  public void leave() {
    current.set(null);
  }

  /** Goes to the next proposal. */
  public void next() {
    List<Blemish> all = proposals.get();
    if (all.isEmpty()) {
      current.set(null);
      return;
    }
    int at = all.indexOf(current.get());
    current.set(all.get((at + 1) % all.size()));
  }

  /** Heals the proposal that is being decided on and goes to the next. */
  public void accept() {
    Blemish b = current.get();
    if (b != null && mendable()) {
      decided(b);
      selection.edit(null, l -> ((HealLayer) l).plus(spot(b)));
    }
  }

  /** Keeps it as the person's own, now and later, and goes to the next. */
  public void keep() {
    Blemish b = current.get();
    if (b != null && mendable()) {
      decided(b);
      document.edit(null, p -> p.keeping(new KeptMark(b.x(), b.y(), b.radius())));
    }
  }

  /** Heals all that are temporary; marks are left to be decided on one by one. */
  public void acceptAll() {
    List<Blemish> healed =
        proposals.get().stream().filter(b -> b.kind() == Blemish.Kind.TEMPORARY).toList();
    if (healed.isEmpty() || !mendable()) {
      return;
    }
    List<Blemish> left = new ArrayList<>(proposals.get());
    left.removeAll(healed);
    proposals.set(left);
    current.set(null);
    selection.edit(
        null,
        l -> {
          HealLayer changed = (HealLayer) l;
          for (Blemish b : healed) {
            changed = changed.plus(spot(b));
          }
          return changed;
        });
  }

  private static Patch spot(Blemish b) {
    return Patch.spot(b.x(), b.y(), b.radius());
  }

  private void decided(Blemish b) {
    List<Blemish> left = new ArrayList<>(proposals.get());
    int at = left.indexOf(b);
    left.remove(b);
    proposals.set(left);
    current.set(left.isEmpty() ? null : left.get(Math.max(0, at) % left.size()));
  }

  private boolean mendable() {
    return selection.layer().filter(HealLayer.class::isInstance).isPresent();
  }

  @Override
  public void close() {
    looking.close();
  }
}
