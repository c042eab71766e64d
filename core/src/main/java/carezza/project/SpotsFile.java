package carezza.project;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

import tools.jackson.databind.JsonNode;

import carezza.codec.PictureReader;
import carezza.model.HealLayer;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;

/** A list of round spots to heal: {@code {"spots":[{"x":…,"y":…,"radius":…}]}} in pixels. */
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
        patches.add(
            HealLayer.Patch.spot(
                number(spot, "x", patches.size()),
                number(spot, "y", patches.size()),
                number(spot, "radius", patches.size())));
      }
    } catch (IllegalArgumentException e) {
      throw new Problem(e, Kind.SPOTS_INVALID, file.getFileName(), e.getMessage());
    }
    return patches;
  }

  private static double number(JsonNode spot, String field, int index) {
    JsonNode value = spot.path(field);
    if (!value.isNumber()) {
      throw new IllegalArgumentException("spot " + index + " has no number named " + field);
    }
    return value.asDouble();
  }
}
