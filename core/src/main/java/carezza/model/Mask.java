package carezza.model;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;

import org.jspecify.annotations.Nullable;

import carezza.image.Area;

/**
 * Where a layer acts, as an expression and not as pixels, so that it renders at any size. The value
 * at a place is a coverage 0 … 1. Coordinates and lengths are in photograph pixels.
 */
public sealed interface Mask {

  /** Coverage 1 everywhere. */
  record Everything() implements Mask {}

  /** Coverage 0 everywhere. */
  record Nothing() implements Mask {}

  /**
   * An area known by name; nothing where there is no face map.
   *
   * @param of a place in the face of the person whose area alone is meant, in photograph pixels;
   *     null for everybody's. A place tells the same person when faces are found anew in another
   *     order.
   */
  record RegionMask(SemanticRegion region, @Nullable Point of) implements Mask {
    public RegionMask {
      Require.present("region", region);
    }

    /** Everybody's. */
    public RegionMask(SemanticRegion region) {
      this(region, null);
    }
  }

  /** Strokes laid on, or lifted from, another mask in their order. */
  record Strokes(Mask base, List<Stroke> strokes) implements Mask {
    public Strokes {
      base = base == null ? new Nothing() : base;
      strokes = strokes == null ? List.of() : List.copyOf(strokes);
      Require.most("a list of strokes", strokes.size(), 100_000);
    }
  }

  /**
   * An ellipse; coverage falls from 1 to 0 over {@code softness} of its radius, measured inwards
   * from the outline (softness 1 is a radial gradient). The angle is in degrees, clockwise.
   */
  record Ellipse(double x, double y, double radiusX, double radiusY, double angle, double softness)
      implements Mask {
    public Ellipse {
      Require.range("x", x, -Require.FARTHEST, Require.FARTHEST);
      Require.range("y", y, -Require.FARTHEST, Require.FARTHEST);
      Require.range("radiusX", radiusX, 1e-3, Require.FARTHEST);
      Require.range("radiusY", radiusY, 1e-3, Require.FARTHEST);
      Require.range("angle", angle, -3600, 3600);
      Require.range("softness", softness, 0, 1);
    }
  }

  /** From 0 at the first point to 1 at the second and beyond, smoothly. */
  record Gradient(Point from, Point to) implements Mask {
    public Gradient {
      Require.present("from", from);
      Require.present("to", to);
      if (from.distance(to) < 1e-6) {
        throw new IllegalArgumentException("a gradient needs two different points");
      }
    }
  }

  /** A closed outline, filled even-odd, softened by a Gaussian of the given sigma. */
  record Polygon(List<Point> points, double feather) implements Mask, RepairArea {
    public Polygon {
      if (points == null || points.size() < 3) {
        throw new IllegalArgumentException("a polygon needs at least three points");
      }
      points = List.copyOf(points);
      Require.most("a polygon", points.size(), 10_000);
      Require.range("feather", feather, 0, Require.SOFTEST);
    }

    private Area drawn() {
      double left = points.stream().mapToDouble(Point::x).min().orElseThrow();
      double right = points.stream().mapToDouble(Point::x).max().orElseThrow();
      double top = points.stream().mapToDouble(Point::y).min().orElseThrow();
      double bottom = points.stream().mapToDouble(Point::y).max().orElseThrow();
      return Area.around(left, top, right, bottom);
    }

    @Override
    public Polygon scaled(double by) {
      Point middle = centre();
      return new Polygon(
          points.stream()
              .map(
                  p ->
                      new Point(
                          middle.x() + by * (p.x() - middle.x()),
                          middle.y() + by * (p.y() - middle.y())))
              .toList(),
          feather);
    }

    @Override
    public Area bounds() {
      return drawn().grow((int) Math.ceil(3 * feather));
    }

    @Override
    public double radius() {
      Area a = drawn();
      return Math.max(1, Math.min(a.width(), a.height()) / 2.0);
    }

