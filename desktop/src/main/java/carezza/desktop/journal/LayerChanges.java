package carezza.desktop.journal;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

import carezza.kernel.LayerType;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.RecordValue;
import carezza.record.LayerChange;
import carezza.record.LayerChange.What;

/** What became of layers between two looks at a stack, as the record has it. */
final class LayerChanges {

  private LayerChanges() {}

  static List<LayerChange> between(LayerStack before, LayerStack after, Instant at) {
    List<LayerChange> changes = new ArrayList<>();
    for (Layer layer : before.layers()) {
      if (after.find(id(layer)).isEmpty()) {
        changes.add(change(layer, What.REMOVED, at));
      }
    }
    for (Layer layer : after.layers()) {
      Layer was = before.find(id(layer)).orElse(null);
      if (was == null) {
        changes.add(change(layer, What.ADDED, at));
      } else if (was != layer && !was.equals(layer)) {
        changes.add(change(layer, What.CHANGED, at));
      }
    }
    return changes;
  }

  /** All layers as they stand. */
  static List<LayerChange> all(LayerStack stack, Instant at) {
    return between(LayerStack.EMPTY, stack, at);
  }

  private static String id(Layer layer) {
    return layer.attributes().id();
  }

  private static LayerChange change(Layer layer, What what, Instant at) {
    return new LayerChange(
        at,
        what,
        id(layer),
        LayerType.key(layer),
        layer.attributes().name(),
        what == What.REMOVED ? Map.of() : values(layer));
  }

  /** The numbers that a layer declares, and how much of it counts. */
  private static Map<String, Double> values(Layer layer) {
    Map<String, Double> values = new TreeMap<>(RecordValue.numbers(layer));
    values.put("amount", layer.attributes().on() ? layer.attributes().amount() : 0);
    return values;
  }
}
