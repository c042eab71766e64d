package carezza.mask;

import java.util.List;
import java.util.Optional;
import java.util.function.DoubleFunction;

import org.jspecify.annotations.Nullable;

import carezza.colour.Lab;
import carezza.filter.DiscMorphology;
import carezza.filter.GaussianBlur;
import carezza.filter.GuidedFilter;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.model.Mask;
import carezza.model.Mask.And;
import carezza.model.Mask.ChangeMask;
import carezza.model.Mask.Dilate;
import carezza.model.Mask.Disabled;
import carezza.model.Mask.Ellipse;
import carezza.model.Mask.Everything;
import carezza.model.Mask.Feather;
import carezza.model.Mask.Gradient;
import carezza.model.Mask.Invert;
import carezza.model.Mask.LinkedMask;
import carezza.model.Mask.LocalDeviation;
import carezza.model.Mask.Minus;
import carezza.model.Mask.Nothing;
import carezza.model.Mask.Opacity;
import carezza.model.Mask.Or;
import carezza.model.Mask.Polygon;
import carezza.model.Mask.Range;
import carezza.model.Mask.Refine;
import carezza.model.Mask.RegionMask;
import carezza.model.Mask.Strokes;
import carezza.model.Point;
import carezza.model.SemanticRegion;
import carezza.model.Stroke;

/** Renders mask expressions at any level, and says what they depend on. */
public final class Masks {

  /** Difference of L* that edge refinement takes for an edge. */
  private static final double REFINE_EDGE = 4;

  private static final Picture NOTHING = Picture.of(Area.EMPTY);

  private Masks() {}

  /**
   * Coverage over an area.
   *
   * @param input the layer's input in the working space over at least the area grown by {@link
   *     #reach} and cut to the picture; not modified
   * @return 0 … 1, the caller's own
   */
  public static Plane render(Mask mask, Area area, EvaluationContext context, Picture input) {
    return context.memory() == null || plain(mask) || readsInput(mask)
        ? made(mask, area, context, input)
        : context.memory().of(mask, area, a -> made(mask, a, context, input));
  }

  /**
   * Coverage of a mask that does not look at the layer's input.
   *
   * @throws IllegalArgumentException if it does
   */
  public static Plane render(Mask mask, Area area, EvaluationContext context) {
    if (readsInput(mask)) {
      throw new IllegalArgumentException("the mask reads what lies below it");
    }
    return render(mask, area, context, NOTHING);
  }

  /** Masks that are had for nothing. */
  private static boolean plain(Mask mask) {
    return mask instanceof Everything || mask instanceof Nothing || mask instanceof RegionMask;
  }

  private static Plane made(Mask mask, Area area, EvaluationContext context, Picture input) {
    double scale = context.scale();
    return switch (mask) {
      case Everything() -> Plane.filled(area, 1);
      case Nothing() -> Plane.of(area);
      case RegionMask(SemanticRegion region, Point of) ->
          context.regions().at(of).coverage(region, area, context.level()).copy();
      case Strokes strokes -> painted(strokes, area, context, input);
      case Ellipse oval -> oval(oval, area, scale);
      case Gradient gradient -> gradient(gradient, area, scale);
      case Polygon(List<Point> points, double feather) ->
          blurred(a -> PolygonCoverage.of(points, a, scale), area, feather * scale);
      case Range range -> range(range, input.crop(area));
      case LocalDeviation uneven -> uneven(uneven, area, context, input);
      case And(Mask one, Mask other) -> combine(one, other, area, context, input, (a, b) -> a * b);
      case Or(Mask one, Mask other) ->
          combine(one, other, area, context, input, (a, b) -> 1 - (1 - a) * (1 - b));
      case Minus(Mask from, Mask taken) ->
          combine(from, taken, area, context, input, (a, b) -> a * (1 - b));
      case Invert(Mask of) -> change(render(of, area, context, input), v -> 1 - v);
      case Opacity(Mask of, double factor) ->
          change(render(of, area, context, input), v -> Math.min(1, v * (float) factor));
      case Feather(Mask of, double sigma) ->
          blurred(
              a -> render(of, a.intersect(context.whole()), context, input), area, sigma * scale);
      case Refine(Mask of, double sigma) -> refined(of, sigma * scale, area, context, input);
      case Dilate(Mask of, double radius) -> {
        double r = radius * scale;
        Area wide = area.grow(DiscMorphology.reach(r)).intersect(context.whole());
        yield DiscMorphology.of(render(of, wide, context, input), r, area);
      }
      case Disabled off -> render(off.acting(), area, context, input);
      case LinkedMask l -> Plane.of(area);
      case ChangeMask(String layer, double full) ->
          change(
              context.changes().of(layer, area, context.level()),
              v -> Math.min(1, v / (float) full));
    };
  }

