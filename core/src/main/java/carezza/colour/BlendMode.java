package carezza.colour;

import java.util.function.DoubleBinaryOperator;

import org.jspecify.annotations.Nullable;

/**
 * How a picture is laid over another, by W3C Compositing and Blending Level 1, section 10, on
 * encoded working-space values held to 0 … 1; linear light besides. The last two are of all
 * channels together, with the working space's own weights of luminosity.
 */
public enum BlendMode {
  NORMAL((b, s) -> s),
  DARKEN(Math::min),
  MULTIPLY(Blends::multiply),
  LIGHTEN(Math::max),
  SCREEN(Blends::screen),
  OVERLAY(Blends::overlay),
  SOFT_LIGHT(Blends::softLight),
  HARD_LIGHT(Blends::hardLight),
  LINEAR_LIGHT((b, s) -> Math.clamp(b + 2 * s - 1, 0, 1)),
  COLOUR(null),
  LUMINOSITY(null);

  private final @Nullable DoubleBinaryOperator channel;

  BlendMode(@Nullable DoubleBinaryOperator channel) {
    this.channel = channel;
  }

  /**
   * Lays one encoded colour over another.
   *
   * @param colour in: what is laid on; out: the result
   */
  public void over(float backR, float backG, float backB, float[] colour) {
    if (this == NORMAL) {
      return;
    }
    double r = hold(backR);
    double g = hold(backG);
    double b = hold(backB);
    double sr = hold(colour[0]);
    double sg = hold(colour[1]);
    double sb = hold(colour[2]);
    if (channel != null) {
      colour[0] = (float) channel.applyAsDouble(r, sr);
      colour[1] = (float) channel.applyAsDouble(g, sg);
      colour[2] = (float) channel.applyAsDouble(b, sb);
    } else if (this == COLOUR) {
      setLuminosity(sr, sg, sb, luminosity(r, g, b), colour);
    } else {
      setLuminosity(r, g, b, luminosity(sr, sg, sb), colour);
    }
  }

  private static double hold(float v) {
    return v < 0 ? 0 : v > 1 ? 1 : v;
  }

  private static double luminosity(double r, double g, double b) {
    return WorkingSpace.luminance((float) r, (float) g, (float) b);
  }

  /** SetLum and ClipColor of section 10.2. */
  private static void setLuminosity(double r, double g, double b, double wanted, float[] out) {
    double add = wanted - luminosity(r, g, b);
    double[] c = {r + add, g + add, b + add};
    double least = Math.min(c[0], Math.min(c[1], c[2]));
    double most = Math.max(c[0], Math.max(c[1], c[2]));
    double l = luminosity(c[0], c[1], c[2]);
    for (int i = 0; i < 3; i++) {
      if (least < 0) {
        c[i] = l + (c[i] - l) * l / (l - least);
      }
      if (most > 1) {
        c[i] = l + (c[i] - l) * (1 - l) / (most - l);
      }
      out[i] = (float) c[i];
    }
  }
}
