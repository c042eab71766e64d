package carezza.shape;

import java.util.ArrayList;
import java.util.List;

import carezza.image.Area;
import carezza.model.ShapeLayer.Hand;
import carezza.model.ShapeLayer.Nudge;
import carezza.model.Stroke;

/**
 * One stroke of a hand as a flow: while its middle goes along the path, places near it move with a
 * velocity that falls off as (1 − (d/r)²)³. Followed backwards, from where a place ends to where it
 * began, by the classical Runge–Kutta method; a stroke drawn back along its own path is the
 * inverse.
 */
final class Flow {

  /** Share of the distance to the middle that a press of growing or shrinking moves. */
  private static final double GROWTH = 0.04;

  /** Way of the hand, in radii, that counts as much as a press. */
  private static final double PRESS = 0.12;

  /** Ways of the middle within one step, in radii. */
  private static final double STEP = 0.25;

  /** What a hand may move: 0 … 1 by place. */
  @FunctionalInterface
  interface Freedom {
    double at(double x, double y);
  }

  /** Velocity within a move: of the middle's way, or of the distance to it. */
  private record Move(double x0, double y0, double x1, double y1, double along, double apart) {

    int steps(double radius) {
      double way = Math.hypot(x1 - x0, y1 - y0);
      return 1 + (int) Math.ceil(way / (STEP * radius));
    }
  }

  private final List<Move> moves = new ArrayList<>();
  private final double radius;
  private final Freedom freedom;

  /** Share of what was moved that is taken back, for smoothing; 0 for a flow. */
  private final double back;

  private final Stroke stroke;

  /**
   * @param share of the stroke's strength that counts, 0 for nothing
   */
  Flow(Nudge nudge, double share, Freedom freedom) {
    this.stroke = nudge.stroke();
    this.radius = stroke.radius();
    this.freedom = freedom;
    this.back = nudge.hand() == Hand.SMOOTH ? Math.min(1, share * stroke.strength()) : 0;
    for (int i = 0; i < stroke.size(); i++) {
      double force = share * stroke.strength() * stroke.pressure(i);
      int before = Math.max(0, i - 1);
      switch (nudge.hand()) {
        case PUSH -> {
          if (i > 0) {
            add(before, i, force, 0);
          }
        }
        case GROW -> add(before, i, 0, GROWTH * force * presses(before, i));
        case SHRINK -> add(before, i, 0, -GROWTH * force * presses(before, i));
        case SMOOTH -> {}
      }
    }
  }

  private double presses(int from, int to) {
    double way = Math.hypot(stroke.x(to) - stroke.x(from), stroke.y(to) - stroke.y(from));
    return from == to ? 1 : way / (PRESS * radius);
  }

  private void add(int from, int to, double along, double apart) {
    moves.add(new Move(stroke.x(from), stroke.y(from), stroke.x(to), stroke.y(to), along, apart));
  }

  Area bounds() {
    return stroke.bounds();
  }

  /** Share by which what was moved before is taken back at a place; 0 unless it smooths. */
  double takenBack(double x, double y) {
    if (back == 0) {
      return 0;
    }
    double most = 0;
    for (int i = 0; i < stroke.size(); i++) {
      double d = Math.hypot(x - stroke.x(i), y - stroke.y(i)) / radius;
      most = Math.max(most, fall(d * d) * stroke.pressure(i));
    }
    return back * most * freedom.at(x, y);
  }

  /** Where what ends at a place began. */
  void backwards(double[] place) {
    for (int i = moves.size() - 1; i >= 0; i--) {
      Move move = moves.get(i);
      if (near(move, place)) {
        backwards(move, place);
      }
    }
  }

  private boolean near(Move m, double[] p) {
    return p[0] > Math.min(m.x0, m.x1) - radius
        && p[0] < Math.max(m.x0, m.x1) + radius
        && p[1] > Math.min(m.y0, m.y1) - radius
        && p[1] < Math.max(m.y0, m.y1) + radius;
  }

  private void backwards(Move move, double[] p) {
    int steps = move.steps(radius);
    double h = 1.0 / steps;
    double[] a = new double[2];
    double[] b = new double[2];
    double[] c = new double[2];
    double[] d = new double[2];
    for (int s = steps; s > 0; s--) {
      double t = s * h;
      velocity(move, p[0], p[1], t, a);
      velocity(move, p[0] - h / 2 * a[0], p[1] - h / 2 * a[1], t - h / 2, b);
      velocity(move, p[0] - h / 2 * b[0], p[1] - h / 2 * b[1], t - h / 2, c);
      velocity(move, p[0] - h * c[0], p[1] - h * c[1], t - h, d);
      p[0] -= h / 6 * (a[0] + 2 * b[0] + 2 * c[0] + d[0]);
      p[1] -= h / 6 * (a[1] + 2 * b[1] + 2 * c[1] + d[1]);
    }
  }

  private void velocity(Move m, double x, double y, double t, double[] v) {
    double dx = x - (m.x0 + t * (m.x1 - m.x0));
    double dy = y - (m.y0 + t * (m.y1 - m.y0));
    double f = fall((dx * dx + dy * dy) / (radius * radius));
    if (f == 0) {
      v[0] = 0;
      v[1] = 0;
      return;
    }
    f *= freedom.at(x, y);
    v[0] = f * (m.along * (m.x1 - m.x0) + m.apart * dx);
    v[1] = f * (m.along * (m.y1 - m.y0) + m.apart * dy);
  }

  /** By the square of the distance in radii. */
  private static double fall(double q) {
    double u = Math.max(0, 1 - q);
    return u * u * u;
  }
}
