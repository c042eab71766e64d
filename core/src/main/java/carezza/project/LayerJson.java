package carezza.project;

import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;

import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.jsontype.NamedType;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

import carezza.kernel.LayerType;
import carezza.model.Layer;
import carezza.model.LayerAttributes;
import carezza.model.LayerStack;
import carezza.model.LockedLayer;
import carezza.model.Mask;
import carezza.model.Stage;
import carezza.model.Stroke;

/**
 * Layers as JSON: each one flat object with its {@code kind}; fields that are left out take the
 * kind's defaults, fields this version does not know are kept, and a layer of a kind that it does
 * not know is kept whole.
 */
final class LayerJson {

  /** The record component that lies flat in a layer's object. */
  private static final String ATTRIBUTES = "attributes";

  private static final List<String> ATTRIBUTE_FIELDS =
      List.of("id", "name", "stage", "on", "amount", "mask", "blend", "group");

  private static final Set<String> MASK_KINDS =
      Stream.of(ModelJson.maskKinds()).map(NamedType::getName).collect(Collectors.toSet());

  /** Levels of JSON that are looked through; the parser allows no more. */
  private static final int DEEPEST = 600;

  private LayerJson() {}

  static ArrayNode write(LayerStack stack, @Nullable List<Stroke> strokes) {
    ArrayNode array = ModelJson.mapper().createArrayNode();
    stack.layers().forEach(l -> array.add(write(l, strokes)));
    return array;
  }

  static ObjectNode write(Layer layer, @Nullable List<Stroke> strokes) {
    ObjectNode flat = understood(layer, strokes);
    Map<String, Object> unknown = new TreeMap<>(layer.attributes().unknown());
    Object within = unknown.remove(ModelJson.WITHIN);
    ModelJson.keep(unknown, flat);
    if (within instanceof Unknowns unknowns) {
      unknowns.addTo(flat, understood(layer, null));
    }
    return flat;
  }

  /** A layer without the fields that this version does not know. */
  private static ObjectNode understood(Layer layer, @Nullable List<Stroke> strokes) {
    ObjectNode flat = ModelJson.mapper().createObjectNode();
    if (layer instanceof LockedLayer locked) {
      ModelJson.keep(locked.content(), flat);
      return flat;
    }
    flat.put("kind", LayerType.of(layer).key());
    ObjectNode fields = tree(layer, strokes);
    ObjectNode attributes = (ObjectNode) fields.remove(ATTRIBUTES);
    attributes.remove("unknown");
    flat.setAll(attributes);
    flat.setAll(fields);
    return flat;
  }

  private static ObjectNode tree(Layer layer, @Nullable List<Stroke> strokes) {
    byte[] json =
        ModelJson.mapper()
            .writer()
            .withAttribute(StrokeJson.COLLECTED, strokes)
            .writeValueAsBytes(layer);
    return (ObjectNode) ModelJson.mapper().readTree(json);
  }

  /** The field {@code stack} of an object. */
  static LayerStack readStack(ObjectNode node, List<Stroke> strokes) {
    JsonNode stack = node.path("stack");
    if (!stack.isArray()) {
      throw new IllegalArgumentException("it has no list named stack");
    }
    List<Layer> layers = new ArrayList<>();
    for (JsonNode layer : stack) {
      layers.add(readLayer(layer, "stack[" + layers.size() + "]", strokes));
    }
    LayerStack read = new LayerStack(layers);
    read.requireBounded();
    return read;
  }

  private static Layer readLayer(JsonNode given, String place, List<Stroke> strokes) {
    if (!(given instanceof ObjectNode)) {
      throw new IllegalArgumentException(place + " is no layer");
    }
    String key = given.path("kind").asString("");
    if (key.isEmpty()) {
      throw new IllegalArgumentException(place + " does not say its kind");
    }
    LayerType kind = LayerType.of(key).orElse(null);
    if (kind == null || hasForeignMask(given, 0)) {
      return locked((ObjectNode) given, key, place, strokes);
    }
    ObjectNode fields = tree(kind.fresh(), null);
    ObjectNode attributes = (ObjectNode) fields.get(ATTRIBUTES);
    List<String> ownFields =
        Arrays.stream(kind.record().getRecordComponents())
            .map(RecordComponent::getName)
            .filter(name -> !name.equals(ATTRIBUTES))
            .toList();
    ObjectNode unknown = ModelJson.mapper().createObjectNode();
    for (Map.Entry<String, JsonNode> field : given.properties()) {
      String name = FormatNames.today(key, field.getKey());
      if (ATTRIBUTE_FIELDS.contains(name)) {
        attributes.set(name, field.getValue());
      } else if (ownFields.contains(name)) {
        fields.set(name, field.getValue());
      } else if (!name.equals("kind")) {
        unknown.set(name, field.getValue());
      }
    }
    if (!unknown.isEmpty()) {
      attributes.set("unknown", unknown);
    }
    Layer layer = ModelJson.read(fields, kind.record(), place, strokes);
    Unknowns within = Unknowns.of(given, understood(layer, null)).inParts();
    if (within.isEmpty()) {
      return layer;
    }
    Map<String, Object> all = new TreeMap<>(layer.attributes().unknown());
    all.put(ModelJson.WITHIN, within);
    return layer.with(layer.attributes().withUnknown(all));
  }

  /** Whether anything within a layer names a kind that no mask has here. */
  private static boolean hasForeignMask(JsonNode node, int depth) {
    for (JsonNode child : node) {
      boolean foreign =
          child instanceof ObjectNode object
              && object.path("kind").isString()
              && !MASK_KINDS.contains(object.get("kind").asString());
      if (foreign || depth < DEEPEST && hasForeignMask(child, depth + 1)) {
        return true;
      }
    }
    return false;
  }

  /** As it came, with the strokes that it refers to written out, as their numbers change. */
  private static Layer locked(ObjectNode given, String kind, String place, List<Stroke> strokes) {
    ObjectNode whole = (ObjectNode) withStrokes(given, strokes, place);
    Map<String, Object> content = new LinkedHashMap<>();
    whole.properties().forEach(e -> content.put(e.getKey(), e.getValue()));
    String stage = given.path("stage").asString("");
    Stage column =
        Stream.of(Stage.values())
            .filter(s -> s.name().equalsIgnoreCase(stage))
            .findFirst()
            .orElse(Stage.FINISH);
    LayerAttributes fresh =
        LayerAttributes.of(given.path("name").asString(kind), column, new Mask.Nothing());
    return new LockedLayer(
        given.path("id").isString() ? fresh.withId(given.get("id").asString()) : fresh,
        kind,
        content);
  }

  private static JsonNode withStrokes(JsonNode node, List<Stroke> strokes, String place) {
    if (node instanceof ObjectNode object) {
      if (object.size() == 1 && object.path("ref").isInt()) {
        int ref = object.get("ref").asInt();
        if (ref < 0 || ref >= strokes.size()) {
          throw new IllegalArgumentException(
              "%s: stroke %d is not in the stroke file".formatted(place, ref));
        }
        return ModelJson.mapper().valueToTree(strokes.get(ref));
      }
      ObjectNode out = ModelJson.mapper().createObjectNode();
      object
          .properties()
          .forEach(e -> out.set(e.getKey(), withStrokes(e.getValue(), strokes, place)));
      return out;
    }
    if (node instanceof ArrayNode list) {
      ArrayNode out = ModelJson.mapper().createArrayNode();
      list.forEach(e -> out.add(withStrokes(e, strokes, place)));
      return out;
    }
    return node;
  }
}
