package carezza.shape;

import java.util.ArrayList;
import java.util.List;

import carezza.image.Area;
import carezza.image.PictureSize;
import carezza.model.Point;
import carezza.model.ShapeLayer;
import carezza.model.ShapeLayer.Nudge;

/**
 * Where what is seen at a place came from: the whole picture's stretch and lean about its middle,
 * then all strokes of the hand, put together to one map that a picture is sampled through once. In
 * photograph pixels. Immutable.
 */
public final class Deformation {

  /** Halvings by which a stroke that would stretch too far is weakened. */
  private static final int STEPS = 7;

  /** Rounds by which the place is found that is seen elsewhere. */
  private static final int ROUNDS = 8;

  private final PictureSize size;
  private final double width;
  private final double height;
  private final double slope;
  private final List<Nudge> nudges;
  private final double amount;

  /** After each of the last two strokes, for one more of them and for one that grows. */
  private final Displacements before;

  private final Displacements hand;
  private final boolean heldBefore;
  private final boolean held;

  private Deformation(
      PictureSize size,
      ShapeLayer layer,
      Displacements before,
      boolean heldBefore,
      Displacements hand,
      boolean held) {
    this.size = size;
    this.amount = layer.attributes().amount();
    this.width = 1 + amount * (layer.width() - 1);
    this.height = 1 + amount * (layer.height() - 1);
    this.slope = Math.tan(Math.toRadians(amount * layer.lean()));
    this.nudges = layer.nudges();
    this.before = before;
    this.heldBefore = heldBefore;
    this.hand = hand;
    this.held = held;
  }

  /**
   * @param freedom what a hand may move, 0 … 1 by place
   * @param limit on how far a stroke may stretch any place; a stroke that would go further is
   *     weakened
   * @param known the same photograph's with the same freedom and limit, for what is the same in it;
   *     or null
   */
  static Deformation of(
      ShapeLayer layer, PictureSize size, Flow.Freedom freedom, double limit, Deformation known) {
    Displacements before = new Displacements(size);
    Displacements hand = before;
    boolean heldBefore = false;
    boolean held = false;
    int done = 0;
    if (known != null && known.amount == layer.attributes().amount()) {
      int n = known.nudges.size();
      if (layer.nudges().size() >= n && layer.nudges().subList(0, n).equals(known.nudges)) {
        before = known.before;
        hand = known.hand;
        heldBefore = known.heldBefore;
        held = known.held;
        done = n;
      } else if (n > 0
          && layer.nudges().size() >= n - 1
          && layer.nudges().subList(0, n - 1).equals(known.nudges.subList(0, n - 1))) {
        before = known.before;
        hand = known.before;
        heldBefore = known.heldBefore;
        held = known.heldBefore;
        done = n - 1;
      }
    }
    for (Nudge nudge : layer.nudges().subList(done, layer.nudges().size())) {
      before = hand;
      heldBefore = held;
      double share = layer.attributes().amount();
      hand = before.then(new Flow(nudge, share, freedom));
      if (strained(before, hand, nudge, limit)) {
        held = true;
        hand = weakened(before, nudge, share, freedom, limit);
      }
    }
    return new Deformation(size, layer, before, heldBefore, hand, held);
  }

  private static boolean strained(
      Displacements before, Displacements after, Nudge nudge, double limit) {
    Area area = nudge.stroke().bounds();
    double strain = after.strain(area);
    return strain > limit && strain > before.strain(area);
  }

  private static Displacements weakened(
      Displacements before, Nudge nudge, double share, Flow.Freedom freedom, double limit) {
    double low = 0;
    double high = share;
    Displacements best = before;
    for (int i = 0; i < STEPS; i++) {
      double middle = (low + high) / 2;
      Displacements tried = before.then(new Flow(nudge, middle, freedom));
      if (strained(before, tried, nudge, limit)) {
        high = middle;
      } else {
        low = middle;
        best = tried;
      }
    }
    return best;
  }

