package carezza.recipe;

import java.util.function.UnaryOperator;
import java.util.stream.IntStream;

import carezza.colour.Lab;
import carezza.filter.GaussianBlur;
import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;

/**
 * Gives a shrunk picture back the crispness that averaging took: unsharp masking of L* at the
 * finest detail there is, with no more than 1 L* beyond what lies around.
 *
 * <p>How much is measured: picture and full size are looked at through the band of a difference of
 * Gaussians, scaled by the reduction, and each place gets the gain at which it shows what it shows
 * at full size, as pores, hair and edges lose differently.
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

  /** Sigma over which it is read how much a place holds, in pixels of the finished file. */
  private static final double AROUND = 4;

  /** Rows of the finished file that are read from the full size at a time. */
  private static final int ROWS = 256;

  /** The gain that is tried first, and the least that it counts as having brought, for each 1. */
  private static final float TRIED = 0.4f;

  private static final float LEAST_RISE = 0.1f;

  /** Times that the gains are set anew by what they came to. */
  private static final int ROUNDS = 2;

  /** Mean square of L* below which there is nothing to bring back. */
  private static final float NOTHING = 1e-4f;

  private OutputSharpening() {}

  /**
   * @param amount 0 none … 1 strong, beyond what shrinking took
   */
  public static Picture of(Picture working, double amount) {
    if (amount == 0) {
      return working;
    }
    float gain = (float) amount * MOST;
    return raised(
        working, l -> crisp(l, GaussianBlur.blur(l, SIGMA), Plane.filled(l.area(), gain)));
  }

  /**
   * A shrunk picture with as much detail as the full one shows at its scale.
   *
   * @param full what it was shrunk from
   */
  public static Picture keeping(Picture full, Picture small) {
    return raised(small, l -> asCrisp(l, seenAtItsScale(full, small.area())));
  }

  private static Picture raised(Picture working, UnaryOperator<Plane> crisp) {
    Picture lab = Lab.of(working);
    return Lab.toWorking(new Picture(crisp.apply(lab.first()), lab.second(), lab.third()));
  }

  private static Plane crisp(Plane l, Plane soft, Plane gain) {
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
              float wanted = own + gain.values()[i] * (own - soft.values()[i]);
              crisp.values()[i] = Math.clamp(wanted, least - HALO, most + HALO);
            }
          }
        });
    return crisp;
  }

  /**
   * @param wanted power of the band about each place
   */
  private static Plane asCrisp(Plane l, Plane wanted) {
    Plane soft = GaussianBlur.blur(l, SIGMA);
    float[] plain = power(l, 1).values();
    Plane gain = Plane.filled(l.area(), TRIED);
    Plane crisp = crisp(l, soft, gain);
    float[] rise = power(crisp, 1).values();
    for (int i = 0; i < rise.length; i++) {
      rise[i] = Math.max(LEAST_RISE, (times(rise[i], plain[i]) - 1) / TRIED);
      gain.values()[i] = gained(0, times(wanted.values()[i], plain[i]) - 1, rise[i]);
    }
    crisp = crisp(l, soft, gain);
    for (int round = 1; round < ROUNDS; round++) {
      float[] now = power(crisp, 1).values();
      for (int i = 0; i < now.length; i++) {
        float missing = times(wanted.values()[i], plain[i]) - times(now[i], plain[i]);
        gain.values()[i] = gained(gain.values()[i], missing, rise[i]);
      }
      crisp = crisp(l, soft, gain);
    }
    return crisp;
  }

  /** How many times as strong a band of this power is as a plain one. */
  private static float times(float power, float plain) {
    return plain < NOTHING ? 1 : (float) Math.sqrt(power / plain);
  }

  private static float gained(float gain, float missing, float rise) {
    return Math.clamp(gain + missing / rise, 0, MOST);
  }

  /** The power that the full picture holds about the places of the shrunk one's pixels. */
  private static Plane seenAtItsScale(Picture full, Area all) {
    Plane seen = Plane.of(all);
    IntStream.range(0, (all.height() + ROWS - 1) / ROWS)
        .parallel()
        .forEach(
            i -> {
              int top = all.y() + i * ROWS;
              int height = Math.min(ROWS, all.bottom() - top);
              see(full, new Area(all.x(), top, all.width(), height), seen);
            });
    return seen;
  }

  private static void see(Picture full, Area rows, Plane seen) {
    Area all = seen.area();
    double across = (double) full.area().width() / all.width();
    double down = (double) full.area().height() / all.height();
    double left = full.area().x() - across * all.x();
    double top = full.area().y() - down * all.y();
    int reach = GaussianBlur.reach(COARSE * across) + GaussianBlur.reach(AROUND * across);
    Area read =
        Area.around(
                full.area().x(),
                top + down * rows.y(),
                full.area().right(),
                top + down * rows.bottom())
            .grow(reach)
            .intersect(full.area());
    Plane held = power(Lab.lightness(full.crop(read)), across);
    for (int y = rows.y(); y < rows.bottom(); y++) {
      for (int x = rows.x(); x < rows.right(); x++) {
        seen.values()[seen.index(x, y)] =
            held.sample(left + across * (x + 0.5), top + down * (y + 0.5));
      }
    }
  }

  /** Mean square of the band about each place. */
  private static Plane power(Plane l, double scale) {
    Plane fine = GaussianBlur.blur(l, FINE * scale);
    Plane coarse = GaussianBlur.blur(l, COARSE * scale);
    for (int i = 0; i < fine.values().length; i++) {
      float d = fine.values()[i] - coarse.values()[i];
      fine.values()[i] = d * d;
    }
    return GaussianBlur.blur(fine, AROUND * scale);
  }
}
