package carezza.project;

import java.util.Map;
import java.util.Objects;

import carezza.model.Mask;

/** What things are called in files, where that is not what the code calls them now. */
final class FormatNames {

  /** What each kind of mask is called in files. */
  private static final Map<Class<? extends Mask>, String> MASK_NAMES =
      Map.ofEntries(
          Map.entry(Mask.Everything.class, "everything"),
          Map.entry(Mask.Nothing.class, "nothing"),
          Map.entry(Mask.RegionMask.class, "named"),
          Map.entry(Mask.Strokes.class, "strokes"),
          Map.entry(Mask.Ellipse.class, "oval"),
          Map.entry(Mask.Gradient.class, "gradient"),
          Map.entry(Mask.Polygon.class, "polygon"),
          Map.entry(Mask.Range.class, "range"),
          Map.entry(Mask.LocalDeviation.class, "uneven"),
          Map.entry(Mask.And.class, "and"),
          Map.entry(Mask.Or.class, "or"),
          Map.entry(Mask.Minus.class, "minus"),
          Map.entry(Mask.Invert.class, "invert"),
          Map.entry(Mask.Feather.class, "feather"),
          Map.entry(Mask.Opacity.class, "scale"),
          Map.entry(Mask.Dilate.class, "grow"),
          Map.entry(Mask.Refine.class, "refine"),
          Map.entry(Mask.Disabled.class, "off"),
          Map.entry(Mask.LinkedMask.class, "like"),
          Map.entry(Mask.ChangeMask.class, "changed"));

  /** What version 1 called fields of some kinds. */
  private static final Map<String, Map<String, String>> OLD_NAMES =
      Map.of(
          "neutralise", Map.of("dark", "shadow", "middle", "midtone", "light", "highlight"),
          "range", Map.of("darks", "shadows", "lights", "highlights"),
          "balance", Map.of("darks", "shadows", "middles", "midtones", "lights", "highlights"),
          "mono", Map.of("darks", "shadows", "lights", "highlights"));

  private FormatNames() {}

  /** The name of a kind of mask. */
  static String of(Class<?> mask) {
    return Objects.requireNonNull(MASK_NAMES.get(mask), mask::toString);
  }

  /**
   * What a field of a layer is called today.
   *
   * @param kind of the layer, as files have it
   */
  static String today(String kind, String field) {
    return OLD_NAMES.getOrDefault(kind, Map.of()).getOrDefault(field, field);
  }
}
