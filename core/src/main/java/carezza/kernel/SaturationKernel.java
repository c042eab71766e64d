package carezza.kernel;

import carezza.function.LookupTable;
import carezza.mask.EvaluationContext;
import carezza.model.SaturationLayer;

/** Chroma scaled, hues of skin by less. */
final class SaturationKernel implements LayerKernel<SaturationLayer, Measurements> {

  /** Middle of skin's hues and how far they reach, in degrees of CIE LCh(ab). */
  private static final double SKIN_HUE = 52;

  private static final double SKIN_WIDTH = 42;

  @Override
  public Effect effect(SaturationLayer layer, Measurements none, EvaluationContext context) {
    LookupTable skin = Hues.about(SKIN_HUE, SKIN_WIDTH);
    return LabPixels.effect(
        (l, a, b, i) -> {
          double spared = layer.skin() * skin.at(Hues.of(a[i], b[i]));
          float factor = (float) (1 + layer.saturation() * (1 - spared));
          a[i] *= factor;
          b[i] *= factor;
        });
  }
}
