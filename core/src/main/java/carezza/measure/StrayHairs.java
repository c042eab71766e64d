package carezza.measure;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

import carezza.colour.Lab;
import carezza.filter.GaussianBlur;
import carezza.filter.RobustStatistics;
import carezza.image.Area;
import carezza.image.Level;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.mask.Regions;
import carezza.model.FaceMap;
import carezza.model.Point;
import carezza.model.SemanticRegion;

/**
 * Hairs that lie loose over skin or backdrop. A hair is a line: dark or light against both sides
 * alike, narrow, long, and far above the lines that the skin's own texture makes. Means of a line
 * filter along short straight pieces in all directions (steered line integrals) are thinned to
 * ridges, joined, and each ridge is judged by its profile across: creases and folds are wide, edges
 * have a step, and lines of glossy skin do not stand out of it.
 */
public final class StrayHairs {

  /** Pixels that a face is wide at least where hairs are looked for, and lengths below are for. */
  private static final double FACE_WIDTH = 600;

  /** How far beyond the face hairs are looked for, in widths of it. */
  private static final double BEYOND = 0.2;

  private static final int DIRECTIONS = 24;

  /** Every how many samples a first look takes. */
  private static final int ROUGH = 3;

  /** Half of a straight piece; sigmas of the line, of what lies beside it, and of its texture. */
  private static final double HALF_PIECE = 15.5;

  private static final double LINE = 0.8;
  private static final double BESIDE = 4;
  private static final double AROUND = 20;

  /** How far hairs are looked for from what has lines of its own, and from the skin's edge. */
  private static final double FEATURE_EDGE = 10;

  private static final double AREA_EDGE = 3;
  private static final double HAIR_EDGE = 3;

  /** L* of the mean along a piece from which a ridge goes on, and is one. */
  private static final double GOES_ON = 0.9;

  private static final double STANDS_OUT = 1.3;

  /** Times that it stands out of the texture around. */
  private static final double DISTINCT = 2.2;

  /** Times that a single place does from which it is looked at. */
  private static final double HIGH = 1.5;

  private static final double SHORTEST = 50;

  /** L* of the line against its sides. */
  private static final double CONTRAST = 3;

  /** Most of that which the sides may differ by, and which is left at {@link #BESIDE_IT}. */
  private static final double MOST_STEP = 0.5;

  private static final double MOST_WIDTH = 0.3;
  private static final int BESIDE_IT = 2;

  /** Half of a profile across, and cross-sections that are looked at. */
  private static final int REACH = 8;

  private static final int SECTIONS = 60;

  /** Points of a ridge that a path goes on by, in pixels. */
  private static final int STRIDE = 6;

  /**
   * A hair.
   *
   * @param path along it, in photograph pixels
   * @param contrast against its sides, in L*; below 0 where it is darker
   */
  public record Hair(List<Point> path, double contrast) {

    public Hair {
      path = List.copyOf(path);
    }

    public double length() {
      double length = 0;
      for (int i = 1; i < path.size(); i++) {
        length += path.get(i).distance(path.get(i - 1));
      }
      return length;
    }

    public Point middle() {
      return path.get(path.size() / 2);
    }
  }

  private final double size;
  private final double toPhotograph;
  private final Plane lightness;
  private final Plane line;
  private final Plane texture;
  private final Plane where;
  private final double[] dx = new double[DIRECTIONS];
  private final double[] dy = new double[DIRECTIONS];
  private final LinePiece[] pieces = new LinePiece[DIRECTIONS];
  private final LinePiece[] rough = new LinePiece[DIRECTIONS];

  private StrayHairs(Picture working, Plane where, double size, double toPhotograph) {
    this.size = size;
    this.toPhotograph = toPhotograph;
    this.where = where;
    lightness = Lab.lightness(working);
    line = GaussianBlur.blur(lightness, LINE * size);
    Plane beside = GaussianBlur.blur(lightness, BESIDE * size);
    Plane strength = line.copy();
    for (int i = 0; i < line.values().length; i++) {
      line.values()[i] -= beside.values()[i];
      strength.values()[i] = Math.abs(line.values()[i]);
    }
    texture = GaussianBlur.blur(strength, AROUND * size);
    for (int d = 0; d < DIRECTIONS; d++) {
      dx[d] = Math.cos(Math.PI * d / DIRECTIONS);
      dy[d] = Math.sin(Math.PI * d / DIRECTIONS);
      int half = (int) Math.round(HALF_PIECE * size);
      pieces[d] = new LinePiece(dx[d], dy[d], half, 1, line.area());
      rough[d] = new LinePiece(dx[d], dy[d], half / ROUGH, ROUGH, line.area());
    }
  }

