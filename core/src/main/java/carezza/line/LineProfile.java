package carezza.line;

import java.util.ArrayList;
import java.util.List;

import carezza.filter.RobustStatistics;
import carezza.image.Plane;
import carezza.model.Point;

/** What a line looks like across: sections along its path, from one side to the other. */
public final class LineProfile {

  /** Half of a section, and sections that are looked at. */
  private static final int REACH = 8;

  private static final int SECTIONS = 60;

  /** How far from the line it is asked whether it is wide. */
  private static final int BESIDE_IT = 2;

  private final List<double[]> sections = new ArrayList<>();

  /**
   * @param path in the plane's pixels
   * @param size times that everything is larger
   */
  public LineProfile(List<Point> path, Plane plane, double size) {
    int stride = Math.max(1, path.size() / SECTIONS);
    for (int i = 1; i < path.size() - 1; i += stride) {
      Point before = path.get(i - 1);
      Point after = path.get(i + 1);
      double length = Math.max(1e-9, before.distance(after));
      double nx = -(after.y() - before.y()) / length;
      double ny = (after.x() - before.x()) / length;
      double[] section = new double[2 * REACH + 1];
      for (int k = -REACH; k <= REACH; k++) {
        section[k + REACH] =
            plane.sample(path.get(i).x() + k * size * nx, path.get(i).y() + k * size * ny);
      }
      sections.add(section);
    }
  }

  /** Whether the path is too short to have a section. */
  public boolean isEmpty() {
    return sections.isEmpty();
  }

  /**
   * How far the line stands out of both its sides.
   *
   * @param sign 1 for a line above them, -1 for one below
   */
  public double contrast(int sign) {
    return median(sections.stream().map(p -> sign * middle(p, sign)).toList());
  }

  /** How far one side is from the other. */
  public double step() {
    return median(sections.stream().map(p -> Math.abs(side(p, -1) - side(p, 1))).toList());
  }

  /** How far what lies close beside the line still stands out of its sides. */
  public double width(int sign) {
    return median(sections.stream().map(p -> sign * beside(p)).toList());
  }

  private static double median(List<Double> values) {
    return RobustStatistics.interpolated(values, 0.5);
  }

  /** Mean of one side, from four to six pixels away. */
  private static double side(double[] section, int sign) {
    return (section[REACH + 4 * sign] + section[REACH + 5 * sign] + section[REACH + 6 * sign]) / 3;
  }

  private static double sides(double[] section) {
    return (side(section, -1) + side(section, 1)) / 2;
  }

  /** The line itself against both sides. */
  private static double middle(double[] section, int sign) {
    double most = sign * section[REACH];
    for (int k = -1; k <= 1; k++) {
      most = Math.max(most, sign * section[REACH + k]);
    }
    return sign * most - sides(section);
  }

  private static double beside(double[] section) {
    return (section[REACH - BESIDE_IT] + section[REACH + BESIDE_IT]) / 2 - sides(section);
  }
}
