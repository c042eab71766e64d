package carezza.project;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;

import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

import carezza.codec.OutputColour;
import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureReader;
import carezza.file.AtomicFile;
import carezza.file.Originals;
import carezza.image.PictureSize;
import carezza.metadata.Metadata.Carried;
import carezza.press.Intent;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.recipe.Delivery;
import carezza.recipe.NamePattern;
import carezza.recipe.Output;
import carezza.recipe.Recipe;

/** The {@code .carezza-recipe} file: a delivery recipe as JSON, as docs/format.md describes it. */
public final class RecipeFile {

  public static final String ENDING = ".carezza-recipe";

  /** Those that ship, by their names in resources. */
  public static final List<String> SHIPPED =
      List.of("web-and-print", "theatre-cards", "for-the-press");

  private static final int VERSION = 1;

  /** Of a profile's fingerprint, that its file is called by. */
  private static final int DIGITS = 16;

  private RecipeFile() {}

  /** One that ships. */
  public static Recipe shipped(String id) {
    try (InputStream in = RecipeFile.class.getResourceAsStream("/carezza/recipe/" + id + ENDING)) {
      return read(in.readAllBytes(), null);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (Problem e) {
      throw new IllegalStateException(e);
    }
  }

  /** Profiles that it names by a file are looked for beside it. */
  public static Recipe read(Path file) throws Problem {
    byte[] bytes = PictureReader.bytes(file);
    try {
      return read(bytes, file.toAbsolutePath().getParent());
    } catch (IllegalArgumentException e) {
      throw new Problem(e, Kind.RECIPE_INVALID, PictureReader.name(file), e.getMessage());
    }
  }

  /**
   * @throws IllegalArgumentException saying what is wrong and where
   */
  static Recipe read(byte[] json, @Nullable Path beside) throws Problem {
    ObjectNode node = ModelJson.parse(json);
    int version = node.path("version").asInt(0);
    if (version != VERSION) {
      throw new IllegalArgumentException("its version is not " + VERSION);
    }
    List<Output> outputs = new ArrayList<>();
    for (JsonNode output : node.path("outputs")) {
      outputs.add(output(output, "outputs[" + outputs.size() + "]", beside));
    }
    return new Recipe(node.path("name").asString("Untitled"), outputs);
  }

  /**
   * Writes a recipe, and beside it the profiles that do not ship.
   *
   * @throws Problem if it cannot be written, or if it is there and may not be replaced
   */
  public static void write(Recipe recipe, AtomicFile file) throws Problem {
    file.check();
    ObjectNode root = ModelJson.mapper().createObjectNode();
    root.put("version", VERSION);
    root.put("name", recipe.name());
    ArrayNode outputs = root.putArray("outputs");
    for (Output output : recipe.outputs()) {
      OutputProfile profile = output.delivery().colour().profile();
      String named = profile.id().orElse(null);
      if (named == null) {
        byte[] bytes = profile.bytes();
        named = Originals.sha256(bytes).substring(0, DIGITS) + ".icc";
        AtomicFile.replacing(file.path().resolveSibling(named)).write(out -> out.write(bytes));
      }
      outputs.add(node(output, named));
    }
    file.write(out -> out.write(ModelJson.text(root)));
  }

  private static ObjectNode node(Output output, String profile) {
    Delivery how = output.delivery();
    ObjectNode node = ModelJson.mapper().createObjectNode();
    node.put("name", output.name());
    node.put("pattern", output.pattern().pattern());
    node.put("folder", output.folder());
    node.put("format", output.format().name().toLowerCase(Locale.ROOT));
    if (output.exact() == null) {
      node.put("longEdge", how.longEdge());
    } else {
      node.put("width", output.exact().width());
      node.put("height", output.exact().height());
    }
    node.put("quality", how.quality());
    node.put("bits", how.bits());
    node.put("profile", profile);
    node.put("intent", how.colour().intent().name().toLowerCase(Locale.ROOT));
    node.put("blackPoint", how.colour().blackPoint());
    node.put("metadata", how.carried().name().toLowerCase(Locale.ROOT));
    node.put("retouched", how.retouched());
    node.put("sharpening", output.sharpening());
    node.put("pair", output.pair());
    return node;
  }

  private static Output output(JsonNode node, String place, @Nullable Path beside) throws Problem {
    PictureFormat format = word(node, "format", "jpeg", PictureFormat.class, place);
    String profile = node.path("profile").asString("srgb");
    OutputProfile known = OutputProfile.shipped(profile).orElse(null);
    if (known == null && beside == null) {
      throw new IllegalArgumentException(place + ": no colour space is called '" + profile + "'");
    }
    OutputColour colour =
        new OutputColour(
            known == null
                ? OutputProfile.of(Objects.requireNonNull(beside).resolve(profile))
                : known,
            word(node, "intent", "colorimetric", Intent.class, place),
            node.path("blackPoint").asBoolean(true));
    int width = whole(node, "width", 0, 0, 60_000, place);
    int height = whole(node, "height", 0, 0, 60_000, place);
    if ((width == 0) != (height == 0)) {
      throw new IllegalArgumentException(place + ": width and height go together");
    }
    PictureSize exact = width == 0 ? null : new PictureSize(width, height);
    int longEdge = exact == null ? whole(node, "longEdge", 0, 0, 60_000, place) : exact.longEdge();
    Delivery delivery =
        new Delivery(
            longEdge,
            whole(node, "quality", 92, 1, 100, place),
            whole(node, "bits", 8, 8, 16, place),
            0,
            colour,
            word(node, "metadata", "without_place", Carried.class, place),
            false,
            node.path("retouched").asBoolean(false));
    String name = node.path("name").asString("");
    return new Output(
        name,
        new NamePattern(node.path("pattern").asString("{sitter}-{output}")),
        node.path("folder").asString(""),
        format,
        delivery,
        exact,
        node.path("sharpening").asDouble(0),
        node.path("pair").asBoolean(false));
  }

  private static int whole(
      JsonNode node, String field, int usual, int least, int most, String place) {
    int value = node.path(field).asInt(usual);
    if (value < least || value > most) {
      throw new IllegalArgumentException(
          "%s: %s is to be %d to %d, not %d".formatted(place, field, least, most, value));
    }
    return value;
  }

  private static <E extends Enum<E>> E word(
      JsonNode node, String field, String usual, Class<E> type, String place) {
    String given = node.path(field).asString(usual);
    for (E each : type.getEnumConstants()) {
      if (each.name().equalsIgnoreCase(given.replace('-', '_'))) {
        return each;
      }
    }
    throw new IllegalArgumentException(
        "%s: %s cannot be '%s'".formatted(place, field, given.toLowerCase(Locale.ROOT)));
  }
}
