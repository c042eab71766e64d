package carezza.shape;

import java.util.ArrayList;
import java.util.List;

import org.jspecify.annotations.Nullable;

import carezza.image.Area;
import carezza.image.PictureSize;
import carezza.model.Lens;
import carezza.model.Point;
import carezza.model.ShapeLayer;
import carezza.model.ShapeLayer.Nudge;
import carezza.model.Stroke;

/**
 * Where what is seen at a place came from: the whole picture's stretch and lean about its middle,
 * then all strokes of the hand, put together to one map that a picture is sampled through once. In
 * photograph pixels. Immutable.
 */
public final class Deformation {

  /** Rounds by which the place is found that is seen elsewhere. */
  private static final int ROUNDS = 8;

  /** Steps along a side that a lens bends, and how far it may lie beside them, in pixels. */
  private static final int ALONG = 16;

  private static final double BETWEEN = 4;

  private final PictureSize size;
  private final double width;
  private final double height;
  private final double slope;
  private final Bend bend;
  private final boolean bends;
  private final List<Nudge> nudges;
  private final double amount;

  /** Before the last stroke, for one that is taken back; null where that is not known. */
  private final @Nullable Displacements before;

  private final Displacements hand;
  private final boolean heldBefore;
  private final boolean held;

  private Deformation(
      PictureSize size,
      ShapeLayer layer,
      @Nullable Displacements before,
      boolean heldBefore,
      Displacements hand,
      boolean held) {
    this.size = size;
    this.amount = layer.attributes().amount();
    this.width = 1 + amount * (layer.width() - 1);
    this.height = 1 + amount * (layer.height() - 1);
    this.slope = Math.tan(Math.toRadians(amount * layer.lean()));
    Lens lens = layer.lens().times(amount);
    this.bend = new Bend(lens, size);
    this.bends = !lens.keepsPlaces();
    this.nudges = layer.nudges();
    this.before = before;
    this.heldBefore = heldBefore;
    this.hand = hand;
    this.held = held;
  }

  /**
   * @param freedom what a hand may move, 0 … 1 by place
   * @param limit on how far a stroke may stretch any place; what would go further is weakened
   * @param known the same photograph's with the same freedom and limit, for what is the same in it;
   *     or null
   */
  static Deformation of(
      ShapeLayer layer,
      PictureSize size,
      Move.Freedom freedom,
      double limit,
      @Nullable Deformation known) {
    double amount = layer.attributes().amount();
    Shared shared = Shared.of(layer.nudges(), amount, known);
    Displacements hand = shared.at();
    Displacements before = null;
    boolean heldBefore = false;
    if (known != null && hand == known.hand) {
      before = known.before;
      heldBefore = known.heldBefore;
    }
    if (hand == null || shared.strokes() == 0 && shared.points() == 0) {
      before = new Displacements(size);
      hand = before;
    }
    boolean held = shared.held();
    List<Nudge> nudges = layer.nudges();
    int from = shared.points();
    for (int i = shared.strokes(); i < nudges.size(); i++) {
      if (from == 0) {
        before = i == nudges.size() - 1 ? hand : before;
        heldBefore = held;
      }
      boolean fresh = hand == before || hand == shared.at();
      hand = fresh ? hand.copy() : hand;
      for (Move move : Move.of(nudges.get(i), from, amount)) {
        held |= hand.lay(move, freedom, limit);
      }
      from = 0;
    }
    return new Deformation(size, layer, before, heldBefore, hand, held);
  }

  /** How much of a layer's strokes is known here: whole strokes before points. */
  long common(ShapeLayer layer) {
    Shared shared = Shared.of(layer.nudges(), layer.attributes().amount(), this);
    return shared.strokes() * (long) Stroke.MOST_POINTS + shared.points();
  }

  /**
   * What of the strokes is known already.
   *
   * @param strokes that are whole in it
   * @param points of the next one that are
   */
  private record Shared(@Nullable Displacements at, boolean held, int strokes, int points) {

    private static final Shared NOTHING = new Shared(null, false, 0, 0);

    static Shared of(List<Nudge> nudges, double amount, @Nullable Deformation known) {
      if (known == null || known.amount != amount || known.nudges.isEmpty()) {
        return NOTHING;
      }
      int n = known.nudges.size();
      if (begins(nudges, known.nudges, n)) {
        return new Shared(known.hand, known.held, n, 0);
      }
      if (!begins(nudges, known.nudges, n - 1)) {
        return NOTHING;
      }
      if (nudges.size() >= n) {
        Nudge was = known.nudges.get(n - 1);
        Nudge is = nudges.get(n - 1);
        int points = was.stroke().size();
        if (is.hand() == was.hand()
            && is.stroke().size() >= points
            && is.stroke().first(points).equals(was.stroke())) {
          return new Shared(known.hand, known.held, n - 1, points);
        }
      }
      return known.before == null ? NOTHING : new Shared(known.before, known.heldBefore, n - 1, 0);
    }

    private static boolean begins(List<Nudge> nudges, List<Nudge> with, int count) {
      return nudges.size() >= count && nudges.subList(0, count).equals(with.subList(0, count));
    }
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
    return keepsTheWhole() && !bends && bend.isEven() && nudges.isEmpty();
  }

  private boolean keepsTheWhole() {
    return width == 1 && height == 1 && slope == 0;
  }

  /** Whether every place of an area stays where it is for sure. */
  boolean leaves(Area seen) {
    if (!keepsTheWhole() || bends) {
      return false;
    }
    double[] range = hand.range(seen);
    return range[0] == 0 && range[1] == 0 && range[2] == 0 && range[3] == 0;
  }

  /** The lens, for what it did to each colour and to the light. */
  Bend bend() {
    return bend;
  }

  /** Whether it moved places. */
  boolean bends() {
    return bends;
  }

  /** The largest stretch or squeeze of a place by the hand, as a share. */
  public double strain() {
    return hand.strainOver(size.area());
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

  /** Where a place would have been seen without the whole picture's stretch, lean and lens. */
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
    if (bends) {
      bend.source(at);
    }
  }

  /** Where a place is seen that the hand leaves where it is. */
  public Point stretched(Point place) {
    Point from = bends ? bend.straightened(place) : place;
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
    Area straight = box(around(seen).stream().map(this::unstretched).toList());
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
    return box(around(straight).stream().map(this::stretched).toList());
  }

  /** Its corners; where a lens bends its sides, places all along them. */
  private List<Point> around(Area a) {
    int steps = bends ? ALONG : 1;
    List<Point> points = new ArrayList<>();
    for (int i = 0; i <= steps; i++) {
      double x = a.x() + (double) i * a.width() / steps;
      double y = a.y() + (double) i * a.height() / steps;
      points.add(new Point(x, a.y()));
      points.add(new Point(x, a.bottom()));
      points.add(new Point(a.x(), y));
      points.add(new Point(a.right(), y));
    }
    return points;
  }

  private Area box(List<Point> points) {
    double beside = bends ? bend.apart() + BETWEEN : 0;
    return Area.around(
        points.stream().mapToDouble(Point::x).min().orElseThrow() - beside,
        points.stream().mapToDouble(Point::y).min().orElseThrow() - beside,
        points.stream().mapToDouble(Point::x).max().orElseThrow() + beside,
        points.stream().mapToDouble(Point::y).max().orElseThrow() + beside);
  }
}
