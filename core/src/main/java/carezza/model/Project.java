package carezza.model;

import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * All there is to a retouch but the photograph's pixels. Immutable: an edit makes a new project that
 * shares everything unchanged.
 *
 * @param title shown in the window
 * @param faces the face map, or null before one is placed
 * @param notes the retoucher's own words
 * @param unknown fields of a newer writer that this version does not know, kept for saving
 */
public record Project(
    String title,
    PhotoReference photograph,
    FaceMap faces,
    LayerStack stack,
    String notes,
    Map<String, Object> unknown) {

  public Project {
    Require.present("title", title);
    Require.present("photograph", photograph);
    stack = stack == null ? LayerStack.EMPTY : stack;
    notes = notes == null ? "" : notes;
    unknown = unknown == null ? Map.of() : Map.copyOf(unknown);
  }

  public Optional<FaceMap> faceMap() {
    return Optional.ofNullable(faces);
  }

  public Project withStack(LayerStack newStack) {
    return new Project(title, photograph, faces, newStack, notes, unknown);
  }

  public Project withFaces(FaceMap newFaces) {
    return new Project(title, photograph, newFaces, stack, notes, unknown);
  }

  public Project withPhotograph(PhotoReference reference) {
    return new Project(title, reference, faces, stack, notes, unknown);
  }

  public Project withUnknown(Map<String, Object> fields) {
    return new Project(title, photograph, faces, stack, notes, fields);
  }

  public Project edit(String layerId, UnaryOperator<Layer> change) {
    return withStack(stack.edit(layerId, change));
  }
}
