package carezza.measure;

import carezza.filter.NoiseField;
import carezza.filter.Resampling;
import carezza.image.Plane;

/**
 * How strong and how coarse the noise of a picture is, as grain that would read alike. The spread
 * under a second difference along both axes (Immerkær 1996) is read at full and at half size: their
 * ratio gives the size, for which both readings of a grain of strength 1 are known.
 *
 * @param strength standard deviation of L*
 * @param size sigma in pixels
 */
public record GrainEstimate(double strength, double size) {

  private static final double SMALLEST = 0.3;
  private static final double LARGEST = 6;
  private static final int HALVINGS = 30;

  /**
   * @param lightness at full size, an even number of pixels from the picture's corner
   */
  public static GrainEstimate of(Plane lightness) {
    double fine = SightGauges.noise(lightness).all();
    double coarse = SightGauges.noise(Resampling.half(lightness)).all();
    double ratio = coarse / Math.max(1e-6, fine);
    double low = SMALLEST;
    double high = LARGEST;
    for (int i = 0; i < HALVINGS; i++) {
      double middle = (low + high) / 2;
      if (reading(middle, 2) / reading(middle, 1) < ratio) {
        low = middle;
      } else {
        high = middle;
      }
    }
    double size = (low + high) / 2;
    return new GrainEstimate(fine / reading(size, 1), size);
  }

  /** What the spread reads of grain of strength 1, of means over so many pixels along each side. */
  private static double reading(double size, int pixels) {
    double[] line = NoiseField.line(size, pixels);
    double own = 0;
    double differences = 0;
    for (int i = 0; i < line.length + 2 * pixels; i++) {
      double d = at(line, i) - 2 * at(line, i - pixels) + at(line, i - 2 * pixels);
      differences += d * d;
    }
    for (double v : NoiseField.line(size, 1)) {
      own += v * v;
    }
    return differences / own / SightGauges.MASK_NORM;
  }

  private static double at(double[] line, int i) {
    return i < 0 || i >= line.length ? 0 : line[i];
  }
}
