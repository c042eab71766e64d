package carezza.mask;

import java.util.ArrayList;
import java.util.List;

import carezza.model.Point;

/**
 * The closed outline of an eye or a mouth: two edges between two corners. Each edge can be moved
 * across the line of the corners, most in its middle, to where the picture says it is.
 */
final class BoundaryRefiner {

  /** How well an edge fits, by points a little inside of it and a little outside. */
  interface Score {
    double of(List<Point> inside, List<Point> outside);
  }

  /**
   * Where to look.
   *
   * @param least steps inwards, negative
   * @param most steps outwards
   * @param step a step, in widths of the outline
   * @param look how far from the edge the points inside and outside lie, in widths
   * @param faith cost of a step, squared
   */
  record Search(int least, int most, double step, double look, double faith) {}

  private final List<Point> given;
  private final List<Point> moved;
  private final int half;
  private final int power;
  private final double length;
  private final double ux;
  private final double uy;

  /**
   * @param outline the corners first and in the middle, an even count
   * @param power how far towards the corners an edge moves as a whole: 2 a bow, more flatter
   */
  BoundaryRefiner(List<Point> outline, int power) {
    this.given = outline;
    this.moved = new ArrayList<>(outline);
    this.half = outline.size() / 2;
    this.power = power;
    Point from = outline.getFirst();
    Point to = outline.get(half);
    this.length = from.distance(to);
    this.ux = (to.x() - from.x()) / length;
    this.uy = (to.y() - from.y()) / length;
  }

  /** Corners moved outwards by a share of the width. */
  void widen(double share) {
    moved.set(0, given.getFirst().plus(-share * length * ux, -share * length * uy));
    moved.set(half, given.get(half).plus(share * length * ux, share * length * uy));
  }

  /** Moves the first (0) or the second (1) edge to where it scores best. */
  void fit(int edge, Search search, Score score) {
    int first = edge * half;
    Point middle = given.get(first + half / 2);
    Point from = given.getFirst();
    double way = length * Math.signum((middle.y() - from.y()) * ux - (middle.x() - from.x()) * uy);
    double best = -Double.MAX_VALUE;
    double chosen = 0;
    for (int k = search.least(); k <= search.most(); k++) {
      double d = way * k * search.step();
      double look = way * search.look();
      List<Point> inside = new ArrayList<>();
      List<Point> outside = new ArrayList<>();
      for (int i = 2; i <= half - 2; i++) {
        Point p = shifted(first, i, d);
        inside.add(across(p, -look));
        outside.add(across(p, look));
      }
      double value = score.of(inside, outside) - search.faith() * k * k;
      if (value > best) {
        best = value;
        chosen = d;
      }
    }
    for (int i = 1; i < half; i++) {
      moved.set(first + i, shifted(first, i, chosen));
    }
  }

  List<Point> outline() {
    return moved;
  }

  private Point shifted(int first, int i, double d) {
    double t = 2.0 * i / half - 1;
    return across(given.get(first + i), d * (1 - Math.pow(t, power)));
  }

  private Point across(Point p, double d) {
    return p.plus(-d * uy, d * ux);
  }
}
