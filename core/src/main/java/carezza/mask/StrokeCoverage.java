package carezza.mask;

import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Deque;
import java.util.List;

import carezza.filter.Resampling;
import carezza.image.Area;
import carezza.image.Plane;
import carezza.model.Stroke;

/**
 * Coverage of strokes. At a place it is strength x the largest, over the path, of pressure x
 * falloff of the distance; the falloff is 1 within (1 − softness) of the radius and runs to 0 at
 * the radius by the cubic step. Below half a pixel the edge is one pixel wide, so outlines do not
 * alias.
 */
public final class StrokeCoverage {

  private static final double EDGE = 0.5;

  /** How far the path may be straightened: in pixels, and as a share of the falloff's width. */
  private static final double FLAT_PIXELS = 0.1;

  private static final double FLAT_SHARE = 0.02;

  /** In pixels; straight lines between samples of the cubic step are then right to 0.003. */
  private static final double NARROWEST_FALLOFF = 16;

  private StrokeCoverage() {}

  /** Area of a level that the stroke can touch. */
  public static Area bounds(Stroke stroke, int level) {
    return stroke.bounds().atLevel(level).grow(1);
  }

  /** Lays the stroke on, or lifts it from, the coverage, whatever edges it passes. */
  public static void apply(Stroke stroke, Plane coverage, double scale) {
    lay(stroke, of(stroke, coverage.area(), scale), coverage);
  }

  private static void lay(Stroke stroke, Plane own, Plane coverage) {
    Area touched = own.area();
    for (int y = touched.y(); y < touched.bottom(); y++) {
      int from = own.index(touched.x(), y);
      int to = coverage.index(touched.x(), y);
      for (int x = 0; x < touched.width(); x++) {
        float c = own.values()[from + x];
        float m = coverage.values()[to + x];
        coverage.values()[to + x] = stroke.erase() ? m * (1 - c) : 1 - (1 - m) * (1 - c);
      }
    }
  }

  /**
   * Lays strokes on, or lifts them, one after the other. Each turns a coverage m into a m + b;
   * strokes of wide falloff in a row are put together to one such pair on the coarse grid that
   * holds them.
   */
  static void apply(List<Stroke> strokes, Plane coverage, EvaluationContext context) {
    double scale = context.scale();
    for (int i = 0; i < strokes.size(); ) {
      int levels = together(strokes.get(i), scale);
      int end = i + 1;
      while (end < strokes.size() && together(strokes.get(end), scale) == levels) {
        end++;
      }
      List<Stroke> run = strokes.subList(i, end);
      if (levels == 0 || run.size() == 1) {
        for (Stroke s : run) {
          Plane own = of(s, coverage.area(), scale);
          if (s.edge() > 0 && context.edges() != null) {
            context.edges().limit(s, own, context.level());
          }
          lay(s, own, coverage);
        }
      } else {
        applyTogether(run, levels, coverage, scale);
      }
      i = end;
    }
  }

  /** Levels coarser at which a stroke can be put together with others: edges are fine. */
  private static int together(Stroke stroke, double scale) {
    return stroke.edge() > 0 ? 0 : coarser(stroke, scale);
  }

  private static void applyTogether(List<Stroke> run, int levels, Plane coverage, double scale) {
    Area touched = Area.EMPTY;
    for (Stroke s : run) {
      touched = touched.union(touched(s, coverage.area(), scale));
    }
    if (touched.isEmpty()) {
      return;
    }
    Area grid = Resampling.expandedFrom(touched, levels);
    Plane kept = Plane.filled(grid, 1);
    Plane laid = Plane.of(grid);
    for (Stroke s : run) {
      Plane own = of(s, grid, scale / (1 << levels));
      Area a = own.area();
      for (int y = a.y(); y < a.bottom(); y++) {
        int from = own.index(a.x(), y);
        int to = kept.index(a.x(), y);
        for (int x = 0; x < a.width(); x++) {
          float c = own.values()[from + x];
          kept.values()[to + x] *= 1 - c;
          laid.values()[to + x] *= 1 - c;
          laid.values()[to + x] += s.erase() ? 0 : c;
        }
      }
    }
    Plane fineKept = Plane.of(touched);
    Plane fineLaid = Plane.of(touched);
    Resampling.addExpanded(kept, levels, fineKept);
    Resampling.addExpanded(laid, levels, fineLaid);
    for (int y = touched.y(); y < touched.bottom(); y++) {
      int from = fineKept.index(touched.x(), y);
      int to = coverage.index(touched.x(), y);
      for (int x = 0; x < touched.width(); x++) {
        coverage.values()[to + x] =
            coverage.values()[to + x] * fineKept.values()[from + x] + fineLaid.values()[from + x];
      }
    }
  }

