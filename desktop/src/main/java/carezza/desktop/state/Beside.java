package carezza.desktop.state;

import java.util.function.Function;

import org.jspecify.annotations.Nullable;

import carezza.desktop.picture.ViewPort;
import carezza.model.FaceMap;
import carezza.model.Point;
import carezza.model.Project;
import carezza.session.Session;

/**
 * What the picture at work is compared with, in place of itself as settled.
 *
 * @param title written over it
 * @param session of another photograph, or null for the one at work
 * @param project what of it is shown, by the project at work; null where that is gone
 */
public record Beside(
    String title, @Nullable Session session, Function<Project, @Nullable Project> project) {

  /** A finished picture of another photograph. */
  public static Beside picture(Session session, Project project) {
    return new Beside(project.title(), session, atWork -> project);
  }

  /**
   * The part of it that answers to a part of the picture at work: the same place of the face, faces
   * equally large; without two faces the same place of the picture, as many pixels to one.
   *
   * @param own size and face of the photograph at work
   */
  public ViewPort port(ViewPort at, Session own, Project atWork, Project shown) {
    if (session == null) {
      return at;
    }
    FaceMap face = atWork.faces();
    FaceMap other = shown.faces();
    double larger = 1;
    Point from = new Point(own.size().width() / 2.0, own.size().height() / 2.0);
    Point to = new Point(session.size().width() / 2.0, session.size().height() / 2.0);
    if (face != null && other != null) {
      larger = other.faceWidth() / face.faceWidth();
      from = face.oval().middle();
      to = other.oval().middle();
    }
    return new ViewPort(
        to.x() + (at.x() - from.x()) * larger,
        to.y() + (at.y() - from.y()) * larger,
        at.zoom() / larger,
        at.width(),
        at.height());
  }
}
