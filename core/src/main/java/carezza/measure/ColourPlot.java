package carezza.measure;

import java.util.Arrays;

import carezza.filter.RobustStatistics;
import carezza.image.Picture;
import carezza.image.Plane;

/**
 * How often colours come, on the plane of a* and b*.
 *
 * @param counts shares of the fullest square, row by row from the lowest b*; {@link #SIDE} squares
 *     a side
 */
public record ColourPlot(float[] counts) {

  /** Squares on each side. */
  public static final int SIDE = 64;

  /** Least and most a* and b* that are shown. */
  public static final double LOW = -40;

  public static final double HIGH = 60;

  /**
   * @param lab L*a*b* planes
   * @param where counted
   */
  public static ColourPlot of(Picture lab, Plane where) {
    float[] counts = new float[SIDE * SIDE];
    float most = 1;
    for (int i = 0; i < where.values().length; i++) {
      if (where.values()[i] >= RobustStatistics.TAKEN_IN) {
        int x = square(lab.second().values()[i]);
        int y = square(lab.third().values()[i]);
        most = Math.max(most, ++counts[y * SIDE + x]);
      }
    }
    for (int i = 0; i < counts.length; i++) {
      counts[i] /= most;
    }
    return new ColourPlot(counts);
  }

  private static int square(float v) {
    return Math.clamp((int) ((v - LOW) / (HIGH - LOW) * SIDE), 0, SIDE - 1);
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof ColourPlot p && Arrays.equals(counts, p.counts);
  }

  @Override
  public int hashCode() {
    return Arrays.hashCode(counts);
  }
}
