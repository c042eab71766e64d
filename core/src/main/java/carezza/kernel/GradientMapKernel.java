package carezza.kernel;

import java.util.function.ToDoubleFunction;

import carezza.colour.Lab;
import carezza.function.LookupTable;
import carezza.mask.EvaluationContext;
import carezza.model.GradientMapLayer;

/** Lightness turned to the colours of a gradient. */
final class GradientMapKernel implements LayerKernel<GradientMapLayer, Measurements> {

  @Override
  public Effect effect(GradientMapLayer layer, Measurements none, EvaluationContext context) {
    LookupTable[] lab = {along(layer, Lab::l), along(layer, Lab::a), along(layer, Lab::b)};
    return LabPixels.effect(
        (l, a, b, i) -> {
          float at = Math.clamp(l[i] / 100, 0f, 1f);
          l[i] = lab[0].at(at);
          a[i] = lab[1].at(at);
          b[i] = lab[2].at(at);
        });
  }

  private static LookupTable along(GradientMapLayer layer, ToDoubleFunction<Lab> coordinate) {
    return new LookupTable(at -> coordinate.applyAsDouble(layer.at(at)), 0, 1, 512);
  }
}
