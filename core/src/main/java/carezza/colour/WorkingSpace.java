package carezza.colour;

import carezza.image.ParallelRows;
import carezza.image.Picture;

/**
 * The space all layers work in: Rec. 2020 primaries, D65, sRGB transfer curve, unclamped floats.
 * Encoded unless said otherwise.
 */
public final class WorkingSpace {

  private static final FloatMatrix FROM_SRGB = new FloatMatrix(RgbSpace.SRGB.to(RgbSpace.REC2020));
  private static final FloatMatrix TO_SRGB = new FloatMatrix(RgbSpace.REC2020.to(RgbSpace.SRGB));
  private static final Matrix3 TO_XYZ = RgbSpace.REC2020.toXyzD50();

  /** Weight of linear red, green and blue in luminance Y (the D50-adapted middle row). */
  public static final float LUMA_R = (float) TO_XYZ.m10();

  public static final float LUMA_G = (float) TO_XYZ.m11();
  public static final float LUMA_B = (float) TO_XYZ.m12();

  /** Pixels turned at a time: what one step leaves is near at hand for the next. */
  private static final int RUN = 2048;

  private WorkingSpace() {}

  /** Luminance Y of linear working RGB, white 1. */
  public static float luminance(float r, float g, float b) {
    return LUMA_R * r + LUMA_G * g + LUMA_B * b;
  }

  /** Encoded sRGB planes to working planes. */
  public static Picture fromSrgb(Picture srgb) {
    return fromSrgbInPlace(srgb.copy());
  }

  /** As above, in the picture's own planes, which come back. */
  public static Picture fromSrgbInPlace(Picture srgb) {
    return turn(srgb, srgb, FROM_SRGB);
  }

  /** Working planes to encoded sRGB planes, not clipped. */
  public static Picture toSrgb(Picture working) {
    return turn(working, Picture.of(working.area()), TO_SRGB);
  }

  /** Encoded to encoded, its light multiplied on the way; {@code to} may be {@code from}. */
  private static Picture turn(Picture from, Picture to, FloatMatrix matrix) {
    int w = from.area().width();
    ParallelRows.each(
        w,
        from.area().height(),
        (top, bottom) -> {
          for (int i = top * w; i < bottom * w; i += RUN) {
            int end = Math.min(bottom * w, i + RUN);
            for (int c = 0; c < 3; c++) {
              Transfer.toLinear(from.plane(c).values(), to.plane(c).values(), i, end);
            }
            matrix.apply(to.first().values(), to.second().values(), to.third().values(), i, end);
            for (int c = 0; c < 3; c++) {
              Transfer.toEncoded(to.plane(c).values(), to.plane(c).values(), i, end);
            }
          }
        });
    return to;
  }

  /** Working planes to linear sRGB light, not clipped. */
  public static Picture toLinearSrgb(Picture working) {
    Picture linear = Transfer.toLinear(working);
    TO_SRGB.apply(linear);
    return linear;
  }

  /** Linear sRGB light to working planes. */
  public static Picture fromLinearSrgb(Picture linearSrgb) {
    Picture linear = linearSrgb.copy();
    FROM_SRGB.apply(linear);
    return Transfer.encodeInPlace(linear);
  }
}
