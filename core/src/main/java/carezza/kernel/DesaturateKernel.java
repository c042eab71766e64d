package carezza.kernel;

import carezza.mask.EvaluationContext;
import carezza.model.DesaturateLayer;

/** Colour taken away; lightness held, or passing to that of a mix. */
final class DesaturateKernel implements LayerKernel<DesaturateLayer, Measurements> {

  @Override
  public Effect effect(DesaturateLayer layer, Measurements none, EvaluationContext context) {
    MonochromeMix mix = new MonochromeMix(layer.mix());
    float share = (float) layer.share();
    float away = share * (float) (1 - layer.hold());
    return Effect.perPixel(
        own -> {
          float[] grey = mix.lightness(own).values();
          return LabPixels.changed(
              own,
              (l, a, b, i) -> {
                l[i] += away * (grey[i] - l[i]);
                a[i] *= 1 - share;
                b[i] *= 1 - share;
              });
        });
  }
}
