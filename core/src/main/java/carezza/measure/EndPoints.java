package carezza.measure;

import carezza.colour.WorkingSpace;
import carezza.filter.RobustStatistics;
import carezza.image.Picture;

/**
 * Where black and white can be set before anything clips.
 *
 * @param black encoded sRGB value of the darkest channel, but for {@value #SPARED} of the pixels
 * @param white encoded sRGB value of the lightest channel, but for as many
 */
public record EndPoints(double black, double white) {

  /** Share of the pixels that may clip: dust and sparks. */
  private static final double SPARED = 2e-4;

  public static EndPoints of(Picture working) {
    Picture srgb = WorkingSpace.toSrgb(working);
    int n = srgb.area().pixels();
    double[] least = new double[n];
    double[] most = new double[n];
    for (int i = 0; i < n; i++) {
      float r = srgb.first().values()[i];
      float g = srgb.second().values()[i];
      float b = srgb.third().values()[i];
      least[i] = Math.min(r, Math.min(g, b));
      most[i] = Math.max(r, Math.max(g, b));
    }
    return new EndPoints(
        RobustStatistics.quantile(least, SPARED), RobustStatistics.quantile(most, 1 - SPARED));
  }
}
