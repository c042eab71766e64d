package carezza.filter;

/** Cubic convolution, a = −1/2 (Keys 1981): exact where values lie on a parabola. */
public final class Cubic {

  private Cubic() {}

  /**
   * What a value counts for a place.
   *
   * @param distance between them in steps of the grid; beyond 2 nothing counts
   */
  public static double weight(double distance) {
    double t = Math.abs(distance);
    if (t < 1) {
      return (1.5 * t - 2.5) * t * t + 1;
    }
    return t < 2 ? ((-0.5 * t + 2.5) * t - 4) * t + 2 : 0;
  }
}
