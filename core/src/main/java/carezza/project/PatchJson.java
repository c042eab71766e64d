package carezza.project;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;

import carezza.model.HealLayer.Patch;
import carezza.model.HealLayer.RepairMethod;
import carezza.model.HealLayer.Source;
import carezza.model.Mask.Polygon;
import carezza.model.Point;
import carezza.model.RepairArea;
import carezza.model.Stroke;

/**
 * A repair in JSON: {@code {"area":stroke,"source":{"dx":…,"dy":…}}}, or an {@code "outline"} with
 * a {@code "feather"} for the area; {@code "sources"} where its pieces have one each; {@code "way"}
 * and {@code "amount"} where they are not a heal in full.
 */
final class PatchJson {

  private PatchJson() {}

  static final class Writer extends ValueSerializer<Patch> {
    @Override
    public void serialize(Patch patch, JsonGenerator out, SerializationContext context) {
      out.writeStartObject();
      switch (patch.area()) {
        case Stroke s -> {
          out.writeName("area");
          context.writeValue(out, s);
        }
        case Polygon p -> {
          out.writeName("outline");
          context.writeValue(out, p.points());
          out.writeNumberProperty("feather", p.feather());
        }
      }
      if (patch.sources().size() == 1) {
        out.writeName("source");
        write(patch.sources().getFirst(), out);
      } else if (patch.sources().size() > 1) {
        out.writeArrayPropertyStart("sources");
        patch.sources().forEach(s -> write(s, out));
        out.writeEndArray();
      }
      if (patch.way() != RepairMethod.HEAL) {
        out.writeStringProperty("way", patch.way().name().toLowerCase(Locale.ROOT));
      }
      if (patch.amount() != 1) {
        out.writeNumberProperty("amount", patch.amount());
      }
      out.writeEndObject();
    }

    private static void write(Source source, JsonGenerator out) {
      out.writeStartObject();
      out.writeNumberProperty("dx", source.dx());
      out.writeNumberProperty("dy", source.dy());
      if (source.angle() != 0) {
        out.writeNumberProperty("angle", source.angle());
      }
      if (source.scale() != 1) {
        out.writeNumberProperty("scale", source.scale());
      }
      if (source.mirrored()) {
        out.writeBooleanProperty("mirrored", true);
      }
      out.writeEndObject();
    }
  }

  static final class Reader extends ValueDeserializer<Patch> {
    @Override
    public Patch deserialize(JsonParser in, DeserializationContext context) {
      JsonNode node = context.readTree(in);
      RepairArea area;
      if (node.has("outline")) {
        List<Point> points = new ArrayList<>();
        for (JsonNode point : node.get("outline")) {
          points.add(context.readTreeAsValue(point, Point.class));
        }
        area = new Polygon(points, number(node, "feather", 0));
      } else if (node.has("area")) {
        area = context.readTreeAsValue(node.get("area"), Stroke.class);
      } else {
        throw new IllegalArgumentException("area is missing");
      }
      List<Source> sources = new ArrayList<>();
      if (node.hasNonNull("source")) {
        sources.add(source(node.get("source")));
      }
      for (JsonNode source : node.path("sources")) {
        sources.add(source(source));
      }
      return new Patch(area, sources, way(node), number(node, "amount", 1));
    }

    private static RepairMethod way(JsonNode node) {
      String name = node.path("way").asString(RepairMethod.HEAL.name());
      for (RepairMethod way : RepairMethod.values()) {
        if (way.name().equalsIgnoreCase(name)) {
          return way;
        }
      }
      throw new IllegalArgumentException("a repair's way is unknown: '" + name + "'");
    }

    private static Source source(JsonNode node) {
      return new Source(
          number(node, "dx", Double.NaN),
          number(node, "dy", Double.NaN),
          number(node, "angle", 0),
          number(node, "scale", 1),
          node.path("mirrored").asBoolean(false));
    }

    private static double number(JsonNode node, String field, double otherwise) {
      JsonNode value = node.get(field);
      if (value != null && !value.isNumber()) {
        throw new IllegalArgumentException("a repair's " + field + " must be a number");
      }
      return value == null ? otherwise : value.asDouble();
    }
  }
}
