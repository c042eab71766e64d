package carezza.model;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * All there is to a retouch but the photograph's pixels. Immutable: an edit makes a new project
 * that shares everything unchanged.
 *
 * @param title shown in the window
 * @param faces map of the face that is measured, or null before one is placed
 * @param others maps of further faces in the picture; regions are of all faces together
 * @param kept marks that are the person's own
 * @param pins places whose colours stay in sight
 * @param frame what of the picture is delivered, or null for all of it
 * @param brief what was agreed on; null for nothing
 * @param notes the retoucher's own words
 * @param unknown fields of a newer writer that this version does not know, kept for saving
 */
public record Project(
    String title,
    PhotoReference photograph,
    FaceMap faces,
    List<FaceMap> others,
    List<KeptMark> kept,
    List<Point> pins,
    Crop crop,
    LayerStack stack,
    Brief brief,
    String notes,
    Map<String, Object> unknown) {

  public Project {
    Require.present("title", title);
    Require.present("photograph", photograph);
    others = others == null ? List.of() : List.copyOf(others);
    kept = kept == null ? List.of() : List.copyOf(kept);
    pins = pins == null ? List.of() : List.copyOf(pins);
    stack = stack == null ? LayerStack.EMPTY : stack;
    brief = brief == null ? Brief.USUAL : brief;
    notes = notes == null ? "" : notes;
    Require.most("the list of other faces", others.size(), 64);
    Require.most("the list of kept marks", kept.size(), 100_000);
    Require.most("the list of pins", pins.size(), 1000);
    unknown = unknown == null ? Map.of() : Map.copyOf(unknown);
  }

  /** A project in which nothing is done yet. */
  public static Project begun(String title, PhotoReference photograph) {
    return new Project(title, photograph, null, null, null, null, null, null, null, null, null);
  }

  public Optional<FaceMap> faceMap() {
    return Optional.ofNullable(faces);
  }

  public Project withStack(LayerStack newStack) {
    return new Project(
        title, photograph, faces, others, kept, pins, crop, newStack, brief, notes, unknown);
  }

  public Project withFaces(FaceMap newFaces) {
    return new Project(
        title, photograph, newFaces, others, kept, pins, crop, stack, brief, notes, unknown);
  }

  /** With the maps of further faces. */
  public Project withOthers(List<FaceMap> newOthers) {
    return new Project(
        title, photograph, faces, newOthers, kept, pins, crop, stack, brief, notes, unknown);
  }

  /** All maps, that of the measured face first. */
  public List<FaceMap> allFaces() {
    List<FaceMap> all = new ArrayList<>();
    faceMap().ifPresent(all::add);
    all.addAll(others);
    return all;
  }

  /** With all maps anew, that of the measured face first. */
  public Project withAllFaces(List<FaceMap> all) {
    return all.isEmpty()
        ? withFaces(null).withOthers(List.of())
        : withFaces(all.getFirst()).withOthers(all.subList(1, all.size()));
  }

  /** With one mark more that is the person's own. */
  public Project keeping(KeptMark mark) {
    List<KeptMark> more = new ArrayList<>(kept);
    more.add(mark);
    return new Project(
        title, photograph, faces, others, more, pins, crop, stack, brief, notes, unknown);
  }

  public Project withPins(List<Point> newPins) {
    return new Project(
        title, photograph, faces, others, kept, newPins, crop, stack, brief, notes, unknown);
  }

  /**
   * @param newFrame null to deliver all
   */
  public Project withCrop(Crop newFrame) {
    return new Project(
        title, photograph, faces, others, kept, pins, newFrame, stack, brief, notes, unknown);
  }

  public Project withBrief(Brief newBrief) {
    return new Project(
        title, photograph, faces, others, kept, pins, crop, stack, newBrief, notes, unknown);
  }

  public Project withPhotograph(PhotoReference reference) {
    return new Project(
        title, reference, faces, others, kept, pins, crop, stack, brief, notes, unknown);
  }

  public Project noted(String words) {
    return new Project(
        title, photograph, faces, others, kept, pins, crop, stack, brief, words, unknown);
  }

  public Project withUnknown(Map<String, Object> fields) {
    return new Project(
        title, photograph, faces, others, kept, pins, crop, stack, brief, notes, fields);
  }

  public Project edit(String layerId, UnaryOperator<Layer> change) {
    return withStack(stack.edit(layerId, change));
  }
}