  /** The area of the photograph outside of which two lists of strokes cover the same. */
  public static Area difference(List<Stroke> was, List<Stroke> is) {
    int shared = Math.min(was.size(), is.size());
    int same = 0;
    while (same < shared && was.get(same).equals(is.get(same))) {
      same++;
    }
    if (was.size() == is.size() && same == is.size() - 1) {
      return difference(was.get(same), is.get(same));
    }
    Area all = Area.EMPTY;
    for (List<Stroke> strokes : List.of(was, is)) {
      for (Stroke s : strokes.subList(same, strokes.size())) {
        all = all.union(s.bounds());
      }
    }
    return all;
  }

  /** Of a stroke that grows, only where it has grown. */
  private static Area difference(Stroke was, Stroke is) {
    Stroke shorter = was.size() < is.size() ? was : is;
    Stroke longer = was.size() < is.size() ? is : was;
    int last = shorter.size() - 1;
    if (!longer.first(shorter.size()).equals(shorter)) {
      return was.bounds().union(is.bounds());
    }
    double left = longer.x(last);
    double top = longer.y(last);
    double right = left;
    double bottom = top;
    for (int i = last; i < longer.size(); i++) {
      left = Math.min(left, longer.x(i));
      top = Math.min(top, longer.y(i));
      right = Math.max(right, longer.x(i));
      bottom = Math.max(bottom, longer.y(i));
    }
    double r = longer.radius() + 1;
    return Area.around(left - r, top - r, right + r, bottom + r);
  }

  private static Area touched(Stroke stroke, Area area, double scale) {
    Area full = stroke.bounds();
    return Area.around(
            full.x() * scale, full.y() * scale, full.right() * scale, full.bottom() * scale)
        .grow(1)
        .intersect(area);
  }

  /** The stroke's own coverage over the part of the area that it touches. */
  public static Plane of(Stroke stroke, Area area, double scale) {
    double radius = stroke.radius() * scale;
    Area touched = touched(stroke, area, scale);
    Plane out = Plane.of(touched);
    if (touched.isEmpty()) {
      return out;
    }
    double inner = radius * (1 - stroke.softness());
    // A hard edge is spread over one pixel, half of it outside the radius.
    double outer = Math.max(radius, inner + EDGE);
    if (outer - inner < 2 * EDGE) {
      inner = outer - 2 * EDGE;
    }
    int coarser = coarser(stroke, scale);
    if (coarser > 0) {
      // A wide falloff is smooth: a coarse grid says all there is of it.
      Area grid = Resampling.expandedFrom(touched, coarser);
      Resampling.addExpanded(of(stroke, grid, scale / (1 << coarser)), coarser, out);
      return out;
    }
    if (even(stroke)) {
      constant(stroke, out, scale, inner, outer);
    } else {
      int n = stroke.size();
      for (int i = 0; i < Math.max(1, n - 1); i++) {
        segment(out, stroke, i, Math.min(i + 1, n - 1), scale, inner, outer);
      }
    }
    float strength = (float) stroke.strength();
    for (int i = 0; i < out.values().length; i++) {
      out.values()[i] *= strength;
    }
    return out;
  }

  /** Levels at which the falloff still spans enough pixels for lines between them. */
  private static int coarser(Stroke stroke, double scale) {
    double falloff = stroke.radius() * stroke.softness() * scale;
    int levels = 0;
    while (falloff / (1 << levels + 1) >= NARROWEST_FALLOFF) {
      levels++;
    }
    return levels;
  }

  private static boolean even(Stroke stroke) {
    for (int i = 1; i < stroke.size(); i++) {
      if (stroke.pressure(i) != stroke.pressure(0)) {
        return false;
      }
    }
    return true;
  }

  /**
   * At one pressure the nearest place of the path decides: its distance first, the falloff once.
   */
  private static void constant(Stroke stroke, Plane out, double scale, double inner, double outer) {
    float[] path = simplified(stroke, scale, Math.max(FLAT_PIXELS, FLAT_SHARE * (outer - inner)));
    float[] d2 = out.values();
    Arrays.fill(d2, Float.MAX_VALUE);
    int points = path.length / 2;
    for (int i = 0; i < Math.max(1, points - 1); i++) {
      int j = Math.min(i + 1, points - 1);
      nearest(out, path[2 * i], path[2 * i + 1], path[2 * j], path[2 * j + 1], outer);
    }
    float pressure = stroke.pressure(0);
    float far = (float) (outer * outer);
    float near = (float) (inner * Math.max(0, inner));
    float width = (float) (outer - inner);
    for (int i = 0; i < d2.length; i++) {
      if (d2[i] >= far) {
        d2[i] = 0;
      } else if (d2[i] <= near) {
        d2[i] = pressure;
      } else {
        float t = ((float) outer - (float) Math.sqrt(d2[i])) / width;
        d2[i] = pressure * t * t * (3 - 2 * t);
      }
    }
  }