  private static Plane painted(Strokes mask, Area area, EvaluationContext context, Picture input) {
    List<Stroke> strokes = mask.strokes();
    int done =
        context.memory() == null
            ? 0
            : context
                .memory()
                .known(mask, area, (some, onto) -> StrokeCoverage.apply(some, onto, context));
    Mask before = done == 0 ? mask.base() : new Strokes(mask.base(), strokes.subList(0, done));
    Plane coverage = render(before, area, context, input);
    StrokeCoverage.apply(strokes.subList(done, strokes.size()), coverage, context);
    return coverage;
  }

  /** Pixels of the level beyond an area that the mask reads of the layer's input. */
  public static int reach(Mask mask, double scale) {
    int within = 0;
    for (Mask operand : mask.operands()) {
      within = Math.max(within, reach(operand, scale));
    }
    return switch (mask) {
      case LocalDeviation u -> GaussianBlur.reach(u.coarse() * scale);
      case Feather f -> within + GaussianBlur.reach(f.sigma() * scale);
      case Refine r -> within + GuidedFilter.reach(Math.max(0.5, r.sigma() * scale));
      case Dilate g -> within + DiscMorphology.reach(g.radius() * scale);
      case Disabled off -> reach(off.acting(), scale);
      default -> within;
    };
  }

  /** Whether the mask looks at the layer's input, or what lies below it, at all. */
  public static boolean readsInput(Mask mask) {
    return mask.acting()
        .has(
            m ->
                m instanceof Range
                    || m instanceof LocalDeviation
                    || m instanceof Refine
                    || m instanceof ChangeMask);
  }

  /**
   * The mask without what cannot matter inside an area of the photograph: strokes that do not touch
   * it go, and what is left without any becomes nothing.
   */
  public static Mask within(Mask mask, Area photographArea) {
    return switch (mask) {
      case Strokes(Mask base, List<Stroke> strokes) -> {
        Mask under = within(base, photographArea);
        List<Stroke> near =
            strokes.stream().filter(s -> s.bounds().grow(2).intersects(photographArea)).toList();
        yield near.isEmpty() ? under : new Strokes(under, near);
      }
      case And(Mask one, Mask other) -> {
        Mask a = within(one, photographArea);
        Mask b = within(other, photographArea);
        yield a instanceof Nothing || b instanceof Nothing ? new Nothing() : new And(a, b);
      }
      case Or(Mask one, Mask other) ->
          new Or(within(one, photographArea), within(other, photographArea));
      case Minus(Mask from, Mask taken) -> {
        Mask a = within(from, photographArea);
        yield a instanceof Nothing ? a : new Minus(a, within(taken, photographArea));
      }
      case Invert(Mask of) -> new Invert(within(of, photographArea));
      case Opacity(Mask of, double factor) -> {
        Mask a = within(of, photographArea);
        yield a instanceof Nothing ? a : new Opacity(a, factor);
      }
      case Feather(Mask of, double sigma) -> {
        Mask a = within(of, photographArea.grow(GaussianBlur.reach(sigma)));
        yield a instanceof Nothing ? a : new Feather(a, sigma);
      }
      case Refine(Mask of, double sigma) -> {
        Mask a = within(of, photographArea.grow(GuidedFilter.reach(Math.max(0.5, sigma))));
        yield a instanceof Nothing ? a : new Refine(a, sigma);
      }
      case Dilate(Mask of, double radius) -> {
        Mask a = within(of, photographArea.grow(DiscMorphology.reach(radius)));
        yield a instanceof Nothing ? a : new Dilate(a, radius);
      }
      case Disabled off -> within(off.acting(), photographArea);
      case LinkedMask l -> new Nothing();
      case ChangeMask c -> c;
      case Everything e -> e;
      case Nothing n -> n;
      case RegionMask n -> n;
      case Ellipse o -> o;
      case Gradient g -> g;
      case Polygon p -> p;
      case Range r -> r;
      case LocalDeviation u -> u;
    };
  }

