package carezza.project;

import java.util.List;

import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;

import carezza.model.Stroke;

/**
 * A stroke in JSON: {@code {"points":[x,y,pressure,time, …],"radius":…,"softness":…,"strength":…,
 * "lift":…,"edge":…}}, or {@code {"ref":n}} for the n-th stroke of the project's stroke file.
 */
final class StrokeJson {

  /** Attribute with the list that strokes are collected in, or looked up in. */
  static final Object COLLECTED = StrokeJson.class;

  private StrokeJson() {}

  @SuppressWarnings("unchecked")
  private static List<Stroke> list(Object attribute) {
    return (List<Stroke>) attribute;
  }

  static final class Writer extends ValueSerializer<Stroke> {
    @Override
    public void serialize(Stroke stroke, JsonGenerator out, SerializationContext context) {
      List<Stroke> collected = list(context.getAttribute(COLLECTED));
      out.writeStartObject();
      if (collected != null) {
        out.writeNumberProperty("ref", collected.size());
        collected.add(stroke);
      } else {
        out.writeArrayPropertyStart("points");
        for (float v : stroke.packed()) {
          out.writeNumber(v);
        }
        out.writeEndArray();
        out.writeNumberProperty("radius", stroke.radius());
        out.writeNumberProperty("softness", stroke.softness());
        out.writeNumberProperty("strength", stroke.strength());
        out.writeBooleanProperty("lift", stroke.erase());
        out.writeNumberProperty("edge", stroke.edge());
      }
      out.writeEndObject();
    }
  }

  static final class Reader extends ValueDeserializer<Stroke> {
    @Override
    public Stroke deserialize(JsonParser in, DeserializationContext context) {
      JsonNode node = context.readTree(in);
      if (node.has("ref")) {
        List<Stroke> collected = list(context.getAttribute(COLLECTED));
        int ref = node.get("ref").asInt(-1);
        if (collected == null || ref < 0 || ref >= collected.size()) {
          throw new IllegalArgumentException("stroke " + ref + " is not in the stroke file");
        }
        return collected.get(ref);
      }
      JsonNode points = node.path("points");
      float[] packed = new float[points.size()];
      for (int i = 0; i < packed.length; i++) {
        if (!points.get(i).isNumber()) {
          throw new IllegalArgumentException("a stroke's points must be numbers");
        }
        packed[i] = points.get(i).floatValue();
      }
      return new Stroke(
          packed,
          node.path("radius").asDouble(0),
          node.path("softness").asDouble(0.5),
          node.path("strength").asDouble(1),
          node.path("lift").asBoolean(false),
          node.path("edge").asDouble(0));
    }
  }
}
