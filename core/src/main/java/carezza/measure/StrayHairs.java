package carezza.measure;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

import carezza.colour.Lab;
import carezza.filter.GaussianBlur;
import carezza.image.Area;
import carezza.image.Level;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.line.LineProfile;
import carezza.line.LineRidges;
import carezza.line.RidgeWay;
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

  /** How far hairs are looked for from what has lines of its own, and from the skin's edge. */
  private static final double FEATURE_EDGE = 10;

  private static final double AREA_EDGE = 3;
  private static final double HAIR_EDGE = 3;

  /** L* of the mean along a ridge, and times that it stands out of the texture around. */
  private static final double STANDS_OUT = 1.3;

  private static final double DISTINCT = 2.2;

  private static final double SHORTEST = 50;

  /** L* of the line against its sides. */
  private static final double CONTRAST = 3;

  /** Most of that which the sides may differ by, and which is left close beside it. */
  private static final double MOST_STEP = 0.5;

  private static final double MOST_WIDTH = 0.3;

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
  private final LineRidges ridges;

  private StrayHairs(Picture working, Plane where, double size, double toPhotograph) {
    this.size = size;
    this.toPhotograph = toPhotograph;
    lightness = Lab.lightness(working);
    ridges = new LineRidges(lightness, size, where);
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
              double now = new LineProfile(path, lightness, size).contrast(sign);
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

  // --- hairs

  private List<Hair> hairs() {
    List<Hair> hairs = new ArrayList<>();
    for (int sign : new int[] {-1, 1}) {
      Plane found = ridges.of(sign);
      for (RidgeWay way : RidgeWay.of(found, SHORTEST * size / 2)) {
        double height = way.median(found);
        if (height >= STANDS_OUT && height >= DISTINCT * way.median(ridges.texture())) {
          hair(way.path(), sign).ifPresent(hairs::add);
        }
      }
    }
    hairs.sort(Comparator.comparingDouble(Hair::length).reversed());
    return hairs;
  }

  /** What a line in pixels of this picture is, if it is long and narrow. */
  private Optional<Hair> hair(List<Point> path, int sign) {
    if (new Hair(path, 0).length() < SHORTEST * size) {
      return Optional.empty();
    }
    LineProfile profile = new LineProfile(path, lightness, size);
    if (profile.isEmpty() || !isNarrow(profile, sign)) {
      return Optional.empty();
    }
    List<Point> there =
        path.stream()
            .map(p -> new Point((p.x() + 0.5) * toPhotograph, (p.y() + 0.5) * toPhotograph))
            .toList();
    return Optional.of(new Hair(there, sign * profile.contrast(sign)));
  }

  /** Whether both sides are alike and what is seen is no wider than a hair. */
  private static boolean isNarrow(LineProfile profile, int sign) {
    double contrast = profile.contrast(sign);
    return contrast >= CONTRAST
        && profile.step() < MOST_STEP * contrast
        && profile.width(sign) < MOST_WIDTH * contrast;
  }
}
