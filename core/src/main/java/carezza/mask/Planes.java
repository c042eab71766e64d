package carezza.mask;

import org.jspecify.annotations.Nullable;

import carezza.filter.GuidedFilter;
import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Plane;

/** Arithmetic of coverages over the same area. */
final class Planes {

  /** Difference of L* that counts as an edge. */
  private static final double EDGE = 3;

  private Planes() {}

  @FunctionalInterface
  private interface Rule {
    float of(float one, float other);
  }

  private static Plane combine(Plane one, Plane other, Rule rule) {
    Plane out = Plane.of(one.area());
    ParallelRows.each(
        out.width(),
        out.height(),
        (from, to) -> {
          for (int i = from * out.width(); i < to * out.width(); i++) {
            out.values()[i] = rule.of(one.values()[i], other.values()[i]);
          }
        });
    return out;
  }

  /** A value for the pixel at an index of its plane, which lies at {@code x}, {@code y}. */
  @FunctionalInterface
  interface PixelRule {
    float of(int i, int x, int y);
  }

  /** A plane of what a rule says of each pixel; the rule is asked by several threads. */
  static Plane made(Area area, PixelRule rule) {
    Plane out = Plane.of(area);
    fill(out, area, rule);
    return out;
  }

  /** As above, over a part of a plane. */
  static void fill(Plane out, Area part, PixelRule rule) {
    ParallelRows.each(
        part.width(),
        part.height(),
        (from, to) -> {
          for (int y = part.y() + from; y < part.y() + to; y++) {
            int i = out.index(part.x(), y);
            for (int x = part.x(); x < part.right(); x++) {
              out.values()[i] = rule.of(i, x, y);
              i++;
            }
          }
        });
  }

  /** 1 − (1 − a)(1 − b). */
  static Plane or(Plane one, Plane other) {
    return combine(one, other, (a, b) -> 1 - (1 - a) * (1 - b));
  }

  static Plane times(Plane one, Plane other) {
    return combine(one, other, (a, b) -> a * b);
  }

  /** a (1 − b). */
  static Plane minus(Plane from, Plane taken) {
    return combine(from, taken, (a, b) -> a * (1 - b));
  }

  /** Cut at 1. */
  static Plane sum(Plane one, Plane other) {
    return combine(one, other, (a, b) -> Math.min(1, a + b));
  }

  static Plane most(Plane one, Plane other) {
    return combine(one, other, Math::max);
  }

  /**
   * Pulled to the edges of a lightness inside the box, which holds all coverage.
   *
   * @param sigma in pixels; below half a pixel the coverage itself comes back
   */
  static Plane edged(Plane coverage, Plane lightness, Area box, double sigma) {
    if (sigma < 0.5) {
      return coverage;
    }
    Plane smooth =
        new GuidedFilter(lightness.crop(box), Plane.filled(box, 1), sigma, EDGE * EDGE)
            .smooth(coverage.crop(box));
    Plane out = Plane.of(coverage.area());
    for (int i = 0; i < smooth.values().length; i++) {
      // The filter leaves faint tails; stretch them away.
      smooth.values()[i] = Math.clamp(1.1f * smooth.values()[i] - 0.05f, 0f, 1f);
    }
    out.copyFrom(smooth);
    return out;
  }
}
