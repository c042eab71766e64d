package carezza.kernel;

import java.util.List;
import java.util.function.DoubleUnaryOperator;

import org.jspecify.annotations.Nullable;

import carezza.colour.Blends;
import carezza.colour.MonotoneCurve;
import carezza.colour.MonotoneCurve.Point;
import carezza.colour.Transfer;
import carezza.function.LookupTable;
import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.mask.Masks;
import carezza.model.DodgeBurnLayer;
import carezza.model.DodgeBurnLayer.Method;
import carezza.model.Mask;

/**
 * Dodge and burn by two functions of a channel's value, each laid on by its own mask within its
 * tones: a pair of monotone curves through (½, ½ + dodge) and (½, ½ − burn); a neutral sheet in
 * soft light or overlay, ½ where nothing is painted; or the picture on itself in screen and
 * multiply ({@link Blends}). All of them are linear in the sheet's distance from ½, so coverage may
 * be laid on afterwards. With keep colour k the result is k x (function on luma, channels in ratio)
 * + (1 − k) x (function on every channel).
 */
final class DodgeBurnKernel implements LayerKernel<DodgeBurnLayer, Measurements> {

  private static final int STEPS = 1024;

  @Override
  public DodgeBurnLayer within(DodgeBurnLayer layer, Area photographArea) {
    return layer.withMasks(
        Masks.within(layer.dodgeMask(), photographArea),
        Masks.within(layer.burnMask(), photographArea));
  }

  @Override
  public boolean idle(DodgeBurnLayer layer) {
    return layer.dodgeMask() instanceof Mask.Nothing && layer.burnMask() instanceof Mask.Nothing;
  }

  @Override
  public Effect effect(DodgeBurnLayer layer, Measurements none, EvaluationContext context) {
    int reach =
        Math.max(
            Masks.reach(layer.lit(), context.scale()),
            Masks.reach(layer.shaded(), context.scale()));
    Bend dodge = Bend.of(layer.method(), layer.dodge(), layer.lit(), layer.keepColour());
    Bend burn = Bend.of(layer.method(), -layer.burn(), layer.shaded(), layer.keepColour());
    return Effect.reaching(
        reach,
        (input, out) -> {
          Picture own = input.crop(out);
          Picture changed = Picture.of(out);
          changed.copyFrom(own);
          dodge.lay(input, own, changed, context);
          burn.lay(input, own, changed, context);
          return changed;
        });
  }

  /**
   * What full coverage makes of a channel's value.
   *
   * @param rise of middle grey, below 0 for a fall
   */
  private static DoubleUnaryOperator function(Method method, double rise) {
    double share = Math.min(1, rise > 0 ? rise / method.mostRise() : -rise / method.mostFall());
    return switch (method) {
      case CURVES ->
          new MonotoneCurve(List.of(new Point(0, 0), new Point(0.5, 0.5 + rise), new Point(1, 1)))
              ::at;
      case SOFT_SHEET -> {
        double sheet = rise > 0 ? 0.5 + share / 2 : 0.5 - share / 2;
        yield inside(v -> Blends.softLight(v, sheet));
      }
      case OVERLAY_SHEET -> inside(v -> Blends.overlay(v, 0.5 + rise));
      case RANGES ->
          inside(v -> v + share * ((rise > 0 ? Blends.screen(v, v) : Blends.multiply(v, v)) - v));
    };
  }

  /** Goes on with slope 1 beyond black and white, where blends are not meant for values. */
  private static DoubleUnaryOperator inside(DoubleUnaryOperator blend) {
    return v -> {
      double in = Math.clamp(v, 0, 1);
      return blend.applyAsDouble(in) + v - in;
    };
  }

  /**
   * One of the two curves with its mask.
   *
   * @param free the curve for single channels, null where colour is wholly kept
   * @param held the curve for luminance, null where colour is wholly let go
   */
  private record Bend(
      boolean idle,
      Mask mask,
      @Nullable LookupTable free,
      Luminance.@Nullable Curve held,
      float keepColour) {

    static Bend of(Method method, double rise, Mask mask, double keepColour) {
      boolean idle = rise == 0 || mask instanceof Mask.Nothing;
      DoubleUnaryOperator function = function(method, rise);
      return new Bend(
          idle,
          mask,
          idle || keepColour == 1
              ? null
              : new LookupTable(function, Transfer.DARKEST, Transfer.BRIGHTEST, STEPS),
          idle || keepColour == 0 ? null : new Luminance.Curve(function),
          (float) keepColour);
    }

    void lay(Picture input, Picture own, Picture changed, EvaluationContext context) {
      if (idle) {
        return;
      }
      Plane coverage = Masks.render(mask, own.area(), context, input);
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
      ParallelRows.each(
          touched.width(),
          touched.height(),
          (from, end) -> {
            for (int y = touched.y() + from; y < touched.y() + end; y++) {
              int i = part.index(touched.x(), y);
              int o = coverage.index(touched.x(), y);
              for (int x = 0; x < touched.width(); x++) {
                float w = m[o + x];
                if (w > 0) {
                  float v = in[i + x];
                  float loose = free == null ? 0 : free.at(v);
                  to[o + x] += w * (keepColour * kept[i + x] + (1 - keepColour) * loose - v);
                }
              }
            }
          });
    }
  }
}
