package carezza.measure;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

import carezza.colour.Lab;
import carezza.filter.RobustStatistics;
import carezza.image.Area;
import carezza.image.Picture;

/**
 * How a hair, or a light, differs from what lies about it: the pixels near a place that stand out
 * most against the median of its surroundings, less that median.
 *
 * @param lightness difference of L*
 * @param redness difference of a*
 * @param yellowness difference of b*
 */
public record HairTone(double lightness, double redness, double yellowness) {

  /** Pixels on each side of the place that count as about it, and as at it. */
  public static final int AROUND = 24;

  private static final int AT = 4;

  /** How many of the pixels at the place are of the hair. */
  private static final int FEW = 6;

  /**
   * @param picture working space, about the place
   * @param x place, in its pixels
   * @param y place, in its pixels
   */
  public static HairTone of(Picture picture, int x, int y) {
    Picture lab = Lab.of(picture);
    double[] middle = new double[3];
    for (int c = 0; c < 3; c++) {
      float[] v = lab.plane(c).values();
      double[] all = new double[v.length];
      for (int i = 0; i < v.length; i++) {
        all[i] = v[i];
      }
      middle[c] = RobustStatistics.quantile(all, 0.5);
    }
    List<double[]> away = new ArrayList<>();
    Area near = new Area(x - AT, y - AT, 2 * AT + 1, 2 * AT + 1).intersect(lab.area());
    for (int v = near.y(); v < near.bottom(); v++) {
      for (int u = near.x(); u < near.right(); u++) {
        away.add(
            new double[] {
              lab.first().at(u, v) - middle[0],
              lab.second().at(u, v) - middle[1],
              lab.third().at(u, v) - middle[2]
            });
      }
    }
    away.sort(
        Comparator.comparingDouble((double[] d) -> -(d[0] * d[0] + d[1] * d[1] + d[2] * d[2])));
    double[] sum = new double[3];
    int few = Math.min(FEW, away.size());
    for (double[] d : away.subList(0, few)) {
      for (int c = 0; c < 3; c++) {
        sum[c] += d[c] / Math.max(1, few);
      }
    }
    return new HairTone(sum[0], sum[1], sum[2]);
  }
}
