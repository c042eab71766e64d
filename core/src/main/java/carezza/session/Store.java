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
            ? session.exports().picture(document.project(), small(), cancellation)
            : session.exports().sized(document.project(), small(), last);
    ProjectFile.save(document, file, encoded(shown));
  }

  /**
   * A small JPEG of the picture as it was measured last, or else of the photograph; waits for no
   * rendering.
   */
  public byte[] glance(Project project) throws Problem {
    Picture last = session.readings().measured();
    return encoded(
        session
            .exports()
            .sized(
                project,
                small(),
                last == null ? session.renderer().photograph().level(previewLevel()) : last));
  }

  /** A small JPEG of the photograph, cut as the picture is. */
  public byte[] asShot(Project project) throws Problem {
    return encoded(
        session
            .exports()
            .sized(project, small(), session.renderer().photograph().level(previewLevel())));
  }

  private Delivery small() {
    return new Delivery(
        PREVIEW_LONG_EDGE,
        PREVIEW_QUALITY,
        8,
        previewLevel(),
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

  private int previewLevel() {
    return Level.forZoom(Math.min(1, (double) PREVIEW_LONG_EDGE / session.size().longEdge()));
  }
}
