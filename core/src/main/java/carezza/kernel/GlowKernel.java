package carezza.kernel;

import java.util.List;
import java.util.function.UnaryOperator;

import org.jspecify.annotations.Nullable;

import carezza.colour.Transfer;
import carezza.colour.WorkingSpace;
import carezza.filter.GaussianBlur;
import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.model.GlowLayer;

/**
 * Glow, in linear light I: lights H = I w(Y), w rising over 25 L* from the tone where lights begin;
 * 1 − (1 − S)(1 − g G(H)), so that white stays white. S is the picture softened: I + s (G(I) − I +
 * t (I − G(I; radius / 8))).
 */
final class GlowKernel implements LayerKernel<GlowLayer, Measurements> {

  /** L* over which tones become lights. */
  private static final float RISE = 25;

  /** What is finer than this share of the radius is texture. */
  private static final double FINE = 1 / 8.0;

  @Override
  public Effect effect(GlowLayer layer, Measurements none, EvaluationContext context) {
    double sigma = layer.radius() * context.scale();
    double fine = FINE * sigma;
    SpreadLight light = SpreadLight.of(context, sigma, s -> GaussianBlur.reach(s));
    SpreadLight texture = SpreadLight.of(context, fine, s -> GaussianBlur.reach(s));
    return new Glow(
        layer,
        new Halo(light, light.band().sigma(sigma)),
        new Halo(texture, texture.band().sigma(fine)),
        null);
  }

  /**
   * @param sigma in coarse pixels
   */
  private record Halo(SpreadLight light, double sigma) {

    List<Plane> of(Picture input, Area out, UnaryOperator<Picture> lightOf) {
      return light.spread(
          out,
          3,
          part -> lightOf.apply(Transfer.toLinear(input.crop(part))).planes(),
          p -> GaussianBlur.blur(p, sigma));
    }

    @Nullable Picture brought(@Nullable List<Plane> coarse, Area out) {
      if (coarse == null) {
        return null;
      }
      List<Plane> fine = coarse.stream().map(p -> light.brought(p, out)).toList();
      return new Picture(fine.get(0), fine.get(1), fine.get(2));
    }
  }

  /** What is spread, at coarse levels; null what the layer does not use. */
  private record Spread(
      @Nullable List<Plane> lights, @Nullable List<Plane> soft, @Nullable List<Plane> fine) {}

  /**
   * @param ready of all that is asked for; null if each part makes its own
   */
  private record Glow(GlowLayer layer, Halo wide, Halo fine, @Nullable Spread ready)
      implements Effect {

    @Override
    public Area needed(Area out) {
      if (ready != null) {
        return out;
      }
      Area far = wide.light().needed(out);
      return layer.soften() > 0 ? far.union(fine.light().needed(out)) : far;
    }

    @Override
    public Effect over(Picture input, Area out) {
      return wide.light().small() && (layer.soften() == 0 || fine.light().small())
          ? new Glow(layer, wide, fine, spread(input, out))
          : this;
    }

    @Override
    public Picture render(Picture input, Area out) {
      if (layer.glow() == 0 && layer.soften() == 0) {
        return input.crop(out);
      }
      Spread spread = ready == null ? spread(input, out) : ready;
      return glowing(
          input.crop(out),
          wide.brought(spread.soft, out),
          fine.brought(spread.fine, out),
          wide.brought(spread.lights, out),
          layer);
    }

    private Spread spread(Picture input, Area out) {
      boolean softens = layer.soften() > 0;
      return new Spread(
          layer.glow() == 0 ? null : wide.of(input, out, p -> lights(p, (float) layer.from())),
          softens ? wide.of(input, out, p -> p) : null,
          softens ? fine.of(input, out, p -> p) : null);
    }
  }

  private static Picture lights(Picture light, float from) {
    Picture out = Picture.of(light.area());
    float low = Luminance.light(from);
    float high = Luminance.light(from + RISE);
    int w = light.area().width();
    ParallelRows.each(
        w,
        light.area().height(),
        (top, bottom) -> {
          for (int i = top * w; i < bottom * w; i++) {
            float y =
                WorkingSpace.luminance(
                    light.first().values()[i],
                    light.second().values()[i],
                    light.third().values()[i]);
            float weight = LabPixels.rise(y, low, high);
            for (int c = 0; c < 3; c++) {
              out.plane(c).values()[i] = weight * light.plane(c).values()[i];
            }
          }
        });
    return out;
  }

  /**
   * @param soft blurred light and {@code fine} its texture, or null where it is not softened
   * @param lights blurred, or null
   */
  private static Picture glowing(
      Picture own,
      @Nullable Picture soft,
      @Nullable Picture fine,
      @Nullable Picture lights,
      GlowLayer layer) {
    Picture out = Picture.of(own.area());
    int w = own.area().width();
    ParallelRows.each(
        w,
        own.area().height(),
        (top, bottom) -> {
          for (int c = 0; c < 3; c++) {
            float[] to = out.plane(c).values();
            int first = top * w;
            int end = bottom * w;
            Transfer.toLinear(own.plane(c).values(), to, first, end);
            if (soft != null && fine != null) {
              soften(
                  to,
                  soft.plane(c).values(),
                  fine.plane(c).values(),
                  (float) layer.soften(),
                  (float) layer.texture(),
                  first,
                  end);
            }
            if (lights != null) {
              lay(to, lights.plane(c).values(), (float) layer.glow(), first, end);
            }
            Transfer.toEncoded(to, to, first, end);
          }
        });
    return out;
  }

  private static void soften(
      float[] light, float[] soft, float[] fine, float share, float texture, int from, int to) {
    for (int i = from; i < to; i++) {
      light[i] += share * (soft[i] - light[i] + texture * (light[i] - fine[i]));
    }
  }

  private static void lay(float[] light, float[] lights, float glow, int from, int to) {
    for (int i = from; i < to; i++) {
      float halo = Math.min(1, glow * Math.max(0, lights[i]));
      light[i] += Math.max(0, 1 - light[i]) * halo;
    }
  }
}
