package carezza.desktop.text;

import java.util.stream.Collectors;

import carezza.model.Mask;
import carezza.model.Mask.ChangeMask;
import carezza.model.Mask.Dilate;
import carezza.model.Mask.Ellipse;
import carezza.model.Mask.Everything;
import carezza.model.Mask.Feather;
import carezza.model.Mask.Gradient;
import carezza.model.Mask.Invert;
import carezza.model.Mask.LinkedMask;
import carezza.model.Mask.LocalDeviation;
import carezza.model.Mask.Nothing;
import carezza.model.Mask.Opacity;
import carezza.model.Mask.Polygon;
import carezza.model.Mask.Quantity;
import carezza.model.Mask.Range;
import carezza.model.Mask.Refine;
import carezza.model.Mask.RegionMask;
import carezza.model.Mask.Strokes;
import carezza.model.MaskParts;
import carezza.model.MaskParts.Join;
import carezza.model.MaskParts.Part;

/** A mask in words: 'skin of the face, minus lips'. */
public final class MaskWords {

  private static final Texts NAMES = Texts.of("names");

  private MaskWords() {}

  /** All parts that count, as one sentence without its capital. */
  public static String of(Mask mask) {
    String words =
        MaskParts.of(mask).parts().stream()
            .filter(Part::on)
            .map(MaskWords::of)
            .collect(Collectors.joining(", "));
    return words.isEmpty() ? NAMES.get("mask.everywhere") : words;
  }

  /** One part with how it is joined. */
  public static String of(Part part) {
    String said = own(part.own());
    boolean plain = part.join() == Join.WITHIN && part.own() instanceof Range;
    return plain || part.join() == Join.START || part.join() == Join.CHANGE
        ? said
        : NAMES.get("join." + part.join() + ".words", said);
  }

  /** What a part covers, or does to what stands before it. */
  public static String own(Mask own) {
    return switch (own) {
      case Everything _ -> NAMES.get("mask.everywhere");
      case Nothing _ -> NAMES.get("mask.nowhere");
      case RegionMask named ->
          named.of() == null
              ? Names.of(named.region())
              : NAMES.get("mask.of-one", Names.of(named.region()));
      case Ellipse _ -> NAMES.get("mask.oval");
      case Gradient _ -> NAMES.get("mask.gradient");
      case Polygon _ -> NAMES.get("mask.outline");
      case Range range -> range(range);
      case LocalDeviation u -> NAMES.get(u.darker() ? "mask.darker" : "mask.lighter");
      case LinkedMask _ -> NAMES.get("mask.linked");
      case ChangeMask _ -> NAMES.get("mask.changed");
      case Strokes s when s.base() instanceof Nothing ->
          s.strokes().size() == 1
              ? NAMES.get("mask.stroke")
              : NAMES.get("mask.strokes", s.strokes().size());
      case Invert i when i.of() instanceof Nothing -> NAMES.get("mask.inverted");
      case Feather f when f.of() instanceof Nothing -> NAMES.get("mask.softened", f.sigma());
      case Dilate g when g.of() instanceof Nothing ->
          NAMES.get(g.radius() < 0 ? "mask.shrunk" : "mask.grown", Math.abs(g.radius()));
      case Opacity s when s.of() instanceof Nothing -> NAMES.get("mask.times", 100 * s.factor());
      case Refine r when r.of() instanceof Nothing -> NAMES.get("mask.refined");
      default -> of(own);
    };
  }

  private static String range(Range r) {
    String key = "mask." + r.quantity();
    boolean hue = r.quantity() == Quantity.HUE;
    if (r.end() >= r.quantity().span() && !hue) {
      return NAMES.get(key + ".above", (r.start() + r.full()) / 2);
    }
    if (r.start() <= 0 && !hue) {
      return NAMES.get(key + ".below", (r.fullEnd() + r.end()) / 2);
    }
    return NAMES.get(key + ".between", r.full(), r.fullEnd());
  }
}
