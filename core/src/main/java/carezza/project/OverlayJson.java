package carezza.project;

import java.util.Locale;

import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;

import carezza.model.OverlayPicture;
import carezza.model.OverlayPicture.Shipped;

/**
 * A picture that is laid over others in JSON: {@code {"shipped":"lights"}}, or {@code
 * {"name":…,"sha256":…,"link":…}} for a file's, whose bytes lie beside the recipe.
 */
final class OverlayJson {

  private OverlayJson() {}

  static final class Writer extends ValueSerializer<OverlayPicture> {
    @Override
    public void serialize(OverlayPicture picture, JsonGenerator out, SerializationContext context) {
      out.writeStartObject();
      Shipped shipped = picture.shipped();
      if (shipped != null) {
        out.writeStringProperty("shipped", shipped.name().toLowerCase(Locale.ROOT));
      } else {
        out.writeStringProperty("name", picture.name());
        out.writeStringProperty("sha256", picture.sha256());
        if (!picture.link().isEmpty()) {
          out.writeStringProperty("link", picture.link());
        }
      }
      out.writeEndObject();
    }
  }

  static final class Reader extends ValueDeserializer<OverlayPicture> {
    @Override
    public OverlayPicture deserialize(JsonParser in, DeserializationContext context) {
      JsonNode node = context.readTree(in);
      if (node.has("shipped")) {
        String name = node.get("shipped").asString("");
        for (Shipped one : Shipped.values()) {
          if (one.name().equalsIgnoreCase(name)) {
            return OverlayPicture.of(one);
          }
        }
        throw new IllegalArgumentException("no picture '" + name + "' ships");
      }
      String sha256 = node.path("sha256").asString("");
      if (!sha256.matches("[0-9a-f]{64}")) {
        throw new IllegalArgumentException("a picture that is laid over says no sha256");
      }
      return OverlayPicture.of(
          node.path("name").asString("picture"), sha256, node.path("link").asString(""), null);
    }
  }
}
