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
          double[][] ends = new double[5][w];
          double[] row = ends[0];
          for (int y = from; y < to; y++) {
            Arrays.fill(row, 0);
            for (int v = Math.max(0, y - rows); v <= Math.min(h - 1, y + rows); v++) {
              addRow(running, v * (w + 1), w, halves[Math.abs(v - y)], ends);
            }
            for (int x = 0; x < w; x++) {
              out.values()[y * w + x] = unit * (float) row[x];
            }
          }
        });
    return out;
  }

  /** Adds to each pixel the sum of a line from {@code half} before its middle to as far after. */
  private static void addRow(double[] running, int at, int w, double half, double[][] ends) {
    int whole = (int) Math.floor(half);
    double share = half - whole;
    double[] row = ends[0];
    // Where the line lies in the plane; what is read is brought to one place first, see Taps.
    int from = Math.min(whole + 1, w);
    int to = Math.max(from, w - whole - 1);
    addEnds(running, at, w, 0, from, half, row);
    if (to > from) {
      System.arraycopy(running, at + from - whole, ends[1], from, to - from);
      System.arraycopy(running, at + from - whole - 1, ends[2], from, to - from);
      System.arraycopy(running, at + from + whole + 1, ends[3], from, to - from);
      System.arraycopy(running, at + from + whole + 2, ends[4], from, to - from);
      addInside(ends, from, to, share);
    }
    addEnds(running, at, w, to, w, half, row);
  }

  /** Between the first and the third of the ends, and a share of what lies between the others. */
  private static void addInside(double[][] ends, int from, int to, double share) {
    double[] row = ends[0];
    double[] left = ends[1];
    double[] before = ends[2];
    double[] right = ends[3];
    double[] after = ends[4];
    for (int x = from; x < to; x++) {
      row[x] += right[x] - left[x] + share * (left[x] - before[x] + after[x] - right[x]);
    }
  }

  private static void addEnds(
      double[] running, int at, int w, int from, int to, double half, double[] row) {
    int whole = (int) Math.floor(half);
    double share = half - whole;
    for (int x = from; x < to; x++) {
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
