package carezza.model;

/**
 * A place on the skin that is the person's own and stays: later proposals leave it out.
 *
 * @param x in photograph pixels
 * @param y in photograph pixels
 * @param radius that holds it, in photograph pixels
 */
public record KeptMark(double x, double y, double radius) {
  public KeptMark {
    Require.range("x", x, -1e6, 1e6);
    Require.range("y", y, -1e6, 1e6);
    Require.range("radius", radius, 0.1, 1e5);
  }

  /** Whether a place lies in it. */
  public boolean holds(Point place) {
    return place.distance(new Point(x, y)) <= radius;
  }
}
