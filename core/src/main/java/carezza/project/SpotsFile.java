package carezza.project;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

import carezza.codec.PictureReader;
import carezza.measure.Blemish;
import carezza.model.HealLayer;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;

/**
 * A list of round spots to heal: {@code {"spots":[{"x":…,"y":…,"radius":…}]}} in pixels. A spot may
 * say its {@code kind}, {@code temporary} or {@code mark}, and a {@code confidence}; marks are not
 * read, as they are the person's own.
 */
public final class SpotsFile {

  private SpotsFile() {}

  public static List<HealLayer.Patch> read(Path file) throws Problem {
    List<HealLayer.Patch> patches = new ArrayList<>();
    try {
      JsonNode spots = ModelJson.parse(PictureReader.bytes(file)).path("spots");
      if (!spots.isArray()) {
        throw new IllegalArgumentException("it has no list named spots");
      }
      for (JsonNode spot : spots) {
        if (spot.path("kind").asString("").equals(name(Blemish.Kind.MARK))) {
          continue;
        }
        patches.add(
            HealLayer.Patch.spot(
                number(spot, "x", patches.size()),
                number(spot, "y", patches.size()),
                number(spot, "radius", patches.size())));
      }
    } catch (IllegalArgumentException e) {
      throw new Problem(e, Kind.SPOTS_INVALID, PictureReader.name(file), e.getMessage());
    }
    return patches;
  }

  /** Proposals as a list of spots. */
  public static byte[] text(List<Blemish> found) {
    ObjectNode root = JsonMapper.shared().createObjectNode();
    ArrayNode spots = root.putArray("spots");
    for (Blemish b : found) {
      ObjectNode spot = spots.addObject();
      spot.put("x", tenths(b.x()));
      spot.put("y", tenths(b.y()));
      spot.put("radius", tenths(b.radius()));
      spot.put("kind", name(b.kind()));
      spot.put("confidence", Math.round(b.confidence() * 1000) / 1000.0);
    }
    return ModelJson.text(root);
  }

  private static double tenths(double v) {
    return Math.round(v * 10) / 10.0;
  }

  private static String name(Blemish.Kind kind) {
    return kind.name().toLowerCase(Locale.ROOT);
  }

  private static double number(JsonNode spot, String field, int index) {
    JsonNode value = spot.path(field);
    if (!value.isNumber()) {
      throw new IllegalArgumentException("spot " + index + " has no number named " + field);
    }
    return value.asDouble();
  }
}
