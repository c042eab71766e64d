package carezza.recipe;

import java.util.function.BinaryOperator;

import carezza.colour.Lab;
import carezza.filter.GaussianBlur;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;

/**
 * Gives a shrunk picture back the crispness that averaging took: unsharp masking of L* at the
 * finest detail there is, with no more than 1 L* beyond what lies around.
 *
 * <p>How much is measured at each place by {@link DetailGain}, as pores, hair and edges lose
 * differently.
 */
public final class OutputSharpening {

  /** Sigma in pixels of the finished file. */
  private static final double SIGMA = 0.7;

  /** Factor on the detail at full strength. */
  private static final float MOST = 1.5f;

  /** L* that a line may go beyond its surroundings: what a ring may be. */
  private static final float HALO = 1;

  private OutputSharpening() {}

  /**
   * @param amount 0 none … 1 strong, beyond what shrinking took
   */
  public static Picture of(Picture working, double amount) {
    return amount == 0
        ? working
        : raised(working, (l, detail) -> Plane.filled(l.area(), (float) amount * MOST));
  }

  /**
   * A shrunk picture with as much detail as the full one shows at its scale.
   *
   * @param full what it was shrunk from; both from 0, 0
   */
  public static Picture keeping(Picture full, Picture small) {
    return raised(small, (l, detail) -> DetailGain.of(full, l, detail, MOST));
  }

  /**
   * @param gain of L* and its finest detail
   */
  private static Picture raised(Picture working, BinaryOperator<Plane> gain) {
    Picture lab = Lab.of(working);
    Plane l = lab.first();
    Plane detail = GaussianBlur.blur(l, SIGMA);
    for (int i = 0; i < detail.values().length; i++) {
      detail.values()[i] = l.values()[i] - detail.values()[i];
    }
    Plane crisp = crisp(l, detail, gain.apply(l, detail));
    return Lab.toWorking(new Picture(crisp, lab.second(), lab.third()));
  }

  private static Plane crisp(Plane l, Plane detail, Plane gain) {
    Plane crisp = Plane.of(l.area());
    int w = l.width();
    int h = l.height();
    ParallelRows.each(
        w,
        h,
        (from, to) -> {
          // The least and the most of each column of three pixels, their ends twice.
          float[] least = new float[w + 2];
          float[] most = new float[w + 2];
          for (int y = from; y < to; y++) {
            int own = y * w;
            int above = Math.max(0, y - 1) * w;
            int below = Math.min(h - 1, y + 1) * w;
            float[] v = l.values();
            for (int x = 0; x < w; x++) {
              least[x + 1] = Math.min(v[own + x], Math.min(v[above + x], v[below + x]));
              most[x + 1] = Math.max(v[own + x], Math.max(v[above + x], v[below + x]));
            }
            least[0] = least[1];
            most[0] = most[1];
            least[w + 1] = least[w];
            most[w + 1] = most[w];
            for (int x = 0; x < w; x++) {
              float low = Math.min(least[x], Math.min(least[x + 1], least[x + 2])) - HALO;
              float high = Math.max(most[x], Math.max(most[x + 1], most[x + 2])) + HALO;
              float wanted = v[own + x] + gain.values()[own + x] * detail.values()[own + x];
              crisp.values()[own + x] = Math.max(low, Math.min(high, wanted));
            }
          }
        });
    return crisp;
  }
}
