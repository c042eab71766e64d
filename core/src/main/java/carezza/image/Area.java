package carezza.image;

/**
 * A rectangle of pixels: {@code x}, {@code y} is its top left pixel, which belongs to it.
 * Coordinates may be negative; an area without width or height is empty.
 */
public record Area(int x, int y, int width, int height) {

  public static final Area EMPTY = new Area(0, 0, 0, 0);

  /** The smallest area holding all pixels that the given real-valued box touches. */
  public static Area around(double left, double top, double right, double bottom) {
    int x = (int) Math.floor(left);
    int y = (int) Math.floor(top);
    return new Area(x, y, (int) Math.ceil(right) - x, (int) Math.ceil(bottom) - y);
  }

  public int right() {
    return x + width;
  }

  public int bottom() {
    return y + height;
  }

  public boolean isEmpty() {
    return width <= 0 || height <= 0;
  }

  /** Number of pixels; 0 for an empty area. */
  public int pixels() {
    return isEmpty() ? 0 : Math.multiplyExact(width, height);
  }

  /** This area with {@code margin} pixels more on every side. */
  public Area grow(int margin) {
    return new Area(x - margin, y - margin, width + 2 * margin, height + 2 * margin);
  }

  public Area intersect(Area other) {
    int left = Math.max(x, other.x);
    int top = Math.max(y, other.y);
    int w = Math.min(right(), other.right()) - left;
    int h = Math.min(bottom(), other.bottom()) - top;
    return w <= 0 || h <= 0 ? EMPTY : new Area(left, top, w, h);
  }

  /** The smallest area holding both; an empty area adds nothing. */
  public Area union(Area other) {
    if (isEmpty()) {
      return other;
    }
    if (other.isEmpty()) {
      return this;
    }
    int left = Math.min(x, other.x);
    int top = Math.min(y, other.y);
    return new Area(
        left,
        top,
        Math.max(right(), other.right()) - left,
        Math.max(bottom(), other.bottom()) - top);
  }

  public boolean intersects(Area other) {
    return !intersect(other).isEmpty();
  }

  public boolean contains(Area other) {
    return other.isEmpty()
        || (other.x >= x && other.y >= y && other.right() <= right() && other.bottom() <= bottom());
  }

  public boolean contains(int px, int py) {
    return px >= x && py >= y && px < right() && py < bottom();
  }

  /** The pixels of level {@code level} (each 2^level wide) that this full-size area touches. */
  public Area atLevel(int level) {
    double s = Level.scale(level);
    return around(x * s, y * s, right() * s, bottom() * s);
  }

  /** The full-size pixels that this area of level {@code level} covers. */
  public Area toFullSize(int level) {
    return new Area(x << level, y << level, width << level, height << level);
  }
}
