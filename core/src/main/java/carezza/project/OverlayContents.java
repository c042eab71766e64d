package carezza.project;

import java.util.Base64;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;

import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

import carezza.file.Originals;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.OverlayLayer;
import carezza.model.Project;
import carezza.model.Variant;

/**
 * Files of pictures that are laid over others: in a project as entries of its file by their
 * fingerprints, in the JSON of a stack by itself as a field, in base 64.
 */
final class OverlayContents {

  /** Folder that they lie in. */
  static final String FOLDER = "overlays/";

  /** Field that they lie in, by their fingerprints. */
  static final String FIELD = "overlays";

  private OverlayContents() {}

  /** Those that are at hand, by the names of their entries. */
  static Map<String, byte[]> of(Project project) {
    Map<String, byte[]> contents = new TreeMap<>();
    for (Variant variant : project.allVariants()) {
      of(variant.stack()).forEach((sha256, bytes) -> contents.put(FOLDER + sha256, bytes));
    }
    return contents;
  }

  private static Map<String, byte[]> of(LayerStack stack) {
    Map<String, byte[]> contents = new TreeMap<>();
    for (Layer layer : stack.layers()) {
      if (layer instanceof OverlayLayer laid && laid.picture().bytes() != null) {
        contents.put(laid.picture().sha256(), laid.picture().bytes());
      }
    }
    return contents;
  }

  /** The project with what lies in its file at hand. */
  static Project put(Project project, Map<String, byte[]> entries) {
    if (entries.keySet().stream().noneMatch(k -> k.startsWith(FOLDER))) {
      return project;
    }
    return project.each(layer -> at(layer, sha256 -> entries.get(FOLDER + sha256)));
  }

  private static Layer at(Layer layer, Function<String, byte @Nullable []> contents) {
    if (!(layer instanceof OverlayLayer laid)) {
      return layer;
    }
    byte[] bytes = contents.apply(laid.picture().sha256());
    return bytes == null ? laid : laid.with(laid.picture().with(bytes));
  }

  /** Adds those of a stack that are at hand to its JSON. */
  static void write(LayerStack stack, ObjectNode node) {
    Map<String, byte[]> contents = of(stack);
    if (!contents.isEmpty()) {
      ObjectNode field = node.putObject(FIELD);
      contents.forEach(field::put);
    }
  }

  /**
   * The stack with what lies in its JSON at hand.
   *
   * @throws IllegalArgumentException if something else lies there than its fingerprint says
   */
  static LayerStack read(LayerStack stack, ObjectNode node) {
    Map<String, byte[]> contents = new TreeMap<>();
    for (Map.Entry<String, JsonNode> entry : node.path(FIELD).properties()) {
      byte[] bytes = bytes(entry.getValue().asString(""));
      if (!Originals.sha256(bytes).equals(entry.getKey())) {
        throw new IllegalArgumentException(
            "a picture in %s is not the one that its sha256 names".formatted(FIELD));
      }
      contents.put(entry.getKey(), bytes);
    }
    return contents.isEmpty()
        ? stack
        : new LayerStack(stack.layers().stream().map(layer -> at(layer, contents::get)).toList());
  }

  private static byte[] bytes(String base64) {
    try {
      return Base64.getDecoder().decode(base64);
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException("a picture in %s is not in base 64".formatted(FIELD), e);
    }
  }
}
