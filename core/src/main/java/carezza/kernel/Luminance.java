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
      factor = new LookupTable(ratio, 0, 1, STEPS);
      root = new LookupTable(v -> Math.pow(ratio.applyAsDouble(v), Transfer.ROOT), 0, 1, STEPS);
    }

    /** The changed picture; the given one is not modified. */
    Picture apply(Picture encoded) {
      Picture out = Picture.of(encoded.area());
      float[] r = encoded.first().values();
      float[] g = encoded.second().values();
      float[] b = encoded.third().values();
      float[] toR = out.first().values();
      float[] toG = out.second().values();
      float[] toB = out.third().values();
      int w = encoded.area().width();
      ParallelRows.each(
          w,
          encoded.area().height(),
          (from, to) -> {
            for (int i = from * w; i < to * w; i++) {
              float luma = WorkingSpace.luminance(r[i], g[i], b[i]);
              float f = factor.at(luma);
              float k = root.at(luma);
              toR[i] = Transfer.times(r[i], f, k);
              toG[i] = Transfer.times(g[i], f, k);
              toB[i] = Transfer.times(b[i], f, k);
            }
          });
      return out;
    }
  }

  /** Linear light of an L* value (CIE 1976), white 1. */
  static float light(float lightness) {
    float f = (lightness + 16) / 116;
    return lightness > 8 ? f * f * f : lightness * 27 / 24389;
  }
}