    @Override
    public Point centre() {
      Area a = drawn();
      return new Point(a.x() + a.width() / 2.0, a.y() + a.height() / 2.0);
    }
  }

  /** Quantities that a range is taken of. */
  enum Quantity {
    /** L*, 0 … 100. */
    LIGHTNESS(100, "L*"),
    /** LCh hue angle in degrees, 0 … 360; ranges may pass 360. */
    HUE(360, "hue"),
    /** LCh chroma, 0 … 150. */
    CHROMA(150, "C*");

    private final double span;
    private final String unit;

    Quantity(double span, String unit) {
      this.span = span;
      this.unit = unit;
    }

    /** Its largest value; the least is 0. */
    public double span() {
      return span;
    }

    /** Its sign. */
    public String unit() {
      return unit;
    }
  }

  /**
   * A trapezoid over a quantity of the layer's input: 0 up to {@code start}, 1 from {@code full} to
   * {@code fullEnd}, 0 from {@code end}.
   */
  record Range(Quantity quantity, double start, double full, double fullEnd, double end)
      implements Mask {
    public Range {
      Require.present("quantity", quantity);
      // Hues may pass the full circle once on either side.
      Require.range("start of a range", start, -720, 720);
      Require.range("end of a range", end, -720, 720);
      if (!(start <= full && full <= fullEnd && fullEnd <= end)) {
        throw new IllegalArgumentException("a range needs start ≤ full ≤ fullEnd ≤ end");
      }
    }
  }

  /**
   * What is darker, or lighter, than around it: the L* of the layer's input between two sigmas, in
   * proportion up to {@code limit} and falling to 0 again at twice that, as what differs more is a
   * feature and no blotch.
   *
   * @param darker whether dark blotches are meant, or light ones
   * @param fine sigma in photograph pixels below which detail does not count
   * @param coarse sigma in photograph pixels of what is around
   * @param full difference of L* that would be full coverage
   * @param limit difference of L* up to which it is a blotch
   * @param within the area whose own lightness is compared, so that hair beside skin does not
   *     count; null for all that is around
   */
  record LocalDeviation(
      boolean darker, double fine, double coarse, double full, double limit, SemanticRegion within)
      implements Mask {
    public LocalDeviation {
      Require.range("fine", fine, 0, 1000);
      Require.range("coarse", coarse, fine, 4000);
      Require.range("full", full, 0.1, 1000);
      Require.range("limit", limit, 0.01, 100);
    }
  }

  /** Both: the product. */
  record And(Mask one, Mask other) implements Mask {
    public And {
      Require.present("one", one);
      Require.present("other", other);
    }
  }

  /** Either: 1 − (1−a)(1−b). */
  record Or(Mask one, Mask other) implements Mask {
    public Or {
      Require.present("one", one);
      Require.present("other", other);
    }
  }

  /** The first without the second: a (1−b). */
  record Minus(Mask from, Mask taken) implements Mask {
    public Minus {
      Require.present("from", from);
      Require.present("taken", taken);
    }
  }

  record Invert(Mask of) implements Mask {
    public Invert {
      Require.present("of", of);
    }
  }

  /** Blurred by a Gaussian of this sigma. */
  record Feather(Mask of, double sigma) implements Mask {
    public Feather {
      Require.present("of", of);
      Require.range("sigma", sigma, 0, Require.SOFTEST);
    }
  }

  /** Coverage times a factor, cut at 1. */
  record Opacity(Mask of, double factor) implements Mask {
    public Opacity {
      Require.present("of", of);
      Require.range("factor", factor, 0, 10);
    }
  }

  /**
   * Grown by a disc of this radius in photograph pixels, shrunk where it is below 0: the largest,
   * or the least, coverage within the disc.
   */
  record Dilate(Mask of, double radius) implements Mask {
    public Dilate {
      Require.present("of", of);
      Require.range("radius", radius, -1000, 1000);
    }
  }

