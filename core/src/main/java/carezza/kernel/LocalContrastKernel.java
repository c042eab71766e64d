package carezza.kernel;

import carezza.colour.Lab;
import carezza.colour.Transfer;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.image.Rows;
import carezza.mask.Site;
import carezza.model.LocalContrastLayer;

/**
 * Local contrast: L* moves away from the lightness around it, smoothed within edges, by a share of the
 * difference. Haze is light laid over all (Koschmieder 1924): I = J (1 − t) + t, t a share of the
 * picture's darkest channel around, taken away or laid on in linear light.
 */
final class LocalContrastKernel {

  private static final double AROUND = 1 / 9.0;
  private static final double EDGE = 22;

  /** Part of the darkest channel around that counts as haze at full strength. */
  private static final double HAZE = 0.75;

  /** Share of light that full haze lays on. */
  private static final double LAID_ON = 0.35;

  private LocalContrastKernel() {}

  static Effect effect(LocalContrastLayer layer, Site site) {
    Effect contrast = contrast(layer, site);
    return layer.haze() == 0 ? contrast : new Both(haze(layer, site), contrast);
  }

  private static Effect contrast(LocalContrastLayer layer, Site site) {
    if (layer.contrast() == 0) {
      return Effect.perPixel(own -> own);
    }
    double sigma = site.faceWidth() * AROUND;
    float share = (float) layer.contrast();
    return new BaseEffect(
        LowBand.of(site, sigma),
        sigma,
        EDGE,
        new BaseEffect.Parts() {
          @Override
          public Plane seen(Picture coarse) {
            return Lab.lightness(coarse);
          }

          @Override
          public Plane base(Plane seen, Plane smooth) {
            return smooth;
          }

          @Override
          public Picture change(Picture own, Plane around) {
            float[] base = around.values();
            return LabPixels.changed(own, (l, a, b, i) -> l[i] += share * (l[i] - base[i]));
          }
        });
  }

  private static Effect haze(LocalContrastLayer layer, Site site) {
    double sigma = site.faceWidth() * AROUND;
    float haze = (float) layer.haze();
    return new BaseEffect(
        LowBand.of(site, sigma),
        sigma,
        0.15,
        new BaseEffect.Parts() {
          @Override
          public Plane seen(Picture coarse) {
            Picture light = Transfer.toLinear(coarse);
            Plane least = Plane.of(coarse.area());
            for (int i = 0; i < least.values().length; i++) {
              least.values()[i] =
                  Math.min(
                      light.first().values()[i],
                      Math.min(light.second().values()[i], light.third().values()[i]));
            }
            return least;
          }

          @Override
          public Plane base(Plane seen, Plane smooth) {
            return smooth;
          }

          @Override
          public Picture change(Picture own, Plane darkest) {
            return cleared(own, darkest, haze);
          }
        });
  }

  private static Picture cleared(Picture own, Plane darkest, float haze) {
    Picture light = Transfer.toLinear(own);
    int w = own.area().width();
    Rows.each(
        w,
        own.area().height(),
        (from, to) -> {
          for (int i = from * w; i < to * w; i++) {
            double t =
                haze > 0
                    ? haze * HAZE * Math.clamp(darkest.values()[i], 0, 0.9f)
                    : haze * LAID_ON;
            for (int c = 0; c < 3; c++) {
              float[] v = light.plane(c).values();
              v[i] = (float) (t > 0 ? (v[i] - t) / (1 - t) : v[i] * (1 + t) - t);
            }
          }
        });
    return Transfer.encodeInPlace(light);
  }

  /** One effect after another. */
  private record Both(Effect first, Effect then) implements Effect {
    @Override
    public Area needed(Area out) {
      return first.needed(then.needed(out)).union(out);
    }

    @Override
    public Picture render(Picture input, Area out) {
      Area between = then.needed(out).union(out).intersect(input.area());
      return then.render(first.render(input, between), out);
    }
  }
}
