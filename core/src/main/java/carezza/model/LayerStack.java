package carezza.model;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;

import org.jspecify.annotations.Nullable;

/**
 * The layers from the photograph upwards, always in the stages' order, those of shape above all.
 * The members of a group stand right below it, in its stage; a layer that names a group that cannot
 * be its own belongs to none.
 */
public record LayerStack(List<Layer> layers) {

  public static final LayerStack EMPTY = new LayerStack(List.of());

  public LayerStack {
    layers =
        layers.stream()
            .sorted(
                Comparator.comparing((Layer l) -> l.attributes().stage())
                    .thenComparing(l -> l instanceof ShapeLayer))
            .toList();
    Require.most("the stack", layers.size(), 2000);
    layers = LayerGroups.arranged(layers);
    Set<String> ids = new HashSet<>();
    for (Layer layer : layers) {
      if (!ids.add(layer.attributes().id())) {
        throw new IllegalArgumentException("two layers have the id " + layer.attributes().id());
      }
    }
  }

  public static LayerStack of(Layer... layers) {
    return new LayerStack(List.of(layers));
  }

  /**
   * Looks whether the stack can be drawn by a machine at all; asked of stacks that come from files.
   *
   * @throws IllegalArgumentException naming a layer whose mask asks for too much
   */
  public void requireBounded() {
    MaskBudget.check(this);
  }

  public int size() {
    return layers.size();
  }

  public Optional<Layer> find(String id) {
    return layers.stream().filter(l -> l.attributes().id().equals(id)).findFirst();
  }

  /** Place of the layer from the bottom, −1 if it is not here. */
  public int indexOf(@Nullable String id) {
    for (int i = 0; i < layers.size(); i++) {
      if (layers.get(i).attributes().id().equals(id)) {
        return i;
      }
    }
    return -1;
  }

  /** With a layer more, on top of those of its stage. */
  public LayerStack with(Layer layer) {
    List<Layer> more = new ArrayList<>(layers);
    more.add(layer);
    return new LayerStack(more);
  }

  /** Ids of all layers in a group, those of groups within it too; none of what is no group. */
  public Set<String> members(String group) {
    Set<String> members = new HashSet<>();
    // From above, so that a group within is known before its members.
    for (Layer layer : layers.reversed()) {
      String own = layer.attributes().group();
      if (own != null && (own.equals(group) || members.contains(own))) {
        members.add(layer.attributes().id());
      }
    }
    return members;
  }

  /**
   * With a layer, and if it is a group all its members, moved past its neighbour; at the end of its
   * group out of it; at the end of its stage into the next one that way.
   *
   * @param by 1 towards the finished picture, −1 towards the photograph
   */
  public LayerStack moved(String id, int by) {
    return LayerGroups.moved(this, id, by);
  }

  /**
   * With a layer, and if it is a group all its members, moved to a place among the layers of a
   * stage, its own or another. Between members of a group it becomes one of them.
   *
   * @param place 0 for the first; more than there are for the last
   */
  public LayerStack moved(String id, Stage stage, int place) {
    return LayerGroups.moved(this, id, stage, place);
  }

  /**
   * With a layer in one group with its neighbour below: in that one's, if it is a group; a group
   * takes its neighbour in; two layers get a new one; alone in its stage, or lowest in its group, a
   * layer gets one of its own.
   */
  public LayerStack grouped(String id, String name) {
    return LayerGroups.grouped(this, id, name);
  }

  /**
   * With a group dissolved, its members left where they are; a member is taken out of its group,
   * above it.
   */
  public LayerStack ungrouped(String id) {
    return LayerGroups.ungrouped(this, id);
  }

  /**
   * With a copy of a layer, and if it is a group of all its members, right above it, under ids of
   * their own.
   */
  public LayerStack doubled(String id) {
    return LayerGroups.doubled(this, id);
  }

  /**
   * Without a layer, and if it is a group without its members; masks that were linked to their
   * masks become copies.
   */
  public LayerStack without(String id) {
    LayerStack left = this;
    for (String member : members(id)) {
      left = left.withoutOne(member);
    }
    return left.withoutOne(id);
  }

  private LayerStack withoutOne(String id) {
    Mask gone = find(id).orElseThrow().attributes().mask();
    return new LayerStack(
        layers.stream()
            .filter(l -> !l.attributes().id().equals(id))
            .map(
                l ->
                    l.attributes().mask().equals(new Mask.LinkedMask(id))
                        ? l.with(l.attributes().withMask(gone))
                        : l)
            .toList());
  }

  /**
   * The stack as it acts: links between masks followed, parts and members of groups that are
   * switched off left out.
   */
  public LayerStack acting() {
    Set<String> still = new HashSet<>();
    for (Layer layer : layers) {
      if (layer instanceof GroupLayer && !layer.acts()) {
        still.addAll(members(layer.attributes().id()));
      }
    }
    List<Layer> acting = new ArrayList<>();
    boolean changed = false;
    for (Layer layer : layers) {
      LayerAttributes own = layer.attributes();
      LayerAttributes is =
          own.withMask(acting(own.mask(), new HashSet<>(Set.of(own.id()))))
              .switched(own.on() && !still.contains(own.id()));
      boolean same = is.equals(own);
      changed |= !same;
      acting.add(same ? layer : layer.with(is));
    }
    return changed ? new LayerStack(acting) : this;
  }

  /** A chain of links that comes back to where it began covers nothing. */
  private Mask acting(Mask mask, Set<String> passed) {
    List<MaskParts.Part> parts =
        MaskParts.of(mask).parts().stream()
            .map(p -> new MaskParts.Part(p.join(), followed(p.own(), passed), p.on()))
            .toList();
    return new MaskParts(parts).acting();
  }

  private Mask followed(Mask own, Set<String> passed) {
    if (!(own instanceof Mask.LinkedMask(String id))) {
      return own;
    }
    Set<String> further = new HashSet<>(passed);
    return further.add(id)
        ? find(id).map(l -> acting(l.attributes().mask(), further)).orElse(new Mask.Nothing())
        : new Mask.Nothing();
  }

  /** With the layer of this id changed; unchanged if it is not here. */
  public LayerStack edit(String id, UnaryOperator<Layer> change) {
    return new LayerStack(
        layers.stream().map(l -> l.attributes().id().equals(id) ? change.apply(l) : l).toList());
  }

  /** Without layers of shape: everything where it was in the photograph. */
  public LayerStack unshaped() {
    return layers.stream().noneMatch(ShapeLayer.class::isInstance)
        ? this
        : new LayerStack(layers.stream().filter(l -> !(l instanceof ShapeLayer)).toList());
  }

  /** With every layer changed. */
  public LayerStack each(UnaryOperator<Layer> change) {
    return new LayerStack(layers.stream().map(change).toList());
  }

  /** The lowest {@code count} layers. */
  public LayerStack lowest(int count) {
    return new LayerStack(layers.subList(0, count));
  }

  /** Number of layers up to and including this stage. */
  public int through(Stage stage) {
    return (int) layers.stream().filter(l -> l.attributes().stage().compareTo(stage) <= 0).count();
  }
}
