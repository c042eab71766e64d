package carezza.mask;

import java.util.List;

import carezza.image.Area;
import carezza.image.Level;
import carezza.image.Plane;
import carezza.model.FaceMap;
import carezza.model.Point;

/**
 * Whose a place is where several people are seen: theirs whose face, or whose body below it, is
 * nearest, measured in widths of that face.
 */
public final class Territory {

  /** How far a body reaches below the middle of its face, in widths of it. */
  private static final double BODY = 3;

  /** Width of the strip between two people that is shared, in widths of a face. */
  private static final double SHARED = 0.06;

  private Territory() {}

  /**
   * @param person whose; a place in {@code maps}
   * @param area of a level
   * @return 0 … 1 by place
   */
  static Plane of(List<FaceMap> maps, int person, Area area, int level) {
    Plane share = Plane.of(area);
    double scale = Level.scale(level);
    Planes.fill(
        share,
        area,
        (i, x, y) -> {
          double u = (x + 0.5) / scale;
          double v = (y + 0.5) / scale;
          double own = distance(maps.get(person), u, v);
          double others = Double.POSITIVE_INFINITY;
          for (int k = 0; k < maps.size(); k++) {
            if (k != person) {
              others = Math.min(others, distance(maps.get(k), u, v));
            }
          }
          return (float) Math.clamp(0.5 + (others - own) / SHARED, 0, 1);
        });
    return share;
  }

  /** The person whose face, or body below it, is nearest to a place of the photograph. */
  public static int nearest(List<FaceMap> maps, Point place) {
    int nearest = 0;
    for (int k = 1; k < maps.size(); k++) {
      if (distance(maps.get(k), place.x(), place.y())
          < distance(maps.get(nearest), place.x(), place.y())) {
        nearest = k;
      }
    }
    return nearest;
  }

  /** From the line that goes down from the middle of a face, in widths of it. */
  private static double distance(FaceMap face, double x, double y) {
    FaceMap.FaceOval oval = face.oval();
    double width = face.faceWidth();
    double below = Math.clamp((y - oval.y()) / width, 0, BODY);
    return Math.hypot(x - oval.x(), y - oval.y() - below * width) / width;
  }
}
