package carezza.desktop.geometry;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

import carezza.desktop.text.Texts;
import carezza.model.FaceMap;
import carezza.model.FaceMap.FaceOval;
import carezza.model.Point;

/**
 * A face map from five clicks: a box around the face, dragged or by two of its corners, then both
 * pupils and both corners of the mouth, in any order of left and right.
 */
public final class FacePlacing {

  private static final Texts TEXTS = Texts.of("tools");

  public static final String START = TEXTS.get("facePlacing.drag-a-box-around-the-face");

  private static final String[] NEXT = {
    START,
    TEXTS.get("facePlacing.now-the-opposite-corner-of-the"),
    TEXTS.get("facePlacing.now-the-middle-of-one-pupil"),
    TEXTS.get("facePlacing.now-the-other-pupil"),
    TEXTS.get("facePlacing.now-one-corner-of-the-mouth"),
    TEXTS.get("facePlacing.now-the-other-corner-of-the")
  };

  private final List<Point> points = new ArrayList<>();

  /** A click, or an end of the dragged box. */
  public void add(Point at) {
    points.add(at);
  }

  /** Only the first corner of the box is there. */
  public boolean boxOpen() {
    return points.size() == 1;
  }

  public List<Point> points() {
    return points;
  }

  /** What to do next. */
  public String next() {
    return NEXT[Math.min(points.size(), NEXT.length - 1)];
  }

  public boolean complete() {
    return points.size() == NEXT.length;
  }

  /** The map, once {@link #complete}; nothing if the points make no face. */
  public Optional<FaceMap> map() {
    Point a = points.get(0);
    Point b = points.get(1);
    Point[] eyes = leftToRight(points.get(2), points.get(3));
    Point[] mouth = leftToRight(points.get(4), points.get(5));
    try {
      FaceOval oval =
          new FaceOval(
              (a.x() + b.x()) / 2,
              (a.y() + b.y()) / 2,
              Math.abs(a.x() - b.x()) / 2,
              Math.abs(a.y() - b.y()) / 2,
              0);
      FaceMap map = new FaceMap(oval, eyes[0], eyes[1], mouth[0], mouth[1]);
      for (FaceMap.Part part : FaceMap.Part.values()) {
        map = map.correcting(part);
      }
      return Optional.of(map);
    } catch (IllegalArgumentException e) {
      return Optional.empty();
    }
  }

  private static Point[] leftToRight(Point one, Point other) {
    return one.x() <= other.x() ? new Point[] {one, other} : new Point[] {other, one};
  }
}
