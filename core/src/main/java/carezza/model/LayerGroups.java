package carezza.model;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;

import org.jspecify.annotations.Nullable;

/** How a stack is rearranged: a group and its members are one piece. */
final class LayerGroups {

  private LayerGroups() {}

  /**
   * Members right below their group, in the order that they had among themselves.
   *
   * @param layers in the order of their stages
   */
  static List<Layer> arranged(List<Layer> layers) {
    if (layers.stream().allMatch(l -> l.attributes().group() == null)) {
      return layers;
    }
    Map<String, Layer> groups = new HashMap<>();
    for (Layer layer : layers) {
      if (layer instanceof GroupLayer) {
        groups.put(layer.attributes().id(), layer);
      }
    }
    Map<String, List<Layer>> members = new LinkedHashMap<>();
    for (Layer layer : layers) {
      String group = isPossible(layer, groups) ? layer.attributes().group() : null;
      members
          .computeIfAbsent(group, g -> new ArrayList<>())
          .add(layer.with(layer.attributes().inGroup(group)));
    }
    List<Layer> arranged = new ArrayList<>();
    lay(null, members, arranged);
    return List.copyOf(arranged);
  }

  private static void lay(
      @Nullable String group, Map<String, List<Layer>> members, List<Layer> onto) {
    for (Layer layer : members.getOrDefault(group, List.of())) {
      if (layer instanceof GroupLayer) {
        lay(layer.attributes().id(), members, onto);
      }
      onto.add(layer);
    }
  }

  /** Whether a layer's group is one, in its stage, and not within itself. */
  private static boolean isPossible(Layer layer, Map<String, Layer> groups) {
    Set<String> passed = new HashSet<>(Set.of(layer.attributes().id()));
    String group = layer.attributes().group();
    while (group != null) {
      Layer own = groups.get(group);
      if (own == null
          || own.attributes().stage() != layer.attributes().stage()
          || !passed.add(group)) {
        return false;
      }
      group = own.attributes().group();
    }
    return true;
  }

  /** A layer with all its members, lowest first. */
  private static List<Layer> piece(LayerStack stack, String id) {
    Set<String> ids = stack.members(id);
    return stack.layers().stream()
        .filter(l -> l.attributes().id().equals(id) || ids.contains(l.attributes().id()))
        .toList();
  }

  static LayerStack moved(LayerStack stack, String id, int by) {
    int at = stack.indexOf(id);
    if (at < 0) {
      return stack;
    }
    LayerAttributes own = stack.layers().get(at).attributes();
    Layer neighbour = neighbour(stack, id, by);
    if (neighbour != null) {
      List<Layer> piece = piece(stack, id);
      List<Layer> beside = piece(stack, neighbour.attributes().id());
      List<Layer> lower = by > 0 ? piece : beside;
      List<Layer> upper = by > 0 ? beside : piece;
      List<Layer> changed = new ArrayList<>(stack.layers());
      int from = changed.indexOf(lower.getFirst());
      changed.subList(from, from + lower.size() + upper.size()).clear();
      changed.addAll(from, lower);
      changed.addAll(from, upper);
      return new LayerStack(changed);
    }
    if (own.group() != null) {
      return out(stack, id, by);
    }
    int other = own.stage().ordinal() + by;
    if (other < 0 || other >= Stage.values().length) {
      return stack;
    }
    return moved(stack, id, Stage.values()[other], by > 0 ? 0 : stack.size());
  }

  /** The next layer that way in the same group and stage, or null. */
  private static @Nullable Layer neighbour(LayerStack stack, String id, int by) {
    LayerAttributes own = stack.find(id).orElseThrow().attributes();
    List<Layer> siblings =
        stack.layers().stream()
            .filter(l -> l.attributes().stage() == own.stage())
            .filter(l -> Objects.equals(l.attributes().group(), own.group()))
            .toList();
    int next = siblings.indexOf(stack.find(id).orElseThrow()) + by;
    return next >= 0 && next < siblings.size() ? siblings.get(next) : null;
  }

  /** With a piece taken out of its group, to stand above or below it. */
  private static LayerStack out(LayerStack stack, String id, int by) {
    Layer group =
        stack
            .find(Objects.requireNonNull(stack.find(id).orElseThrow().attributes().group()))
            .orElseThrow();
    List<Layer> piece = piece(stack, id);
    List<Layer> others = new ArrayList<>(stack.layers());
    others.removeAll(piece);
    List<Layer> left = piece(new LayerStack(others), group.attributes().id());
    int place = others.indexOf(by > 0 ? group : left.getFirst()) + (by > 0 ? 1 : 0);
    others.addAll(place, placed(piece, group.attributes().stage(), group.attributes().group()));
    return new LayerStack(others);
  }

