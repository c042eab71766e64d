package carezza.measure.fault;

import org.jspecify.annotations.Nullable;

import carezza.image.Plane;
import carezza.model.Point;

/** Where in a picture something is. */
public final class Places {

  private Places() {}

  /** The place of the largest value, in photograph pixels. */
  static Point most(Plane values, double scale) {
    int best = 0;
    for (int i = 1; i < values.values().length; i++) {
      if (values.values()[i] > values.values()[best]) {
        best = i;
      }
    }
    return new Point(
        (values.area().x() + best % values.width() + 0.5) / scale,
        (values.area().y() + best / values.width() + 0.5) / scale);
  }

  /** The middle of what is covered, in photograph pixels; null where nothing is. */
  public static @Nullable Point middle(Plane coverage, double scale) {
    double x = 0;
    double y = 0;
    double sum = 0;
    int i = 0;
    for (int row = 0; row < coverage.height(); row++) {
      for (int column = 0; column < coverage.width(); column++) {
        float v = coverage.values()[i++];
        x += v * (column + 0.5);
        y += v * (row + 0.5);
        sum += v;
      }
    }
    return sum < 1
        ? null
        : new Point(
            (coverage.area().x() + x / sum) / scale, (coverage.area().y() + y / sum) / scale);
  }
}
