package carezza.profile;

import java.awt.color.ICC_Profile;
import java.awt.color.ICC_ProfileRGB;
import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.util.function.DoubleUnaryOperator;

import org.jspecify.annotations.Nullable;

import carezza.colour.FloatMatrix;
import carezza.colour.Matrix3;
import carezza.colour.RgbSpace;
import carezza.colour.Transfer;
import carezza.colour.WorkingSpace;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;

/** An RGB profile of three tone curves and a matrix to the connection space (ICC.1, annex F). */
public final class MatrixProfile {

  private static final int TABLE = 4096;

  /** Differences that the numbers of a profile, or another D50 adaptation's digits, may make. */
  private static final double ROUNDING = 2e-4;

  private static final double PRIMARIES_ROUNDING = 1.5e-3;

  private final String name;
  private final float[][] curves;
  private final FloatMatrix toWorkingLight;

  private final @Nullable RgbSpace exact;

  private MatrixProfile(String name, float[][] curves, Matrix3 toXyz) {
    this.name = name;
    this.curves = curves;
    this.exact = exact(curves, toXyz);
    this.toWorkingLight = new FloatMatrix(RgbSpace.REC2020.toXyzD50().inverse().times(toXyz));
  }

  /**
   * The space with the sRGB curve that a profile is a rounding of, or null: profiles hold sixteen
   * bits of light, which is coarse in the darks.
   */
  private static @Nullable RgbSpace exact(float[][] curves, Matrix3 toXyz) {
    for (float[] curve : curves) {
      for (int i = 0; i <= TABLE; i += 16) {
        if (Math.abs(curve[i] - Transfer.toLinear((float) i / TABLE)) > ROUNDING) {
          return null;
        }
      }
    }
    for (RgbSpace space : new RgbSpace[] {RgbSpace.SRGB, RgbSpace.REC2020}) {
      if (space.toXyzD50().distance(toXyz) < PRIMARIES_ROUNDING) {
        return space;
      }
    }
    return null;
  }

  static boolean describes(ICC_Profile profile) {
    return profile instanceof ICC_ProfileRGB;
  }

  /**
   * By numbers.
   *
   * @param curve from encoded values 0 … 1 to light
   * @param toXyz from that light to XYZ adapted to D50
   */
  public static MatrixProfile of(String name, DoubleUnaryOperator curve, Matrix3 toXyz) {
    float[] table = table(curve);
    return new MatrixProfile(name, new float[][] {table, table, table}, toXyz);
  }

  private static float[] table(DoubleUnaryOperator curve) {
    float[] table = new float[TABLE + 1];
    for (int i = 0; i <= TABLE; i++) {
      table[i] = (float) curve.applyAsDouble((double) i / TABLE);
    }
    return table;
  }

  static MatrixProfile of(ICC_Profile profile) {
    ICC_ProfileRGB rgb = (ICC_ProfileRGB) profile;
    float[][] m = rgb.getMatrix();
    Matrix3 matrix =
        new Matrix3(
            m[0][0], m[0][1], m[0][2], m[1][0], m[1][1], m[1][2], m[2][0], m[2][1], m[2][2]);
    float[][] curves = new float[3][];
    for (int c = 0; c < 3; c++) {
      curves[c] = curve(rgb, c);
    }
    return new MatrixProfile(ProfileConversion.name(profile), curves, matrix);
  }

  public String name() {
    return name;
  }

  /** Encoded planes to working planes, in place. */
  public Picture toWorking(Picture encoded) {
    if (exact == RgbSpace.SRGB) {
      return WorkingSpace.fromSrgbInPlace(encoded);
    }
    if (exact == RgbSpace.REC2020) {
      return encoded;
    }
    for (int c = 0; c < 3; c++) {
      apply(encoded.plane(c), curves[c]);
    }
    toWorkingLight.apply(encoded);
    return Transfer.encodeInPlace(encoded);
  }

  private static final int[] CURVE_TAGS = {
    ICC_Profile.icSigRedTRCTag, ICC_Profile.icSigGreenTRCTag, ICC_Profile.icSigBlueTRCTag
  };

  /**
   * A tone curve as ICC.1 clauses 10.6 (sampled, one gamma, or straight) and 10.18 (parametric)
   * write it.
   *
   * @throws IllegalArgumentException if it is neither, or cut short
   */
  private static float[] curve(ICC_ProfileRGB profile, int component) {
    byte[] tag = profile.getData(CURVE_TAGS[component]);
    if (tag == null || tag.length < 12) {
      throw new IllegalArgumentException("A profile without tone curve " + component);
    }
    ByteBuffer in = ByteBuffer.wrap(tag);
    try {
      int type = in.getInt();
      in.getInt();
      DoubleUnaryOperator curve =
          switch (type) {
            case SAMPLED -> sampled(in);
            case PARAMETRIC -> parametric(in);
            default -> throw new IllegalArgumentException("A tone curve of an unknown type");
          };
      return table(curve);
    } catch (BufferUnderflowException e) {
      throw new IllegalArgumentException("A tone curve that is cut short", e);
    }
  }

  /** {@code curv}, {@code para}. */
  private static final int SAMPLED = 0x63757276;

  private static final int PARAMETRIC = 0x70617261;

  private static DoubleUnaryOperator sampled(ByteBuffer in) {
    int n = in.getInt();
    if (n == 0) {
      return v -> v;
    }
    if (n == 1) {
      double gamma = (in.getShort() & 0xffff) / 256.0;
      return v -> Math.pow(v, gamma);
    }
    if (n < 0 || n > in.remaining() / 2) {
      throw new BufferUnderflowException();
    }
    double[] steps = new double[n];
    for (int i = 0; i < n; i++) {
      steps[i] = (in.getShort() & 0xffff) / 65535.0;
    }
    return v -> {
      double p = v * (n - 1);
      int low = Math.min((int) p, n - 2);
      return steps[low] + (p - low) * (steps[low + 1] - steps[low]);
    };
  }

  private static DoubleUnaryOperator parametric(ByteBuffer in) {
    int form = in.getShort();
    in.getShort();
    int[] counts = {1, 3, 4, 5, 7};
    if (form < 0 || form >= counts.length) {
      throw new IllegalArgumentException("A tone curve of an unknown form");
    }
    double[] p = new double[7];
    for (int i = 0; i < counts[form]; i++) {
      p[i] = in.getInt() / 65536.0;
    }
    double g = p[0];
    double a = form == 0 ? 1 : p[1];
    double b = p[2];
    double c = p[3];
    double d = form <= 2 ? (form == 0 ? 0 : -b / a) : p[4];
    double e = form == 2 ? c : p[5];
    double f = form == 2 ? c : p[6];
    double slope = form <= 2 ? 0 : c;
    return v -> v >= d ? Math.pow(Math.max(0, a * v + b), g) + e : slope * v + f;
  }

  private static void apply(Plane plane, float[] curve) {
    float[] values = plane.values();
    ParallelRows.each(
        plane.width(),
        plane.height(),
        (from, to) -> {
          for (int i = from * plane.width(); i < to * plane.width(); i++) {
            float p = Math.clamp(values[i], 0f, 1f) * TABLE;
            int low = Math.min((int) p, TABLE - 1);
            values[i] = curve[low] + (p - low) * (curve[low + 1] - curve[low]);
          }
        });
  }
}
