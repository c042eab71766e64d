package carezza.shape;

import java.util.ArrayList;
import java.util.List;

import carezza.image.Area;
import carezza.model.ShapeLayer.Hand;
import carezza.model.ShapeLayer.Nudge;
import carezza.model.Stroke;

/**
 * A step of a hand's stroke, as a flow: while its middle goes from one place to another, places
 * near it move with a velocity that falls off as (1 − (d/r)²)³. Followed backwards, from where a
 * place ends to where it began, by the classical Runge–Kutta method; steps taken back one by one
 * are the inverse.
 *
 * @param along share of the middle's way that is moved
 * @param apart share of the distance to the middle that is moved
 * @param back share of what was moved before that is taken back
 */
record Move(
    double x0,
    double y0,
    double x1,
    double y1,
    double radius,
    double along,
    double apart,
    double back) {

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

  /**
   * The steps of a stroke from a point of it on, in their order.
   *
   * @param from 0 for all
   * @param amount of the layer
   */
  static List<Move> of(Nudge nudge, int from, double amount) {
    List<Move> moves = new ArrayList<>();
    Stroke stroke = nudge.stroke();
    for (int i = from; i < stroke.size(); i++) {
      double force = amount * stroke.strength() * stroke.pressure(i);
      double presses = presses(stroke, i);
      switch (nudge.hand()) {
        case PUSH -> {
          if (i > 0) {
            moves.add(step(stroke, i, force, 0, 0));
          }
        }
        case GROW -> moves.add(step(stroke, i, 0, GROWTH * force * presses, 0));
        case SHRINK -> moves.add(step(stroke, i, 0, -GROWTH * force * presses, 0));
        case SMOOTH ->
            moves.add(step(stroke, i, 0, 0, 1 - Math.pow(1 - Math.min(1, force), presses)));
      }
    }
    return moves;
  }

  private static Move step(Stroke stroke, int i, double along, double apart, double back) {
    int before = Math.max(0, i - 1);
    return new Move(
        stroke.x(before),
        stroke.y(before),
        stroke.x(i),
        stroke.y(i),
        stroke.radius(),
        along,
        apart,
        back);
  }

  private static double presses(Stroke stroke, int i) {
    if (i == 0) {
      return 1;
    }
    double way = Math.hypot(stroke.x(i) - stroke.x(i - 1), stroke.y(i) - stroke.y(i - 1));
    return way / (PRESS * stroke.radius());
  }

  /** The same step with less of it. */
  Move weakened(double share) {
    return new Move(x0, y0, x1, y1, radius, share * along, share * apart, share * back);
  }

  Area bounds() {
    return Area.around(
        Math.min(x0, x1) - radius,
        Math.min(y0, y1) - radius,
        Math.max(x0, x1) + radius,
        Math.max(y0, y1) + radius);
  }

  /** Share by which what was moved before is taken back at a place. */
  double takenBack(double x, double y, Freedom freedom) {
    if (back == 0) {
      return 0;
    }
    double dx = x - x1;
    double dy = y - y1;
    return back * fall((dx * dx + dy * dy) / (radius * radius)) * freedom.at(x, y);
  }

  /** Where what ends at a place began; false where it stays. */
  boolean backwards(double[] p, Freedom freedom) {
    if (along == 0 && apart == 0 || isFar(p)) {
      return false;
    }
    int steps = Math.max(1, (int) Math.ceil(Math.hypot(x1 - x0, y1 - y0) / (STEP * radius)));
    double h = 1.0 / steps;
    double[] a = new double[2];
    double[] b = new double[2];
    double[] c = new double[2];
    double[] d = new double[2];
    for (int s = steps; s > 0; s--) {
      double t = s * h;
      velocity(p[0], p[1], t, freedom, a);
      velocity(p[0] - h / 2 * a[0], p[1] - h / 2 * a[1], t - h / 2, freedom, b);
      velocity(p[0] - h / 2 * b[0], p[1] - h / 2 * b[1], t - h / 2, freedom, c);
      velocity(p[0] - h * c[0], p[1] - h * c[1], t - h, freedom, d);
      p[0] -= h / 6 * (a[0] + 2 * b[0] + 2 * c[0] + d[0]);
      p[1] -= h / 6 * (a[1] + 2 * b[1] + 2 * c[1] + d[1]);
    }
    return true;
  }

  private boolean isFar(double[] p) {
    double wx = x1 - x0;
    double wy = y1 - y0;
    double way = wx * wx + wy * wy;
    double t = way == 0 ? 0 : Math.clamp(((p[0] - x0) * wx + (p[1] - y0) * wy) / way, 0, 1);
    double dx = p[0] - x0 - t * wx;
    double dy = p[1] - y0 - t * wy;
    return dx * dx + dy * dy >= radius * radius;
  }

  private void velocity(double x, double y, double t, Freedom freedom, double[] v) {
    double dx = x - (x0 + t * (x1 - x0));
    double dy = y - (y0 + t * (y1 - y0));
    double f = fall((dx * dx + dy * dy) / (radius * radius));
    if (f == 0) {
      v[0] = 0;
      v[1] = 0;
      return;
    }
    f *= freedom.at(x, y);
    v[0] = f * (along * (x1 - x0) + apart * dx);
    v[1] = f * (along * (y1 - y0) + apart * dy);
  }

  /** By the square of the distance in radii. */
  private static double fall(double q) {
    double u = Math.max(0, 1 - q);
    return u * u * u;
  }
}
