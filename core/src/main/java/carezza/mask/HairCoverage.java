package carezza.mask;

import java.util.List;

import carezza.image.Area;
import carezza.image.Plane;
import carezza.model.Stroke;

/**
 * Coverage of lines as wide as their pressure: at a place the largest, over the path, of a disc of
 * the radius times the pressure there, its edge as soft as the stroke's and at least one pixel
 * wide. A line thinner than a pixel covers it by its width, so that it looks alike at every level.
 */
public final class HairCoverage {

  private static final double EDGE = 0.5;

  private HairCoverage() {}

  /** Coverage of all strokes over an area of a level: laid on, or lifted, in their order. */
  public static Plane of(List<Stroke> strokes, Area area, double scale) {
    Plane all = Plane.of(area);
    for (Stroke stroke : strokes) {
      Area touched = touched(stroke, area, scale);
      if (!touched.isEmpty()) {
        lay(stroke, of(stroke, touched, scale), all);
      }
    }
    return all;
  }

  private static Area touched(Stroke stroke, Area area, double scale) {
    Area b = stroke.bounds();
    return Area.around(b.x() * scale, b.y() * scale, b.right() * scale, b.bottom() * scale)
        .grow(1)
        .intersect(area);
  }

  private static void lay(Stroke stroke, Plane own, Plane all) {
    Area a = own.area();
    for (int y = a.y(); y < a.bottom(); y++) {
      int from = own.index(a.x(), y);
      int to = all.index(a.x(), y);
      for (int x = 0; x < a.width(); x++) {
        float c = (float) stroke.strength() * own.values()[from + x];
        float m = all.values()[to + x];
        all.values()[to + x] = stroke.erase() ? m * (1 - c) : 1 - (1 - m) * (1 - c);
      }
    }
  }

  private static Plane of(Stroke stroke, Area touched, double scale) {
    Plane out = Plane.of(touched);
    int last = stroke.size() - 1;
    for (int i = 0; i < Math.max(1, last); i++) {
      segment(stroke, i, Math.min(i + 1, last), out, scale);
    }
    return out;
  }

  private static void segment(Stroke stroke, int from, int to, Plane out, double scale) {
    double x0 = stroke.x(from) * scale;
    double y0 = stroke.y(from) * scale;
    double dx = stroke.x(to) * scale - x0;
    double dy = stroke.y(to) * scale - y0;
    double r0 = stroke.radius() * stroke.pressure(from) * scale;
    double r1 = stroke.radius() * stroke.pressure(to) * scale;
    double length = dx * dx + dy * dy;
    double widest = Math.max(EDGE, Math.max(r0, r1)) + EDGE;
    Area box =
        Area.around(
                Math.min(x0, x0 + dx) - widest,
                Math.min(y0, y0 + dy) - widest,
                Math.max(x0, x0 + dx) + widest,
                Math.max(y0, y0 + dy) + widest)
            .intersect(out.area());
    for (int y = box.y(); y < box.bottom(); y++) {
      for (int x = box.x(); x < box.right(); x++) {
        double px = x + 0.5 - x0;
        double py = y + 0.5 - y0;
        double t = length == 0 ? 0 : Math.clamp((px * dx + py * dy) / length, 0, 1);
        double d = Math.hypot(px - t * dx, py - t * dy);
        int i = out.index(x, y);
        out.values()[i] = Math.max(out.values()[i], covered(stroke, r0 + t * (r1 - r0), d));
      }
    }
  }

  private static float covered(Stroke stroke, double radius, double distance) {
    double drawn = Math.max(EDGE, radius);
    double outer = drawn + EDGE;
    double inner = Math.min(drawn - EDGE, drawn * (1 - stroke.softness()));
    double t = Math.clamp((outer - distance) / (outer - inner), 0, 1);
    double share = t * t * (3 - 2 * t);
    return (float) (share * Math.min(1, radius / EDGE));
  }
}
