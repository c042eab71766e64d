package carezza.mask;

import java.util.Arrays;
import java.util.List;

import carezza.image.Area;
import carezza.image.Plane;
import carezza.model.Point;

/**
 * Coverage of a closed outline, filled even-odd, anti-aliased by four scan lines to a pixel row.
 */
final class PolygonCoverage {

  private static final int LINES = 4;

  private PolygonCoverage() {}

  static Plane of(List<Point> points, Area area, double scale) {
    Plane out = Plane.of(area);
    double[] crossings = new double[points.size()];
    for (int y = area.y(); y < area.bottom(); y++) {
      for (int line = 0; line < LINES; line++) {
        double at = y + (line + 0.5) / LINES;
        int n = cross(points, scale, at, crossings);
        Arrays.sort(crossings, 0, n);
        for (int i = 0; i + 1 < n; i += 2) {
          fill(out, y, crossings[i], crossings[i + 1]);
        }
      }
    }
    return out;
  }

  private static int cross(List<Point> points, double scale, double y, double[] crossings) {
    int n = 0;
    for (int i = 0; i < points.size(); i++) {
      Point a = points.get(i);
      Point b = points.get((i + 1) % points.size());
      double ay = a.y() * scale;
      double by = b.y() * scale;
      if ((ay <= y) != (by <= y)) {
        crossings[n++] = (a.x() + (b.x() - a.x()) * (y - ay) / (by - ay)) * scale;
      }
    }
    return n;
  }

  private static void fill(Plane out, int y, double from, double to) {
    Area area = out.area();
    int first = Math.max(area.x(), (int) Math.floor(from));
    int last = Math.min(area.right() - 1, (int) Math.floor(to));
    for (int x = first; x <= last; x++) {
      double share = Math.min(x + 1, to) - Math.max(x, from);
      if (share > 0) {
        out.values()[out.index(x, y)] += (float) (share / LINES);
      }
    }
  }
}
