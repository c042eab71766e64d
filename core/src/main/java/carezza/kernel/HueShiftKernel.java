package carezza.kernel;

import carezza.function.LookupTable;
import carezza.mask.EvaluationContext;
import carezza.model.HueShiftLayer;

/** One range of hues: turned, coloured and lightened by a smooth weight about its middle. */
final class HueShiftKernel implements LayerKernel<HueShiftLayer, Measurements> {

  @Override
  public Effect effect(HueShiftLayer layer, Measurements none, EvaluationContext context) {
    LookupTable weight = Hues.about(layer.hue(), layer.width());
    return LabPixels.effect(
        (l, a, b, i) -> {
          float w = weight.at(Hues.of(a[i], b[i]));
          if (w > 0) {
            float own = w * Hues.coloured(a[i], b[i]);
            Hues.turn(a, b, i, own * (float) layer.turn(), 1 + w * (float) layer.chroma());
            l[i] += own * (float) layer.lightness();
          }
        });
  }
}
