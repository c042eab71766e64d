package carezza.desktop.tool;

import java.util.function.Consumer;

import carezza.desktop.state.DocumentState;
import carezza.desktop.state.SelectionController;
import carezza.desktop.state.Status;
import carezza.desktop.task.Lane;
import carezza.desktop.task.TaskRunner;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.model.Point;
import carezza.model.Project;
import carezza.render.Renderer.Readiness;
import carezza.session.Session;

/** Reads colours of what the layer in hand gets, off the interface thread. */
final class ColourProbe {

  /** Half a side of the square that is read, in photograph pixels. */
  private static final double READ = 6;

  private final DocumentState document;
  private final SelectionController selection;
  private final Status status;
  private final Lane reading;

  ColourProbe(
      DocumentState document, SelectionController selection, Status status, TaskRunner tasks) {
    this.document = document;
    this.selection = selection;
    this.status = status;
    reading = tasks.lane("picking");
  }

  /**
   * @param take gets the mean about the place: red, green and blue of the working space
   */
  void read(Point at, Consumer<double[]> take) {
    int index = document.stack().indexOf(selection.selected());
    Project project = document.project();
    Session session = document.session();
    Area area =
        Area.around(at.x() - READ, at.y() - READ, at.x() + READ, at.y() + READ)
            .intersect(session.size().area());
    if (index < 0 || area.isEmpty()) {
      return;
    }
    reading.newest(
        cancellation ->
            mean(
                session
                    .renderer()
                    .render(
                        session.scene(project).through(index),
                        area,
                        0,
                        Readiness.QUICK,
                        Cancellation.NONE)),
        take,
        status::fail);
  }

  private static double[] mean(Picture picture) {
    double[] sum = new double[3];
    for (int c = 0; c < 3; c++) {
      for (float v : picture.plane(c).values()) {
        sum[c] += v / picture.area().pixels();
      }
    }
    return sum;
  }
}
