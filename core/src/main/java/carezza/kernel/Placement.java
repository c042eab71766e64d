package carezza.kernel;

import java.util.Arrays;

import carezza.filter.Cubic;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.model.HealLayer.Source;
import carezza.model.Point;

/**
 * Where the pixels of a repair come from, at one level. Shifts, quarter turns and mirroring take
 * whole pixels and so lose no texture; all else is interpolated by cubics (Catmull and Rom 1974).
 */
final class Placement {

  /** Pixels beyond a place that a cubic reads. */
  private static final int CUBIC = 2;

  private final double xx;
  private final double xy;
  private final double yx;
  private final double yy;
  private final double tx;
  private final double ty;
  private final boolean whole;

  /**
   * @param centre of the repair's piece, in photograph pixels
   * @param scale pixels of the level for one of the photograph
   */
  Placement(Point centre, Source source, double scale) {
    double quarter = source.angle() / 90;
    whole = source.scale() == 1 && quarter == Math.rint(quarter);
    double angle = Math.toRadians(source.angle());
    double c = source.scale() * Math.cos(angle);
    double s = source.scale() * Math.sin(angle);
    double mirror = source.mirrored() ? -1 : 1;
    xx = exact(c * mirror);
    xy = exact(-s);
    yx = exact(s * mirror);
    yy = exact(c);
    double cx = centre.x() * scale - 0.5;
    double cy = centre.y() * scale - 0.5;
    double x = cx + source.dx() * scale - xx * cx - xy * cy;
    double y = cy + source.dy() * scale - yx * cx - yy * cy;
    tx = whole ? Math.rint(x) : x;
    ty = whole ? Math.rint(y) : y;
  }

  private double exact(double v) {
    return whole ? Math.rint(v) : v;
  }

  /** Takes each pixel from its own place. */
  boolean still() {
    return xx == 1 && yy == 1 && xy == 0 && yx == 0 && Math.hypot(tx, ty) < 0.5;
  }

  double x(int x, int y) {
    return xx * x + xy * y + tx;
  }

  double y(int x, int y) {
    return yx * x + yy * y + ty;
  }

  /** The pixel nearest to where one is taken from. */
  int wholeX(int x, int y) {
    return (int) Math.rint(x(x, y));
  }

  int wholeY(int x, int y) {
    return (int) Math.rint(y(x, y));
  }

  /** Pixels that are read for an area; they may lie outside the picture. */
  Area read(Area out) {
    int r = out.right() - 1;
    int b = out.bottom() - 1;
    double[] xs = {x(out.x(), out.y()), x(r, out.y()), x(out.x(), b), x(r, b)};
    double[] ys = {y(out.x(), out.y()), y(r, out.y()), y(out.x(), b), y(r, b)};
    Arrays.sort(xs);
    Arrays.sort(ys);
    int margin = whole ? 0 : CUBIC;
    return Area.around(xs[0], ys[0], xs[3] + 1, ys[3] + 1).grow(margin);
  }

  /** Pixels for an area; outside of the input its border is repeated. */
  Picture taken(Picture input, Area out) {
    return input.map(p -> taken(p, out));
  }

  private Plane taken(Plane from, Area out) {
    Plane to = Plane.of(out);
    int i = 0;
    for (int y = out.y(); y < out.bottom(); y++) {
      for (int x = out.x(); x < out.right(); x++) {
        to.values()[i++] =
            whole ? from.atNearest(wholeX(x, y), wholeY(x, y)) : cubic(from, x(x, y), y(x, y));
      }
    }
    return to;
  }

  private static float cubic(Plane from, double x, double y) {
    int x0 = (int) Math.floor(x);
    int y0 = (int) Math.floor(y);
    double sum = 0;
    for (int j = -1; j <= 2; j++) {
      double row = 0;
      for (int i = -1; i <= 2; i++) {
        row += Cubic.weight(x - x0 - i) * from.atNearest(x0 + i, y0 + j);
      }
      sum += Cubic.weight(y - y0 - j) * row;
    }
    return (float) sum;
  }
}
