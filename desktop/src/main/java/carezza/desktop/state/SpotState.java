package carezza.desktop.state;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;

import org.jspecify.annotations.Nullable;

import carezza.desktop.task.Lane;
import carezza.desktop.task.TaskRunner;
import carezza.measure.Blemish;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.Stage;
import carezza.session.Session;

/**
 * Suggests how wide the brush should be for the spot under the pointer: a little more than what
 * stands out there. Spots are looked for once, behind the scenes, when the mending brush is taken
 * up.
 */
public final class SpotState implements AutoCloseable {

  /** More than usual: the retoucher is pointing at it already. */
  private static final double SENSITIVITY = 2;

  /** Just over the spot, so that its rim is inside. */
  private static final double ROOM = 1.25;

  private final DocumentState document;
  private final ToolState tools;
  private final Status status;
  private final Lane looking;
  private final ObjectProperty<List<Blemish>> spots = new SimpleObjectProperty<>(List.of());
  private @Nullable Object asked;

  public SpotState(DocumentState document, ToolState tools, Status status, TaskRunner tasks) {
    this.document = document;
    this.tools = tools;
    this.status = status;
    looking = tasks.droppable("spots");
    tools.toolProperty().subscribe((was, is) -> follow());
    document.projectProperty().subscribe((was, is) -> follow());
  }

  /** All that may be a spot; empty until they are found. */
  public ObjectProperty<List<Blemish>> spotsProperty() {
    return spots;
  }

  private void follow() {
    Project project = document.project();
    if (tools.toolProperty().get() != ToolKind.HEAL || project == null || project.faces() == null) {
      return;
    }
    Object wanted =
        List.of(
            project.stack().lowest(project.stack().through(Stage.SETTLE)),
            project.allFaces(),
            project.kept());
    if (wanted.equals(asked)) {
      return;
    }
    asked = wanted;
    spots.set(List.of());
    Session session = document.session();
    looking.newest(
        cancellation -> session.repairs().blemishes(project, SENSITIVITY, cancellation),
        spots::set,
        status::fail);
  }

  /** The spot that a place lies on, if any, and the brush for it. */
  public Optional<Spot> at(Point place) {
    return spots.get().stream()
        .filter(b -> place.distance(new Point(b.x(), b.y())) <= ROOM * b.radius())
        .min(Comparator.comparingDouble(b -> place.distance(new Point(b.x(), b.y()))))
        .map(b -> new Spot(new Point(b.x(), b.y()), ROOM * b.radius()));
  }

  /**
   * @param radius for a brush, in photograph pixels
   */
  public record Spot(Point middle, double radius) {}

  @Override
  public void close() {
    looking.close();
  }
}
