package carezza.kernel;

import carezza.colour.Lab;
import carezza.filter.RobustStatistics;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.mask.Masks;
import carezza.model.SkinDepthLayer;

/**
 * Depth: L* moves towards a mono mix's by the strength, both taken from their medians over the
 * skin, and falls by the darkening; a* and b* stay, so skin grows richer as it darkens. Unless
 * forced the median falls by no more than the job allows.
 */
final class SkinDepthKernel implements LayerKernel<SkinDepthLayer, Measurements.Depth> {

  @Override
  public boolean measures(SkinDepthLayer layer) {
    return true;
  }

  @Override
  public Measurements.Depth measure(SkinDepthLayer layer, Probe probe) {
    Plane everywhere =
        Masks.render(layer.attributes().mask(), probe.site().whole(), probe.site(), probe.input());
    Area box = everywhere.covered();
    Picture input = probe.input().crop(box);
    Plane mask = everywhere.crop(box);
    double own = RobustStatistics.median(Lab.lightness(input), mask);
    double mixed = RobustStatistics.median(new MonochromeMix(layer.mix()).lightness(input), mask);
    return Double.isNaN(own) ? new Measurements.Depth(50, 50) : new Measurements.Depth(own, mixed);
  }

  @Override
  public SkinDepthLayer measured(SkinDepthLayer full) {
    return new SkinDepthLayer(full.attributes(), 0, 0, full.mix(), false);
  }

  @Override
  public Effect effect(SkinDepthLayer layer, Measurements.Depth depth, EvaluationContext context) {
    MonochromeMix mix = new MonochromeMix(layer.mix());
    float strength = (float) layer.strength();
    float offset = (float) (depth.lightness() - depth.mixed());
    float darken =
        (float)
            (layer.force()
                ? layer.darken()
                : Math.min(context.job().limit("skin", "mostChange"), layer.darken()));
    return Effect.perPixel(
        own -> {
          float[] grey = mix.lightness(own).values();
          return LabPixels.changed(
              own,
              (l, a, b, i) ->
                  l[i] = Math.max(0, l[i] + strength * (grey[i] + offset - l[i]) - darken));
        });
  }
}
