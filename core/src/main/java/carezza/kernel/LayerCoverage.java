package carezza.kernel;

import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.mask.HairCoverage;
import carezza.mask.Masks;
import carezza.mask.RepairCoverage;
import carezza.model.DodgeBurnLayer;
import carezza.model.HealLayer;
import carezza.model.Layer;
import carezza.model.PaintLayer;

/** Where a layer acts at all, for showing: its mask, and what is painted inside the layer. */
public final class LayerCoverage {

  private LayerCoverage() {}

  /** Pixels of the level beyond an area that are read of the layer's input. */
  public static int reach(Layer layer, EvaluationContext context) {
    int own = Masks.reach(layer.attributes().mask(), context.scale());
    return layer instanceof DodgeBurnLayer l
        ? Math.max(
            own,
            Math.max(
                Masks.reach(l.lit(), context.scale()), Masks.reach(l.shaded(), context.scale())))
        : own;
  }

  /**
   * Renders the layer's masks for the site's memory, so that strokes to come are laid on what is
   * there.
   *
   * @param input as for {@link #of}
   */
  public static void remember(Layer layer, Area area, EvaluationContext context, Picture input) {
    Masks.render(layer.attributes().mask(), area, context, input);
    if (layer instanceof DodgeBurnLayer l) {
      Masks.render(l.dodgeMask(), area, context, input);
      Masks.render(l.burnMask(), area, context, input);
    }
  }

  /**
   * Coverage 0 … 1 over an area.
   *
   * @param input the layer's input over at least the area grown by {@link #reach}, cut to the
   *     picture
   */
  public static Plane of(Layer layer, Area area, EvaluationContext context, Picture input) {
    Plane own = Masks.render(layer.attributes().mask(), area, context, input);
    if (layer instanceof DodgeBurnLayer l) {
      Plane dodge = Masks.render(l.lit(), area, context, input);
      Plane burn = Masks.render(l.shaded(), area, context, input);
      for (int i = 0; i < own.values().length; i++) {
        own.values()[i] *= 1 - (1 - dodge.values()[i]) * (1 - burn.values()[i]);
      }
    } else if (layer instanceof PaintLayer l) {
      Plane painted = HairCoverage.of(l.strokes(), area, context.scale());
      for (int i = 0; i < own.values().length; i++) {
        own.values()[i] *= painted.values()[i];
      }
    } else if (layer instanceof HealLayer l) {
      Plane healed = Plane.of(area);
      l.patches().forEach(p -> RepairCoverage.apply(p.area(), healed, context.scale()));
      for (int i = 0; i < own.values().length; i++) {
        own.values()[i] *= healed.values()[i];
      }
    }
    return own;
  }
}