  /**
   * The area of the photograph outside of which two masks cover the same; nothing if they may
   * differ anywhere.
   */
  public static Optional<Area> difference(Mask was, Mask is) {
    if (was.equals(is)) {
      return Optional.of(Area.EMPTY);
    }
    Mask under = is instanceof Strokes(Mask base, List<Stroke> strokes) ? base : is;
    Mask before = was instanceof Strokes(Mask base, List<Stroke> strokes) ? base : was;
    return under.equals(before)
        ? Optional.of(StrokeCoverage.difference(strokes(was), strokes(is)))
        : Optional.empty();
  }

  private static List<Stroke> strokes(Mask mask) {
    return mask instanceof Strokes(Mask base, List<Stroke> strokes) ? strokes : List.of();
  }

  @FunctionalInterface
  private interface Change {
    float of(float v);
  }

  @FunctionalInterface
  private interface Rule {
    float of(float a, float b);
  }

  private static Plane change(Plane plane, Change change) {
    float[] v = plane.values();
    for (int i = 0; i < v.length; i++) {
      v[i] = change.of(v[i]);
    }
    return plane;
  }

  private static Plane combine(
      Mask one, Mask other, Area area, EvaluationContext context, Picture input, Rule rule) {
    Plane a = render(one, area, context, input);
    Plane b = render(other, area, context, input);
    for (int i = 0; i < a.values().length; i++) {
      a.values()[i] = rule.of(a.values()[i], b.values()[i]);
    }
    return a;
  }

  @FunctionalInterface
  interface Renderer {
    Plane over(Area area);
  }

  static Plane blurred(Renderer renderer, Area area, double sigma) {
    if (sigma <= 0.15) {
      return renderer.over(area);
    }
    Plane wide = GaussianBlur.blur(renderer.over(area.grow(GaussianBlur.reach(sigma))), sigma);
    Plane out = Plane.of(area);
    out.copyFrom(wide);
    return out;
  }

  private static Plane oval(Ellipse o, Area area, double scale) {
    double angle = Math.toRadians(o.angle());
    FaceFrame.Ellipse ellipse =
        new FaceFrame.Ellipse(
            o.x() * scale,
            o.y() * scale,
            o.radiusX() * scale,
            o.radiusY() * scale,
            Math.cos(angle),
            Math.sin(angle));
    double pixel = 1 / (Math.min(o.radiusX(), o.radiusY()) * scale);
    double width = Math.max(o.softness(), pixel);
    Plane out = Plane.of(area);
    Area box = ellipse.bounds().intersect(area);
    for (int y = box.y(); y < box.bottom(); y++) {
      for (int x = box.x(); x < box.right(); x++) {
        double inside = 1 - ellipse.distance(x + 0.5, y + 0.5);
        out.values()[out.index(x, y)] = Smoothstep.step(inside / width);
      }
    }
    return out;
  }

