package carezza.kernel;

import carezza.colour.Transfer;
import carezza.filter.DiscBlur;
import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.mask.Masks;
import carezza.model.FocusFalloffLayer;
import carezza.model.Mask;

/**
 * Focus falloff: disc means of linear light weighted by the layer's mask, Σ m I / Σ m, so that what
 * stays sharp gives nothing to what does not.
 */
final class FocusFalloffKernel implements LayerKernel<FocusFalloffLayer, Measurements> {

  /** Share of the disc that has to be of the mask for its mean to count. */
  private static final float LEAST = 1e-3f;

  @Override
  public Effect effect(FocusFalloffLayer layer, Measurements none, EvaluationContext context) {
    double radius = layer.radius() * context.scale();
    Mask mask = layer.attributes().mask();
    int own = Masks.reach(mask, context.scale());
    // A disc's deviation is half its radius.
    SpreadLight spread = SpreadLight.of(context, radius / 2, s -> DiscBlur.reach(2 * s));
    double coarse = Math.scalb(radius, -spread.band().levels());
    return new Effect() {
      @Override
      public Area needed(Area out) {
        return spread.needed(out).grow(own).intersect(context.whole());
      }

      @Override
      public Picture render(Picture input, Area out) {
        Area wide = spread.needed(out);
        Plane weight = Masks.render(mask, wide, context, input);
        Picture sums =
            spread.spread(
                Transfer.toLinear(input.crop(wide)),
                out,
                light -> light.map(p -> p.times(weight)),
                p -> DiscBlur.blur(p, coarse));
        Plane total = spread.spread(weight, out, p -> DiscBlur.blur(p, coarse));
        return blurred(input.crop(out), sums, total);
      }
    };
  }

  private static Picture blurred(Picture own, Picture sums, Plane total) {
    Picture out = Picture.of(own.area());
    int w = own.area().width();
    ParallelRows.each(
        w,
        own.area().height(),
        (top, bottom) -> {
          for (int c = 0; c < 3; c++) {
            for (int i = top * w; i < bottom * w; i++) {
              float weight = total.values()[i];
              out.plane(c).values()[i] =
                  weight < LEAST
                      ? own.plane(c).values()[i]
                      : Transfer.toEncoded(sums.plane(c).values()[i] / weight);
            }
          }
        });
    return out;
  }
}
