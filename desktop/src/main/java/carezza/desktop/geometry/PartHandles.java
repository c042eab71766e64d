package carezza.desktop.geometry;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Function;
import java.util.stream.IntStream;

import carezza.model.Mask;
import carezza.model.Mask.Ellipse;
import carezza.model.Mask.Gradient;
import carezza.model.Mask.Polygon;
import carezza.model.Point;

/** The handles of a mask's part that has a place: oval, gradient, outline. */
public final class PartHandles {

  private static final double LEAST_RADIUS = 2;

  private PartHandles() {}

  /**
   * One handle: where it stands, and the part when it is dragged somewhere.
   *
   * @param move may throw {@link IllegalArgumentException} where that would make no shape
   */
  public record Handle(Point place, Function<Point, Mask> move) {}

  /** None for a part without a place. */
  public static List<Handle> of(Mask part) {
    return switch (part) {
      case Ellipse o -> oval(o);
      case Gradient g ->
          List.of(
              new Handle(g.from(), p -> new Gradient(p, g.to())),
              new Handle(g.to(), p -> new Gradient(g.from(), p)));
      case Polygon p -> polygon(p);
      default -> List.of();
    };
  }

  /** The nearest handle within reach, or −1. */
  public static int near(Mask part, Point at, double reach) {
    List<Handle> handles = of(part);
    return IntStream.range(0, handles.size())
        .boxed()
        .filter(i -> handles.get(i).place().distance(at) <= reach)
        .min(Comparator.comparingDouble(i -> handles.get(i).place().distance(at)))
        .orElse(-1);
  }

  private static List<Handle> oval(Ellipse o) {
    double angle = Math.toRadians(o.angle());
    double c = Math.cos(angle);
    double s = Math.sin(angle);
    Point middle = new Point(o.x(), o.y());
    return List.of(
        new Handle(
            middle,
            p -> new Ellipse(p.x(), p.y(), o.radiusX(), o.radiusY(), o.angle(), o.softness())),
        // The first rim turns the oval as well, the second only widens it.
        new Handle(
            middle.plus(o.radiusX() * c, o.radiusX() * s),
            p ->
                new Ellipse(
                    o.x(),
                    o.y(),
                    Math.max(LEAST_RADIUS, middle.distance(p)),
                    o.radiusY(),
                    Math.toDegrees(Math.atan2(p.y() - o.y(), p.x() - o.x())),
                    o.softness())),
        new Handle(
            middle.plus(-o.radiusY() * s, o.radiusY() * c),
            p ->
                new Ellipse(
                    o.x(),
                    o.y(),
                    o.radiusX(),
                    Math.max(LEAST_RADIUS, Math.abs((p.y() - o.y()) * c - (p.x() - o.x()) * s)),
                    o.angle(),
                    o.softness())));
  }

  private static List<Handle> polygon(Polygon polygon) {
    List<Handle> handles = new ArrayList<>();
    List<Point> points = polygon.points();
    // A lasso has hundreds of points: a few of them carry their neighbours.
    int step = Math.max(1, points.size() / 24);
    for (int i = 0; i < points.size(); i += step) {
      int place = i;
      handles.add(
          new Handle(
              points.get(i), p -> new Polygon(dragged(points, place, step, p), polygon.feather())));
    }
    return handles;
  }

  private static List<Point> dragged(List<Point> points, int place, int step, Point to) {
    List<Point> out = new ArrayList<>(points);
    double dx = to.x() - points.get(place).x();
    double dy = to.y() - points.get(place).y();
    for (int k = -step + 1; k < step; k++) {
      int i = Math.floorMod(place + k, points.size());
      double w = 1 - Math.abs(k) / (double) step;
      out.set(i, points.get(i).plus(w * dx, w * dy));
    }
    return out;
  }
}
