package carezza.model;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;

import carezza.model.Mask.And;
import carezza.model.Mask.Dilate;
import carezza.model.Mask.Disabled;
import carezza.model.Mask.Feather;
import carezza.model.Mask.Invert;
import carezza.model.Mask.LinkedMask;
import carezza.model.Mask.LocalDeviation;
import carezza.model.Mask.Minus;
import carezza.model.Mask.Opacity;
import carezza.model.Mask.Or;
import carezza.model.Mask.Polygon;
import carezza.model.Mask.Refine;
import carezza.model.Mask.Strokes;

/**
 * What the masks of a stack cost at most, links to other layers' masks followed as often as they are evaluated. A retouch by
 * hand needs a few dozen parts; a file may ask for more than any machine can draw.
 */
final class MaskBudget {

  /** Parts of one layer's mask. */
  private static final int MOST_PARTS = 2000;

  /** Parts among these that look at a neighbourhood, each of which costs as much as a layer. */
  private static final int MOST_WIDE = 64;

  private static final int DEEPEST = 200;

  private final LayerStack stack;
  private final Map<String, Cost> known = new HashMap<>();
  private final Set<String> open = new HashSet<>();

  private record Cost(long parts, long wide, int depth) {
    Cost plus(Cost other) {
      return new Cost(parts + other.parts, wide + other.wide, Math.max(depth, other.depth));
    }

    Cost within(boolean wider) {
      return new Cost(parts + 1, wide + (wider ? 1 : 0), depth + 1);
    }
  }

  private static final Cost NOTHING = new Cost(0, 0, 0);

  private MaskBudget(LayerStack stack) {
    this.stack = stack;
  }

  /**
   * @throws IllegalArgumentException naming the layer whose mask asks for too much
   */
  static void check(LayerStack stack) {
    MaskBudget budget = new MaskBudget(stack);
    for (Layer layer : stack.layers()) {
      Cost cost = budget.of(layer);
      boolean most =
          cost.parts() > MOST_PARTS || cost.wide() > MOST_WIDE || cost.depth() > DEEPEST;
      if (most) {
        throw new IllegalArgumentException(
            "the mask of '%s' has more than %d parts, or more than %d that are softened or grown"
                .formatted(layer.attributes().name(), MOST_PARTS, MOST_WIDE));
      }
    }
  }

  private Cost of(Layer layer) {
    String id = layer.attributes().id();
    if (known.containsKey(id)) {
      return known.get(id);
    }
    if (!open.add(id) || open.size() > DEEPEST) {
      // A circle covers nothing; a chain this long is refused by its depth.
      return new Cost(0, 0, open.size() > DEEPEST ? DEEPEST + 1 : 0);
    }
    Cost cost = of(layer.attributes().mask(), 0);
    if (layer instanceof DodgeBurnLayer d) {
      cost = cost.plus(of(d.dodgeMask(), 0)).plus(of(d.burnMask(), 0));
    }
    if (layer instanceof SkinMatchLayer m) {
      cost = cost.plus(of(m.follow(), 0));
    }
    if (layer instanceof FrequencySeparationLayer f) {
      for (FrequencySeparationLayer.LowBandArea area : f.areas()) {
        cost = cost.plus(of(area.mask(), 0).within(true));
      }
    }
    open.remove(id);
    known.put(id, cost);
    return cost;
  }

  private Cost of(Mask mask, int depth) {
    if (depth > DEEPEST) {
      return new Cost(1, 0, depth);
    }
    int next = depth + 1;
    return switch (mask) {
      case And a -> of(a.one(), next).plus(of(a.other(), next)).within(false);
      case Or o -> of(o.one(), next).plus(of(o.other(), next)).within(false);
      case Minus m -> of(m.from(), next).plus(of(m.taken(), next)).within(false);
      case Invert i -> of(i.of(), next).within(false);
      case Opacity s -> of(s.of(), next).within(false);
      case Disabled o -> of(o.part(), next).within(false);
      case Strokes s -> of(s.base(), next).within(false);
      case Feather f -> of(f.of(), next).within(f.sigma() > 0);
      case Refine r -> of(r.of(), next).within(true);
      case Dilate g -> of(g.of(), next).within(g.radius() != 0);
      case Polygon p -> NOTHING.within(p.feather() > 0);
      case LocalDeviation u -> NOTHING.within(true);
      case LinkedMask l -> stack.find(l.layer()).map(this::of).orElse(NOTHING).within(false);
      default -> NOTHING.within(false);
    };
  }
}
