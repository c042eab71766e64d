package carezza.model;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;

/** The layers from the photograph upwards, always grouped by stage in the stages' order. */
public record LayerStack(List<Layer> layers) {

  public static final LayerStack EMPTY = new LayerStack(List.of());

  public LayerStack {
    layers = layers.stream().sorted(Comparator.comparing((Layer l) -> l.attributes().stage())).toList();
    Require.most("the stack", layers.size(), 2000);
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
  public int indexOf(String id) {
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

  /**
   * With a layer moved past its neighbour, or, at the end of its stage, into the next one that way.
   *
   * @param by above 0 towards the finished picture, below towards the photograph
   */
  public LayerStack moved(String id, int by) {
    int at = indexOf(id);
    if (at < 0) {
      return this;
    }
    Stage stage = layers.get(at).attributes().stage();
    int next = at + by;
    if (next >= 0
        && next < layers.size()
        && layers.get(next).attributes().stage() == stage) {
      return moved(id, stage, placeInStage(id) + by);
    }
    int other = stage.ordinal() + by;
    if (other < 0 || other >= Stage.values().length) {
      return this;
    }
    return moved(id, Stage.values()[other], by > 0 ? 0 : layers.size());
  }

  private int placeInStage(String id) {
    Stage stage = find(id).orElseThrow().attributes().stage();
    return (int)
        layers.subList(0, indexOf(id)).stream()
            .filter(l -> l.attributes().stage() == stage)
            .count();
  }

  /**
   * With a layer moved to a place among those of a stage, its own or another.
   *
   * @param place 0 for the first; more than there are for the last
   */
  public LayerStack moved(String id, Stage stage, int place) {
    Layer layer = find(id).orElseThrow();
    List<Layer> others = new ArrayList<>(layers);
    others.remove(layer);
    int begin =
        (int) others.stream().filter(l -> l.attributes().stage().compareTo(stage) < 0).count();
    int own = (int) others.stream().filter(l -> l.attributes().stage() == stage).count();
    others.add(
        begin + Math.clamp(place, 0, own), layer.with(layer.attributes().withStage(stage)));
    return new LayerStack(others);
  }

  /** With a copy of a layer right above it, under an id of its own. */
  public LayerStack doubled(String id) {
    int at = indexOf(id);
    Layer layer = layers.get(at);
    List<Layer> more = new ArrayList<>(layers);
    more.add(at + 1, layer.with(layer.attributes().withFreshId()));
    return new LayerStack(more);
  }

  /** Without a layer; masks that were linked to its mask become copies of it. */
  public LayerStack without(String id) {
    Mask gone = find(id).map(l -> l.attributes().mask()).orElse(null);
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

  /** The stack as it acts: links between masks followed, parts that are switched off left out. */
  public LayerStack acting() {
    List<Layer> acting = new ArrayList<>();
    boolean changed = false;
    for (Layer layer : layers) {
      Mask mask = acting(layer.attributes().mask(), new HashSet<>(Set.of(layer.attributes().id())));
      changed |= !mask.equals(layer.attributes().mask());
      acting.add(layer.with(layer.attributes().withMask(mask)));
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

  /** The lowest {@code count} layers. */
  public LayerStack lowest(int count) {
    return new LayerStack(layers.subList(0, count));
  }

  /** Number of layers up to and including this stage. */
  public int through(Stage stage) {
    return (int) layers.stream().filter(l -> l.attributes().stage().compareTo(stage) <= 0).count();
  }
}
