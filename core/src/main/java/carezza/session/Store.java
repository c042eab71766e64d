package carezza.session;

import carezza.codec.OutputColour;
import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureWriter;
import carezza.file.AtomicFile;
import carezza.image.Cancellation;
import carezza.image.Level;
import carezza.image.Picture;
import carezza.metadata.Metadata.Carried;
import carezza.model.Project;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.recipe.Delivery;

/** Projects saved with a preview of the picture. Safe for many threads. */
public final class Store {

  private static final int PREVIEW_LONG_EDGE = 512;

  private static final int PREVIEW_QUALITY = 85;

  private final Session session;

  Store(Session session) {
    this.session = session;
  }

  /**
   * Saves the project. Its preview is the picture as it was measured last, so that saving waits for
   * no rendering; only before the first measurement it is rendered.
   */
  public void save(Document document, AtomicFile file, Cancellation cancellation) throws Problem {
    file.check();
    Picture last = session.readings().measured();
    Picture shown =
        last == null
            ? session
                .exports()
                .picture(document.project(), preview(document.project()), cancellation)
            : session.exports().sized(document.project(), preview(document.project()), last);
    ProjectFile.save(document, file, encoded(shown));
  }

  /**
   * A small JPEG of the picture as it was measured last, or else of the photograph; waits for no
   * rendering.
   */
  public byte[] glance(Project project) throws Problem {
    Picture last = session.readings().measured();
    return last == null
        ? asShot(project, PREVIEW_LONG_EDGE)
        : encoded(session.exports().sized(project, preview(project), last));
  }

  /** A JPEG of the photograph, cut as the picture is. */
  public byte[] asShot(Project project, int longEdge) throws Problem {
    Delivery small = small(project, longEdge);
    return encoded(
        session
            .exports()
            .sized(project, small, session.renderer().photograph().level(small.level())));
  }

  /** A JPEG of the finished picture. */
  public byte[] finished(Project project, int longEdge, Cancellation cancellation) throws Problem {
    return encoded(session.exports().picture(project, small(project, longEdge), cancellation));
  }

  private Delivery small(Project project, int longEdge) {
    double cut =
        project.crop() == null
            ? session.size().longEdge()
            : Math.max(project.crop().width(), project.crop().height());
    return new Delivery(
        longEdge,
        PREVIEW_QUALITY,
        8,
        Level.forZoom(Math.min(1, longEdge / cut)),
        OutputColour.of(OutputProfile.SRGB),
        Carried.NOTHING,
        false);
  }

  private static byte[] encoded(Picture preview) throws Problem {
    return PictureWriter.encode(
        preview,
        new PictureWriter.Settings(PictureFormat.JPEG, PREVIEW_QUALITY, 8, OutputProfile.SRGB),
        "the preview");
  }

  private Delivery preview(Project project) {
    return small(project, PREVIEW_LONG_EDGE);
  }
}
