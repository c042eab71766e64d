package carezza.shape;

import java.util.ArrayList;
import java.util.List;

import carezza.colour.Lab;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.model.Lens;
import carezza.model.Point;

/**
 * Follows the edge that runs between two places: across the way, the steepest rise or fall that the
 * whole way has in common, by dynamic programming, to a part of a pixel by a parabola. Then how far
 * red and blue lie beside green along it.
 */
public final class EdgeTrace {

  /** Steps between places that are read, in pixels. */
  private static final double ALONG = 4;

  private static final int FEWEST = 12;
  private static final int MOST = 200;

  /** How far beside the way an edge is looked for, as a share of its length. */
  private static final double REACH = 0.03;

  private static final double LEAST_REACH = 6;

  /** Steps across the way, in pixels. */
  private static final double ACROSS = 0.5;

  /** What a step aside costs, in L* a pixel. */
  private static final double ASIDE = 1.5;

  /** Mean slope below which there is no edge, in L* a pixel. */
  private static final double FAINTEST = 0.8;

  /** How far apart colours may lie, in pixels. */
  private static final int APART = 5;

  private final Picture picture;
  private final Plane lightness;
  private final double scale;
  private final Point from;
  private final double dx;
  private final double dy;
  private final int count;
  private final double step;
  private final int half;

  private EdgeTrace(Picture picture, double scale, Point from, Point to) {
    this.picture = picture;
    this.scale = scale;
    lightness = Lab.lightness(picture);
    this.from = from.scaled(scale);
    double length = from.distance(to) * scale;
    dx = (to.x() - from.x()) * scale / length;
    dy = (to.y() - from.y()) * scale / length;
    count = Math.clamp(Math.round(length / ALONG), FEWEST, MOST);
    step = length / (count - 1);
    half = (int) Math.ceil(Math.max(LEAST_REACH, REACH * length) / ACROSS);
  }

  /**
   * @param picture about the way, working space, at a level
   * @param scale of the level
   * @param from in photograph pixels
   * @param to another place than {@code from}
   * @return places along the edge in photograph pixels; none where there is no edge
   */
  public static List<Point> along(Picture picture, double scale, Point from, Point to) {
    return new EdgeTrace(picture, scale, from, to).places();
  }

  /** Pixels of the level about a way of this length that are looked at. */
  public static double reach(double length) {
    return Math.max(LEAST_REACH, REACH * length) + APART + 2;
  }

  private double x(int i, double aside) {
    return from.x() + i * step * dx - aside * dy;
  }

  private double y(int i, double aside) {
    return from.y() + i * step * dy + aside * dx;
  }

  /** Mean of a plane over a short piece along the way. */
  private double read(Plane plane, int i, double aside) {
    double sum = 0;
    for (int k = -2; k <= 2; k++) {
      double t = k * step / 5;
      sum += plane.sample(x(i, aside) + t * dx, y(i, aside) + t * dy);
    }
    return sum / 5;
  }

  private double slope(Plane plane, int i, double aside) {
    return (read(plane, i, aside + 1) - read(plane, i, aside - 1)) / 2;
  }

