package carezza.colour;

import carezza.image.Picture;
import carezza.image.Plane;

/** CIEDE2000 colour difference (Sharma, Wu and Dalal 2005), all weights 1. */
public final class DeltaE2000 {

  private static final double POW25_7 = Math.pow(25, 7);

  private DeltaE2000() {}

  /**
   * Mean difference of two pictures.
   *
   * @param one L*a*b*, over the same area as the other and the weights
   * @return 0 where nothing has weight
   */
  public static double mean(Picture one, Picture other, Plane weights) {
    double sum = 0;
    double weight = 0;
    for (int i = 0; i < weights.values().length; i++) {
      float w = weights.values()[i];
      if (w > 0) {
        sum += w * at(one, other, i);
        weight += w;
      }
    }
    return weight == 0 ? 0 : sum / weight;
  }

  /**
   * At one pixel.
   *
   * @param one L*a*b*, over the same area as the other
   * @param i index of the pixel
   */
  public static double at(Picture one, Picture other, int i) {
    return between(
        one.first().values()[i],
        one.second().values()[i],
        one.third().values()[i],
        other.first().values()[i],
        other.second().values()[i],
        other.third().values()[i]);
  }

  public static double between(Lab one, Lab two) {
    return between(one.l(), one.a(), one.b(), two.l(), two.a(), two.b());
  }

  public static double between(double l1, double a1, double b1, double l2, double a2, double b2) {
    double chromaMean = (Math.hypot(a1, b1) + Math.hypot(a2, b2)) / 2;
    double g = 0.5 * (1 - seventh(chromaMean));
    double ap1 = a1 * (1 + g);
    double ap2 = a2 * (1 + g);
    double c1 = Math.hypot(ap1, b1);
    double c2 = Math.hypot(ap2, b2);
    double h1 = hue(ap1, b1);
    double h2 = hue(ap2, b2);
    double dl = l2 - l1;
    double dc = c2 - c1;
    double dh = hueDifference(h1, h2, c1 * c2);
    double dHue = 2 * Math.sqrt(c1 * c2) * Math.sin(Math.toRadians(dh) / 2);
    double lMean = (l1 + l2) / 2;
    double cMean = (c1 + c2) / 2;
    double hMean = hueMean(h1, h2, c1 * c2);
    double t =
        1
            - 0.17 * cos(hMean - 30)
            + 0.24 * cos(2 * hMean)
            + 0.32 * cos(3 * hMean + 6)
            - 0.20 * cos(4 * hMean - 63);
    double fromMiddle = (lMean - 50) * (lMean - 50);
    double sl = 1 + 0.015 * fromMiddle / Math.sqrt(20 + fromMiddle);
    double sc = 1 + 0.045 * cMean;
    double sh = 1 + 0.015 * cMean * t;
    double turn = (hMean - 275) / 25;
    double rt = -2 * seventh(cMean) * Math.sin(Math.toRadians(60 * Math.exp(-turn * turn)));
    double x = dl / sl;
    double y = dc / sc;
    double z = dHue / sh;
    return Math.sqrt(Math.max(0, x * x + y * y + z * z + rt * y * z));
  }

  private static double seventh(double chroma) {
    double c7 = Math.pow(chroma, 7);
    return Math.sqrt(c7 / (c7 + POW25_7));
  }

  private static double hue(double a, double b) {
    if (a == 0 && b == 0) {
      return 0;
    }
    double h = Math.toDegrees(Math.atan2(b, a));
    return h < 0 ? h + 360 : h;
  }

  private static double hueDifference(double h1, double h2, double product) {
    double d = h2 - h1;
    if (product == 0) {
      return 0;
    }
    return d > 180 ? d - 360 : d < -180 ? d + 360 : d;
  }

  private static double hueMean(double h1, double h2, double product) {
    double sum = h1 + h2;
    if (product == 0) {
      return sum;
    }
    if (Math.abs(h1 - h2) <= 180) {
      return sum / 2;
    }
    return sum < 360 ? (sum + 360) / 2 : (sum - 360) / 2;
  }

  private static double cos(double degrees) {
    return Math.cos(Math.toRadians(degrees));
  }
}