  /** The level of the photograph that {@link #find} wants. */
  public static int level(FaceMap face) {
    return Level.forZoom(Math.min(1, FACE_WIDTH / face.faceWidth()));
  }

  /** Where hairs are looked for: about the face, at {@link #level}. */
  public static Area around(FaceMap face, PictureSize photograph) {
    int level = level(face);
    double scale = Level.scale(level);
    FaceMap.FaceOval oval = face.oval();
    double across = BEYOND * face.faceWidth() + Math.max(oval.radiusX(), oval.radiusY());
    int side = (int) Math.ceil(2 * across * scale);
    return new Area(
            (int) ((oval.x() - across) * scale), (int) ((oval.y() - across) * scale), side, side)
        .intersect(photograph.atLevel(level).area());
  }

  /**
   * @param working what of the picture at {@link #level} is looked at, such as {@link #around}
   * @return the longest first; none without a face
   */
  public static List<Hair> find(Picture working, Regions regions) {
    return regions
        .faces()
        .map(
            face -> {
              int level = level(face);
              double scale = Level.scale(level);
              double size = Math.max(0.5, face.faceWidth() * scale / FACE_WIDTH);
              Plane where = where(regions, working.area(), level, size);
              return new StrayHairs(working, where, size, 1 / scale).hairs();
            })
        .orElse(List.of());
  }

  /**
   * As above, in a picture whose pixels are the photograph's, where a plane is above 0.
   *
   * @param faceWidth in pixels
   */
  static List<Hair> find(Picture working, Plane where, double faceWidth) {
    return new StrayHairs(working, where, faceWidth / FACE_WIDTH, 1).hairs();
  }

  /**
   * Those of the hairs of one picture that another still has: along their paths they stand out at
   * least half as far.
   *
   * @param working what of the other picture at {@link #level} is looked at
   */
  public static List<Hair> left(List<Hair> hairs, Picture working, FaceMap face) {
    double scale = Level.scale(level(face));
    double size = Math.max(0.5, face.faceWidth() * scale / FACE_WIDTH);
    Plane lightness = Lab.lightness(working);
    return hairs.stream()
        .filter(
            hair -> {
              int sign = hair.contrast() < 0 ? -1 : 1;
              List<Point> path =
                  hair.path().stream()
                      .map(p -> new Point(p.x() * scale - 0.5, p.y() * scale - 0.5))
                      .toList();
              double now = standsOut(profiles(path, lightness, size), sign);
              return now > Math.max(CONTRAST, Math.abs(hair.contrast()) / 2);
            })
        .toList();
  }

  /** Skin and backdrop, away from their edges and from features, with 1 inside. */
  private static Plane where(Regions regions, Area area, int level, double size) {
    Plane skin = blurred(regions, SemanticRegion.SKIN, area, level, AREA_EDGE * size);
    Plane backdrop = blurred(regions, SemanticRegion.BACKDROP, area, level, AREA_EDGE * size);
    Plane hair = blurred(regions, SemanticRegion.HAIR, area, level, HAIR_EDGE * size);
    Plane inside = Plane.of(area);
    for (int i = 0; i < inside.values().length; i++) {
      boolean in = skin.values()[i] > 0.95 || backdrop.values()[i] > 0.95;
      inside.values()[i] = in && hair.values()[i] < 0.1 ? 1 : 0;
    }
    Plane near = GaussianBlur.blur(features(regions, area, level), FEATURE_EDGE * size);
    for (int i = 0; i < inside.values().length; i++) {
      if (near.values()[i] > 0.03) {
        inside.values()[i] = 0;
      }
    }
    return inside;
  }

  /** What has lines of its own. */
  private static Plane features(Regions regions, Area area, int level) {
    Plane all = Plane.of(area);
    for (SemanticRegion feature :
        List.of(
            SemanticRegion.LIPS,
            SemanticRegion.TEETH,
            SemanticRegion.SCLERA,
            SemanticRegion.IRIS,
            SemanticRegion.BROWS_LASHES)) {
      Plane one = regions.coverage(feature, area, level);
      for (int i = 0; i < one.values().length; i++) {
        all.values()[i] = Math.max(all.values()[i], one.values()[i]);
      }
    }
    return all;
  }

