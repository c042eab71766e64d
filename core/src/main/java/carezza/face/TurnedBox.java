package carezza.face;

import java.util.PrimitiveIterator;
import java.util.stream.IntStream;

import carezza.model.Point;

/**
 * The box that holds points of a mesh, turned along the line of the eyes.
 *
 * @param angle of its upper edge, clockwise, radians
 */
record TurnedBox(Point middle, double width, double height, double angle) {

  static TurnedBox of(Point[] points, IntStream which) {
    Point left = points[MeshPoints.EYE_CORNER_LEFT];
    Point right = points[MeshPoints.EYE_CORNER_RIGHT];
    double angle = Math.atan2(right.y() - left.y(), right.x() - left.x());
    double c = Math.cos(angle);
    double s = Math.sin(angle);
    double[] low = {Double.MAX_VALUE, Double.MAX_VALUE};
    double[] high = {-Double.MAX_VALUE, -Double.MAX_VALUE};
    for (PrimitiveIterator.OfInt each = which.iterator(); each.hasNext(); ) {
      Point p = points[each.nextInt()];
      double[] turned = {p.x() * c + p.y() * s, p.y() * c - p.x() * s};
      for (int k = 0; k < 2; k++) {
        low[k] = Math.min(low[k], turned[k]);
        high[k] = Math.max(high[k], turned[k]);
      }
    }
    double u = (low[0] + high[0]) / 2;
    double v = (low[1] + high[1]) / 2;
    return new TurnedBox(
        new Point(u * c - v * s, u * s + v * c), high[0] - low[0], high[1] - low[1], angle);
  }
}
