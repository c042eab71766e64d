package carezza.colour;

/** Linear RGB spaces by the chromaticities of their primaries and white. */
public enum RgbSpace {
  /** IEC 61966-2-1. */
  SRGB(0.64, 0.33, 0.30, 0.60, 0.15, 0.06),
  /** ITU-R BT.2020; primaries of the working space. */
  REC2020(0.708, 0.292, 0.170, 0.797, 0.131, 0.046);

  /** Held apart since the constants of an enum are made before its static fields. */
  private static final class Constants {
    /** CIE D65, 2° observer. */
    static final double[] D65 = xyz(0.3127, 0.3290);

    /** White of the ICC profile connection space. */
    static final double[] D50 = {0.9642, 1.0, 0.8249};

    /** Cone responses of the Bradford adaptation (ICC.1, annex E). */
    static final Matrix3 BRADFORD =
        new Matrix3(0.8951, 0.2664, -0.1614, -0.7502, 1.7135, 0.0367, 0.0389, -0.0685, 1.0296);
  }

  private final Matrix3 toXyzD50;

  RgbSpace(double rx, double ry, double gx, double gy, double bx, double by) {
    Matrix3 primaries = Matrix3.columns(xyz(rx, ry), xyz(gx, gy), xyz(bx, by));
    double[] s = primaries.inverse().times(Constants.D65);
    toXyzD50 =
        bradford(Constants.D65, Constants.D50)
            .times(primaries.times(Matrix3.diagonal(s[0], s[1], s[2])));
  }

  /** Linear RGB to XYZ adapted (Bradford) to D50, white having Y = 1. */
  public Matrix3 toXyzD50() {
    return toXyzD50;
  }

  /** Linear RGB of this space to linear RGB of another. */
  public Matrix3 to(RgbSpace other) {
    return other.toXyzD50.inverse().times(toXyzD50);
  }

  /** Bradford adaptation between two whites given as XYZ. */
  public static Matrix3 bradford(double[] from, double[] to) {
    Matrix3 b = Constants.BRADFORD;
    double[] f = b.times(from);
    double[] t = b.times(to);
    return b.inverse().times(Matrix3.diagonal(t[0] / f[0], t[1] / f[1], t[2] / f[2])).times(b);
  }

  /** White of the ICC profile connection space, XYZ. */
  public static double[] d50() {
    return Constants.D50.clone();
  }

  /** XYZ with Y = 1 of a chromaticity. */
  public static double[] xyz(double x, double y) {
    return new double[] {x / y, 1, (1 - x - y) / y};
  }
}
