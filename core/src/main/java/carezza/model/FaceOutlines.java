package carezza.model;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;

/**
 * Outlines of a face's parts as closed polygons, as found or put right by hand. 'Left' is left in
 * the picture.
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
    Require.most(name, points.size(), 1000);
    return List.copyOf(points);
  }

  /** Everything of the left eye moved. */
  FaceOutlines leftEyeMoved(double dx, double dy) {
    return withLeftEye(
        moved(leftEye, dx, dy), new Circle(leftIris.middle().plus(dx, dy), leftIris.radius()));
  }

  /** Everything of the right eye moved. */
  FaceOutlines rightEyeMoved(double dx, double dy) {
    return withRightEye(
        moved(rightEye, dx, dy), new Circle(rightIris.middle().plus(dx, dy), rightIris.radius()));
  }

  /** With other lids and another iris on the left of the picture. */
  public FaceOutlines withLeftEye(List<Point> lids, Circle iris) {
    return new FaceOutlines(
        outerLips, innerLips, lids, rightEye, leftBrow, rightBrow, face, iris, rightIris);
  }

  /** With other lids and another iris on the right of the picture. */
  public FaceOutlines withRightEye(List<Point> lids, Circle iris) {
    return new FaceOutlines(
        outerLips, innerLips, leftEye, lids, leftBrow, rightBrow, face, leftIris, iris);
  }

  /** With other lips. */
  public FaceOutlines withLips(List<Point> outer, List<Point> inner) {
    return new FaceOutlines(
        outer, inner, leftEye, rightEye, leftBrow, rightBrow, face, leftIris, rightIris);
  }

  /** These outlines with those parts of others that were put right by hand. */
  FaceOutlines keeping(FaceOutlines other, Set<FaceMap.Part> parts) {
    FaceOutlines kept = this;
    if (parts.contains(FaceMap.Part.LEFT_EYE)) {
      kept = kept.withLeftEye(other.leftEye, other.leftIris);
    }
    if (parts.contains(FaceMap.Part.RIGHT_EYE)) {
      kept = kept.withRightEye(other.rightEye, other.rightIris);
    }
    if (parts.contains(FaceMap.Part.MOUTH)) {
      kept = kept.withLips(other.outerLips, other.innerLips);
    }
    return kept;
  }

  /**
   * A closed outline with one side bent: the point at {@code place} comes to lie at {@code to}, and
   * its neighbours follow, ever less towards the corners, which are at the first point and half way
   * round.
   */
  public static List<Point> bent(List<Point> outline, int place, Point to) {
    int half = outline.size() / 2;
    int first = place < half ? 0 : half;
    double dx = to.x() - outline.get(place).x();
    double dy = to.y() - outline.get(place).y();
    List<Point> out = new ArrayList<>(outline);
    int length = first == 0 ? half : outline.size() - half;
    for (int i = 1; i < length; i++) {
      double at = i - (double) (place - first);
      double t = at / (at < 0 ? place - first : length - (place - first));
      double w = 1 - t * t;
      out.set(first + i, outline.get(first + i).plus(w * dx, w * dy));
    }
    return out;
  }

  /** A closed outline turned and stretched so that one corner comes to lie at {@code to}. */
  public static List<Point> cornered(List<Point> outline, boolean first, Point to) {
    Point start = outline.getFirst();
    Point middle = outline.get(outline.size() / 2);
    return between(outline, start, middle, first ? to : start, first ? middle : to);
  }

  /** The lips turned and stretched as their corners are. */
  FaceOutlines lipsBetween(Point wasLeft, Point wasRight, Point left, Point right) {
    return withLips(
        between(outerLips, wasLeft, wasRight, left, right),
        between(innerLips, wasLeft, wasRight, left, right));
  }

  private static List<Point> between(
      List<Point> points, Point wasFrom, Point wasTo, Point from, Point to) {
    double wx = wasTo.x() - wasFrom.x();
    double wy = wasTo.y() - wasFrom.y();
    double length2 = wx * wx + wy * wy;
    double ax = to.x() - from.x();
    double ay = to.y() - from.y();
    // The complex number that takes one line to the other.
    double c = (ax * wx + ay * wy) / length2;
    double s = (ay * wx - ax * wy) / length2;
    UnaryOperator<Point> move =
        p -> {
          double dx = p.x() - wasFrom.x();
          double dy = p.y() - wasFrom.y();
          return new Point(from.x() + c * dx - s * dy, from.y() + s * dx + c * dy);
        };
    return points.stream().map(move).toList();
  }

  private static List<Point> moved(List<Point> points, double dx, double dy) {
    return points.stream().map(p -> p.plus(dx, dy)).toList();
  }
}
