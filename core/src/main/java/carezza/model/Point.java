package carezza.model;

/** A place on the photograph in pixels from its top left corner; pixel centres are at +0.5. */
public record Point(double x, double y) {

  public Point {
    Require.range("x", x, -Require.FARTHEST, Require.FARTHEST);
    Require.range("y", y, -Require.FARTHEST, Require.FARTHEST);
  }

  public Point plus(double dx, double dy) {
    return new Point(x + dx, y + dy);
  }

  /** The same place where a pixel is this many. */
  public Point scaled(double scale) {
    return new Point(x * scale, y * scale);
  }

  public double distance(Point other) {
    return Math.hypot(x - other.x, y - other.y);
  }

  /** The point {@code share} of the way to another. */
  public Point towards(Point other, double share) {
    return new Point(x + (other.x - x) * share, y + (other.y - y) * share);
  }
}
