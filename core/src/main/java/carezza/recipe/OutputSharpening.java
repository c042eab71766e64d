package carezza.recipe;

import carezza.colour.Lab;
import carezza.filter.GaussianBlur;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;

/**
 * Gives a shrunk picture back the crispness that averaging took: unsharp masking of L* at the
 * finest detail there is, with no more than 1 L* beyond what lies around.
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
   * @param amount 0 none … 1 strong
   */
  public static Picture of(Picture working, double amount) {
    if (amount == 0) {
      return working;
    }
    Picture lab = Lab.of(working);
    Plane l = lab.first();
    Plane soft = GaussianBlur.blur(l, SIGMA);
    Plane crisp = Plane.of(l.area());
    float gain = (float) amount * MOST;
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
    return Lab.toWorking(new Picture(crisp, lab.second(), lab.third()));
  }
}