  static LayerStack moved(LayerStack stack, String id, Stage stage, int place) {
    List<Layer> piece = piece(stack, id);
    List<Layer> others = new ArrayList<>(stack.layers());
    others.removeAll(piece);
    LayerStack rest = new LayerStack(others);
    int begin =
        (int) others.stream().filter(l -> l.attributes().stage().compareTo(stage) < 0).count();
    int own = (int) others.stream().filter(l -> l.attributes().stage() == stage).count();
    int at = begin + Math.clamp(place, 0, own);
    others.addAll(at, placed(piece, stage, around(rest, at)));
    return new LayerStack(others);
  }

  /** The innermost group that reaches over a place between two layers, or null. */
  private static @Nullable String around(LayerStack stack, int at) {
    if (at <= 0 || at >= stack.size()) {
      return null;
    }
    Layer next = stack.layers().get(at);
    String below = stack.layers().get(at - 1).attributes().id();
    String group = next instanceof GroupLayer ? next.attributes().id() : next.attributes().group();
    while (group != null && !stack.members(group).contains(below)) {
      group = stack.find(group).orElseThrow().attributes().group();
    }
    return group;
  }

  /** A piece in another stage and group; what is within it stays within. */
  private static List<Layer> placed(List<Layer> piece, Stage stage, @Nullable String group) {
    Layer top = piece.getLast();
    return piece.stream()
        .map(l -> l.with(l.attributes().withStage(stage)))
        .map(
            l ->
                l.attributes().id().equals(top.attributes().id())
                    ? l.with(l.attributes().inGroup(group))
                    : l)
        .toList();
  }

  static LayerStack grouped(LayerStack stack, String id, String name) {
    Layer layer = stack.find(id).orElseThrow();
    Layer below = neighbour(stack, id, -1);
    if (below != null && (layer instanceof GroupLayer || below instanceof GroupLayer)) {
      Layer joining = layer instanceof GroupLayer ? below : layer;
      Layer group = layer instanceof GroupLayer ? layer : below;
      return stack.edit(
          joining.attributes().id(), l -> l.with(l.attributes().inGroup(group.attributes().id())));
    }
    LayerAttributes own =
        LayerAttributes.of(name, layer.attributes().stage(), new Mask.Everything())
            .inGroup(layer.attributes().group());
    List<Layer> more = new ArrayList<>(stack.layers());
    more.add(stack.indexOf(id) + 1, new GroupLayer(own));
    Set<String> members = new HashSet<>(Set.of(id));
    if (below != null) {
      members.add(below.attributes().id());
    }
    more.replaceAll(
        l -> members.contains(l.attributes().id()) ? l.with(l.attributes().inGroup(own.id())) : l);
    return new LayerStack(more);
  }

  static LayerStack ungrouped(LayerStack stack, String id) {
    Layer layer = stack.find(id).orElseThrow();
    if (!(layer instanceof GroupLayer)) {
      return layer.attributes().group() == null ? stack : out(stack, id, 1);
    }
    return new LayerStack(
        stack.layers().stream()
            .filter(l -> !l.attributes().id().equals(id))
            .map(
                l ->
                    id.equals(l.attributes().group())
                        ? l.with(l.attributes().inGroup(layer.attributes().group()))
                        : l)
            .toList());
  }

  static LayerStack doubled(LayerStack stack, String id) {
    List<Layer> piece = piece(stack, id);
    Map<String, String> fresh = new HashMap<>();
    for (Layer layer : piece) {
      fresh.put(layer.attributes().id(), layer.attributes().withFreshId().id());
    }
    List<Layer> copies = new ArrayList<>();
    for (Layer layer : piece) {
      LayerAttributes own = layer.attributes();
      copies.add(
          layer.with(
              own.withId(fresh.getOrDefault(own.id(), own.id()))
                  .inGroup(
                      own.group() == null ? null : fresh.getOrDefault(own.group(), own.group()))
                  .withMask(own.mask().relinked(fresh))));
    }
    List<Layer> more = new ArrayList<>(stack.layers());
    more.addAll(stack.indexOf(id) + 1, copies);
    return new LayerStack(more);
  }
}