  private static Plane blurred(
      Regions regions, SemanticRegion region, Area area, int level, double sigma) {
    return GaussianBlur.blur(regions.coverage(region, area, level), sigma);
  }

  // --- ridges

  private List<Hair> hairs() {
    List<Hair> hairs = new ArrayList<>();
    for (int sign : new int[] {-1, 1}) {
      Plane ridges = ridges(sign);
      boolean[] seen = new boolean[ridges.values().length];
      for (int i = 0; i < seen.length; i++) {
        if (ridges.values()[i] > 0 && !seen[i]) {
          hair(component(ridges, i, seen), ridges, sign, hairs);
        }
      }
    }
    hairs.sort(Comparator.comparingDouble(Hair::length).reversed());
    return hairs;
  }

  /** Means along the best piece where they are greatest across it; 0 elsewhere. */
  private Plane ridges(int sign) {
    Area area = line.area();
    Plane ridges = Plane.of(area);
    ParallelRows.each(
        area.width(),
        area.height(),
        (from, to) -> {
          for (int y = area.y() + from; y < area.y() + to; y++) {
            for (int x = area.x(); x < area.x() + area.width(); x++) {
              int i = line.index(x, y);
              double least = Math.max(GOES_ON, texture.values()[i]);
              boolean high =
                  sign * line.values()[i] > Math.max(GOES_ON, HIGH * texture.values()[i]);
              if (where.values()[i] > 0 && high) {
                ridges.values()[i] = (float) ridge(x, y, sign, least);
              }
            }
          }
        });
    return ridges;
  }

  private double ridge(int x, int y, int sign, double least) {
    int near = roughly(x, y, sign);
    int along = near;
    double best = 0;
    for (int turn = near - 1; turn <= near + 1; turn++) {
      int d = Math.floorMod(turn, DIRECTIONS);
      double mean = sign * pieces[d].mean(line, x, y);
      if (mean > best) {
        best = mean;
        along = d;
      }
    }
    if (best < least) {
      return 0;
    }
    for (int offset = -2; offset <= 2; offset++) {
      double ox = x - offset * size * dy[along];
      double oy = y + offset * size * dx[along];
      if (offset != 0 && sign * pieces[along].mean(line, ox, oy) > best) {
        return 0;
      }
    }
    return best;
  }

  /** The best of every other direction, by every third sample. */
  private int roughly(int x, int y, int sign) {
    double best = 0;
    int along = 0;
    for (int d = 0; d < DIRECTIONS; d += 2) {
      double mean = sign * rough[d].mean(line, x, y);
      if (mean > best) {
        best = mean;
        along = d;
      }
    }
    return along;
  }

  // --- what is joined

  /** Indices of all that touches, in the order they are come to. */
  private static List<Integer> component(Plane ridges, int first, boolean[] seen) {
    List<Integer> found = new ArrayList<>();
    Deque<Integer> open = new ArrayDeque<>(List.of(first));
    seen[first] = true;
    int w = ridges.width();
    while (!open.isEmpty()) {
      int i = open.poll();
      found.add(i);
      for (int next : around(i, w, ridges.values().length)) {
        if (!seen[next] && ridges.values()[next] > 0) {
          seen[next] = true;
          open.add(next);
        }
      }
    }
    return found;
  }

  private static int[] around(int i, int w, int count) {
    int[] next = new int[8];
    int n = 0;
    for (int v = -1; v <= 1; v++) {
      for (int u = -1; u <= 1; u++) {
        int k = i + v * w + u;
        boolean sameRow = i % w + u >= 0 && i % w + u < w;
        if ((u != 0 || v != 0) && sameRow && k >= 0 && k < count) {
          next[n++] = k;
        }
      }
    }
    return Arrays.copyOf(next, n);
  }

  private void hair(List<Integer> ridge, Plane ridges, int sign, List<Hair> hairs) {
    if (ridge.size() < SHORTEST * size / 2) {
      return;
    }
    List<Integer> way = longest(ridge, ridges);
    double middle = median(way, ridges);
    List<Point> path = path(way);
    if (length(path) < SHORTEST * size
        || middle < STANDS_OUT
        || middle < DISTINCT * median(way, texture)
        || !isNarrow(path, sign)) {
      return;
    }
    List<Point> there =
        path.stream()
            .map(p -> new Point((p.x() + 0.5) * toPhotograph, (p.y() + 0.5) * toPhotograph))
            .toList();
    hairs.add(new Hair(there, sign * contrast(path, sign)));
  }

  private static double median(List<Integer> way, Plane of) {
    return RobustStatistics.interpolated(
        way.stream().map(i -> (double) of.values()[i]).toList(), 0.5);
  }

