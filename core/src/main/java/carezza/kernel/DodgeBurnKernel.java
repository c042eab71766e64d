package carezza.kernel;

import java.util.List;

import carezza.colour.MonotoneCurve;
import carezza.colour.MonotoneCurve.Point;
import carezza.function.UniformTable;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.Masks;
import carezza.mask.Site;
import carezza.model.DodgeBurnLayer;
import carezza.model.Mask;

/**
 * Dodge and burn by a pair of monotone curves through (½, ½ + dodge) and (½, ½ − burn), each laid on by
 * its own mask. With keep colour k the result is k x (curve on luma, channels in ratio) + (1 − k) x
 * (curve on every channel).
 */
final class DodgeBurnKernel {

  private DodgeBurnKernel() {}

  static Effect effect(DodgeBurnLayer layer, Site site) {
    int reach =
        Math.max(
            Masks.reach(layer.dodgeMask(), site.scale()),
            Masks.reach(layer.burnMask(), site.scale()));
    Bend dodge = Bend.of(layer.dodge(), layer.dodgeMask(), layer.keepColour());
    Bend burn = Bend.of(-layer.burn(), layer.burnMask(), layer.keepColour());
    return Effect.reaching(
        reach,
        (input, out) -> {
          Picture own = input.crop(out);
          Picture changed = Picture.of(out);
          changed.copyFrom(own);
          dodge.lay(input, own, changed, site);
          burn.lay(input, own, changed, site);
          return changed;
        });
  }

  /**
   * One of the two curves with its mask.
   *
   * @param free the curve for single channels, null where colour is wholly kept
   * @param held the curve for luminance, null where colour is wholly let go
   */
  private record Bend(
      boolean idle, Mask mask, UniformTable free, Luminance.Curve held, float keepColour) {

    static Bend of(double rise, Mask mask, double keepColour) {
      boolean idle = rise == 0 || mask instanceof Mask.Nothing;
      MonotoneCurve curve =
          new MonotoneCurve(List.of(new Point(0, 0), new Point(0.5, 0.5 + rise), new Point(1, 1)));
      return new Bend(
          idle,
          mask,
          idle || keepColour == 1 ? null : curve.table(),
          idle || keepColour == 0 ? null : new Luminance.Curve(curve),
          (float) keepColour);
    }

    void lay(Picture input, Picture own, Picture changed, Site site) {
      if (idle) {
        return;
      }
      Plane coverage = Masks.render(mask, own.area(), site, input);
      Area touched = coverage.covered();
      if (touched.isEmpty()) {
        return;
      }
      Picture part = own.crop(touched);
      Picture ratio = held == null ? part : held.apply(part);
      for (int c = 0; c < 3; c++) {
        lay(part.plane(c), ratio.plane(c), changed.plane(c), coverage);
      }
    }

    private void lay(Plane part, Plane ratio, Plane changed, Plane coverage) {
      Area touched = part.area();
      float[] in = part.values();
      float[] kept = ratio.values();
      float[] to = changed.values();
      float[] m = coverage.values();
      for (int y = touched.y(); y < touched.bottom(); y++) {
        int i = part.index(touched.x(), y);
        int o = coverage.index(touched.x(), y);
        for (int x = 0; x < touched.width(); x++) {
          if (m[o + x] > 0) {
            float v = in[i + x];
            float loose = free == null ? 0 : free.at(v);
            to[o + x] += m[o + x] * (keepColour * kept[i + x] + (1 - keepColour) * loose - v);
          }
        }
      }
    }
  }
}
