package carezza.model;

import java.util.List;

/**
 * Where a layer acts, as an expression and not as pixels, so that it renders at any size. The value at
 * a place is a coverage 0 … 1. Coordinates and lengths are in photograph pixels.
 */
public sealed interface Mask {

  /** Coverage 1 everywhere. */
  record Everything() implements Mask {}

  /** Coverage 0 everywhere. */
  record Nothing() implements Mask {}

  /** An area known by name; nothing where there is no face map. */
  record Named(Region region) implements Mask {
    public Named {
      Require.present("region", region);
    }
  }

  /** Strokes laid on, or lifted from, another mask in their order. */
  record Strokes(Mask base, List<Stroke> strokes) implements Mask {
    public Strokes {
      base = base == null ? new Nothing() : base;
      strokes = strokes == null ? List.of() : List.copyOf(strokes);
    }
  }

  /**
   * An ellipse; coverage falls from 1 to 0 over {@code softness} of its radius, measured inwards from
   * the outline (softness 1 is a radial gradient). The angle is in degrees, clockwise.
   */
  record Oval(double x, double y, double radiusX, double radiusY, double angle, double softness)
      implements Mask {
    public Oval {
      Require.range("radiusX", radiusX, 1e-3, 1e6);
      Require.range("radiusY", radiusY, 1e-3, 1e6);
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
  record Polygon(List<Point> points, double feather) implements Mask {
    public Polygon {
      if (points == null || points.size() < 3) {
        throw new IllegalArgumentException("a polygon needs at least three points");
      }
      points = List.copyOf(points);
      Require.range("feather", feather, 0, 1e5);
    }
  }

  /** Quantities that a range is taken of. */
  enum Quantity {
    /** L*, 0 … 100. */
    LIGHTNESS,
    /** LCh hue angle in degrees, 0 … 360; ranges may pass 360. */
    HUE,
    /** LCh chroma, 0 … 150. */
    CHROMA
  }

  /**
   * A trapezoid over a quantity of the layer's input: 0 up to {@code start}, 1 from {@code full} to
   * {@code fullEnd}, 0 from {@code end}.
   */
  record Range(Quantity quantity, double start, double full, double fullEnd, double end)
      implements Mask {
    public Range {
      Require.present("quantity", quantity);
      if (!(start <= full && full <= fullEnd && fullEnd <= end)) {
        throw new IllegalArgumentException("a range needs start ≤ full ≤ fullEnd ≤ end");
      }
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
      Require.range("sigma", sigma, 0, 1e5);
    }
  }

  /** Coverage times a factor, cut at 1. */
  record Scale(Mask of, double factor) implements Mask {
    public Scale {
      Require.present("of", of);
      Require.range("factor", factor, 0, 10);
    }
  }

  /** Pulled to the edges of the layer's input by guided filtering with this sigma. */
  record Refine(Mask of, double sigma) implements Mask {
    public Refine {
      Require.present("of", of);
      Require.range("sigma", sigma, 0.1, 1e4);
    }
  }

  /** This mask with one stroke more, on top of what is painted already. */
  default Mask painted(Stroke stroke) {
    if (this instanceof Strokes(Mask base, List<Stroke> strokes)) {
      List<Stroke> more = new java.util.ArrayList<>(strokes);
      more.add(stroke);
      return new Strokes(base, more);
    }
    return new Strokes(this, List.of(stroke));
  }

  /** The expression as words for the panel, such as 'skin of the face, minus lips'. */
  default String sentence() {
    return switch (this) {
      case Everything() -> "everywhere";
      case Nothing() -> "nowhere yet";
      case Named(Region region) -> region.words();
      case Strokes(Mask base, List<Stroke> strokes) -> painting(base, strokes.size());
      case Oval o -> "an oval";
      case Gradient g -> "a gradient";
      case Polygon p -> "an outline";
      case Range r -> range(r);
      case And(Mask one, Mask other) -> one.sentence() + " within " + other.sentence();
      case Or(Mask one, Mask other) -> one.sentence() + " and " + other.sentence();
      case Minus(Mask from, Mask taken) -> from.sentence() + ", minus " + taken.sentence();
      case Invert(Mask of) -> "all but " + of.sentence();
      case Feather(Mask of, double sigma) -> of.sentence() + ", softened";
      case Scale(Mask of, double factor) ->
          of.sentence() + " at " + Math.round(factor * 100) + " %";
      case Refine(Mask of, double sigma) -> of.sentence() + ", to its edges";
    };
  }

  private static String painting(Mask base, int count) {
    String strokes = count == 1 ? "1 stroke" : count + " strokes";
    return base instanceof Nothing
        ? "painted, " + strokes
        : base.sentence() + ", painted " + strokes;
  }

  private static String range(Range r) {
    String name = r.quantity().name().toLowerCase(java.util.Locale.ROOT);
    return "%s %.0f to %.0f".formatted(name, r.full(), r.fullEnd());
  }
}