  /**
   * The path in pixels of the level without points that lie within {@code flat} of the line between
   * their neighbours (Douglas and Peucker 1973); x, y packed.
   */
  private static float[] simplified(Stroke stroke, double scale, double flat) {
    int n = stroke.size();
    boolean[] kept = new boolean[n];
    kept[0] = true;
    kept[n - 1] = true;
    Deque<int[]> open = new ArrayDeque<>();
    open.push(new int[] {0, n - 1});
    while (!open.isEmpty()) {
      int[] part = open.pop();
      double most = flat / scale;
      int farthest = -1;
      for (int i = part[0] + 1; i < part[1]; i++) {
        double away = distance(stroke, i, part[0], part[1]);
        if (away > most) {
          most = away;
          farthest = i;
        }
      }
      if (farthest >= 0) {
        kept[farthest] = true;
        open.push(new int[] {part[0], farthest});
        open.push(new int[] {farthest, part[1]});
      }
    }
    float[] path = new float[2 * n];
    int count = 0;
    for (int i = 0; i < n; i++) {
      if (kept[i]) {
        path[count++] = (float) (stroke.x(i) * scale);
        path[count++] = (float) (stroke.y(i) * scale);
      }
    }
    return Arrays.copyOf(path, count);
  }

  private static double distance(Stroke s, int point, int from, int to) {
    double dx = s.x(to) - s.x(from);
    double dy = s.y(to) - s.y(from);
    double px = s.x(point) - s.x(from);
    double py = s.y(point) - s.y(from);
    double length2 = dx * dx + dy * dy;
    double t = length2 == 0 ? 0 : Math.max(0, Math.min(1, (px * dx + py * dy) / length2));
    return Math.sqrt(square(px - t * dx) + square(py - t * dy));
  }

  /** Keeps the least squared distance to the segment, where it can be below the reach. */
  private static void nearest(Plane out, float x0, float y0, float x1, float y1, double reach) {
    Area box = box(out, x0, y0, x1, y1, reach);
    float dx = x1 - x0;
    float dy = y1 - y0;
    float length2 = dx * dx + dy * dy;
    float perLength = length2 == 0 ? 0 : 1 / length2;
    float[] d2 = out.values();
    for (int y = box.y(); y < box.bottom(); y++) {
      float py = y + 0.5f - y0;
      int at = out.index(box.x(), y);
      float first = box.x() + 0.5f - x0;
      for (int x = 0; x < box.width(); x++) {
        float px = first + x;
        float t = Math.max(0f, Math.min(1f, (px * dx + py * dy) * perLength));
        float ex = px - t * dx;
        float ey = py - t * dy;
        d2[at + x] = Math.min(d2[at + x], ex * ex + ey * ey);
      }
    }
  }

  private static Area box(Plane out, double x0, double y0, double x1, double y1, double reach) {
    return Area.around(
            Math.min(x0, x1) - reach,
            Math.min(y0, y1) - reach,
            Math.max(x0, x1) + reach,
            Math.max(y0, y1) + reach)
        .intersect(out.area());
  }

  private static void segment(
      Plane out, Stroke stroke, int from, int to, double scale, double inner, double outer) {
    double x0 = stroke.x(from) * scale;
    double y0 = stroke.y(from) * scale;
    double p0 = stroke.pressure(from);
    double p1 = stroke.pressure(to);
    double dx = stroke.x(to) * scale - x0;
    double dy = stroke.y(to) * scale - y0;
    Area box = box(out, x0, y0, x0 + dx, y0 + dy, outer);
    double length2 = dx * dx + dy * dy;
    double width = outer - inner;
    for (int y = box.y(); y < box.bottom(); y++) {
      for (int x = box.x(); x < box.right(); x++) {
        double px = x + 0.5 - x0;
        double py = y + 0.5 - y0;
        double t = length2 == 0 ? 0 : Math.max(0, Math.min(1, (px * dx + py * dy) / length2));
        double distance = Math.sqrt(square(px - t * dx) + square(py - t * dy));
        if (distance >= outer) {
          continue;
        }
        float v = Smoothstep.step((outer - distance) / width) * (float) (p0 + t * (p1 - p0));
        int i = out.index(x, y);
        out.values()[i] = Math.max(out.values()[i], v);
      }
    }
  }

  private static double square(double v) {
    return v * v;
  }
}
