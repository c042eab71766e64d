package carezza.mask;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.IntFunction;

import org.jspecify.annotations.Nullable;

import carezza.colour.Lab;
import carezza.image.Area;
import carezza.image.Level;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.model.Stroke;

/**
 * Keeps strokes inside the edges of the photograph that they started in. Along the path the stroke
 * carries the colour it is on, which follows slow changes of light but not a step. What a place of
 * the path reaches is flooded from there over colours near the carried one, on a coarse grid; how
 * sharply the stroke ends at an edge is decided at the level that is rendered. The photograph and
 * not the layer's input is looked at, so an edit below moves no mask.
 *
 * <p>Safe for many threads.
 */
public final class Edges {

  /** Cells of the coarse grid to a radius. */
  private static final double CELLS = 20;

  /** Places of the path that are looked at, to a radius: as many as a hand's stroke has points. */
  private static final double PLACES = 9;

  /** How fast the carried colour follows that under the path. */
  private static final double FOLLOWING = 0.15;

  /** Width of the end at an edge, as a share of the difference it stops at. */
  private static final double END = 0.5;

  /** Room for a stroke to grow in, in radii. */
  private static final double ROOM = 3;

  /** Pixels up to which a level is kept in L*a*b*. */
  private static final int MOST_KEPT = 500_000;

  private static final int REMEMBERED = 96;

