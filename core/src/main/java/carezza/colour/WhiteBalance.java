package carezza.colour;

/**
 * White balance by the light's correlated colour temperature and tint: the matrix on linear working
 * RGB that turns what was lit by that light into what the working space's white would show
 * (Bradford adaptation). The locus is the Planckian one as approximated by Krystek (1985) in CIE
 * 1960 u, v; tint is the distance from it along its normal in units of 0.001 (above 0: the light is
 * green, the correction goes to magenta). {@value #NEUTRAL_KELVIN} K and tint 0 change nothing.
 */
public final class WhiteBalance {

  public static final double NEUTRAL_KELVIN = 6504;
  public static final double COOLEST = 15000;
  public static final double WARMEST = 1500;
  private static final double MAX_TINT = 60;

  private static final Matrix3 TO_XYZ = RgbSpace.REC2020.toXyzD50();

  private WhiteBalance() {}

  /** Temperature in kelvin and tint of a light. */
  public record Light(double kelvin, double tint) {}

  /** Linear working RGB as shot to linear working RGB balanced; keeps the luminance of greys. */
  public static Matrix3 correction(Light light) {
    double[] from = locus(light);
    double[] to = locus(new Light(NEUTRAL_KELVIN, 0));
    // The locus is relative to D65; the working white sits at D50 after adaptation.
    double[] d65 = RgbSpace.xyz(0.3127, 0.3290);
    Matrix3 toD65 = RgbSpace.bradford(RgbSpace.d50(), d65);
    Matrix3 adapt = RgbSpace.bradford(scaled(from, to, d65), d65);
    return TO_XYZ.inverse().times(toD65.inverse()).times(adapt).times(toD65).times(TO_XYZ);
  }

  /**
   * The same by factors on a camera's channels instead of an adaptation of the eye.
   *
   * @param fromChannels balanced camera channels to linear working RGB
   */
  public static Matrix3 correction(Light light, Matrix3 fromChannels) {
    // What was lit by that light, a grey, as it stands in the picture now.
    double[] grey = correction(light).inverse().times(1, 1, 1);
    double[] channels = fromChannels.inverse().times(grey);
    return fromChannels
        .times(Matrix3.diagonal(1 / channels[0], 1 / channels[1], 1 / channels[2]))
        .times(fromChannels.inverse());
  }

  /** D65 moved as the locus moves from {@code to} to {@code from}. */
  private static double[] scaled(double[] from, double[] to, double[] d65) {
    return new double[] {d65[0] * from[0] / to[0], 1, d65[2] * from[2] / to[2]};
  }

  /** XYZ (Y = 1) of the light's colour. */
  static double[] locus(Light light) {
    double[] uv = krystek(light.kelvin());
    double[] next = krystek(light.kelvin() * 1.001);
    double du = next[0] - uv[0];
    double dv = next[1] - uv[1];
    double length = Math.hypot(du, dv);
    // Normal towards green: up in v as the locus runs to the blue (falling u).
    double u = uv[0] + light.tint() * 0.001 * dv / length;
    double v = uv[1] - light.tint() * 0.001 * du / length;
    double d = 2 * u - 8 * v + 4;
    return RgbSpace.xyz(3 * u / d, 2 * v / d);
  }

  private static double[] krystek(double t) {
    double u =
        (0.860117757 + 1.54118254e-4 * t + 1.28641212e-7 * t * t)
            / (1 + 8.42420235e-4 * t + 7.08145163e-7 * t * t);
    double v =
        (0.317398726 + 4.22806245e-5 * t + 4.20481691e-8 * t * t)
            / (1 - 2.89741816e-5 * t + 1.61456053e-7 * t * t);
    return new double[] {u, v};
  }

  /**
   * The light under which this encoded working colour is a neutral: the setting of a pick on a
   * grey.
   *
   * @throws IllegalArgumentException if a channel is not above 0
   */
  public static Light fromNeutral(double r, double g, double b) {
    if (!(r > 0 && g > 0 && b > 0)) {
      throw new IllegalArgumentException("No light to balance by");
    }
    float lr = Transfer.toLinear((float) r);
    float lg = Transfer.toLinear((float) g);
    float lb = Transfer.toLinear((float) b);
    double step = 0.25;
    double mired = 1e6 / NEUTRAL_KELVIN;
    double tint = 0;
    double miredStep = 64;
    double tintStep = 16;
    double best = castOf(lr, lg, lb, mired, tint);
    while (miredStep > 0.01 || tintStep > 0.01) {
      boolean better = false;
      for (int[] d : new int[][] {{1, 0}, {-1, 0}, {0, 1}, {0, -1}}) {
        double m = Math.clamp(mired + d[0] * miredStep, 1e6 / COOLEST, 1e6 / WARMEST);
        double t = Math.clamp(tint + d[1] * tintStep, -MAX_TINT, MAX_TINT);
        double cast = castOf(lr, lg, lb, m, t);
        if (cast < best - 1e-12) {
          best = cast;
          mired = m;
          tint = t;
          better = true;
        }
      }
      if (!better) {
        miredStep *= 1 - step;
        tintStep *= 1 - step;
      }
    }
    return new Light(1e6 / mired, tint);
  }

  private static double castOf(float r, float g, float b, double mired, double tint) {
    double[] c = correction(new Light(1e6 / mired, tint)).times(r, g, b);
    double mean = (c[0] + c[1] + c[2]) / 3;
    return Math.hypot(Math.hypot(c[0] / mean - 1, c[1] / mean - 1), c[2] / mean - 1);
  }
}
