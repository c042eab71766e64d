package carezza.kernel;

import carezza.colour.Lab;
import carezza.filter.NoiseField;
import carezza.function.LookupTable;
import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.model.GrainLayer;

/**
 * Grain: L* + s w(L*) n, w a bell over the tones that is 1 at its middle, n correlated noise of
 * variance 1 in photograph pixels; a* and b* get noise of their own. Coarse levels show the means
 * of what full size has.
 */
final class GrainKernel implements LayerKernel<GrainLayer, Measurements> {

  /** L* of the bell's middle, how far the tone moves it, and its width. */
  private static final double MIDDLE = 50;

  private static final double MOVED = 35;
  private static final double WIDTH = 32;

  @Override
  public Effect effect(GrainLayer layer, Measurements none, EvaluationContext context) {
    double middle = MIDDLE + MOVED * layer.tone();
    LookupTable weight =
        new LookupTable(
            l -> layer.strength() * Math.exp(-0.5 * Math.pow((l - middle) / WIDTH, 2)), 0, 110, 8);
    long seed = Math.round(layer.seed());
    return Effect.perPixel(own -> grained(own, layer, weight, seed, context.level()));
  }

  private static Picture grained(
      Picture own, GrainLayer layer, LookupTable weight, long seed, int level) {
    Area area = own.area();
    Picture lab = Lab.of(own);
    Plane light = new NoiseField(3 * seed).grains(area, level, layer.size());
    float colour = (float) layer.colour();
    Plane a = colour == 0 ? light : new NoiseField(3 * seed + 1).grains(area, level, layer.size());
    Plane b = colour == 0 ? light : new NoiseField(3 * seed + 2).grains(area, level, layer.size());
    int w = area.width();
    ParallelRows.each(
        w,
        area.height(),
        (from, to) -> {
          for (int i = from * w; i < to * w; i++) {
            float strength = weight.at(lab.first().values()[i]);
            lab.first().values()[i] += strength * light.values()[i];
            lab.second().values()[i] += colour * strength * a.values()[i];
            lab.third().values()[i] += colour * strength * b.values()[i];
          }
        });
    return Lab.toWorking(lab);
  }
}
