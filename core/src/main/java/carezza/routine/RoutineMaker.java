package carezza.routine;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

import org.jspecify.annotations.Nullable;

import carezza.model.ColourPaintLayer;
import carezza.model.DodgeBurnLayer;
import carezza.model.FrequencySeparationLayer;
import carezza.model.GroupLayer;
import carezza.model.HealLayer;
import carezza.model.Layer;
import carezza.model.LayerAttributes;
import carezza.model.LayerStack;
import carezza.model.LockedLayer;
import carezza.model.Mask;
import carezza.model.MaskParts;
import carezza.model.NeutralPointsLayer;
import carezza.model.PaintLayer;
import carezza.model.Project;
import carezza.model.ShapeLayer;
import carezza.model.SharpenLayer;
import carezza.model.Stroke;
import carezza.model.VignetteLayer;

/**
 * Makes a routine of a stack. What lies at a place of this one photograph (strokes, outlines,
 * points) cannot go along: it is left out, and said.
 */
public final class RoutineMaker {

  private RoutineMaker() {}

  /** Why something stays behind. */
  public enum Reason {
    /** The layer is switched off. */
    OFF,
    /** It is fixed to places and nothing says how they are found in another picture. */
    PLACED,
    /** Parts of its mask are fixed to places; the rest goes along. */
    PARTS_PLACED,
    /** It is of a newer version. */
    UNKNOWN
  }

  /**
   * @param layer its name in the stack
   */
  public record LeftOut(String layer, Reason reason) {}

  /**
   * @param leftOut in the stack's order
   */
  public record Made(Routine routine, List<LeftOut> leftOut) {}

  /** For each layer all that can be measured. */
  public static Map<String, Set<Rule>> all(LayerStack stack) {
    Map<String, Set<Rule>> rules = new HashMap<>();
    for (Layer layer : stack.layers()) {
      rules.put(layer.attributes().id(), usual(layer));
    }
    return rules;
  }

  private static Set<Rule> usual(Layer layer) {
    return switch (layer) {
      // One layer of light and shade is for one thing; evening is asked for more often.
      case DodgeBurnLayer _ -> Set.of(Rule.BLOTCHES);
      case FrequencySeparationLayer _ -> Set.of(Rule.RADIUS);
      case HealLayer heal -> Set.of(alongPaths(heal) ? Rule.STRAY_HAIRS : Rule.BLEMISHES);
      default -> Set.copyOf(Rule.of(layer));
    };
  }

  /** Whether most of its repairs follow a path, as those of hairs do. */
  private static boolean alongPaths(HealLayer heal) {
    long paths =
        heal.patches().stream()
            .filter(p -> p.area() instanceof Stroke stroke && stroke.size() > 1)
            .count();
    return 2 * paths > heal.patches().size();
  }

  /**
   * @param measured rules by the ids of the stack's layers; what they do not name stays as it is in
   *     this picture
   */
  public static Made of(Project project, String name, Map<String, Set<Rule>> measured) {
    List<LeftOut> leftOut = new ArrayList<>();
    Map<String, String> ids = new HashMap<>();
    List<Layer> taken = new ArrayList<>();
    for (Layer layer : project.stack().layers()) {
      Set<Rule> rules = measured.getOrDefault(layer.attributes().id(), Set.of());
      Layer free = freed(layer, rules, leftOut);
      if (free != null) {
        taken.add(free);
        ids.put(layer.attributes().id(), layer.attributes().withFreshId().id());
      }
    }
    List<Layer> renamed = new ArrayList<>();
    Map<String, Set<Rule>> rules = new HashMap<>();
    for (Layer layer : taken) {
      LayerAttributes own = layer.attributes();
      String group = own.group() == null ? null : ids.get(own.group());
      String id = ids.getOrDefault(own.id(), own.id());
      renamed.add(layer.with(own.withId(id).inGroup(group).withMask(own.mask().relinked(ids))));
      Set<Rule> wanted = measured.getOrDefault(own.id(), Set.of());
      if (!wanted.isEmpty()) {
        rules.put(id, wanted);
      }
    }
    Routine routine =
        new Routine(
            name,
            "",
            project.brief().job(),
            withoutEmptyGroups(new LayerStack(renamed)),
            rules,
            Routine.LIKELY,
            false);
    return new Made(routine, leftOut);
  }

