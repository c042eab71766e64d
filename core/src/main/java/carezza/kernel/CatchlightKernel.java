package carezza.kernel;

import carezza.mask.EvaluationContext;
import carezza.model.CatchlightLayer;

/**
 * Catchlights: what is far lighter than the iris's median goes towards white and loses its colour;
 * none are made.
 */
final class CatchlightKernel implements MedianKernel<CatchlightLayer> {

  @Override
  public CatchlightLayer measured(CatchlightLayer full) {
    return new CatchlightLayer(full.attributes(), 0, 0);
  }

  @Override
  public Effect effect(CatchlightLayer layer, Measurements.Tone tone, EvaluationContext context) {
    if (!tone.found()) {
      return Effect.perPixel(own -> own);
    }
    float middle = (float) tone.l();
    return LabPixels.effect(
        (l, a, b, i) -> {
          float light =
              LabPixels.rise(l[i], middle + IrisKernel.LIGHT_FROM, middle + IrisKernel.LIGHT);
          if (light > 0) {
            l[i] += light * (float) layer.gain() * Math.max(0, 100 - l[i]);
            float keep = 1 - light * (float) layer.neutral();
            a[i] *= keep;
            b[i] *= keep;
          }
        });
  }
}
