package carezza.model;

import java.util.List;
import java.util.function.UnaryOperator;

/**
 * Outlines of a face's parts as closed polygons, as found or put right by hand. 'Left' is left in the
 * picture.
 *
 * @param outerLips outline of the lips
 * @param innerLips outline of the open mouth
 * @param leftEye rims of the lids
 * @param face outline of the face, hairline to chin
 */
public record FaceOutlines(
    List<Point> outerLips,
    List<Point> innerLips,
    List<Point> leftEye,
    List<Point> rightEye,
    List<Point> leftBrow,
    List<Point> rightBrow,
    List<Point> face,
    Circle leftIris,
    Circle rightIris) {

  /** An iris. */
  public record Circle(Point middle, double radius) {
    public Circle {
      Require.present("middle", middle);
      Require.range("radius", radius, 0.1, 1e5);
    }
  }

  public FaceOutlines {
    outerLips = outline("outerLips", outerLips);
    innerLips = outline("innerLips", innerLips);
    leftEye = outline("leftEye", leftEye);
    rightEye = outline("rightEye", rightEye);
    leftBrow = outline("leftBrow", leftBrow);
    rightBrow = outline("rightBrow", rightBrow);
    face = outline("face", face);
    Require.present("leftIris", leftIris);
    Require.present("rightIris", rightIris);
  }

  private static List<Point> outline(String name, List<Point> points) {
    Require.present(name, points);
    if (points.size() < 3) {
      throw new IllegalArgumentException(name + " has fewer than three points");
    }
    return List.copyOf(points);
  }

  /** Everything of the left eye moved. */
  FaceOutlines leftEyeMoved(double dx, double dy) {
    return new FaceOutlines(
        outerLips,
        innerLips,
        moved(leftEye, dx, dy),
        rightEye,
        leftBrow,
        rightBrow,
        face,
        new Circle(leftIris.middle().plus(dx, dy), leftIris.radius()),
        rightIris);
  }

  /** Everything of the right eye moved. */
  FaceOutlines rightEyeMoved(double dx, double dy) {
    return new FaceOutlines(
        outerLips,
        innerLips,
        leftEye,
        moved(rightEye, dx, dy),
        leftBrow,
        rightBrow,
        face,
        leftIris,
        new Circle(rightIris.middle().plus(dx, dy), rightIris.radius()));
  }

  /** The lips turned and stretched as their corners are. */
  FaceOutlines lipsBetween(Point wasLeft, Point wasRight, Point left, Point right) {
    double wx = wasRight.x() - wasLeft.x();
    double wy = wasRight.y() - wasLeft.y();
    double length2 = wx * wx + wy * wy;
    double ax = right.x() - left.x();
    double ay = right.y() - left.y();
    // The complex number that takes one line to the other.
    double c = (ax * wx + ay * wy) / length2;
    double s = (ay * wx - ax * wy) / length2;
    UnaryOperator<Point> move =
        p -> {
          double dx = p.x() - wasLeft.x();
          double dy = p.y() - wasLeft.y();
          return new Point(left.x() + c * dx - s * dy, left.y() + s * dx + c * dy);
        };
    return new FaceOutlines(
        outerLips.stream().map(move).toList(),
        innerLips.stream().map(move).toList(),
        leftEye,
        rightEye,
        leftBrow,
        rightBrow,
        face,
        leftIris,
        rightIris);
  }

  private static List<Point> moved(List<Point> points, double dx, double dy) {
    return points.stream().map(p -> p.plus(dx, dy)).toList();
  }
}
