package carezza.model;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;

import org.jspecify.annotations.Nullable;

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
 * @param stack of the variant at work
 * @param variants the other stacks over the photograph; null for none
 * @param brief what was agreed on; null for nothing
 * @param notes the retoucher's own words
 * @param unknown fields of a newer writer that this version does not know, kept for saving
 */
public record Project(
    String title,
    PhotoReference photograph,
    @Nullable FaceMap faces,
    List<FaceMap> others,
    List<KeptMark> kept,
    List<Point> pins,
    @Nullable Crop crop,
    LayerStack stack,
    Variants variants,
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
    variants = variants == null ? Variants.NONE : variants;
    brief = brief == null ? Brief.USUAL : brief;
    notes = notes == null ? "" : notes;
    Require.most("the list of other faces", others.size(), 64);
    Require.most("the list of kept marks", kept.size(), 100_000);
    Require.most("the list of pins", pins.size(), 1000);
    unknown = unknown == null ? Map.of() : Map.copyOf(unknown);
  }

  /** A project in which nothing is done yet. */
  public static Project begun(String title, PhotoReference photograph) {
    return new Project(
        title,
        photograph,
        null,
        List.of(),
        List.of(),
        List.of(),
        null,
        LayerStack.EMPTY,
        Variants.NONE,
        Brief.USUAL,
        "",
        Map.of());
  }

  public Optional<FaceMap> faceMap() {
    return Optional.ofNullable(faces);
  }

  public Project withStack(LayerStack newStack) {
    return new Project(
        title,
        photograph,
        faces,
        others,
        kept,
        pins,
        crop,
        newStack,
        variants,
        brief,
        notes,
        unknown);
  }

  public Project withFaces(@Nullable FaceMap newFaces) {
    return new Project(
        title,
        photograph,
        newFaces,
        others,
        kept,
        pins,
        crop,
        stack,
        variants,
        brief,
        notes,
        unknown);
  }

  /** With the maps of further faces. */
  public Project withOthers(List<FaceMap> newOthers) {
    return new Project(
        title,
        photograph,
        faces,
        newOthers,
        kept,
        pins,
        crop,
        stack,
        variants,
        brief,
        notes,
        unknown);
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
        title, photograph, faces, others, more, pins, crop, stack, variants, brief, notes, unknown);
  }

  public Project withPins(List<Point> newPins) {
    return new Project(
        title,
        photograph,
        faces,
        others,
        kept,
        newPins,
        crop,
        stack,
        variants,
        brief,
        notes,
        unknown);
  }

  /**
   * @param newFrame null to deliver all
   */
  public Project withCrop(@Nullable Crop newFrame) {
    return new Project(
        title,
        photograph,
        faces,
        others,
        kept,
        pins,
        newFrame,
        stack,
        variants,
        brief,
        notes,
        unknown);
  }

  public Project withBrief(Brief newBrief) {
    return new Project(
        title,
        photograph,
        faces,
        others,
        kept,
        pins,
        crop,
        stack,
        variants,
        newBrief,
        notes,
        unknown);
  }

  public Project withPhotograph(PhotoReference reference) {
    return new Project(
        title, reference, faces, others, kept, pins, crop, stack, variants, brief, notes, unknown);
  }

  public Project noted(String words) {
    return new Project(
        title, photograph, faces, others, kept, pins, crop, stack, variants, brief, words, unknown);
  }

  public Project withUnknown(Map<String, Object> fields) {
    return new Project(
        title, photograph, faces, others, kept, pins, crop, stack, variants, brief, notes, fields);
  }

  /** With every layer of every variant changed. */
  public Project each(UnaryOperator<Layer> change) {
    List<Variant> changed =
        variants.others().stream()
            .map(v -> new Variant(v.name(), v.crop(), v.stack().each(change)))
            .toList();
    return new Project(
        title,
        photograph,
        faces,
        others,
        kept,
        pins,
        crop,
        stack.each(change),
        new Variants(variants.name(), variants.place(), changed),
        brief,
        notes,
        unknown);
  }

  // --- variants

  /** All variants in their order; only this one, without a name, where there are no others. */
  public List<Variant> allVariants() {
    List<Variant> all = new ArrayList<>(variants.others());
    String name = variants.isEmpty() && variants.name().isBlank() ? title : variants.name();
    all.add(variants.place(), new Variant(name, crop, stack));
    return List.copyOf(all);
  }

  /**
   * With the variant at work doubled; the double, behind all others, is at work now.
   *
   * @param own what the variant at work is called from now on
   * @param name of the double
   */
  public Project doubled(String own, String name) {
    List<Variant> others = new ArrayList<>(variants.others());
    others.add(variants.place(), new Variant(own, crop, stack));
    return withVariants(new Variants(name, others.size(), others));
  }

  /**
   * With another variant at work.
   *
   * @param place among {@link #allVariants}
   */
  public Project atVariant(int place) {
    if (place == variants.place()) {
      return this;
    }
    List<Variant> others = new ArrayList<>(allVariants());
    Variant chosen = others.remove(place);
    return withVariants(new Variants(chosen.name(), place, others))
        .withStack(chosen.stack())
        .withCrop(chosen.crop());
  }

  /** Without a variant; where it was at work, the one before it is. */
  public Project withoutVariant(int place) {
    if (variants.isEmpty()) {
      throw new IllegalArgumentException("The only variant cannot be taken out");
    }
    if (place == variants.place()) {
      return atVariant(place == 0 ? 1 : place - 1).withoutVariant(place);
    }
    List<Variant> others = new ArrayList<>(variants.others());
    others.remove(place < variants.place() ? place : place - 1);
    int own = variants.place() - (place < variants.place() ? 1 : 0);
    return withVariants(
        others.isEmpty() ? Variants.NONE : new Variants(variants.name(), own, others));
  }

  /** With the variant at work called otherwise. */
  public Project variantNamed(String name) {
    return withVariants(new Variants(name, variants.place(), variants.others()));
  }

  public Project withVariants(Variants newVariants) {
    return new Project(
        title,
        photograph,
        faces,
        others,
        kept,
        pins,
        crop,
        stack,
        newVariants,
        brief,
        notes,
        unknown);
  }

  public Project edit(String layerId, UnaryOperator<Layer> change) {
    return withStack(stack.edit(layerId, change));
  }
}
