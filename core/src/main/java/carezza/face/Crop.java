package carezza.face;

import carezza.image.Picture;
import carezza.model.Point;

/**
 * A square of a picture, perhaps turned and mirrored, that a network looks at.
 *
 * @param middle in pixels of the picture
 * @param side in pixels of the picture
 * @param angle of its upper edge, clockwise, radians
 */
record Crop(Point middle, double side, double angle, boolean mirrored) {

  /** Samples of a crop pixel along each side, at most; more would not be seen. */
  private static final int MOST_SAMPLES = 6;

  Crop flipped() {
    return new Crop(middle, side, angle, !mirrored);
  }

  /** Where a place of the crop, 0 … 1 along each side, lies in the picture. */
  Point at(double u, double v) {
    double x = (mirrored ? 1 - u : u) - 0.5;
    double y = v - 0.5;
    double c = Math.cos(angle) * side;
    double s = Math.sin(angle) * side;
    return new Point(middle.x() + x * c - y * s, middle.y() + x * s + y * c);
  }

  /**
   * The crop's pixels as a network takes them, black outside the picture.
   *
   * @param srgb encoded planes from (0, 0)
   * @param low what black becomes
   * @param high what white becomes
   */
  float[] pixels(Picture srgb, int size, float low, float high) {
    float[] out = new float[size * size * 3];
    int n = Math.clamp((int) Math.ceil(side / size), 1, MOST_SAMPLES);
    int width = srgb.area().width();
    int height = srgb.area().height();
    for (int j = 0; j < size; j++) {
      for (int i = 0; i < size; i++) {
        float[] sum = new float[3];
        for (int k = 0; k < n * n; k++) {
          double u = (i + (k % n + 0.5) / n) / size;
          double v = (j + (k / n + 0.5) / n) / size;
          Point p = at(u, v);
          if (p.x() < 0 || p.y() < 0 || p.x() >= width || p.y() >= height) {
            continue;
          }
          for (int c = 0; c < 3; c++) {
            sum[c] += Math.clamp(srgb.plane(c).sample(p.x(), p.y()), 0f, 1f);
          }
        }
        for (int c = 0; c < 3; c++) {
          out[(j * size + i) * 3 + c] = low + (high - low) * sum[c] / (n * n);
        }
      }
    }
    return out;
  }
}
