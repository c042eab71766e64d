package carezza.kernel;

import carezza.function.LookupTable;
import carezza.mask.EvaluationContext;
import carezza.model.HueBandsLayer.Family;
import carezza.model.MonochromeLayer;
import carezza.model.Tint;

/** Grey whose lightness follows the families of hue, toned in shadows and highlights. */
final class MonochromeKernel implements LayerKernel<MonochromeLayer, Measurements> {

  @Override
  public Effect effect(MonochromeLayer layer, Measurements none, EvaluationContext context) {
    LookupTable families = Hues.joined((Family f) -> layer.families().get(f.ordinal()));
    LookupTable[] tone = Tones.of(layer.shadows(), Tint.NONE, layer.highlights());
    return LabPixels.effect(
        (l, a, b, i) -> {
          float light = l[i] + Hues.coloured(a[i], b[i]) * families.at(Hues.of(a[i], b[i]));
          l[i] = Math.clamp(light, 0f, Math.max(100f, l[i]));
          a[i] = tone[0].at(l[i]);
          b[i] = tone[1].at(l[i]);
        });
  }
}
