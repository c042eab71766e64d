package carezza.colour;

import java.util.List;

import carezza.function.LookupTable;

/**
 * Monotone cubic interpolation through points (Fritsch and Carlson 1980): no overshoot between
 * points. Outside the first and last point it goes on with slope 1, so unclamped values stay
 * ordered.
 */
public final class MonotoneCurve {

  /** A point on the curve, both in encoded values, 0 … 1. */
  public record Point(double x, double y) {}

  private static final int TABLE_STEPS = 1024;

  private final double[] x;
  private final double[] y;
  private final double[] slope;

  /**
   * @param points at least two, x strictly increasing, y not decreasing
   * @throws IllegalArgumentException otherwise
   */
  public MonotoneCurve(List<Point> points) {
    int n = points.size();
    if (n < 2) {
      throw new IllegalArgumentException("A curve needs at least two points");
    }
    x = points.stream().mapToDouble(Point::x).toArray();
    y = points.stream().mapToDouble(Point::y).toArray();
    for (int i = 1; i < n; i++) {
      if (!(x[i] > x[i - 1]) || !(y[i] >= y[i - 1])) {
        throw new IllegalArgumentException("Curve points must rise from left to right");
      }
    }
    slope = slopes();
  }

  private double[] slopes() {
    int n = x.length;
    double[] secant = new double[n - 1];
    for (int i = 0; i < n - 1; i++) {
      secant[i] = (y[i + 1] - y[i]) / (x[i + 1] - x[i]);
    }
    double[] m = new double[n];
    m[0] = secant[0];
    m[n - 1] = secant[n - 2];
    for (int i = 1; i < n - 1; i++) {
      m[i] = secant[i - 1] * secant[i] <= 0 ? 0 : (secant[i - 1] + secant[i]) / 2;
    }
    for (int i = 0; i < n - 1; i++) {
      if (secant[i] == 0) {
        m[i] = 0;
        m[i + 1] = 0;
        continue;
      }
      double a = m[i] / secant[i];
      double b = m[i + 1] / secant[i];
      double r = a * a + b * b;
      if (r > 9) {
        double t = 3 / Math.sqrt(r);
        m[i] = t * a * secant[i];
        m[i + 1] = t * b * secant[i];
      }
    }
    return m;
  }

  public double at(double v) {
    int n = x.length;
    if (v <= x[0]) {
      return y[0] + (v - x[0]);
    }
    if (v >= x[n - 1]) {
      return y[n - 1] + (v - x[n - 1]);
    }
    int i = 0;
    while (v > x[i + 1]) {
      i++;
    }
    double h = x[i + 1] - x[i];
    double t = (v - x[i]) / h;
    double t2 = t * t;
    double t3 = t2 * t;
    return (2 * t3 - 3 * t2 + 1) * y[i]
        + (t3 - 2 * t2 + t) * h * slope[i]
        + (3 * t2 - 2 * t3) * y[i + 1]
        + (t3 - t2) * h * slope[i + 1];
  }

  /** The curve tabulated for pixels, exact to about 1e-6; far beyond white it asks the curve. */
  public LookupTable table() {
    return new LookupTable(this::at, Transfer.DARKEST, Transfer.BRIGHTEST, TABLE_STEPS);
  }
}