  /**
   * A layer as it can lie in another picture: by itself, without what is fixed to places of this
   * one or follows other layers of its stack.
   *
   * @return null if nothing of it is left
   */
  public static @Nullable Layer alone(Layer layer) {
    Layer free = freed(layer, Set.of(), new ArrayList<>());
    if (free == null || free instanceof GroupLayer || follows(free)) {
      return null;
    }
    return free.with(free.attributes().inGroup(null));
  }

  private static boolean follows(Layer layer) {
    return layer.masks().stream()
        .anyMatch(
            mask -> mask.has(m -> m instanceof Mask.LinkedMask || m instanceof Mask.ChangeMask));
  }

  private static LayerStack withoutEmptyGroups(LayerStack stack) {
    return new LayerStack(
        stack.layers().stream()
            .filter(
                l -> !(l instanceof GroupLayer) || !stack.members(l.attributes().id()).isEmpty())
            .toList());
  }

  /** The layer without what is fixed to a place, or null if nothing of it is left. */
  private static @Nullable Layer freed(Layer layer, Set<Rule> rules, List<LeftOut> leftOut) {
    String name = layer.attributes().name();
    if (layer instanceof LockedLayer) {
      leftOut.add(new LeftOut(name, Reason.UNKNOWN));
      return null;
    }
    if (!layer.acts()) {
      leftOut.add(new LeftOut(name, Reason.OFF));
      return null;
    }
    Layer bare = withoutPlaces(layer, rules);
    Mask mask = bare == null ? new Mask.Nothing() : free(bare.attributes().mask());
    if (bare == null || mask instanceof Mask.Nothing) {
      leftOut.add(new LeftOut(name, Reason.PLACED));
      return null;
    }
    Layer free = bare.with(bare.attributes().withMask(mask));
    boolean same = free.equals(layer) || layer instanceof HealLayer;
    boolean measuredMasks = rules.contains(Rule.BLOTCHES) || rules.contains(Rule.SHINE);
    if (!same && !measuredMasks) {
      leftOut.add(new LeftOut(name, Reason.PARTS_PLACED));
    }
    return free;
  }

  private static @Nullable Layer withoutPlaces(Layer layer, Set<Rule> rules) {
    return switch (layer) {
      case HealLayer heal -> rules.isEmpty() ? null : heal.withPatches(List.of());
      case NeutralPointsLayer _, ColourPaintLayer _, PaintLayer _ -> null;
      case DodgeBurnLayer light -> {
        Mask dodge = free(light.dodgeMask());
        Mask burn = free(light.burnMask());
        boolean nothing = dodge instanceof Mask.Nothing && burn instanceof Mask.Nothing;
        yield nothing && rules.isEmpty() ? null : light.withMasks(dodge, burn);
      }
      case FrequencySeparationLayer bands ->
          bands.withAreas(bands.areas().stream().filter(a -> !placed(a.mask())).toList());
      case ShapeLayer shape -> {
        ShapeLayer free = shape.withNudges(List.of()).withLens(shape.lens().withLines(List.of()));
        yield free.keepsTheWhole() ? null : free;
      }
      case VignetteLayer light -> light.at(null);
      case SharpenLayer detail -> {
        List<SharpenLayer.Band> bands =
            detail.bands().stream().filter(b -> b.mask() == null || !placed(b.mask())).toList();
        yield bands.isEmpty() ? null : detail.withBands(bands);
      }
      default -> layer;
    };
  }

  /** Whether any part of a mask lies at a place. */
  static boolean placed(Mask mask) {
    return mask.has(
        m ->
            m instanceof Mask.Strokes
                || m instanceof Mask.Ellipse
                || m instanceof Mask.Gradient
                || m instanceof Mask.Polygon
                || m instanceof Mask.RegionMask region && region.of() != null);
  }

  /** The mask without its parts that lie at places; nothing if it starts from one. */
  static Mask free(Mask mask) {
    if (!placed(mask)) {
      return mask;
    }
    List<MaskParts.Part> parts = MaskParts.of(mask).parts();
    if (placed(parts.getFirst().own())) {
      return new Mask.Nothing();
    }
    return new MaskParts(parts.stream().filter(p -> !placed(p.own())).toList()).mask();
  }
}
