package carezza.session;

import carezza.filter.RobustStatistics;
import carezza.image.Picture;
import carezza.image.Plane;

/** How dark a backdrop is that should be white. */
final class BackdropTone {

  /** Share of it that may stay short of white: grain and what the edge lets in. */
  private static final double SPARED = 0.02;

  private BackdropTone() {}

  /** Encoded value that all but a few of its pixels reach in every channel. */
  static double darkest(Picture working, Plane inside) {
    double least = 1;
    for (int c = 0; c < 3; c++) {
      double[] values = RobustStatistics.values(working.plane(c), inside);
      if (values.length > 0) {
        least = Math.min(least, RobustStatistics.quantile(values, SPARED));
      }
    }
    return least;
  }
}