  /** The longest way within a ridge: from the farthest of any to the farthest of that. */
  private static List<Integer> longest(List<Integer> ridge, Plane ridges) {
    List<Integer> there = way(ridge.getFirst(), ridges);
    return way(there.getLast(), ridges);
  }

  private static List<Integer> way(int start, Plane ridges) {
    Map<Integer, Integer> from = new HashMap<>();
    from.put(start, start);
    Deque<Integer> open = new ArrayDeque<>(List.of(start));
    int last = start;
    while (!open.isEmpty()) {
      last = open.poll();
      for (int next : around(last, ridges.width(), ridges.values().length)) {
        if (ridges.values()[next] > 0 && from.putIfAbsent(next, last) == null) {
          open.add(next);
        }
      }
    }
    List<Integer> back = new ArrayList<>(List.of(last));
    int at = last;
    while (at != start) {
      at = from.getOrDefault(at, start);
      back.add(at);
    }
    return back.reversed();
  }

  /** Points along a way, each the mean of those about it. */
  private List<Point> path(List<Integer> way) {
    Area area = line.area();
    List<Point> path = new ArrayList<>();
    for (int k = 0; k < way.size(); k += STRIDE) {
      int low = Math.max(0, k - STRIDE / 2);
      int high = Math.min(way.size(), k + STRIDE / 2 + 1);
      double x = 0;
      double y = 0;
      for (int i : way.subList(low, high)) {
        x += area.x() + i % area.width();
        y += area.y() + i / area.width();
      }
      path.add(new Point(x / (high - low), y / (high - low)));
    }
    return path;
  }

  private static double length(List<Point> path) {
    return new Hair(path, 0).length();
  }

  // --- its profile

  /** Whether both sides are alike and what is seen is no wider than a hair. */
  private boolean isNarrow(List<Point> path, int sign) {
    List<double[]> profiles = profiles(path);
    if (profiles.isEmpty()) {
      return false;
    }
    double contrast = contrast(path, sign);
    double step = median(profiles.stream().map(p -> Math.abs(side(p, -1) - side(p, 1))).toList());
    double beside = median(profiles.stream().map(p -> sign * beside(p)).toList());
    return contrast >= CONTRAST && step < MOST_STEP * contrast && beside < MOST_WIDTH * contrast;
  }

  private double contrast(List<Point> path, int sign) {
    return standsOut(profiles(path), sign);
  }

  private static double standsOut(List<double[]> profiles, int sign) {
    return median(profiles.stream().map(p -> sign * middle(p, sign)).toList());
  }

  private static double median(List<Double> values) {
    return RobustStatistics.interpolated(values, 0.5);
  }

  private List<double[]> profiles(List<Point> path) {
    return profiles(path, lightness, size);
  }

  /** Lightness across the path, from one side to the other. */
  private static List<double[]> profiles(List<Point> path, Plane lightness, double size) {
    List<double[]> profiles = new ArrayList<>();
    int stride = Math.max(1, path.size() / SECTIONS);
    for (int i = 1; i < path.size() - 1; i += stride) {
      Point before = path.get(i - 1);
      Point after = path.get(i + 1);
      double length = Math.max(1e-9, before.distance(after));
      double nx = -(after.y() - before.y()) / length;
      double ny = (after.x() - before.x()) / length;
      double[] profile = new double[2 * REACH + 1];
      for (int k = -REACH; k <= REACH; k++) {
        profile[k + REACH] =
            lightness.sample(path.get(i).x() + k * size * nx, path.get(i).y() + k * size * ny);
      }
      profiles.add(profile);
    }
    return profiles;
  }

  /** Mean of one side, from four to six pixels away. */
  private static double side(double[] profile, int sign) {
    return (profile[REACH + 4 * sign] + profile[REACH + 5 * sign] + profile[REACH + 6 * sign]) / 3;
  }

  private static double sides(double[] profile) {
    return (side(profile, -1) + side(profile, 1)) / 2;
  }

  /** The line itself against both sides. */
  private static double middle(double[] profile, int sign) {
    double most = sign * profile[REACH];
    for (int k = -1; k <= 1; k++) {
      most = Math.max(most, sign * profile[REACH + k]);
    }
    return sign * most - sides(profile);
  }

  private static double beside(double[] profile) {
    return (profile[REACH - BESIDE_IT] + profile[REACH + BESIDE_IT]) / 2 - sides(profile);
  }
}
