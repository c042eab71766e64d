package carezza.kernel;

import java.util.List;

import carezza.image.Picture;
import carezza.image.Plane;

/**
 * How uneven a tone is over some places once its slope is taken out: light that falls off across
 * skin is no blemish, but what stands out of it would be carried along.
 */
final class ToneVariance {

  /** Weight of the farthest place beside the mean. */
  private static final double PEAK_WEIGHT = 0.1;

  private ToneVariance() {}

  /**
   * @param places pixels, read where the placement takes them from
   * @return root of the squares over the three planes, in their units
   */
  static double of(Picture tone, List<int[]> places, Placement placement) {
    double total = 0;
    for (int c = 0; c < 3; c++) {
      total += square(tone.plane(c), places, placement);
    }
    return Math.sqrt(total);
  }

  private static double square(Plane tone, List<int[]> places, Placement placement) {
    int n = places.size();
    double mx = 0;
    double my = 0;
    double m = 0;
    for (int[] p : places) {
      mx += p[0] / (double) n;
      my += p[1] / (double) n;
      m += at(tone, p, placement) / n;
    }
    double sx = 0;
    double sy = 0;
    double sxx = 0;
    double syy = 0;
    for (int[] p : places) {
      double v = at(tone, p, placement) - m;
      sx += v * (p[0] - mx);
      sy += v * (p[1] - my);
      sxx += (p[0] - mx) * (p[0] - mx);
      syy += (p[1] - my) * (p[1] - my);
    }
    double gx = sxx > 0 ? sx / sxx : 0;
    double gy = syy > 0 ? sy / syy : 0;
    double square = 0;
    double peak = 0;
    for (int[] p : places) {
      double v = at(tone, p, placement) - m - gx * (p[0] - mx) - gy * (p[1] - my);
      square += v * v / n;
      peak = Math.max(peak, v * v);
    }
    return square + PEAK_WEIGHT * peak;
  }

  private static double at(Plane tone, int[] p, Placement placement) {
    return tone.at(placement.wholeX(p[0], p[1]), placement.wholeY(p[0], p[1]));
  }
}
