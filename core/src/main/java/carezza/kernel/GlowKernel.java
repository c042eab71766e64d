package carezza.kernel;

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
    double coarse = light.band().sigma(sigma);
    double coarseFine = texture.band().sigma(fine);
    return new Effect() {
      @Override
      public Area needed(Area out) {
        return layer.soften() > 0
            ? light.needed(out).union(texture.needed(out))
            : light.needed(out);
      }

      @Override
      public Picture render(Picture input, Area out) {
        Picture linear = Transfer.toLinear(input.crop(needed(out)));
        Picture lights =
            layer.glow() == 0
                ? null
                : light.spread(
                    linear, out, p -> lights(p, (float) layer.from()), p -> blur(p, coarse));
        Picture own = linear.crop(out);
        if (layer.soften() == 0) {
          return lights == null ? input.crop(out) : glowing(own, own, own, lights, layer);
        }
        Picture soft = light.spread(linear, out, p -> p, p -> blur(p, coarse));
        Picture detail = texture.spread(linear, out, p -> p, p -> blur(p, coarseFine));
        return glowing(own, soft, detail, lights, layer);
      }
    };
  }

  private static Plane blur(Plane plane, double sigma) {
    return GaussianBlur.blur(plane, sigma);
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
   * @param own linear light
   * @param soft blurred light, or its own where it is not softened
   * @param lights blurred, or null
   */
  private static Picture glowing(
      Picture own, Picture soft, Picture fine, Picture lights, GlowLayer layer) {
    Picture out = Picture.of(own.area());
    float glow = (float) layer.glow();
    float soften = (float) layer.soften();
    float texture = (float) layer.texture();
    int w = own.area().width();
    ParallelRows.each(
        w,
        own.area().height(),
        (top, bottom) -> {
          for (int c = 0; c < 3; c++) {
            float[] from = own.plane(c).values();
            float[] to = out.plane(c).values();
            for (int i = top * w; i < bottom * w; i++) {
              float light = from[i];
              if (soften > 0) {
                light +=
                    soften
                        * (soft.plane(c).values()[i]
                            - light
                            + texture * (light - fine.plane(c).values()[i]));
              }
              if (lights != null) {
                float halo = glow * Math.max(0, lights.plane(c).values()[i]);
                light += Math.max(0, 1 - light) * Math.min(1, halo);
              }
              to[i] = Transfer.toEncoded(light);
            }
          }
        });
    return out;
  }
}
