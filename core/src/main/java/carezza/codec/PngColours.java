package carezza.codec;

import java.nio.ByteBuffer;
import java.util.function.DoubleUnaryOperator;

import carezza.codec.Encoded.Model;
import carezza.colour.Matrix3;
import carezza.colour.RgbSpace;
import carezza.colour.Transfer;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.profile.ColourTag;
import carezza.profile.MatrixProfile;

/**
 * What a PNG says of its colours (PNG, third edition, clause 11.3.2): cICP before iCCP before sRGB
 * before gAMA and cHRM.
 */
final class PngColours {

  private static final double UNIT = 100_000;

  /** Gamma as nearly all files write it who mean sRGB; its curve is then the better word. */
  private static final int SRGB_GAMMA = 45_455;

  /** Digits that writers of cHRM differ in. */
  private static final double ROUNDING = 1e-3;

  private static final double[] SRGB_POINTS = {0.3127, 0.3290, 0.64, 0.33, 0.30, 0.60, 0.15, 0.06};
  private static final double[] REC2020_POINTS = {
    0.3127, 0.3290, 0.708, 0.292, 0.170, 0.797, 0.131, 0.046
  };
  private static final double[] P3_POINTS = {
    0.3127, 0.3290, 0.680, 0.320, 0.265, 0.690, 0.150, 0.060
  };

  private PngColours() {}

  static ColourTag tag(PngChunks chunks, Model model, String name) throws Problem {
    byte[] coded = chunks.get("cICP");
    if (coded != null && coded.length == 4) {
      return coded(coded, name);
    }
    if (chunks.profile != null) {
      return new ColourTag.Embedded(chunks.profile);
    }
    byte[] gamma = chunks.get("gAMA");
    byte[] points = chunks.get("cHRM");
    boolean plain = chunks.get("sRGB") != null || gamma == null && points == null;
    if (plain || gamma != null && gamma.length < 4 || points != null && points.length < 32) {
      return new ColourTag.Untagged();
    }
    int value = gamma == null ? SRGB_GAMMA : ByteBuffer.wrap(gamma).getInt();
    boolean usual = Math.abs(value - SRGB_GAMMA) <= 1;
    double[] given = points == null || model == Model.GREY ? SRGB_POINTS : points(points);
    if (value <= 0 || usual && isSrgb(given)) {
      return new ColourTag.Untagged();
    }
    double exponent = UNIT / value;
    DoubleUnaryOperator curve =
        usual ? v -> Transfer.toLinear((float) v) : v -> Math.pow(v, exponent);
    try {
      return described("gamma %.2f".formatted(exponent), curve, given);
    } catch (ArithmeticException e) {
      // Points on one line are no space.
      return new ColourTag.Embedded(new byte[0]);
    }
  }

  private static boolean isSrgb(double[] points) {
    for (int i = 0; i < points.length; i++) {
      if (Math.abs(points[i] - SRGB_POINTS[i]) > ROUNDING) {
        return false;
      }
    }
    return true;
  }

  private static double[] points(byte[] chunk) {
    double[] out = new double[8];
    for (int i = 0; i < 8; i++) {
      out[i] = ByteBuffer.wrap(chunk).getInt(4 * i) / UNIT;
    }
    return out;
  }

  /** Code points of ITU-T H.273, tables 2 and 3. */
  private static ColourTag coded(byte[] chunk, String name) throws Problem {
    int transfer = chunk[1];
    if (transfer == 16 || transfer == 18) {
      throw new Problem(Kind.PICTURE_UNSUPPORTED, name, "a picture of high dynamic range");
    }
    double[] points =
        switch (chunk[0]) {
          case 1 -> SRGB_POINTS;
          case 9 -> REC2020_POINTS;
          case 12 -> P3_POINTS;
          default -> null;
        };
    DoubleUnaryOperator curve =
        switch (transfer) {
          case 1, 6, 14, 15 -> PngColours::broadcast;
          case 4 -> v -> Math.pow(v, 2.2);
          case 8 -> v -> v;
          case 13 -> v -> Transfer.toLinear((float) v);
          default -> null;
        };
    // A matrix or a narrow range would be that of a film.
    if (points == null || curve == null || chunk[2] != 0 || chunk[3] != 1) {
      throw new Problem(Kind.PICTURE_UNSUPPORTED, name, "colours coded as film has them");
    }
    return described("coded colours %d, %d".formatted(chunk[0], transfer), curve, points);
  }

  /** ITU-R BT.709, clause 1.2, turned round. */
  private static double broadcast(double v) {
    return v < 0.081 ? v / 4.5 : Math.pow((v + 0.099) / 1.099, 1 / 0.45);
  }

  private static ColourTag described(String name, DoubleUnaryOperator curve, double[] p) {
    return new ColourTag.Described(MatrixProfile.of(name, curve, toXyz(p)));
  }

  /** Of white, red, green and blue, as x and y each. */
  private static Matrix3 toXyz(double[] p) {
    double[] white = RgbSpace.xyz(p[0], p[1]);
    Matrix3 primaries =
        Matrix3.columns(
            RgbSpace.xyz(p[2], p[3]), RgbSpace.xyz(p[4], p[5]), RgbSpace.xyz(p[6], p[7]));
    double[] s = primaries.inverse().times(white);
    return RgbSpace.bradford(white, RgbSpace.d50())
        .times(primaries.times(Matrix3.diagonal(s[0], s[1], s[2])));
  }
}
