package carezza.model;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;

import carezza.model.Mask.Dilate;
import carezza.model.Mask.Feather;
import carezza.model.Mask.LinkedMask;
import carezza.model.Mask.LocalDeviation;
import carezza.model.Mask.Polygon;
import carezza.model.Mask.Refine;

/**
 * What the masks of a stack cost at most, links to other layers' masks followed as often as they
 * are evaluated. A retouch by hand needs a few dozen parts; a file may ask for more than any
 * machine can draw.
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
      boolean most = cost.parts() > MOST_PARTS || cost.wide() > MOST_WIDE || cost.depth() > DEEPEST;
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
    Cost cost = NOTHING;
    for (Mask mask : layer.masks()) {
      cost = cost.plus(of(mask, 0));
    }
    if (layer instanceof FrequencySeparationLayer f) {
      // Each area is worked on a low band of its own.
      cost = cost.plus(new Cost(f.areas().size(), f.areas().size(), 1));
    }
    open.remove(id);
    known.put(id, cost);
    return cost;
  }

  private Cost of(Mask mask, int depth) {
    if (depth > DEEPEST) {
      return new Cost(1, 0, depth);
    }
    Cost cost = NOTHING;
    for (Mask operand : mask.operands()) {
      cost = cost.plus(of(operand, depth + 1));
    }
    if (mask instanceof LinkedMask l) {
      cost = cost.plus(stack.find(l.layer()).map(this::of).orElse(NOTHING));
    }
    return cost.within(looksAround(mask));
  }

  private static boolean looksAround(Mask mask) {
    return switch (mask) {
      case Feather f -> f.sigma() > 0;
      case Dilate g -> g.radius() != 0;
      case Polygon p -> p.feather() > 0;
      case Refine _, LocalDeviation _ -> true;
      default -> false;
    };
  }
}
