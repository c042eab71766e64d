package carezza.filter;

import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Plane;

/**
 * Grey dilation and erosion by a disc: the largest, or the least, value within a radius. Each row
 * of the disc is a run, whose extremes come from those of runs of a power of two (van Herk's idea
 * with doubled runs), so the cost grows with the radius and not with its square.
 */
public final class DiscMorphology {

  private DiscMorphology() {}

  /** Pixels beyond an area that are read. */
  public static int reach(double radius) {
    return (int) Math.ceil(Math.abs(radius)) + 1;
  }

  /**
   * @param plane over at least {@code out} grown by {@link #reach}, cut to the picture; what lies
   *     beyond does not count
   * @param radius in pixels; the least is taken where it is below 0. Between whole radii the
   *     results are mixed
   * @return over {@code out}
   */
  public static Plane of(Plane plane, double radius, Area out) {
    double size = Math.abs(radius);
    int low = (int) Math.floor(size);
    float t = (float) (size - low);
    Plane one = whole(plane, low, radius < 0, out);
    if (t < 1e-4f) {
      return one;
    }
    Plane other = whole(plane, low + 1, radius < 0, out);
    for (int i = 0; i < one.values().length; i++) {
      one.values()[i] += t * (other.values()[i] - one.values()[i]);
    }
    return one;
  }

  private static Plane whole(Plane plane, int radius, boolean least, Area out) {
    if (radius == 0) {
      return plane.crop(out).copy();
    }
    float sign = least ? -1 : 1;
    int levels = 32 - Integer.numberOfLeadingZeros(2 * radius + 1);
    int[] half = new int[radius + 1];
    for (int dy = 0; dy <= radius; dy++) {
      double r = radius + 0.25;
      half[dy] = (int) Math.floor(Math.sqrt(r * r - (double) dy * dy));
    }
    Area in = plane.area();
    Plane result = Plane.filled(out, Float.NEGATIVE_INFINITY);
    ParallelRows.each(
        out.width(),
        out.height(),
        (first, last) -> {
          int width = out.width() + 2 * radius;
          float[][] runs = new float[levels][width];
          int top = Math.max(in.y(), out.y() + first - radius);
          int bottom = Math.min(in.bottom(), out.y() + last + radius);
          for (int y = top; y < bottom; y++) {
            fill(runs, plane, y, out.x() - radius, sign);
            int from = Math.max(out.y() + first, y - radius);
            int to = Math.min(out.y() + last - 1, y + radius);
            for (int oy = from; oy <= to; oy++) {
              raise(result, oy, runs, radius, half[Math.abs(oy - y)]);
            }
          }
        });
    for (int i = 0; i < result.values().length; i++) {
      result.values()[i] *= sign;
    }
    return result;
  }

  /** Runs of 1, 2, 4 … pixels that begin at each place of a row. */
  private static void fill(float[][] runs, Plane plane, int y, int left, float sign) {
    Area in = plane.area();
    float[] base = runs[0];
    int row = plane.index(in.x(), y) - in.x();
    for (int i = 0; i < base.length; i++) {
      int x = left + i;
      base[i] =
          x < in.x() || x >= in.right() ? Float.NEGATIVE_INFINITY : sign * plane.values()[row + x];
    }
    for (int k = 1; k < runs.length; k++) {
      int step = 1 << k - 1;
      for (int i = 0; i < base.length; i++) {
        runs[k][i] =
            i + step < base.length
                ? Math.max(runs[k - 1][i], runs[k - 1][i + step])
                : runs[k - 1][i];
      }
    }
  }

  private static void raise(Plane result, int y, float[][] runs, int radius, int half) {
    int length = 2 * half + 1;
    int k = 31 - Integer.numberOfLeadingZeros(length);
    float[] run = runs[k];
    int a = radius - half;
    int b = radius + half + 1 - (1 << k);
    int row = result.index(result.area().x(), y);
    float[] to = result.values();
    for (int x = 0; x < result.width(); x++) {
      to[row + x] = Math.max(to[row + x], Math.max(run[x + a], run[x + b]));
    }
  }
}
