package carezza.kernel;

import carezza.colour.FloatMatrix;
import carezza.colour.Transfer;
import carezza.colour.WhiteBalance;
import carezza.colour.WhiteBalance.Light;
import carezza.mask.EvaluationContext;
import carezza.model.WhiteBalanceLayer;

/**
 * White balance: one matrix on linear light, {@link WhiteBalance#correction}; of a raw photograph
 * on the camera's own channels, as the sensor would have been balanced.
 */
final class WhiteBalanceKernel implements LayerKernel<WhiteBalanceLayer, Measurements> {

  @Override
  public Effect effect(WhiteBalanceLayer layer, Measurements none, EvaluationContext context) {
    Light light = new Light(layer.temperature(), layer.tint());
    FloatMatrix matrix =
        new FloatMatrix(
            context.sensor() == null
                ? WhiteBalance.correction(light)
                : WhiteBalance.correction(light, context.sensor().toWorking()));
    return Effect.perPixel(
        own -> {
          var linear = Transfer.toLinear(own);
          matrix.apply(linear);
          return Transfer.encodeInPlace(linear);
        });
  }
}
