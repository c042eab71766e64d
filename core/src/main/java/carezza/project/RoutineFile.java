package carezza.project;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

import carezza.codec.PictureReader;
import carezza.job.JobLevel;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.routine.Routine;
import carezza.routine.Rule;

/** The {@code .carezza-routine} file: a routine as JSON, as docs/format.md describes it. */
public final class RoutineFile {

  public static final String ENDING = ".carezza-routine";

  /** Those that ship, by their names in resources. */
  public static final List<String> SHIPPED =
      List.of("clean-head-shot", "soft-evening-light", "deep-skin-with-depth", "dramatic-mono");

  private static final int VERSION = 1;

  /** The field of a layer that names its rules. */
  private static final String MEASURED = "measured";

  private RoutineFile() {}

  /** One that ships. */
  public static Routine shipped(String id) {
    try (InputStream in =
        RoutineFile.class.getResourceAsStream("/carezza/routine/" + id + ENDING)) {
      return read(in.readAllBytes());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  public static Routine read(Path file) throws Problem {
    byte[] bytes = PictureReader.bytes(file);
    try {
      return read(bytes);
    } catch (IllegalArgumentException e) {
      throw new Problem(e, Kind.ROUTINE_INVALID, PictureReader.name(file), e.getMessage());
    }
  }

  /**
   * @throws IllegalArgumentException saying what is wrong and where
   */
  static Routine read(byte[] json) {
    ObjectNode node = ModelJson.parse(json);
    int version = node.path("version").asInt(0);
    if (version < 1 || version > VERSION) {
      throw new IllegalArgumentException(
          version < 1
              ? "it does not say its version"
              : "it is of version %d, and this Carezza reads up to %d".formatted(version, VERSION));
    }
    String job = node.path("job").asString("portrait");
    if (!JobLevel.IDS.contains(job)) {
      throw new IllegalArgumentException("no job is called '" + job + "'");
    }
    Map<Integer, Set<Rule>> given = new HashMap<>();
    JsonNode layers = node.path("stack");
    for (int i = 0; i < layers.size(); i++) {
      if (layers.get(i) instanceof ObjectNode layer
          && layer.remove(MEASURED) instanceof JsonNode m) {
        given.put(i, rules(m, "stack[" + i + "]"));
      }
    }
    Map<String, Set<Rule>> measured = new HashMap<>();
    LayerStack stack = OverlayContents.read(LayerJson.readStack(node, List.of()), node);
    given.forEach((i, rules) -> measured.put(layers.get(i).path("id").asString(""), rules));
    return new Routine(
        node.path("name").asString("Untitled"),
        node.path("purpose").asString(""),
        job,
        stack,
        measured,
        node.path("likelihood").asDouble(Routine.LIKELY),
        node.path("tuned").asBoolean(false));
  }

  private static Set<Rule> rules(JsonNode names, String place) {
    Set<Rule> rules = EnumSet.noneOf(Rule.class);
    for (JsonNode name : names) {
      String wanted = name.asString("");
      rules.add(
          Set.of(Rule.values()).stream()
              .filter(r -> key(r).equals(wanted))
              .findFirst()
              .orElseThrow(
                  () ->
                      new IllegalArgumentException(
                          "%s: nothing is measured by the name '%s'".formatted(place, wanted))));
    }
    return rules;
  }

  /** What files call a rule. */
  public static String key(Rule rule) {
    String[] words = rule.name().toLowerCase(Locale.ROOT).split("_");
    StringBuilder key = new StringBuilder(words[0]);
    for (int i = 1; i < words.length; i++) {
      key.append(Character.toUpperCase(words[i].charAt(0))).append(words[i].substring(1));
    }
    return key.toString();
  }

  public static byte[] text(Routine routine) {
    ObjectNode node = JsonMapper.shared().createObjectNode();
    node.put("version", VERSION);
    node.put("name", routine.name());
    node.put("purpose", routine.purpose());
    node.put("job", routine.job());
    node.put("likelihood", routine.likelihood());
    node.put("tuned", routine.tuned());
    ArrayNode stack = node.putArray("stack");
    for (Layer layer : routine.stack().layers()) {
      ObjectNode own = LayerJson.write(layer, null);
      Set<Rule> rules = routine.rules(layer.attributes().id());
      if (!rules.isEmpty()) {
        ArrayNode names = own.putArray(MEASURED);
        rules.stream().sorted().map(RoutineFile::key).forEach(names::add);
      }
      stack.add(own);
    }
    OverlayContents.write(routine.stack(), node);
    return ModelJson.text(node);
  }
}
