package carezza.measure.fault;

import carezza.image.Area;
import carezza.image.Picture;
import carezza.measure.Blemish;

/** How far the colour of a spot differs from that of the skin around it; shading does not count. */
public final class SpotContrast {

  /** Where the spot and what surrounds it are read, in its radii, which hold its halo. */
  private static final double INNER = 0.5;

  private static final double RING_FROM = 1.05;
  private static final double RING_TO = 1.6;

  private SpotContrast() {}

  /**
   * Difference of mean a*, b* between a spot and the ring around it.
   *
   * @param lab a picture at any level
   * @param scale pixels of the picture per photograph pixel
   */
  public static double of(Picture lab, Blemish spot, double scale) {
    double x = spot.x() * scale;
    double y = spot.y() * scale;
    // Less than a pixel would be nothing.
    double r = Math.max(1.5, spot.radius() * scale);
    Area around =
        Area.around(x - RING_TO * r, y - RING_TO * r, x + RING_TO * r, y + RING_TO * r)
            .intersect(lab.area());
    double[] inside = new double[3];
    double[] ring = new double[3];
    for (int py = around.y(); py < around.bottom(); py++) {
      for (int px = around.x(); px < around.right(); px++) {
        double far = Math.hypot(px + 0.5 - x, py + 0.5 - y) / r;
        double[] sum = far <= INNER ? inside : far >= RING_FROM && far <= RING_TO ? ring : null;
        if (sum != null) {
          sum[0] += lab.second().at(px, py);
          sum[1] += lab.third().at(px, py);
          sum[2]++;
        }
      }
    }
    return inside[2] == 0 || ring[2] == 0
        ? 0
        : Math.hypot(
            inside[0] / inside[2] - ring[0] / ring[2], inside[1] / inside[2] - ring[1] / ring[2]);
  }
}
