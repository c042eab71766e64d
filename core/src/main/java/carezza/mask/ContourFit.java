package carezza.mask;

import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleUnaryOperator;

import carezza.model.Point;

/**
 * A closed outline of two edges between two corners, moved along its normals to where the picture
 * says it is. Of all smooth ways around, the one of least cost is taken (dynamic programming for
 * active contours: Amini, Weymouth and Jain 1990).
 */
final class ContourFit {

  /** What it costs that the outline lies at a step of a ray. */
  @FunctionalInterface
  interface Cost {
    double of(int ray, int step);
  }

  /** Points that each piece of the given outline is drawn by before it is parted evenly. */
  private static final int FINE = 16;

  private final List<Point> feet;
  private final List<Point> normals = new ArrayList<>();
  private final int edge;
  private final double width;

  /**
   * @param outline the corners first and in the middle, an even count
   * @param edge rays of each of the two edges, the first of them at a corner
   */
  ContourFit(List<Point> outline, int edge) {
    this.edge = edge;
    int half = outline.size() / 2;
    Point from = outline.getFirst();
    Point to = outline.get(half);
    this.width = Math.max(1e-9, from.distance(to));
    feet = new ArrayList<>();
    for (int e = 0; e < 2; e++) {
      List<Point> pieces = new ArrayList<>();
      for (int i = 0; i <= half; i++) {
        pieces.add(outline.get((e * half + i) % outline.size()));
      }
      feet.addAll(evenly(pieces));
    }
    double turn = Math.signum(signedArea());
    for (int i = 0; i < rays(); i++) {
      if (i % edge == 0) {
        double way = (i == 0 ? -1 : 1) / width;
        normals.add(new Point((to.x() - from.x()) * way, (to.y() - from.y()) * way));
      } else {
        Point before = feet.get(i - 1);
        Point after = feet.get((i + 1) % rays());
        double by = turn / Math.max(1e-9, before.distance(after));
        normals.add(new Point((after.y() - before.y()) * by, (before.x() - after.x()) * by));
      }
    }
  }

  int rays() {
    return 2 * edge;
  }

  /**
   * @param offset outwards from the given outline, in widths
   */
  Point at(int ray, double offset) {
    Point n = normals.get(ray);
    return feet.get(ray).plus(n.x() * offset * width, n.y() * offset * width);
  }

  /**
   * The step of each ray on the way of least cost.
   *
   * @param steps of every ray
   * @param stiffness cost of a step between neighbours, squared
   */
  int[] least(int steps, Cost cost, double stiffness) {
    // Where a closed way starts is not known: the way that is open at a corner says where it lies
    // half a turn later, and the second is held there.
    int[] open = way(0, -1, steps, cost, stiffness);
    return way(edge, open[edge], steps, cost, stiffness);
  }

  /**
   * The outline through the steps of the rays, each a little evened by its neighbours.
   *
   * @param offset outwards in widths, of a step
   */
  List<Point> smooth(int[] steps, DoubleUnaryOperator offset) {
    List<Point> out = new ArrayList<>();
    int n = steps.length;
    for (int i = 0; i < n; i++) {
      double step = (steps[(i + n - 1) % n] + 2.0 * steps[i] + steps[(i + 1) % n]) / 4;
      out.add(at(i, offset.applyAsDouble(step)));
    }
    return out;
  }

  private int[] way(int start, int held, int steps, Cost cost, double stiffness) {
    int n = rays();
    int last = held < 0 ? n : n + 1;
    double[] sum = new double[steps];
    int[][] came = new int[last][steps];
    for (int k = 0; k < steps; k++) {
      sum[k] = held < 0 || k == held ? cost.of(start, k) : Double.MAX_VALUE / 4;
    }
    for (int i = 1; i < last; i++) {
      double[] next = new double[steps];
      int ray = (start + i) % n;
      for (int k = 0; k < steps; k++) {
        double best = Double.MAX_VALUE;
        for (int j = 0; j < steps; j++) {
          double c = sum[j] + stiffness * (k - j) * (k - j);
          if (c < best) {
            best = c;
            came[i][k] = j;
          }
        }
        next[k] = best + cost.of(ray, k);
      }
      sum = next;
    }
    int k = held;
    for (int j = 0; held < 0 && j < steps; j++) {
      k = k < 0 || sum[j] < sum[k] ? j : k;
    }
    int[] taken = new int[n];
    for (int i = last - 1; i >= 0; i--) {
      taken[(start + i) % n] = k;
      k = came[i][k];
    }
    return taken;
  }

  /** Points at equal distances on a Catmull–Rom spline from corner to corner, without the last. */
  private List<Point> evenly(List<Point> pieces) {
    List<Point> fine = new ArrayList<>();
    int n = pieces.size() - 1;
    for (int i = 0; i < n; i++) {
      Point a = pieces.get(Math.max(0, i - 1));
      Point b = pieces.get(i);
      Point c = pieces.get(i + 1);
      Point d = pieces.get(Math.min(n, i + 2));
      for (int k = 0; k < FINE; k++) {
        double t = (double) k / FINE;
        fine.add(
            new Point(
                spline(a.x(), b.x(), c.x(), d.x(), t), spline(a.y(), b.y(), c.y(), d.y(), t)));
      }
    }
    fine.add(pieces.getLast());
    double[] length = new double[fine.size()];
    for (int i = 1; i < length.length; i++) {
      length[i] = length[i - 1] + fine.get(i).distance(fine.get(i - 1));
    }
    List<Point> out = new ArrayList<>();
    int j = 0;
    for (int k = 0; k < edge; k++) {
      double wanted = length[length.length - 1] * k / edge;
      while (length[j + 1] < wanted) {
        j++;
      }
      double t = (wanted - length[j]) / Math.max(1e-9, length[j + 1] - length[j]);
      Point a = fine.get(j);
      Point b = fine.get(j + 1);
      out.add(new Point(a.x() + t * (b.x() - a.x()), a.y() + t * (b.y() - a.y())));
    }
    return out;
  }

  private static double spline(double a, double b, double c, double d, double t) {
    return 0.5
        * (2 * b
            + (c - a) * t
            + (2 * a - 5 * b + 4 * c - d) * t * t
            + (d - a + 3 * (b - c)) * t * t * t);
  }

  private double signedArea() {
    double sum = 0;
    for (int i = 0; i < feet.size(); i++) {
      Point a = feet.get(i);
      Point b = feet.get((i + 1) % feet.size());
      sum += a.x() * b.y() - b.x() * a.y();
    }
    return sum;
  }
}