  /** Pulled to the edges of the layer's input by guided filtering with this sigma. */
  record Refine(Mask of, double sigma) implements Mask {
    public Refine {
      Require.present("of", of);
      Require.range("sigma", sigma, 0.1, Require.SOFTEST);
    }
  }

  /**
   * A part that is kept but switched off: what lies under it counts as if the part were not there.
   * See {@link #acting}.
   */
  record Disabled(Mask part) implements Mask {
    public Disabled {
      Require.present("part", part);
    }
  }

  /** The mask of another layer, by its id, whatever it becomes; nothing if that layer is gone. */
  record LinkedMask(String layer) implements Mask {
    public LinkedMask {
      Require.present("layer", layer);
    }
  }

  /**
   * What a layer further down changed: its input against its result, in proportion up to a
   * difference that counts as full. Nothing if that layer is gone, switched off or not below.
   *
   * @param layer id
   * @param full ΔE*ab from which coverage is 1; {@link #SEEN} for 0
   */
  record ChangeMask(String layer, double full) implements Mask {

    /** A difference that is just seen beside what it was. */
    public static final double SEEN = 2;

    public ChangeMask {
      Require.present("layer", layer);
      full = full == 0 ? SEEN : full;
      Require.range("full", full, 0.1, 100);
    }
  }

  /** The masks that it is made of, if it is made of others. */
  default List<Mask> operands() {
    return switch (this) {
      case And(Mask one, Mask other) -> List.of(one, other);
      case Or(Mask one, Mask other) -> List.of(one, other);
      case Minus(Mask from, Mask taken) -> List.of(from, taken);
      case Invert(Mask of) -> List.of(of);
      case Opacity(Mask of, double factor) -> List.of(of);
      case Feather(Mask of, double sigma) -> List.of(of);
      case Refine(Mask of, double sigma) -> List.of(of);
      case Dilate(Mask of, double radius) -> List.of(of);
      case Disabled(Mask part) -> List.of(part);
      case Strokes(Mask base, List<Stroke> strokes) -> List.of(base);
      case Everything(), Nothing() -> List.of();
      case RegionMask r -> List.of();
      case Ellipse e -> List.of();
      case Gradient g -> List.of();
      case Polygon p -> List.of();
      case Range r -> List.of();
      case LocalDeviation l -> List.of();
      case LinkedMask l -> List.of();
      case ChangeMask c -> List.of();
    };
  }

  /** With what it says of layers said of others, by their ids. */
  default Mask relinked(Map<String, String> ids) {
    List<MaskParts.Part> parts =
        MaskParts.of(this).parts().stream()
            .map(
                p ->
                    switch (p.own()) {
                      case LinkedMask(String layer) ->
                          new MaskParts.Part(
                              p.join(), new LinkedMask(ids.getOrDefault(layer, layer)), p.on());
                      case ChangeMask(String layer, double full) ->
                          new MaskParts.Part(
                              p.join(),
                              new ChangeMask(ids.getOrDefault(layer, layer), full),
                              p.on());
                      default -> p;
                    })
            .toList();
    return new MaskParts(parts).mask();
  }

  /** Whether it, or one of its operands at any depth, is such a mask. */
  default boolean has(Predicate<Mask> such) {
    return such.test(this) || operands().stream().anyMatch(m -> m.has(such));
  }

  /** The mask without its switched-off parts. */
  default Mask acting() {
    return MaskParts.of(this).acting();
  }

  /** This mask with one stroke more, on top of what is painted already. */
  default Mask painted(Stroke stroke) {
    if (this instanceof Strokes(Mask base, List<Stroke> strokes)) {
      List<Stroke> more = new ArrayList<>(strokes);
      more.add(stroke);
      return new Strokes(base, more);
    }
    return new Strokes(this, List.of(stroke));
  }
}