  private List<Point> places() {
    int width = 2 * half + 1;
    double[][] slopes = new double[count][width];
    for (int i = 0; i < count; i++) {
      for (int j = 0; j < width; j++) {
        slopes[i][j] = slope(lightness, i, (j - half) * ACROSS);
      }
    }
    int[] rising = path(slopes, 1);
    int[] falling = path(slopes, -1);
    boolean up = mean(slopes, rising, 1) >= mean(slopes, falling, -1);
    int[] path = up ? rising : falling;
    int sign = up ? 1 : -1;
    if (mean(slopes, path, sign) < FAINTEST) {
      return List.of();
    }
    List<Point> found = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      double aside = (path[i] - half + peak(slopes[i], path[i], sign)) * ACROSS;
      found.add(new Point(x(i, aside), y(i, aside)).scaled(1 / scale));
    }
    return found;
  }

  private static double mean(double[][] slopes, int[] path, int sign) {
    double sum = 0;
    for (int i = 0; i < path.length; i++) {
      sum += sign * slopes[i][path[i]];
    }
    return sum / path.length;
  }

  /** Across the way by place, for the steepest edge that goes on. */
  private static int[] path(double[][] slopes, int sign) {
    int count = slopes.length;
    int width = slopes[0].length;
    double[][] best = new double[count][width];
    int[][] before = new int[count][width];
    for (int i = 0; i < count; i++) {
      for (int j = 0; j < width; j++) {
        double most = i == 0 ? 0 : -Double.MAX_VALUE;
        for (int k = Math.max(0, j - 2); i > 0 && k <= Math.min(width - 1, j + 2); k++) {
          double v = best[i - 1][k] - ASIDE * ACROSS * Math.abs(j - k);
          if (v > most) {
            most = v;
            before[i][j] = k;
          }
        }
        best[i][j] = most + sign * slopes[i][j];
      }
    }
    int[] path = new int[count];
    for (int j = 1; j < width; j++) {
      path[count - 1] = best[count - 1][j] > best[count - 1][path[count - 1]] ? j : path[count - 1];
    }
    for (int i = count - 1; i > 0; i--) {
      path[i - 1] = before[i][path[i]];
    }
    return path;
  }

  /** Place of the parabola's top beside a step, in steps. */
  private static double peak(double[] slopes, int at, int sign) {
    if (at == 0 || at == slopes.length - 1) {
      return 0;
    }
    double a = sign * slopes[at - 1];
    double b = sign * slopes[at];
    double c = sign * slopes[at + 1];
    double bend = a - 2 * b + c;
    return bend >= 0 ? 0 : Math.clamp(0.5 * (a - c) / bend, -1, 1);
  }

  /**
   * A line and what is about it.
   *
   * @param picture working space, at a level
   * @param scale of the level
   */
  public record Seen(Lens.Line line, Picture picture, double scale) {}

  /**
   * How much farther from the middle red and blue lie than green along traced lines, as shares:
   * least squares over the places where an edge lies across the way out.
   *
   * @param seen the lens's lines
   * @param middle of the photograph
   */
  public static Lens lateral(Lens lens, List<Seen> seen, Point middle) {
    double[] share = new double[2];
    for (int c = 0; c < 2; c++) {
      double up = 0;
      double down = 1e-9;
      for (Seen line : seen) {
        List<Point> places =
            line.line().places().stream().map(p -> p.scaled(line.scale())).toList();
        Picture picture = line.picture();
        Point m = middle.scaled(line.scale());
        for (int i = 1; i < places.size() - 1; i++) {
          Point p = places.get(i);
          Point before = places.get(i - 1);
          Point after = places.get(i + 1);
          double length = Math.max(1e-6, before.distance(after));
          double nx = -(after.y() - before.y()) / length;
          double ny = (after.x() - before.x()) / length;
          double out = (p.x() - m.x()) * nx + (p.y() - m.y()) * ny;
          double apart = apart(picture.second(), picture.plane(2 * c), p, nx, ny);
          if (!Double.isNaN(apart)) {
            up += out * apart;
            down += out * out;
          }
        }
      }
      share[c] = Math.clamp(up / down, -0.01, 0.01);
    }
    return lens.withLateral(share[0], share[1]);
  }

  /** How far the edge of a plane lies beside that of another, along a normal; NaN if none. */
  private static double apart(Plane green, Plane other, Point p, double nx, double ny) {
    double one = edge(green, p, nx, ny);
    double two = edge(other, p, nx, ny);
    return two - one;
  }

  private static double edge(Plane plane, Point p, double nx, double ny) {
    double[] slopes = new double[4 * APART + 1];
    int at = 0;
    for (int j = 0; j < slopes.length; j++) {
      double t = (j - 2 * APART) * ACROSS;
      double x = p.x() + t * nx;
      double y = p.y() + t * ny;
      slopes[j] = Math.abs(plane.sample(x + nx, y + ny) - plane.sample(x - nx, y - ny));
      at = slopes[j] > slopes[at] ? j : at;
    }
    if (at == 0 || at == slopes.length - 1 || slopes[at] < 0.02) {
      return Double.NaN;
    }
    return (at - 2 * APART + peak(slopes, at, 1)) * ACROSS;
  }
}
