package carezza.face;

import carezza.image.Bilinear;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.model.Point;

/**
 * A square of a picture, perhaps turned and mirrored, that a network looks at.
 *
 * @param middle in pixels of the picture
 * @param side in pixels of the picture
 * @param angle of its upper edge, clockwise, radians
 */
record NetworkInput(Point middle, double side, double angle, boolean mirrored) {

  /** Samples of a crop pixel along each side, at most; more would not be seen. */
  private static final int MOST_SAMPLES = 6;

  NetworkInput flipped() {
    return new NetworkInput(middle, side, angle, !mirrored);
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
    return pixels(srgb, size, at(0, 0), at(1, 0), at(0, 1), low, high);
  }

  /** Of the whole picture, whatever its shape, as a square. */
  static float[] ofWhole(Picture srgb, int size) {
    Point right = new Point(srgb.area().width(), 0);
    Point bottom = new Point(0, srgb.area().height());
    return pixels(srgb, size, new Point(0, 0), right, bottom, 0, 1);
  }

  /** Means of samples in even steps over the parallelogram from a corner to the two next to it. */
  private static float[] pixels(
      Picture srgb, int size, Point corner, Point right, Point bottom, float low, float high) {
    float[] out = new float[size * size * 3];
    double longer = Math.max(corner.distance(right), corner.distance(bottom));
    int n = Math.clamp((int) Math.ceil(longer / size), 1, MOST_SAMPLES);
    double step = 1.0 / (n * size);
    double ux = (right.x() - corner.x()) * step;
    double uy = (right.y() - corner.y()) * step;
    double vx = (bottom.x() - corner.x()) * step;
    double vy = (bottom.y() - corner.y()) * step;
    int width = srgb.area().width();
    int height = srgb.area().height();
    ParallelRows.each(
        size * n,
        size * n,
        (from, to) -> {
          for (int j = from / n; j < to / n; j++) {
            for (int k = 0; k < n * size * n; k++) {
              double u = k % (n * size) + 0.5;
              double v = j * n + k / (n * size) + 0.5;
              double x = corner.x() + u * ux + v * vx;
              double y = corner.y() + u * uy + v * vy;
              if (x >= 0 && y >= 0 && x < width && y < height) {
                int i = (j * size + k % (n * size) / n) * 3;
                Bilinear at = Bilinear.at(srgb.area(), x, y);
                out[i] += Math.clamp(at.of(srgb.first()), 0f, 1f);
                out[i + 1] += Math.clamp(at.of(srgb.second()), 0f, 1f);
                out[i + 2] += Math.clamp(at.of(srgb.third()), 0f, 1f);
              }
            }
          }
        });
    for (int i = 0; i < out.length; i++) {
      out[i] = low + (high - low) * out[i] / (n * n);
    }
    return out;
  }
}
