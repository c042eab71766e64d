package carezza.kernel;

import carezza.colour.WorkingSpace;
import carezza.filter.GaussianBlur;
import carezza.image.Picture;
import carezza.image.Plane;

/**
 * Draws the outline of the backdrop where its coverage is unsure: there a pixel belongs to the side
 * whose colour it has. Colours are compared as ratios of light, which shade and blemishes darken
 * alike but hardly turn.
 */
final class OutlineByColour {

  /** Coverage up to which a pixel is taken to be in front, and from which to be behind. */
  private static final float FRONT = 0.1f;

  private static final float BEHIND = 0.75f;

  /** Pixels that each side must have to say what its colour is. */
  private static final int FEWEST = 30;

  /** Least distance of the sides' colours, as natural logarithms of ratios, to tell them by. */
  private static final double DISTINCT = 0.15;

  /** Sigma in pixels: at the outline itself colours are mixed. */
  private static final double SOFT = 0.8;

  private static final float DARKEST = 1e-3f;

  private OutlineByColour() {}

  /**
   * Makes unsure coverage 0 or 1, with a soft edge of a pixel; leaves it where the two sides are
   * not seen or too much alike.
   *
   * @param behind coverage of the backdrop; changed
   * @param picture over the same area, working space
   */
  static void sharpen(Plane behind, Picture picture) {
    Picture light = WorkingSpace.toLinearSrgb(picture);
    float[] cover = behind.values();
    double[] front = new double[3];
    double[] back = new double[3];
    for (int i = 0; i < cover.length; i++) {
      if (cover[i] <= FRONT) {
        add(front, light, i);
      } else if (cover[i] >= BEHIND) {
        add(back, light, i);
      }
    }
    if (front[2] < FEWEST || back[2] < FEWEST) {
      return;
    }
    double fx = front[0] / front[2];
    double fy = front[1] / front[2];
    double dx = back[0] / back[2] - fx;
    double dy = back[1] / back[2] - fy;
    double apart = dx * dx + dy * dy;
    if (apart < DISTINCT * DISTINCT) {
      return;
    }
    for (int i = 0; i < cover.length; i++) {
      if (cover[i] > FRONT && cover[i] < BEHIND) {
        double along = (ratio(light, 0, 1, i) - fx) * dx + (ratio(light, 1, 2, i) - fy) * dy;
        cover[i] = along > apart / 2 ? 1 : 0;
      }
    }
    behind.copyFrom(GaussianBlur.blur(behind, SOFT));
  }

  private static void add(double[] mean, Picture light, int i) {
    mean[0] += ratio(light, 0, 1, i);
    mean[1] += ratio(light, 1, 2, i);
    mean[2]++;
  }

  private static double ratio(Picture light, int one, int other, int i) {
    return Math.log(
        Math.max(DARKEST, light.plane(one).values()[i])
            / Math.max(DARKEST, light.plane(other).values()[i]));
  }
}
