package carezza.kernel;

import carezza.colour.Lab;
import carezza.filter.Robust;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.Masks;
import carezza.model.DepthLayer;

/**
 * Depth: L* moves towards a mono mix's by the strength, both taken from their medians over the skin, and
 * falls by the darkening; a* and b* stay, so skin grows richer as it darkens. Unless forced the median
 * falls by no more than {@value #MOST}.
 */
final class DepthKernel {

  private static final double MOST = 2;

  private DepthKernel() {}

  static Readings.Depth measure(DepthLayer layer, Probe probe) {
    Plane everywhere =
        Masks.render(layer.head().mask(), probe.site().whole(), probe.site(), probe.input());
    Area box = everywhere.covered();
    Picture input = probe.input().crop(box);
    Plane mask = everywhere.crop(box);
    double own = Robust.median(Lab.lightness(input), mask);
    double mixed = Robust.median(new MonoMix(layer.mix()).lightness(input), mask);
    return Double.isNaN(own) ? new Readings.Depth(50, 50) : new Readings.Depth(own, mixed);
  }

  static Effect effect(DepthLayer layer, Readings.Depth depth) {
    MonoMix mix = new MonoMix(layer.mix());
    float strength = (float) layer.strength();
    float offset = (float) (depth.lightness() - depth.mixed());
    float darken = (float) (layer.force() ? layer.darken() : Math.min(MOST, layer.darken()));
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
