package carezza.practice;

/**
 * A round place that pigment is painted into.
 *
 * @param x middle in photograph pixels
 * @param radius where it has faded out, in photograph pixels
 * @param haemoglobin density in its middle, along the pigment's direction
 * @param melanin as haemoglobin
 * @param edge 0 fades from the middle on, as a pimple's halo does; 1 ends at the radius, as a mole
 * @param turn angle in radians that its outline's bulges begin at
 */
public record Spot(
    double x,
    double y,
    double radius,
    double haemoglobin,
    double melanin,
    double edge,
    double turn) {

  /** Share of the pigment at a place. */
  double share(double px, double py) {
    double dx = px - x;
    double dy = py - y;
    double angle = Math.atan2(dy, dx) + turn;
    double uneven = 1 - 0.6 * edge;
    double wobble = 1 + uneven * (0.12 * Math.sin(3 * angle) + 0.07 * Math.sin(5 * angle));
    double r = Math.hypot(dx, dy) / (radius * wobble);
    double soft = 0.65 * Math.exp(-r * r / 0.3) + 0.35 * Math.exp(-r * r / 0.9);
    double firm = 1 / (1 + Math.exp((r - 0.75) / 0.13));
    return (1 - edge) * soft + edge * firm;
  }

  /** Pixels from the middle beyond which nothing is painted. */
  double reach() {
    return 2.4 * radius;
  }

  boolean covers(double px, double py) {
    return Math.hypot(px - x, py - y) < radius;
  }
}
