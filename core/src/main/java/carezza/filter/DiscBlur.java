package carezza.filter;

import java.util.Arrays;

import carezza.image.ParallelRows;
import carezza.image.Plane;

/**
 * Sums over a disc, as a lens out of focus makes of a light. Each row of the disc is a difference
 * of running sums, so the work grows with the radius and not with its square.
 */
public final class DiscBlur {

  private DiscBlur() {}

  /** Pixels beyond its output that a disc reads. */
  public static int reach(double radius) {
    return (int) Math.ceil(radius) + 1;
  }

  /**
   * @param radius in pixels; the ends of the disc's rows count by the share they cover
   * @return sums divided by the disc's area; nothing lies outside the plane
   */
  public static Plane blur(Plane values, double radius) {
    int w = values.width();
    int h = values.height();
    double[] running = running(values);
    int rows = (int) Math.floor(radius);
    double[] halves = new double[rows + 1];
    double area = 0;
    for (int dy = 0; dy <= rows; dy++) {
      halves[dy] = Math.sqrt(radius * radius - dy * dy);
      area += (dy == 0 ? 1 : 2) * (2 * halves[dy] + 1);
    }
    float unit = (float) (1 / area);
    Plane out = Plane.of(values.area());
    ParallelRows.each(
        w,
        h,
        (from, to) -> {
          double[] row = new double[w];
          for (int y = from; y < to; y++) {
            Arrays.fill(row, 0);
            for (int v = Math.max(0, y - rows); v <= Math.min(h - 1, y + rows); v++) {
              addRow(running, v * (w + 1), w, halves[Math.abs(v - y)], row);
            }
            for (int x = 0; x < w; x++) {
              out.values()[y * w + x] = unit * (float) row[x];
            }
          }
        });
    return out;
  }

  /** Adds to each pixel the sum of a line from {@code half} before its middle to as far after. */
  private static void addRow(double[] running, int at, int w, double half, double[] row) {
    int whole = (int) Math.floor(half);
    double share = half - whole;
    for (int x = 0; x < w; x++) {
      int left = Math.max(0, x - whole);
      int right = Math.min(w, x + whole + 1);
      double sum = running[at + right] - running[at + left];
      if (left > 0) {
        sum += share * (running[at + left] - running[at + left - 1]);
      }
      if (right < w) {
        sum += share * (running[at + right + 1] - running[at + right]);
      }
      row[x] += sum;
    }
  }

  /** Of each row the sums of all before a pixel, one more than there are pixels. */
  private static double[] running(Plane values) {
    int w = values.width();
    double[] running = new double[(w + 1) * values.height()];
    ParallelRows.each(
        w,
        values.height(),
        (from, to) -> {
          for (int y = from; y < to; y++) {
            double sum = 0;
            for (int x = 0; x < w; x++) {
              sum += values.values()[y * w + x];
              running[y * (w + 1) + x + 1] = sum;
            }
          }
        });
    return running;
  }
}
