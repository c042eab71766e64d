package carezza.shape;

import java.util.ArrayList;
import java.util.Arrays;
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

  /** Everything may be moved. */
  static final Freedom FREE = (x, y) -> 1;

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

  /** Whether it moves anything, rather than to take back alone. */
  boolean moves() {
    return along != 0 || apart != 0;
  }

  /** Places of a row that are followed backwards together, and what that takes. */
  static final class Row {
    final double[] x;
    final double[] y;
    private final double[] velocityX;
    private final double[] velocityY;
    private final double[] sumX;
    private final double[] sumY;

    /** What a hand may move there. */
    private final double[] free;

    Row(int length) {
      x = new double[length];
      y = new double[length];
      velocityX = new double[length];
      velocityY = new double[length];
      sumX = new double[length];
      sumY = new double[length];
      free = new double[length];
      Arrays.fill(free, 1);
    }

    private void add(double times) {
      for (int i = 0; i < sumX.length; i++) {
        sumX[i] += times * velocityX[i];
        sumY[i] += times * velocityY[i];
      }
    }

    private void rest() {
      Arrays.fill(velocityX, 0);
      Arrays.fill(velocityY, 0);
      Arrays.fill(sumX, 0);
      Arrays.fill(sumY, 0);
    }

    private void go(double time) {
      for (int i = 0; i < x.length; i++) {
        x[i] -= time * sumX[i];
        y[i] -= time * sumY[i];
      }
    }
  }

  /** Puts in the place of what ends there where it began. */
  void backwards(Row row, Freedom freedom) {
    int steps = Math.max(1, (int) Math.ceil(Math.hypot(x1 - x0, y1 - y0) / (STEP * radius)));
    double h = 1.0 / steps;
    for (int s = steps; s > 0; s--) {
      double t = s * h;
      row.rest();
      velocity(row, 0, t, freedom);
      row.add(1);
      velocity(row, h / 2, t - h / 2, freedom);
      row.add(2);
      velocity(row, h / 2, t - h / 2, freedom);
      row.add(2);
      velocity(row, h, t - h, freedom);
      row.add(1);
      row.go(h / 6);
    }
  }

  /**
   * The velocities of a row's places.
   *
   * @param before how long before they are there, at the velocity known so far
   * @param t the time by which the middle is where it is, 0 … 1
   */
  private void velocity(Row row, double before, double t, Freedom freedom) {
    double middleX = x0 + t * (x1 - x0);
    double middleY = y0 + t * (y1 - y0);
    double pushX = along * (x1 - x0);
    double pushY = along * (y1 - y0);
    double narrow = 1 / (radius * radius);
    double[] free = row.free;
    if (freedom != FREE) {
      for (int i = 0; i < free.length; i++) {
        free[i] =
            freedom.at(row.x[i] - before * row.velocityX[i], row.y[i] - before * row.velocityY[i]);
      }
    }
    for (int i = 0; i < free.length; i++) {
      double dx = row.x[i] - before * row.velocityX[i] - middleX;
      double dy = row.y[i] - before * row.velocityY[i] - middleY;
      double f = free[i] * fall((dx * dx + dy * dy) * narrow);
      row.velocityX[i] = f * (pushX + apart * dx);
      row.velocityY[i] = f * (pushY + apart * dy);
    }
  }

  /** By the square of the distance in radii. */
  private static double fall(double q) {
    double u = Math.max(0, 1 - q);
    return u * u * u;
  }
}
