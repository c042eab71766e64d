package carezza.kernel;

import java.util.function.ToDoubleFunction;

import carezza.colour.Lab;
import carezza.function.LookupTable;
import carezza.model.HueBandsLayer.Family;

/** Hue angles of pixels, and weights over them. */
final class Hues {

  /** Chroma at which a colour counts half: greys have no hue. */
  private static final float FAINT = 8;

  private Hues() {}

  /** Degrees, 0 … 360, of a*, b*. */
  static float of(float a, float b) {
    float h = (float) Math.toDegrees(Math.atan2(b, a));
    return h < 0 ? h + 360 : h;
  }

  /** 0 … 1, rising with chroma. */
  static float coloured(float a, float b) {
    float c2 = a * a + b * b;
    return c2 / (c2 + FAINT * FAINT);
  }

  /** Raised cosine about a hue: 1 in the middle, 0 from {@code width} degrees on. */
  static LookupTable about(double hue, double width) {
    return new LookupTable(
        h -> {
          double d = Lab.hueDistance(h, hue);
          return d >= width ? 0 : 0.5 + 0.5 * Math.cos(Math.PI * d / width);
        },
        0,
        360,
        2);
  }

  /**
   * Weight of a family at a hue: 1 at its own middle, 0 at its neighbours', squared cosine between,
   * so that all weights sum to one.
   */
  static double weight(Family family, double hue) {
    Family[] all = Family.values();
    double before = all[(family.ordinal() + all.length - 1) % all.length].hue();
    double after = all[(family.ordinal() + 1) % all.length].hue();
    double up = forward(before, hue) / forward(before, family.hue());
    double down = forward(family.hue(), hue) / forward(family.hue(), after);
    if (up <= 1) {
      return Math.pow(Math.sin(Math.PI / 2 * up), 2);
    }
    return down < 1 ? Math.pow(Math.cos(Math.PI / 2 * down), 2) : 0;
  }

  private static double forward(double from, double to) {
    return (to - from + 360) % 360;
  }

  /** A value for each family, joined to one over all hues by {@link #weight}. */
  static LookupTable joined(ToDoubleFunction<Family> value) {
    return new LookupTable(
        h -> {
          double sum = 0;
          for (Family family : Family.values()) {
            sum += weight(family, h % 360) * value.applyAsDouble(family);
          }
          return sum;
        },
        0,
        360,
        2);
  }

  /** Turns a colour by degrees and scales its chroma. */
  static void turn(float[] a, float[] b, int i, float degrees, float factor) {
    if (degrees == 0) {
      a[i] *= factor;
      b[i] *= factor;
      return;
    }
    double t = Math.toRadians(degrees);
    float cos = (float) Math.cos(t) * factor;
    float sin = (float) Math.sin(t) * factor;
    float x = a[i];
    a[i] = cos * x - sin * b[i];
    b[i] = sin * x + cos * b[i];
  }
}
