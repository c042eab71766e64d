package carezza.render;

import org.jspecify.annotations.Nullable;

import carezza.colour.BlendMode;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.kernel.Effect;
import carezza.kernel.Kernels;
import carezza.kernel.Measurements;
import carezza.mask.EvaluationContext;
import carezza.mask.Masks;
import carezza.model.Layer;
import carezza.model.Mask;

/**
 * One layer at one level: input + amount × coverage × (effect − input). The input of a group is
 * what lies below its lowest member, its effect what lies below itself.
 */
final class LayerPass {

  private final PreparedLayer prepared;
  private final Layer layer;
  private final EvaluationContext context;
  private final Effect effect;
  private final int place;

  /**
   * @param place number of layers below it
   */
  LayerPass(PreparedLayer prepared, EvaluationContext context, int place) {
    this(prepared, context, place, Kernels.effect(prepared.layer(), prepared.readings(), context));
  }

  private LayerPass(PreparedLayer prepared, EvaluationContext context, int place, Effect effect) {
    this.prepared = prepared;
    this.layer = prepared.layer();
    this.context = context;
    this.place = place;
    this.effect = effect;
  }

  /** The same pass, ready to be asked for many parts of an area. */
  LayerPass over(Picture input, Area out) {
    return with(effect.over(input, out));
  }

  /** The same pass for as long as a hand is changing the input. */
  LayerPass steady(Picture input, Area out) {
    return with(effect.steady(input, out));
  }

  private LayerPass with(Effect ready) {
    return new LayerPass(prepared, context, place, ready);
  }

  /** The same pass with another amount. */
  LayerPass withAmount(double amount) {
    Layer changed = layer.with(layer.attributes().withAmount(amount));
    if (!Kernels.blends(layer)) {
      return of(changed, prepared.readings());
    }
    return new LayerPass(prepared.with(changed, prepared.readings()), context, place, effect);
  }

  /** A pass of the same place for the layer as it has become. */
  LayerPass of(Layer changed, Measurements readings) {
    return new LayerPass(prepared.with(changed, readings), context, place);
  }

  /** The area of the result that a change of the input may change. */
  Area changedBy(Area input) {
    int reach = Masks.reach(mask(), context.scale());
    return effect.changedBy(input).union(input.grow(reach)).intersect(context.whole());
  }

  /** What the effect is laid over its input by. */
  private Mask mask() {
    return Kernels.blends(layer) ? layer.attributes().mask() : new Mask.Everything();
  }

  /** Number of layers below its input. */
  int floor() {
    return prepared.floor();
  }

  int place() {
    return place;
  }

  Layer layer() {
    return layer;
  }

  Measurements readings() {
    return prepared.readings();
  }

  Fingerprint order() {
    return prepared.order();
  }

  /** The layer as far as it matters in an area of the level. */
  Layer within(Area area) {
    // With the border that resampling to the level mixes in.
    return Kernels.within(layer, area.grow(1).toFullSize(context.level()));
  }

  /** The input that the layer's effect and mask read for an area. */
  Area needed(Area out) {
    int reach = Masks.reach(mask(), context.scale());
    return effect.needed(out).union(out.grow(reach)).intersect(context.whole());
  }

  /**
   * The layer's result.
   *
   * @param below gives the pictures below it; not modified
   */
  Picture compute(Area out, StackPictures below, Cancellation cancellation) {
    Mask mask = mask();
    double amount = Kernels.blends(layer) ? layer.attributes().amount() : 1;
    Plane coverage = null;
    Area active = out;
    if (!Masks.readsInput(mask) && !(mask instanceof Mask.Everything)) {
      // Where the mask is known beforehand, only what lies under it is computed.
      coverage = Masks.render(mask, out, context);
      active = coverage.covered();
      if (active.isEmpty()) {
        return below.after(floor(), out);
      }
    }
    Picture own = below.after(floor(), needed(active).union(out));
    cancellation.check();
    Picture made = floor() == place ? effect.render(own, active) : below.after(place, active);
    Picture changed = Kernels.blends(layer) ? laid(made, own) : made;
    if (mask instanceof Mask.Everything && amount == 1) {
      return changed;
    }
    if (coverage == null) {
      coverage = Masks.render(mask, out, context, own);
    }
    Picture result = Picture.of(out);
    result.copyFrom(own);
    blend(result, changed, coverage, (float) amount);
    return result;
  }

  /** The effect laid over what it was made from, by the layer's blend mode. */
  private Picture laid(Picture changed, Picture own) {
    BlendMode mode = layer.attributes().blend();
    if (mode == BlendMode.NORMAL) {
      return changed;
    }
    Area area = changed.area();
    Picture back = own.crop(area);
    Picture out = Picture.of(area);
    ParallelRows.each(
        area.width(),
        area.height(),
        (from, to) -> {
          float[] colour = new float[3];
          for (int i = from * area.width(); i < to * area.width(); i++) {
            colour[0] = changed.first().values()[i];
            colour[1] = changed.second().values()[i];
            colour[2] = changed.third().values()[i];
            mode.over(
                back.first().values()[i],
                back.second().values()[i],
                back.third().values()[i],
                colour);
            out.first().values()[i] = colour[0];
            out.second().values()[i] = colour[1];
            out.third().values()[i] = colour[2];
          }
        });
    return out;
  }

  private static void blend(Picture result, Picture changed, Plane coverage, float amount) {
    Area area = changed.area();
    ParallelRows.each(
        area.width(),
        area.height(),
        (first, last) -> {
          int w = area.width();
          // Loops run over many pixels at a time where all arrays are read at one place.
          float[] own = new float[w];
          float[] other = new float[w];
          float[] share = new float[w];
          for (int y = area.y() + first; y < area.y() + last; y++) {
            System.arraycopy(coverage.values(), coverage.index(area.x(), y), share, 0, w);
            for (int c = 0; c < 3; c++) {
              float[] to = result.plane(c).values();
              int at = result.first().index(area.x(), y);
              System.arraycopy(to, at, own, 0, w);
              System.arraycopy(
                  changed.plane(c).values(), changed.first().index(area.x(), y), other, 0, w);
              mix(own, other, share, amount);
              System.arraycopy(own, 0, to, at, w);
            }
          }
        });
  }

  private static void mix(float[] own, float[] other, float[] share, float amount) {
    for (int x = 0; x < own.length; x++) {
      own[x] += amount * share[x] * (other[x] - own[x]);
    }
  }
}
