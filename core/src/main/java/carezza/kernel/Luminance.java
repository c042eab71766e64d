package carezza.kernel;

import java.util.function.DoubleUnaryOperator;

import carezza.colour.Transfer;
import carezza.colour.WorkingSpace;
import carezza.function.LookupTable;
import carezza.image.ParallelRows;
import carezza.image.Picture;

/** Changes of luminance with the ratios of the channels kept. */
final class Luminance {

  /** Encoded value below which a ratio of lights is taken as it is there. */
  private static final double BLACK = 1e-3;

  private static final int STEPS = 1024;

  private Luminance() {}

  /** What the light of each pixel of a row is multiplied by. */
  @FunctionalInterface
  interface Factors {

    /**
     * @param row index of the row's first pixel in the planes
     * @param factors on light, to be filled
     * @param roots the factors to the power {@link Transfer#ROOT}, to be filled
     */
    void along(int row, float[] factors, float[] roots);
  }

  /** A picture with its light multiplied; the given one is not modified. */
  static Picture times(Picture encoded, Factors light) {
    Picture out = Picture.of(encoded.area());
    int w = encoded.area().width();
    ParallelRows.each(
        w,
        encoded.area().height(),
        (from, to) -> {
          float[] factors = new float[w];
          float[] roots = new float[w];
          for (int row = from * w; row < to * w; row += w) {
            light.along(row, factors, roots);
            for (int c = 0; c < 3; c++) {
              Transfer.times(encoded.plane(c).values(), out.plane(c).values(), row, factors, roots);
            }
          }
        });
    return out;
  }

  /**
   * A curve on luma, the encoded channels weighted as light is; greys have their own value for it.
   * What the curve does to a grey's light is the factor for all three channels.
   */
  static final class Curve {

    private final LookupTable factor;
    private final LookupTable root;

    Curve(DoubleUnaryOperator curve) {
      DoubleUnaryOperator ratio =
          v -> {
            double luma = Math.max(v, BLACK);
            return Math.max(0, Transfer.toLinear((float) curve.applyAsDouble(luma)))
                / Transfer.toLinear((float) luma);
          };
      factor = new LookupTable(ratio, 0, Transfer.BRIGHTEST, STEPS);
      root =
          new LookupTable(
              v -> Math.pow(ratio.applyAsDouble(v), Transfer.ROOT), 0, Transfer.BRIGHTEST, STEPS);
    }

    /** The changed picture; the given one is not modified. */
    Picture apply(Picture encoded) {
      float[] r = encoded.first().values();
      float[] g = encoded.second().values();
      float[] b = encoded.third().values();
      return times(
          encoded,
          (row, factors, roots) -> {
            for (int x = 0; x < roots.length; x++) {
              float luma = WorkingSpace.luminance(r[row + x], g[row + x], b[row + x]);
              factors[x] = factor.at(luma);
              roots[x] = root.at(luma);
            }
          });
    }
  }

  /** Linear light of an L* value (CIE 1976), white 1. */
  static float light(float lightness) {
    float f = (lightness + 16) / 116;
    return lightness > 8 ? f * f * f : lightness * 27 / 24389;
  }
}
