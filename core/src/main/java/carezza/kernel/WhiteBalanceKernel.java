package carezza.kernel;

import carezza.colour.FloatMatrix;
import carezza.colour.Transfer;
import carezza.colour.WhiteBalance;
import carezza.colour.WhiteBalance.Light;
import carezza.model.WhiteBalanceLayer;

/** White balance: one matrix on linear light, {@link WhiteBalance#correction}. */
final class WhiteBalanceKernel {

  private WhiteBalanceKernel() {}

  static Effect effect(WhiteBalanceLayer layer) {
    FloatMatrix matrix =
        new FloatMatrix(WhiteBalance.correction(new Light(layer.temperature(), layer.tint())));
    return Effect.perPixel(
        own -> {
          var linear = Transfer.toLinear(own);
          matrix.apply(linear);
          return Transfer.encodeInPlace(linear);
        });
  }
}
