package carezza.line;

import carezza.image.Area;
import carezza.image.Plane;

/**
 * The mean along a straight piece about a place. What is read lies at the same offsets from every
 * pixel, so that indices and shares are found once.
 */
final class LinePiece {

  private final double dx;
  private final double dy;
  private final int half;
  private final int stride;
  private final Area area;
  private final int margin;
  private final int[] offsets;
  private final float[] along;
  private final float[] across;

  /**
   * @param dx of a step of one pixel
   * @param half samples on either side
   * @param stride pixels from sample to sample
   * @param area of the planes that are read
   */
  LinePiece(double dx, double dy, int half, int stride, Area area) {
    this.dx = dx;
    this.dy = dy;
    this.half = half;
    this.stride = stride;
    this.area = area;
    margin = half * stride + 2;
    int samples = 2 * half + 1;
    offsets = new int[samples];
    along = new float[samples];
    across = new float[samples];
    for (int k = 0; k < samples; k++) {
      double x = (k - half) * stride * dx - 0.5;
      double y = (k - half) * stride * dy - 0.5;
      int left = (int) Math.floor(x);
      int top = (int) Math.floor(y);
      offsets[k] = top * area.width() + left;
      along[k] = (float) (x - left);
      across[k] = (float) (y - top);
    }
  }

  /** About a corner of pixels, or anywhere between. */
  double mean(Plane plane, double x, double y) {
    double sum = 0;
    for (int k = -half; k <= half; k++) {
      sum += plane.sample(x + k * stride * dx, y + k * stride * dy);
    }
    return sum / offsets.length;
  }

  /** The same about whole numbers. */
  double mean(Plane plane, int x, int y) {
    int u = x - area.x();
    int v = y - area.y();
    if (u < margin || v < margin || u >= area.width() - margin || v >= area.height() - margin) {
      return mean(plane, (double) x, (double) y);
    }
    float[] values = plane.values();
    int w = area.width();
    int at = v * w + u;
    float sum = 0;
    for (int k = 0; k < offsets.length; k++) {
      int i = at + offsets[k];
      float top = values[i] + along[k] * (values[i + 1] - values[i]);
      float bottom = values[i + w] + along[k] * (values[i + w + 1] - values[i + w]);
      sum += top + across[k] * (bottom - top);
    }
    return sum / offsets.length;
  }
}
