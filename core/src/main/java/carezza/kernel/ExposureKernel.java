package carezza.kernel;

import java.util.Arrays;
import java.util.function.DoubleUnaryOperator;

import carezza.colour.Transfer;
import carezza.function.LookupTable;
import carezza.image.Picture;
import carezza.mask.EvaluationContext;
import carezza.model.ExposureLayer;

/**
 * Exposure: linear light times 2^stops. Recovery bends the encoded value of the largest channel
 * above a knee k by k + (1−k) tanh((v−k)/(1−k)), which meets the straight part with slope 1 and
 * nears white without reaching it; the other channels keep their ratio, so lights keep their hue.
 */
final class ExposureKernel implements LayerKernel<ExposureLayer, Measurements> {

  /** How far below white the knee lies at full recovery. */
  private static final float DEEPEST_KNEE = 0.5f;

  private static final int STEPS = 1024;

  @Override
  public Effect effect(ExposureLayer layer, Measurements none, EvaluationContext context) {
    double gain = Math.pow(2, layer.stops());
    double knee = 1 - DEEPEST_KNEE * layer.recover();
    if (knee == 1) {
      float root = (float) Math.pow(gain, Transfer.ROOT);
      return Effect.perPixel(own -> lit(own, (float) gain, root));
    }
    // Of the largest channel, encoded, before: what happens to the light of all three.
    DoubleUnaryOperator factor =
        v -> {
          double light = Transfer.toLinear((float) v);
          double top = Transfer.toEncoded((float) (light * gain));
          if (top <= knee) {
            return gain;
          }
          double bent = knee + (1 - knee) * Math.tanh((top - knee) / (1 - knee));
          return Transfer.toLinear((float) bent) / light;
        };
    LookupTable factors = new LookupTable(factor, 0, Transfer.BRIGHTEST, STEPS);
    LookupTable roots =
        new LookupTable(
            v -> Math.pow(factor.applyAsDouble(v), Transfer.ROOT), 0, Transfer.BRIGHTEST, STEPS);
    return Effect.perPixel(own -> expose(own, factors, roots));
  }

  private static Picture lit(Picture own, float gain, float root) {
    return Luminance.times(
        own,
        (row, factors, roots) -> {
          Arrays.fill(factors, gain);
          Arrays.fill(roots, root);
        });
  }

  private static Picture expose(Picture own, LookupTable factor, LookupTable root) {
    float[] r = own.first().values();
    float[] g = own.second().values();
    float[] b = own.third().values();
    return Luminance.times(
        own,
        (row, factors, roots) -> {
          for (int x = 0; x < roots.length; x++) {
            int i = row + x;
            float top = Math.max(0, Math.max(r[i], Math.max(g[i], b[i])));
            factors[x] = factor.at(top);
            roots[x] = root.at(top);
          }
        });
  }
}
