package carezza.measure;

import java.util.ArrayList;
import java.util.List;

import carezza.filter.GaussianBlur;
import carezza.filter.RobustStatistics;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.model.FaceMap;
import carezza.model.Point;

/**
 * Where light and shade shape a face: places of the face's own frame that are usually lifted or
 * deepened. Only those are suggested that the light in the picture bears out: what is to be lifted
 * is light already, what is to be deepened is dark already.
 */
public final class ContourGuides {

  private static final int CORNERS = 28;

  /** L* by which a place may fall short of the middle tone of the face. */
  private static final double ROOM = 1;

  private ContourGuides() {}

  /**
   * A suggestion.
   *
   * @param lift whether to lighten, or to darken
   * @param outline closed, in photograph pixels
   */
  public record Guide(String name, boolean lift, List<Point> outline) {}

  /**
   * An ellipse in the face's frame.
   *
   * @param x from the middle between the pupils, in distances of the pupils; both sides are meant
   * @param y downwards, 1 at the corners of the mouth
   * @param tilt of its long axis, degrees, outer end upwards for above 0
   */
  private record Place(
      String name, boolean lift, double x, double y, double across, double down, double tilt) {}

  private static final List<Place> PLACES =
      List.of(
          new Place("forehead", true, 0, -0.62, 0.5, 0.24, 0),
          new Place("bridge of the nose", true, 0, 0.3, 0.075, 0.3, 0),
          new Place("under the eye", true, 0.48, 0.26, 0.24, 0.09, 0),
          new Place("top of the cheekbone", true, 0.76, 0.36, 0.24, 0.1, 24),
          new Place("hollow of the cheek", false, 0.76, 0.82, 0.27, 0.1, 34),
          new Place("jaw", false, 0.62, 1.38, 0.34, 0.09, 40),
          new Place("temple", false, 1.02, -0.22, 0.1, 0.26, 0),
          new Place("side of the nose", false, 0.17, 0.42, 0.05, 0.22, 0));

  /**
   * @param lightness L* of the whole picture at the site's level
   * @param skin of the face there
   */
  public static List<Guide> of(
      FaceMap face, Plane lightness, Plane skin, EvaluationContext context) {
    Plane form = GaussianBlur.normalised(lightness, skin, context.faceWidth() / 18);
    double middle = RobustStatistics.median(form, skin);
    List<Guide> guides = new ArrayList<>();
    for (Place place : PLACES) {
      for (int side = place.x() == 0 ? 1 : -1; side <= 1; side += 2) {
        List<Point> outline = outline(face, place, side);
        double tone = tone(outline, form, skin, context.scale());
        boolean borneOut = place.lift() ? tone >= middle - ROOM : tone <= middle + ROOM;
        if (borneOut) {
          guides.add(new Guide(place.name(), place.lift(), outline));
        }
      }
    }
    return guides;
  }

  private static List<Point> outline(FaceMap face, Place place, int side) {
    Point left = face.leftPupil();
    Point right = face.rightPupil();
    double ox = (left.x() + right.x()) / 2;
    double oy = (left.y() + right.y()) / 2;
    double mx = (face.leftMouth().x() + face.rightMouth().x()) / 2 - ox;
    double my = (face.leftMouth().y() + face.rightMouth().y()) / 2 - oy;
    double ax = right.x() - left.x();
    double ay = right.y() - left.y();
    double tilt = Math.toRadians(place.tilt());
    List<Point> outline = new ArrayList<>();
    for (int k = 0; k < CORNERS; k++) {
      double t = 2 * Math.PI * k / CORNERS;
      double along = place.across() * Math.cos(t);
      double over = place.down() * Math.sin(t);
      double u = side * (place.x() + along * Math.cos(tilt) + over * Math.sin(tilt));
      double v = place.y() - along * Math.sin(tilt) + over * Math.cos(tilt);
      outline.add(new Point(ox + u * ax + v * mx, oy + u * ay + v * my));
    }
    return outline;
  }

  /**
   * Mean of the form's lightness at the outline's middle and corners, as far as they lie on skin.
   */
  private static double tone(List<Point> outline, Plane form, Plane skin, double scale) {
    double cx = 0;
    double cy = 0;
    for (Point p : outline) {
      cx += p.x() / outline.size();
      cy += p.y() / outline.size();
    }
    double sum = 0;
    int n = 0;
    for (Point p : outline) {
      for (double in : new double[] {0.2, 0.6, 0.9}) {
        int x = (int) ((cx + in * (p.x() - cx)) * scale);
        int y = (int) ((cy + in * (p.y() - cy)) * scale);
        if (form.area().contains(x, y) && skin.at(x, y) >= RobustStatistics.TAKEN_IN) {
          sum += form.at(x, y);
          n++;
        }
      }
    }
    return n == 0 ? Double.NaN : sum / n;
  }
}
