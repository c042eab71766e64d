package carezza.project;

import java.util.ArrayList;
import java.util.List;

import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

import carezza.model.Crop;
import carezza.model.Stroke;
import carezza.model.Variant;
import carezza.model.Variants;

/** The variants of a project as JSON: the one at work by its name and place, the others whole. */
final class VariantJson {

  private VariantJson() {}

  static ObjectNode write(Variants variants, @Nullable List<Stroke> strokes) {
    ObjectNode node = ModelJson.mapper().createObjectNode();
    node.put("name", variants.name());
    node.put("place", variants.place());
    ArrayNode others = node.putArray("others");
    for (Variant variant : variants.others()) {
      ObjectNode other = others.addObject();
      other.put("name", variant.name());
      if (variant.crop() != null) {
        other.set("frame", ModelJson.mapper().valueToTree(variant.crop()));
      }
      other.set("stack", LayerJson.write(variant.stack(), strokes));
    }
    return node;
  }

  /**
   * @param strokes those that {@code "ref"} points to
   */
  static Variants read(ObjectNode project, List<Stroke> strokes) {
    JsonNode node = project.path("variants");
    if (!(node instanceof ObjectNode)) {
      return Variants.NONE;
    }
    List<Variant> others = new ArrayList<>();
    for (JsonNode other : node.path("others")) {
      if (!(other instanceof ObjectNode variant)) {
        throw new IllegalArgumentException("variants.others[" + others.size() + "] is none");
      }
      Crop crop =
          variant.hasNonNull("frame")
              ? ModelJson.read(variant.get("frame"), Crop.class, "frame", List.of())
              : null;
      others.add(
          new Variant(
              variant.path("name").asString(""), crop, LayerJson.readStack(variant, strokes)));
    }
    return others.isEmpty()
        ? Variants.NONE
        : new Variants(node.path("name").asString(""), node.path("place").asInt(0), others);
  }
}
