package carezza.mask;

import carezza.filter.GuidedFilter;
import carezza.image.Area;
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
    for (int i = 0; i < out.values().length; i++) {
      out.values()[i] = rule.of(one.values()[i], other.values()[i]);
    }
    return out;
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
