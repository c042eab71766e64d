package carezza.render;

import java.util.List;
import java.util.Set;

import org.jspecify.annotations.Nullable;

import carezza.kernel.Measurements;
import carezza.mask.EvaluationContext;
import carezza.model.GroupLayer;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Mask;

/**
 * A layer that acts, with its readings.
 *
 * @param under what lies below it
 * @param floor number of layers that act below its input: all below it, but for a group
 * @param order of the layers below, where it counts
 */
record PreparedLayer(
    Layer layer, Measurements readings, Fingerprint under, int floor, Fingerprint order) {

  /** What lies below the next layer. */
  Fingerprint result(int place) {
    return Fingerprint.of(under, layer, order, place - floor);
  }

  PreparedLayer with(Layer changed, Measurements read) {
    return new PreparedLayer(changed, read, under, floor, order);
  }

  /** The order of the layers below, where it counts because a mask follows one of them. */
  static Fingerprint order(Layer layer, List<PreparedLayer> below) {
    boolean follows =
        layer.masks().stream().anyMatch(m -> m.has(part -> part instanceof Mask.ChangeMask));
    return follows
        ? Fingerprint.of(below.stream().map(p -> p.layer().attributes().id()).toList())
        : Fingerprint.of();
  }

  static int floor(Layer layer, List<PreparedLayer> below, LayerStack stack) {
    if (!(layer instanceof GroupLayer)) {
      return below.size();
    }
    Set<String> members = stack.members(layer.attributes().id());
    int floor = below.size();
    while (floor > 0 && members.contains(below.get(floor - 1).layer().attributes().id())) {
      floor--;
    }
    return floor;
  }

  /** Number of layers below the one of this id, −1 if it is not there. */
  static int place(List<PreparedLayer> layers, @Nullable String id) {
    for (int i = 0; i < layers.size(); i++) {
      if (layers.get(i).layer().attributes().id().equals(id)) {
        return i;
      }
    }
    return -1;
  }

  static LayerPass pass(List<PreparedLayer> layers, int place, EvaluationContext context) {
    return new LayerPass(layers.get(place), context, place);
  }
}
