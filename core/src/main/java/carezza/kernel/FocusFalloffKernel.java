package carezza.kernel;

import java.util.List;
import java.util.stream.Stream;

import org.jspecify.annotations.Nullable;

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
    // A disc's deviation is half its radius.
    SpreadLight spread = SpreadLight.of(context, radius / 2, s -> DiscBlur.reach(2 * s));
    double coarse = Math.scalb(radius, -spread.band().levels());
    return new Falloff(mask, Masks.reach(mask, context.scale()), context, spread, coarse, null);
  }

  /**
   * @param ready the sums of what is asked for, at the coarse level; null if each part makes its
   *     own
   */
  private record Falloff(
      Mask mask,
      int maskReach,
      EvaluationContext context,
      SpreadLight spread,
      double radius,
      @Nullable List<Plane> ready)
      implements Effect {

    @Override
    public Area needed(Area out) {
      return ready == null ? spread.needed(out).grow(maskReach).intersect(context.whole()) : out;
    }

    @Override
    public Effect over(Picture input, Area out) {
      return spread.small()
          ? new Falloff(mask, maskReach, context, spread, radius, sums(input, out))
          : this;
    }

    @Override
    public Picture render(Picture input, Area out) {
      List<Plane> sums =
          (ready == null ? sums(input, out) : ready)
              .stream().map(p -> spread.brought(p, out)).toList();
      return blurred(input.crop(out), sums);
    }

    /** Of red, green, blue and the mask itself. */
    private List<Plane> sums(Picture input, Area out) {
      return spread.spread(
          out,
          4,
          part -> {
            Plane weight =
                Masks.render(
                    mask, part, context, input.crop(part.grow(maskReach).intersect(input.area())));
            Picture light = Transfer.toLinear(input.crop(part));
            return Stream.concat(
                    light.planes().stream().map(p -> p.times(weight)), Stream.of(weight))
                .toList();
          },
          p -> DiscBlur.blur(p, radius));
    }
  }

  /**
   * @param sums of red, green, blue and weights
   */
  private static Picture blurred(Picture own, List<Plane> sums) {
    Picture out = Picture.of(own.area());
    int w = own.area().width();
    ParallelRows.each(
        w,
        own.area().height(),
        (top, bottom) -> {
          float[] weights = sums.get(3).values();
          for (int c = 0; c < 3; c++) {
            float[] from = own.plane(c).values();
            float[] sum = sums.get(c).values();
            float[] to = out.plane(c).values();
            for (int i = top * w; i < bottom * w; i++) {
              to[i] = sum[i] / Math.max(LEAST, weights[i]);
            }
            Transfer.toEncoded(to, to, top * w, bottom * w);
            for (int i = top * w; i < bottom * w; i++) {
              to[i] = weights[i] < LEAST ? from[i] : to[i];
            }
          }
        });
    return out;
  }
}
