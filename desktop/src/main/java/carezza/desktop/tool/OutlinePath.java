package carezza.desktop.tool;

import java.util.ArrayList;
import java.util.List;

import org.jspecify.annotations.Nullable;

import carezza.model.Point;

/** An outline that is being drawn. */
final class OutlinePath {

  private final List<Point> points = new ArrayList<>();

  void begin(Point at) {
    points.clear();
    points.add(at);
  }

  void add(Point at) {
    points.add(at);
  }

  boolean isEmpty() {
    return points.isEmpty();
  }

  /** Whether it encloses anything. */
  boolean closes() {
    return points.size() > 2;
  }

  Point first() {
    return points.getFirst();
  }

  /** The outline as it is; a new one may be begun. */
  List<Point> take() {
    List<Point> taken = List.copyOf(points);
    points.clear();
    return taken;
  }

  void clear() {
    points.clear();
  }

  void paint(Pencil pencil, @Nullable Point pointer) {
    if (points.size() > 1) {
      pencil.twice(() -> pencil.line(points, false));
    }
    if (pointer != null) {
      pencil.cross(pointer);
    }
  }
}
