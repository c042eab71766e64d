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
    layers = layers.stream().sorted(Comparator.comparing((Layer l) -> l.head().stage())).toList();
    Set<String> ids = new HashSet<>();
    for (Layer layer : layers) {
      if (!ids.add(layer.head().id())) {
        throw new IllegalArgumentException("two layers have the id " + layer.head().id());
      }
    }
  }

  public static LayerStack of(Layer... layers) {
    return new LayerStack(List.of(layers));
  }

  public int size() {
    return layers.size();
  }

  public Optional<Layer> find(String id) {
    return layers.stream().filter(l -> l.head().id().equals(id)).findFirst();
  }

  /** Place of the layer from the bottom, −1 if it is not here. */
  public int indexOf(String id) {
    for (int i = 0; i < layers.size(); i++) {
      if (layers.get(i).head().id().equals(id)) {
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

  public LayerStack without(String id) {
    return new LayerStack(layers.stream().filter(l -> !l.head().id().equals(id)).toList());
  }

  /** With the layer of this id changed; unchanged if it is not here. */
  public LayerStack edit(String id, UnaryOperator<Layer> change) {
    return new LayerStack(
        layers.stream().map(l -> l.head().id().equals(id) ? change.apply(l) : l).toList());
  }

  /** With the layer one place nearer to ({@code −1}) or farther from the photograph in its stage. */
  public LayerStack moved(String id, int step) {
    int from = indexOf(id);
    int to = from + step;
    if (from < 0
        || to < 0
        || to >= layers.size()
        || layers.get(from).head().stage() != layers.get(to).head().stage()) {
      return this;
    }
    List<Layer> order = new ArrayList<>(layers);
    order.add(to, order.remove(from));
    return new LayerStack(order);
  }

  /** The lowest {@code count} layers. */
  public LayerStack lowest(int count) {
    return new LayerStack(layers.subList(0, count));
  }

  /** Number of layers up to and including this stage. */
  public int through(Stage stage) {
    return (int) layers.stream().filter(l -> l.head().stage().compareTo(stage) <= 0).count();
  }
}