  private final IntFunction<Picture> photograph;
  private final Map<Integer, Picture> coarse = new ConcurrentHashMap<>();
  private final Map<Stroke, Reach> known =
      new LinkedHashMap<>(16, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Stroke, Reach> eldest) {
          return size() > REMEMBERED;
        }
      };

  /**
   * @param photograph the whole photograph at a level, working space
   */
  public Edges(IntFunction<Picture> photograph) {
    this.photograph = photograph;
  }

  /**
   * What a stroke reaches, on its coarse grid.
   *
   * @param reached 1 where some place of the path reaches
   * @param colour that the nearest such place carries, L*a*b*
   */
  private record Reach(double scale, Plane reached, Picture colour) {}

  /**
   * The stroke looked at last and how far it has come, so that one that grows is not begun anew.
   */
  private @Nullable Begun last;

  private record Begun(Stroke stroke, Walk walk) {
    boolean growsInto(Stroke longer) {
      return longer.size() > stroke.size() && longer.first(stroke.size()).equals(stroke);
    }
  }

  /** Takes from a stroke's coverage what lies beyond an edge. */
  void limit(Stroke stroke, Plane coverage, int level) {
    Reach reach = reach(stroke);
    Area area = coverage.area();
    Area seen = area.intersect(photograph.apply(level).area());
    if (seen.isEmpty()) {
      return;
    }
    Picture lab = lab(level, seen);
    double ratio = reach.scale() / Level.scale(level);
    double width = END * stroke.edge();
    for (int y = seen.y(); y < seen.bottom(); y++) {
      for (int x = seen.x(); x < seen.right(); x++) {
        int i = coverage.index(x, y);
        if (coverage.values()[i] > 0) {
          double cx = (x + 0.5) * ratio;
          double cy = (y + 0.5) * ratio;
          // A cell that is only touched lies at an edge: the colour decides there.
          float joined = Smoothstep.step(2.5 * reach.reached().sample(cx, cy));
          double away = joined == 0 ? 0 : distance(lab, lab.first().index(x, y), reach, cx, cy);
          coverage.values()[i] *= joined * Smoothstep.step((stroke.edge() - away) / width + 0.5);
        }
      }
    }
  }

  /** The photograph in L*a*b*; of a coarse level it is kept whole. */
  private Picture lab(int level, Area area) {
    Picture whole = photograph.apply(level);
    if (whole.area().pixels() > MOST_KEPT) {
      return Lab.of(whole.crop(area));
    }
    return coarse.computeIfAbsent(level, l -> Lab.of(whole)).crop(area);
  }

  private static double distance(Picture lab, int i, Reach reach, double cx, double cy) {
    int x = (int) Math.floor(cx);
    int y = (int) Math.floor(cy);
    double sum = 0;
    for (int c = 0; c < 3; c++) {
      double d = lab.plane(c).values()[i] - reach.colour().plane(c).atNearest(x, y);
      sum += d * d;
    }
    return Math.sqrt(sum);
  }

  private Reach reach(Stroke stroke) {
    synchronized (known) {
      Reach found = known.get(stroke);
      if (found != null) {
        return found;
      }
    }
    Reach made = made(stroke);
    synchronized (known) {
      known.put(stroke, made);
    }
    return made;
  }

  private Reach made(Stroke stroke) {
    int level = Math.min(Level.COARSEST, Level.forZoom(Math.min(1, CELLS / stroke.radius())));
    double scale = Level.scale(level);
    Picture whole = photograph.apply(level);
    Area box = stroke.bounds().atLevel(level).grow(2).intersect(whole.area());
    if (box.isEmpty()) {
      return new Reach(scale, Plane.of(new Area(0, 0, 1, 1)), Picture.of(new Area(0, 0, 1, 1)));
    }
    Begun before;
    synchronized (known) {
      before = last;
    }
    Walk walk;
    int done;
    if (before != null && before.growsInto(stroke) && before.walk().flood.area.contains(box)) {
      // What others may still read stays as it is.
      walk = before.walk().copy();
      done = before.stroke().size();
    } else {
      Area room = box.grow((int) (ROOM * stroke.radius() * scale)).intersect(whole.area());
      Picture lab = lab(level, room);
      walk = new Walk(lab, new Flood(lab, stroke.radius() * scale, stroke.edge()), stroke.edge());
      walk.at(stroke.x(0) * scale, stroke.y(0) * scale);
      done = 1;
    }
    double spacing = stroke.radius() * scale / PLACES;
    for (int i = done; i < stroke.size(); i++) {
      walk.to(stroke.x(i) * scale, stroke.y(i) * scale, spacing);
    }
    synchronized (known) {
      last = new Begun(stroke, walk);
    }
    return new Reach(scale, walk.flood.reached, walk.flood.colour);
  }

  /** Goes along the path, carrying a colour. */
  private static final class Walk {
    private final Picture lab;
    private final Flood flood;
    private final double edge;

    /** The colour; empty before the first step. */
    private double[] carried = {};

    private double x;
    private double y;

    Walk(Picture lab, Flood flood, double edge) {
      this.lab = lab;
      this.flood = flood;
      this.edge = edge;
    }

    Walk copy() {
      Walk copy = new Walk(lab, flood.copy(), edge);
      copy.carried = carried.clone();
      copy.x = x;
      copy.y = y;
      return copy;
    }

    /** In even steps towards a point, as far as whole steps go. */
    void to(double tx, double ty, double spacing) {
      double length = Math.hypot(tx - x, ty - y);
      int steps = (int) (length / spacing);
      double dx = (tx - x) / length * spacing;
      double dy = (ty - y) / length * spacing;
      for (int k = 0; k < steps; k++) {
        at(x + dx, y + dy);
      }
    }

    void at(double px, double py) {
      x = px;
      y = py;
      double[] here = mean(lab, x, y);
      if (carried.length == 0) {
        carried = here;
      } else if (distance(here, carried) < edge) {
        for (int c = 0; c < 3; c++) {
          carried[c] += FOLLOWING * (here[c] - carried[c]);
        }
      }
      flood.from(x, y, carried);
    }
  }

  private static double[] mean(Picture lab, double x, double y) {
    double[] sum = new double[3];
    for (int dy = -1; dy <= 1; dy++) {
      for (int dx = -1; dx <= 1; dx++) {
        for (int c = 0; c < 3; c++) {
          sum[c] += lab.plane(c).sample(x + dx, y + dy) / 9;
        }
      }
    }
    return sum;
  }

  private static double distance(double[] one, double[] other) {
    double sum = 0;
    for (int c = 0; c < 3; c++) {
      sum += (one[c] - other[c]) * (one[c] - other[c]);
    }
    return Math.sqrt(sum);
  }

  /** Fills the grid from one place after the other. */
  private static final class Flood {
    private final Picture lab;
    private final Area area;
    private final double radius;
    private final double edge;
    private final Plane reached;
    private final Picture colour;

    /** Squared distance of each cell to the place whose colour it has. */
    private final float[] away;

    private final int[] queue;
    private final int[] seen;
    private int round;

    Flood(Picture lab, double radius, double edge) {
      // A stroke reaches a little beyond its radius where its edge falls between pixels.
      this(
          lab,
          radius + 2,
          edge,
          Plane.of(lab.area()),
          Picture.of(lab.area()),
          new float[lab.area().pixels()]);
    }

    private Flood(
        Picture lab, double radius, double edge, Plane reached, Picture colour, float[] away) {
      this.lab = lab;
      this.area = lab.area();
      this.radius = radius;
      this.edge = edge;
      this.reached = reached;
      this.colour = colour;
      this.away = away;
      queue = new int[area.pixels()];
      seen = new int[area.pixels()];
    }

    Flood copy() {
      return new Flood(lab, radius, edge, reached.copy(), colour.copy(), away.clone());
    }

    void from(double x, double y, double[] carried) {
      int sx = Math.clamp((int) Math.floor(x), area.x(), area.right() - 1);
      int sy = Math.clamp((int) Math.floor(y), area.y(), area.bottom() - 1);
      round++;
      int head = 0;
      int tail = 0;
      int start = reached.index(sx, sy);
      queue[tail++] = start;
      seen[start] = round;
      while (head < tail) {
        int i = queue[head++];
        int cx = area.x() + i % area.width();
        int cy = area.y() + i / area.width();
        double d = square(cx + 0.5 - x) + square(cy + 0.5 - y);
        if (reached.values()[i] == 0 || d < away[i]) {
          away[i] = (float) d;
          for (int c = 0; c < 3; c++) {
            colour.plane(c).values()[i] = (float) carried[c];
          }
        }
        reached.values()[i] = 1;
        for (int k = 0; k < 4; k++) {
          int nx = cx + (k == 0 ? 1 : k == 1 ? -1 : 0);
          int ny = cy + (k == 2 ? 1 : k == 3 ? -1 : 0);
          if (!area.contains(nx, ny)) {
            continue;
          }
          int n = reached.index(nx, ny);
          if (seen[n] != round
              && square(nx + 0.5 - x) + square(ny + 0.5 - y) <= radius * radius
              && like(n, carried)) {
            seen[n] = round;
            queue[tail++] = n;
          }
        }
      }
    }

    private static double square(double v) {
      return v * v;
    }

    private boolean like(int i, double[] carried) {
      double sum = 0;
      for (int c = 0; c < 3; c++) {
        double d = lab.plane(c).values()[i] - carried[c];
        sum += d * d;
      }
      return sum < edge * edge;
    }
  }
}
