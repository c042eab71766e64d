package carezza.recipe;

import carezza.colour.Lab;
import carezza.filter.GaussianBlur;
import carezza.filter.RobustStatistics;
import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;

/**
 * Gives a shrunk picture back the crispness that averaging took: unsharp masking of L* at the
 * finest detail there is, with no more than 1 L* beyond what lies around.
 *
 * <p>How much is measured: the middle of the picture at full size is looked at through the band of
 * a difference of Gaussians, scaled by the reduction, and the gain is the largest at which neither
 * edges nor texture of the shrunk picture show more than that by a few percent.
 */
public final class OutputSharpening {

  /** Sigma in pixels of the finished file. */
  private static final double SIGMA = 0.7;

  /** Factor on the detail at full strength. */
  private static final float MOST = 1.5f;

  /** L* that a line may go beyond its surroundings: what a ring may be. */
  private static final float HALO = 1;

  /** The band that is compared, as sigmas in pixels of the finished file. */
  private static final double FINE = 0.8;

  private static final double COARSE = 3.2;

  /**
   * Side of what is compared, in pixels of the finished file; it lies a little above the middle.
   */
  private static final int SIDE = 512;

  private static final double HIGH = 0.45;

  /** Sigma over which it is read how much a place holds, in pixels of the finished file. */
  private static final double AROUND = 4;

  /** Shares of the pixels that hold texture at most, and those that hold edges. */
  private static final double TEXTURE = 0.8;

  private static final double EDGES = 0.95;

  /** What edges and texture may show at most of what they show at full size. */
  private static final double MOST_OF_EDGES = 1.03;

  private static final double MOST_OF_TEXTURE = 1.07;

  /** Halvings of the range that the gain is sought in. */
  private static final int STEPS = 7;

  private OutputSharpening() {}

  /**
   * @param amount 0 none … 1 strong, beyond what shrinking took
   */
  public static Picture of(Picture working, double amount) {
    return amount == 0 ? working : raised(working, (float) amount * MOST);
  }

  /**
   * A shrunk picture with as much detail as the full one shows at its scale.
   *
   * @param full what it was shrunk from
   */
  public static Picture keeping(Picture full, Picture small) {
    float gain = gain(full, small);
    return gain == 0 ? small : raised(small, gain);
  }

  private static Picture raised(Picture working, float gain) {
    Picture lab = Lab.of(working);
    Plane l = lab.first();
    Plane crisp = crisp(l, GaussianBlur.blur(l, SIGMA), gain);
    return Lab.toWorking(new Picture(crisp, lab.second(), lab.third()));
  }

  private static Plane crisp(Plane l, Plane soft, float gain) {
    Plane crisp = Plane.of(l.area());
    int w = l.width();
    int h = l.height();
    ParallelRows.each(
        w,
        h,
        (from, to) -> {
          for (int y = from; y < to; y++) {
            for (int x = 0; x < w; x++) {
              float least = Float.MAX_VALUE;
              float most = -Float.MAX_VALUE;
              for (int v = Math.max(0, y - 1); v <= Math.min(h - 1, y + 1); v++) {
                for (int u = Math.max(0, x - 1); u <= Math.min(w - 1, x + 1); u++) {
                  float near = l.values()[v * w + u];
                  least = Math.min(least, near);
                  most = Math.max(most, near);
                }
              }
              int i = y * w + x;
              float own = l.values()[i];
              float wanted = own + gain * (own - soft.values()[i]);
              crisp.values()[i] = Math.clamp(wanted, least - HALO, most + HALO);
            }
          }
        });
    return crisp;
  }

  private static float gain(Picture full, Picture small) {
    Area shown = middle(small.area());
    Plane wanted = seenAtItsScale(full, small.area(), shown);
    Plane own = Lab.lightness(small.crop(shown));
    Plane soft = GaussianBlur.blur(own, SIGMA);
    double texture = RobustStatistics.quantile(doubles(wanted), TEXTURE);
    double edge = RobustStatistics.quantile(doubles(wanted), EDGES);
    float low = 0;
    float high = MOST;
    for (int step = 0; step < STEPS; step++) {
      float gain = (low + high) / 2;
      Plane now = energy(crisp(own, soft, gain), 1);
      boolean more =
          share(wanted, now, 0, texture) <= MOST_OF_TEXTURE
              && share(wanted, now, edge, Double.MAX_VALUE) <= MOST_OF_EDGES;
      low = more ? gain : low;
      high = more ? high : gain;
    }
    return low;
  }

  private static double[] doubles(Plane plane) {
    double[] values = new double[plane.values().length];
    for (int i = 0; i < values.length; i++) {
      values[i] = plane.values()[i];
    }
    return values;
  }

  private static Area middle(Area all) {
    int w = Math.min(SIDE, all.width());
    int h = Math.min(SIDE, all.height());
    return new Area(
        all.x() + (all.width() - w) / 2, all.y() + (int) (HIGH * (all.height() - h)), w, h);
  }

  /** What the full picture holds about the places of the shrunk one's pixels. */
  private static Plane seenAtItsScale(Picture full, Area all, Area shown) {
    double f = (double) full.area().width() / all.width();
    double g = (double) full.area().height() / all.height();
    Area around =
        Area.around(
                full.area().x() + f * (shown.x() - all.x()),
                full.area().y() + g * (shown.y() - all.y()),
                full.area().x() + f * (shown.right() - all.x()),
                full.area().y() + g * (shown.bottom() - all.y()))
            .intersect(full.area());
    Plane held = energy(Lab.lightness(full.crop(around)), f);
    Plane seen = Plane.of(shown);
    for (int y = 0; y < shown.height(); y++) {
      for (int x = 0; x < shown.width(); x++) {
        seen.values()[y * shown.width() + x] =
            held.sample(
                full.area().x() + f * (shown.x() - all.x() + x + 0.5),
                full.area().y() + g * (shown.y() - all.y() + y + 0.5));
      }
    }
    return seen;
  }

  /** Mean square of the band about each place. */
  private static Plane energy(Plane l, double scale) {
    Plane fine = GaussianBlur.blur(l, FINE * scale);
    Plane coarse = GaussianBlur.blur(l, COARSE * scale);
    for (int i = 0; i < fine.values().length; i++) {
      float d = fine.values()[i] - coarse.values()[i];
      fine.values()[i] = d * d;
    }
    return GaussianBlur.blur(fine, AROUND * scale);
  }

  /** Root mean squares where as much is wanted as a range says, now to wanted. */
  private static double share(Plane wanted, Plane now, double from, double to) {
    double there = 1e-9;
    double here = 1e-9;
    for (int i = 0; i < wanted.values().length; i++) {
      float own = wanted.values()[i];
      if (own >= from && own <= to) {
        there += own;
        here += now.values()[i];
      }
    }
    return Math.sqrt(here / there);
  }
}
