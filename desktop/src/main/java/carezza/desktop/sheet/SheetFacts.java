package carezza.desktop.sheet;

import java.time.LocalDate;
import java.util.List;

import carezza.image.Cancellation;
import carezza.measure.Gauge;
import carezza.model.Project;
import carezza.plan.Plan;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.record.WorkRecord;
import carezza.session.Promises.Broken;
import carezza.session.Session;
import carezza.shape.Shapes;

/**
 * All that a sheet tells of, measured once.
 *
 * @param broken promises that are not kept
 * @param shapes what was done to the shape of what is seen
 * @param before a JPEG of the photograph
 * @param after a JPEG of the finished picture
 * @param date of the sheet
 */
public record SheetFacts(
    Project project,
    WorkRecord work,
    Plan plan,
    List<Gauge> gauges,
    List<Broken> broken,
    Shapes shapes,
    byte[] before,
    byte[] after,
    LocalDate date) {

  /** Pixels of the pictures' longer side: 300 to the inch on half a page. */
  private static final int LONG_EDGE = 1100;

  public SheetFacts {
    gauges = List.copyOf(gauges);
    broken = List.copyOf(broken);
  }

  /**
   * Measures a document as it stands.
   *
   * @throws java.util.concurrent.CancellationException if cancelled
   */
  public static SheetFacts of(
      Session session, Document document, LocalDate date, Cancellation cancellation)
      throws Problem {
    Project project = document.project();
    return new SheetFacts(
        project,
        document.work(),
        session.planning().plan(project, cancellation),
        session.readings().gauges(project, cancellation),
        session.promises().broken(project, cancellation),
        session.shapes(session.scene(project)),
        session.store().asShot(project, LONG_EDGE),
        session.store().finished(project, LONG_EDGE, cancellation),
        date);
  }
}
