package carezza.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;

import carezza.filter.RobustStatistics;
import carezza.image.Area;
import carezza.image.Plane;
import carezza.mask.StrokeCoverage;
import carezza.model.Stroke;

/**
 * Soft dabs of light and shade that together make a wanted change of lightness: matching pursuit
 * (Mallat and Zhang 1993) with one round dab. Where the change still wanted is largest, a dab takes
 * most of it, and so on until what is left is small.
 */
final class LightDabs {

  /** Part of a peak that a dab takes; less than all, as dabs nearby add to it. */
  private static final double TAKEN = 0.7;

  /** Spreads of the wanted change beyond which a place is a feature, and no more is done for it. */
  private static final double FEATURE = 2.5;

  /** Where full coverage changes less than this many L*, nothing is laid on. */
  private static final double LEAST_GAIN = 1;

  private final Plane left;
  private final Plane light;
  private final Plane shade;
  private final Plane template;
  private final double radius;
  private final List<Stroke> lights = new ArrayList<>();
  private final List<Stroke> shades = new ArrayList<>();

  /**
   * @param wanted change of L* in a band; not modified
   * @param skin where dabs may lie
   * @param light L* that light in full adds at each place
   * @param shade L* that shade in full takes, at each place
   * @param radius of a dab in pixels of the planes
   * @param band the filter that made the band {@code wanted}
   */
  LightDabs(
      Plane wanted,
      Plane skin,
      Plane light,
      Plane shade,
      double radius,
      UnaryOperator<Plane> band) {
    left = wanted.copy();
    float most = (float) (FEATURE * RobustStatistics.sigma(wanted, skin));
    this.light = light;
    this.shade = shade;
    this.radius = radius;
    for (int i = 0; i < left.values().length; i++) {
      boolean allowed =
          skin.values()[i] >= RobustStatistics.TAKEN_IN
              && (left.values()[i] > 0 ? light : shade).values()[i] >= LEAST_GAIN;
      left.values()[i] = allowed ? Math.clamp(left.values()[i], -most, most) : 0;
    }
    int half = (int) Math.ceil(3 * radius);
    Area around = new Area(-half, -half, 2 * half + 1, 2 * half + 1);
    Plane dab = Plane.of(around);
    dab.copyFrom(
        StrokeCoverage.of(
            new Stroke(new float[] {0.5f, 0.5f, 1, 0}, radius, 1, 1, false), around, 1));
    template = band.apply(dab);
  }

  /**
   * Lays dabs until what is left is nowhere above {@code enough}.
   *
   * @param most how many at most
   * @param strongest coverage of a dab
   * @param scale pixels of the planes to one of the photograph
   */
  void lay(double enough, int most, double strongest, double scale) {
    float peak = template.at(0, 0);
    Area area = left.area();
    for (int n = 0; n < most; n++) {
      int at = farthest();
      float wanted = left.values()[at];
      if (Math.abs(wanted) <= enough) {
        return;
      }
      double gain = (wanted > 0 ? light : shade).values()[at];
      double strength = Math.min(strongest, TAKEN * Math.abs(wanted) / (peak * gain));
      int x = area.x() + at % area.width();
      int y = area.y() + at / area.width();
      subtract(x, y, (float) (Math.signum(wanted) * strength * gain));
      float[] place = {(float) ((x + 0.5) / scale), (float) ((y + 0.5) / scale), 1, 0};
      (wanted > 0 ? lights : shades).add(new Stroke(place, radius / scale, 1, strength, false));
    }
  }

  private int farthest() {
    int best = 0;
    float[] v = left.values();
    for (int i = 1; i < v.length; i++) {
      best = Math.abs(v[i]) > Math.abs(v[best]) ? i : best;
    }
    return best;
  }

  private void subtract(int x, int y, float amplitude) {
    Area a = template.area();
    for (int j = a.y(); j < a.bottom(); j++) {
      for (int i = a.x(); i < a.right(); i++) {
        if (left.area().contains(x + i, y + j)) {
          int k = left.index(x + i, y + j);
          // Where nothing is wanted or allowed nothing is left.
          left.values()[k] -= left.values()[k] == 0 ? 0 : amplitude * template.at(i, j);
        }
      }
    }
  }

  List<Stroke> lights() {
    return lights;
  }

  List<Stroke> shades() {
    return shades;
  }
}
