package carezza.project;

import java.util.Map;
import java.util.TreeMap;

import carezza.model.Layer;
import carezza.model.OverlayLayer;
import carezza.model.Project;
import carezza.model.Variant;

/**
 * Files of pictures that are laid over a project's, as entries of its file by their fingerprints.
 */
final class OverlayContents {

  /** Folder that they lie in. */
  static final String FOLDER = "overlays/";

  private OverlayContents() {}

  /** Those that are at hand, by the names of their entries. */
  static Map<String, byte[]> of(Project project) {
    Map<String, byte[]> contents = new TreeMap<>();
    for (Variant variant : project.allVariants()) {
      for (Layer layer : variant.stack().layers()) {
        if (layer instanceof OverlayLayer laid && laid.picture().bytes() != null) {
          contents.put(FOLDER + laid.picture().sha256(), laid.picture().bytes());
        }
      }
    }
    return contents;
  }

  /** The project with what lies in its file at hand. */
  static Project put(Project project, Map<String, byte[]> entries) {
    if (entries.keySet().stream().noneMatch(k -> k.startsWith(FOLDER))) {
      return project;
    }
    return project.each(
        layer -> {
          if (!(layer instanceof OverlayLayer laid)) {
            return layer;
          }
          byte[] bytes = entries.get(FOLDER + laid.picture().sha256());
          return bytes == null ? laid : laid.with(laid.picture().with(bytes));
        });
  }
}