  private static Plane gradient(Gradient g, Area area, double scale) {
    double dx = (g.to().x() - g.from().x()) * scale;
    double dy = (g.to().y() - g.from().y()) * scale;
    double length2 = dx * dx + dy * dy;
    Plane out = Plane.of(area);
    for (int y = area.y(); y < area.bottom(); y++) {
      for (int x = area.x(); x < area.right(); x++) {
        double px = x + 0.5 - g.from().x() * scale;
        double py = y + 0.5 - g.from().y() * scale;
        out.values()[out.index(x, y)] = Smoothstep.step((px * dx + py * dy) / length2);
      }
    }
    return out;
  }

  private static Plane uneven(
      LocalDeviation u, Area area, EvaluationContext context, Picture input) {
    double scale = context.scale();
    Area wide =
        area.grow(GaussianBlur.reach(u.coarse() * scale))
            .intersect(context.whole())
            .intersect(input.area());
    Plane lightness = Lab.lightness(input.crop(wide));
    DoubleFunction<Plane> mean;
    if (u.within() == null) {
      mean = sigma -> GaussianBlur.blur(lightness, sigma * scale).crop(area);
    } else {
      Plane compared = context.regions().coverage(u.within(), wide, context.level());
      mean = sigma -> GaussianBlur.normalised(lightness, compared, sigma * scale).crop(area);
    }
    Plane around = mean.apply(u.coarse());
    float sign = u.darker() ? 1 : -1;
    Plane own = mean.apply(u.fine());
    for (int i = 0; i < own.values().length; i++) {
      float beyond = sign * (around.values()[i] - own.values()[i]);
      double kept = Math.min(beyond, Math.max(0, 2 * u.limit() - beyond));
      own.values()[i] = (float) Math.clamp(kept / u.full(), 0, 1);
    }
    return own;
  }

  private static Plane range(Range r, Picture own) {
    Plane values = quantity(r.quantity(), own);
    return change(
        values,
        r.quantity() == Mask.Quantity.HUE
            ? v -> trapezoid(r, turned(v, r.start()))
            : v -> trapezoid(r, v));
  }

  /**
   * A quantity of working-space pixels, in its units.
   *
   * @return the caller's own
   */
  public static Plane quantity(Mask.Quantity quantity, Picture working) {
    if (quantity == Mask.Quantity.LIGHTNESS) {
      return Lab.lightness(working);
    }
    Picture lab = Lab.of(working);
    Plane out = Plane.of(lab.area());
    float[] a = lab.second().values();
    float[] b = lab.third().values();
    for (int i = 0; i < a.length; i++) {
      double hue = Math.toDegrees(Math.atan2(b[i], a[i]));
      out.values()[i] =
          (float)
              (quantity == Mask.Quantity.CHROMA
                  ? Math.sqrt(a[i] * a[i] + b[i] * b[i])
                  : hue < 0 ? hue + 360 : hue);
    }
    return out;
  }

  private static float trapezoid(Range r, double v) {
    return Smoothstep.step(ramp(v, r.start(), r.full()))
        * Smoothstep.step(ramp(-v, -r.end(), -r.fullEnd()));
  }

  /** The hue as the first angle at or after the range's start, so that ranges may pass 360. */
  private static double turned(double hue, double start) {
    double h = hue;
    while (h < start) {
      h += 360;
    }
    while (h >= start + 360) {
      h -= 360;
    }
    return h;
  }

  private static double ramp(double v, double zero, double one) {
    if (one - zero < 1e-9) {
      return v >= one ? 1 : 0;
    }
    return (v - zero) / (one - zero);
  }

  private static Plane refined(
      Mask of, double sigma, Area area, EvaluationContext context, Picture input) {
    double s = Math.max(0.5, sigma);
    Area wide = area.grow(GuidedFilter.reach(s)).intersect(context.whole());
    Plane rough = render(of, wide, context, input);
    Plane guide = Lab.lightness(input.crop(wide));
    Plane smooth =
        new GuidedFilter(guide, Plane.filled(wide, 1), s, REFINE_EDGE * REFINE_EDGE).smooth(rough);
    return change(smooth, v -> Math.clamp(v, 0f, 1f)).crop(area);
  }
}
