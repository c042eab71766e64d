package carezza.colour;

import carezza.function.LogTable;
import carezza.function.LookupTable;
import carezza.function.PowerCurve;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;

/** The sRGB transfer curve (IEC 61966-2-1), continued through 0 as an odd function and above 1. */
public final class Transfer {

  private Transfer() {}

  private static final float STRAIGHT_ENCODED = 0.04045f;
  private static final float STRAIGHT_LIGHT = 0.0031308f;

  /** What encoded pixels hardly lie beyond: those of a lifted backdrop may pass white by far. */
  public static final double DARKEST = -0.25;

  public static final double BRIGHTEST = 2;

  private static final LookupTable DECODE =
      new LookupTable(v -> Math.pow((v + 0.055) / 1.055, 2.4), 0, 1.5, 2048);
  private static final LogTable ENCODE =
      new LogTable(light -> 1.055 * Math.pow(light, 1 / 2.4) - 0.055, -9, 4);

  private static final PowerCurve ROW_TO_LIGHT =
      new PowerCurve(
          2.4,
          Math.pow(1 / 1.055, 2.4),
          0.055,
          1 / 12.92,
          STRAIGHT_ENCODED,
          1.5,
          Transfer::toLinear);
  private static final PowerCurve ROW_TO_ENCODED =
      new PowerCurve(1 / 2.4, 1.055, 0, 12.92, STRAIGHT_LIGHT, 16, Transfer::toEncoded);

  /**
   * Numbers of a row turned at a time: those of some neighbours beyond the curve's usual range cost
   * no more than these.
   */
  private static final int RUN = 512;

  /** Encoded value to light; error below 2e-7. */
  public static float toLinear(float v) {
    float a = Math.abs(v);
    if (a <= STRAIGHT_ENCODED) {
      return v * (1 / 12.92f);
    }
    return v < 0 ? -DECODE.at(a) : DECODE.at(a);
  }

  /** Light to encoded value; error below 5e-7 of it. */
  public static float toEncoded(float light) {
    float a = Math.abs(light);
    if (a <= STRAIGHT_LIGHT) {
      return light * 12.92f;
    }
    return light < 0 ? -ENCODE.at(a) : ENCODE.at(a);
  }

  /** The exponent that turns a factor on light into one on the power part of the curve. */
  public static final double ROOT = 1 / 2.4;

  /**
   * An encoded value whose light is multiplied: on the power part of the curve 1.055 (f x)^(1/2.4)
   * − 0.055 = (v + 0.055) f^(1/2.4) − 0.055, so the light itself need not be found.
   *
   * @param v encoded
   * @param factor on its light, 0 or more
   * @param root the factor to the power {@link #ROOT}
   */
  public static float times(float v, float factor, float root) {
    float u = (v + 0.055f) * root - 0.055f;
    return v > STRAIGHT_ENCODED && u > STRAIGHT_ENCODED ? u : toEncoded(toLinear(v) * factor);
  }

  /**
   * The light of a row's encoded values multiplied, as {@link #times} does it.
   *
   * @param row place of its first value in both arrays, which must not be one
   * @param factors on the light of each
   * @param roots the factors to the power {@link #ROOT}
   */
  public static void times(float[] in, float[] out, int row, float[] factors, float[] roots) {
    for (int x = 0; x < roots.length; x++) {
      out[row + x] = (in[row + x] + 0.055f) * roots[x] - 0.055f;
    }
    for (int x = 0; x < roots.length; x++) {
      if (!(in[row + x] > STRAIGHT_ENCODED && out[row + x] > STRAIGHT_ENCODED)) {
        out[row + x] = toEncoded(toLinear(in[row + x]) * factors[x]);
      }
    }
  }

  /** A new picture with all three planes turned to light. */
  public static Picture toLinear(Picture encoded) {
    return encoded.map(p -> decode(p, Plane.of(p.area())));
  }

  /** A new picture with all three planes encoded. */
  public static Picture toEncoded(Picture linear) {
    return linear.map(p -> encode(p, Plane.of(p.area())));
  }

  /** Encodes the picture's own planes and returns it. */
  public static Picture encodeInPlace(Picture linear) {
    return linear.map(p -> encode(p, p));
  }

  /** Turns the picture's own planes to light and returns it. */
  public static Picture decodeInPlace(Picture encoded) {
    return encoded.map(p -> decode(p, p));
  }

  /** Turns {@code in[from … to)} to light at the same places of {@code out}, which may be it. */
  public static void toLinear(float[] in, float[] out, int from, int to) {
    turn(ROW_TO_LIGHT, in, out, from, to);
  }

  /** Encodes {@code in[from … to)} at the same places of {@code out}, which may be it. */
  public static void toEncoded(float[] in, float[] out, int from, int to) {
    turn(ROW_TO_ENCODED, in, out, from, to);
  }

  private static void turn(PowerCurve curve, float[] in, float[] out, int from, int to) {
    for (int i = from; i < to; i += RUN) {
      curve.row(in, out, i, Math.min(to, i + RUN));
    }
  }

  private static Plane decode(Plane from, Plane to) {
    return turn(ROW_TO_LIGHT, from, to);
  }

  private static Plane encode(Plane from, Plane to) {
    return turn(ROW_TO_ENCODED, from, to);
  }

  private static Plane turn(PowerCurve curve, Plane from, Plane to) {
    int w = from.width();
    ParallelRows.each(
        w,
        from.height(),
        (top, bottom) -> turn(curve, from.values(), to.values(), top * w, bottom * w));
    return to;
  }
}
