package carezza.image;

/**
 * A place between four pixels of an area, for reading several planes there. Pixel centres lie at
 * +0.5; outside, the border values are repeated.
 *
 * @param first index of the upper left one of the four
 * @param right from it to its neighbour, 0 at a border
 * @param down from it to the one below, 0 at a border
 * @param along share of the right ones
 * @param across share of the lower ones
 */
public record Bilinear(int first, int right, int down, float along, float across) {

  public static Bilinear at(Area area, double x, double y) {
    double fx = x - 0.5 - area.x();
    double fy = y - 0.5 - area.y();
    int left = (int) Math.floor(fx);
    int top = (int) Math.floor(fy);
    int w = area.width();
    int x0 = Math.clamp(left, 0, w - 1);
    int y0 = Math.clamp(top, 0, area.height() - 1);
    return new Bilinear(
        y0 * w + x0,
        Math.clamp(left + 1L, 0, w - 1) - x0,
        (Math.clamp(top + 1L, 0, area.height() - 1) - y0) * w,
        (float) (fx - left),
        (float) (fy - top));
  }

  /** The value of a plane over that area. */
  public float of(Plane plane) {
    return of(plane.values());
  }

  /** The value of an area's values, row by row. */
  public float of(float[] v) {
    float top = v[first] * (1 - along) + v[first + right] * along;
    float bottom = v[first + down] * (1 - along) + v[first + down + right] * along;
    return top * (1 - across) + bottom * across;
  }
}