  /** Of the whole, as a share of what it was. */
  public double width() {
    return width;
  }

  /** Of the whole, as a share of what it was. */
  public double height() {
    return height;
  }

  /** Of uprights to the right, in degrees. */
  public double lean() {
    return Math.toDegrees(Math.atan(slope));
  }

  /** Whether every place stays where it is. */
  public boolean isNothing() {
    return width == 1 && height == 1 && slope == 0 && nudges.isEmpty();
  }

  /** The largest stretch or squeeze of a place by the hand, as a share. */
  public double strain() {
    return hand.strain(size.area());
  }

  /** Whether a stroke was weakened as it would have passed the limit. */
  public boolean isHeld() {
    return held;
  }

  /** Where what is seen at a place came from. */
  public Point source(Point seen) {
    double[] at = {seen.x(), seen.y()};
    source(at, new double[2]);
    return new Point(at[0], at[1]);
  }

  void source(double[] at, double[] displacement) {
    unstretch(at);
    hand.linear(at[0], at[1], displacement);
    at[0] += displacement[0];
    at[1] += displacement[1];
  }

  /** Where a place would have been seen without the whole picture's stretch and lean. */
  public Point unstretched(Point seen) {
    double[] at = {seen.x(), seen.y()};
    unstretch(at);
    return new Point(at[0], at[1]);
  }

  private void unstretch(double[] at) {
    double y = (at[1] - size.height() / 2.0) / height;
    // Uprights lean to the right: what is high up goes right.
    double x = (at[0] - size.width() / 2.0 + slope * (at[1] - size.height() / 2.0)) / width;
    at[0] = x + size.width() / 2.0;
    at[1] = y + size.height() / 2.0;
  }

  /** Where a place is seen that the hand leaves where it is. */
  public Point stretched(Point from) {
    double y = height * (from.y() - size.height() / 2.0);
    double x = width * (from.x() - size.width() / 2.0) - slope * y;
    return new Point(x + size.width() / 2.0, y + size.height() / 2.0);
  }

  /** Where a place of the unchanged picture is seen. */
  public Point shown(Point source) {
    double[] displacement = new double[2];
    double x = source.x();
    double y = source.y();
    for (int i = 0; i < ROUNDS; i++) {
      hand.linear(x, y, displacement);
      x = source.x() - displacement[0];
      y = source.y() - displacement[1];
    }
    return stretched(new Point(x, y));
  }

  /** All places of the photograph that what is seen in an area may come from. */
  Area sources(Area seen) {
    List<Point> corners = new ArrayList<>();
    for (Point corner : corners(seen)) {
      corners.add(unstretched(corner));
    }
    Area straight = box(corners);
    double[] range = hand.range(straight);
    return Area.around(
        straight.x() + range[0],
        straight.y() + range[1],
        straight.right() + range[2],
        straight.bottom() + range[3]);
  }

  /** All places at which something of an area of the photograph may be seen. */
  Area seen(Area sources) {
    double[] range = hand.range(size.area());
    Area straight =
        Area.around(
            sources.x() - range[2],
            sources.y() - range[3],
            sources.right() - range[0],
            sources.bottom() - range[1]);
    return box(corners(straight).stream().map(this::stretched).toList());
  }

  private static List<Point> corners(Area a) {
    return List.of(
        new Point(a.x(), a.y()),
        new Point(a.right(), a.y()),
        new Point(a.x(), a.bottom()),
        new Point(a.right(), a.bottom()));
  }

  private static Area box(List<Point> points) {
    return Area.around(
        points.stream().mapToDouble(Point::x).min().orElseThrow(),
        points.stream().mapToDouble(Point::y).min().orElseThrow(),
        points.stream().mapToDouble(Point::x).max().orElseThrow(),
        points.stream().mapToDouble(Point::y).max().orElseThrow());
  }
}
