package carezza.measure;

import java.util.Arrays;

import carezza.filter.GaussianBlur;
import carezza.filter.RobustStatistics;
import carezza.image.Area;
import carezza.image.Plane;

/** The numbers of the gauges on where the eye is led, on focus and on noise; lengths by fw. */
final class SightGauges {

  /** Square root of the sum of squares of the mask in {@link #noise}: 36. */
  static final double MASK_NORM = 6;

  /** Pixels that noise is read at: more do not make it surer. */
  private static final int ENOUGH = 150_000;

  private SightGauges() {}

  /**
   * Sigma of noise in L*, NaN where there are no such tones.
   *
   * @param darks below L* 33
   * @param lights above L* 66
   */
  record Noise(double all, double darks, double middles, double lights) {}

  /**
   * Robust spread of the picture under the mask 1 −2 1, −2 4 −2, 1 −2 1, which edges and slopes
   * pass as nothing (Immerkær 1996), over the mask's norm.
   */
  static Noise noise(Plane lightness) {
    Area a = lightness.area();
    int w = a.width();
    int h = a.height();
    int step = Math.max(1, (int) Math.sqrt((double) w * h / ENOUGH));
    int most = Math.max(0, (w / step + 1) * (h / step + 1));
    double[][] byTone = new double[3][most];
    int[] counts = new int[3];
    float[] v = lightness.values();
    for (int y = 1; y < h - 1; y += step) {
      for (int x = 1; x < w - 1; x += step) {
        int i = y * w + x;
        int tone = v[i] < 33 ? 0 : v[i] <= 66 ? 1 : 2;
        byTone[tone][counts[tone]++] =
            v[i - w - 1]
                - 2 * v[i - w]
                + v[i - w + 1]
                - 2 * v[i - 1]
                + 4 * v[i]
                - 2 * v[i + 1]
                + v[i + w - 1]
                - 2 * v[i + w]
                + v[i + w + 1];
      }
    }
    double[] all = new double[counts[0] + counts[1] + counts[2]];
    int at = 0;
    for (int tone = 0; tone < 3; tone++) {
      System.arraycopy(byTone[tone], 0, all, at, counts[tone]);
      at += counts[tone];
    }
    return new Noise(
        sigma(all),
        sigma(Arrays.copyOf(byTone[0], counts[0])),
        sigma(Arrays.copyOf(byTone[1], counts[1])),
        sigma(Arrays.copyOf(byTone[2], counts[2])));
  }

  private static double sigma(double[] masked) {
    return masked.length == 0 ? Double.NaN : RobustStatistics.sigma(masked) / MASK_NORM;
  }

  /**
   * Mean L* of a place, by its coverage, over the L* that a twentieth of the skin exceeds; NaN
   * where one of them is not to be seen.
   */
  static double glow(Plane lightness, Plane place, Plane skin) {
    double sum = 0;
    double weight = 0;
    for (int i = 0; i < lightness.values().length; i++) {
      sum += place.values()[i] * lightness.values()[i];
      weight += place.values()[i];
    }
    double lights = RobustStatistics.quantile(RobustStatistics.values(lightness, skin), 0.95);
    return weight < 0.5 ? Double.NaN : sum / weight - lights;
  }

  /** Mean light of one place over that of the rest, in stops. */
  static double lead(Plane light, Plane place) {
    double[] sums = sums(light, place);
    return Math.log(sums[0] / sums[1]) / Math.log(2);
  }

  /** Mean local contrast of one place over that of the rest. */
  static double contrastLead(Plane lightness, Plane place, double fw) {
    Plane around = GaussianBlur.blur(lightness, fw / 30);
    Plane contrast = Plane.of(lightness.area());
    for (int i = 0; i < contrast.values().length; i++) {
      contrast.values()[i] = Math.abs(lightness.values()[i] - around.values()[i]);
    }
    double[] sums = sums(contrast, place);
    return sums[0] / sums[1];
  }

  /** Weighted means inside and outside. */
  private static double[] sums(Plane values, Plane place) {
    double in = 0;
    double inWeight = 0;
    double out = 0;
    double outWeight = 0;
    for (int i = 0; i < values.values().length; i++) {
      float m = place.values()[i];
      in += m * values.values()[i];
      inWeight += m;
      out += (1 - m) * values.values()[i];
      outWeight += 1 - m;
    }
    return new double[] {in / inWeight, out / outWeight};
  }

  /** Slope of L* from pixel to pixel that a tenth of a place exceeds. */
  static double acutance(Plane everywhere, Plane region) {
    Area a = region.covered().grow(1).intersect(everywhere.area());
    Plane lightness = everywhere.crop(a);
    Plane place = region.crop(a);
    Plane slope = Plane.of(a);
    int w = a.width();
    float[] v = lightness.values();
    for (int y = 0; y < a.height(); y++) {
      for (int x = 0; x < w; x++) {
        int i = y * w + x;
        double dx = v[y * w + Math.min(x + 1, w - 1)] - v[y * w + Math.max(x - 1, 0)];
        double dy = v[Math.min(y + 1, a.height() - 1) * w + x] - v[Math.max(y - 1, 0) * w + x];
        slope.values()[i] = (float) (Math.hypot(dx, dy) / 2);
      }
    }
    return RobustStatistics.quantile(RobustStatistics.values(slope, place), 0.9);
  }
}
