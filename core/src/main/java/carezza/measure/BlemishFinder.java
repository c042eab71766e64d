package carezza.measure;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

import carezza.colour.WorkingSpace;
import carezza.filter.GaussianBlur;
import carezza.filter.Robust;
import carezza.image.Area;
import carezza.image.Level;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.Regions;
import carezza.measure.Blemish.Kind;
import carezza.model.FaceMap;
import carezza.model.Region;

/**
 * Proposes blemishes: places of the face's skin that are redder than what surrounds them, at five sizes. Redness
 * is the difference of optical density of green and red light, ln R − ln G, which shading leaves alone and
 * which tells blood from melanin on light and deep skin alike. What takes red light as well is brown: a mark
 * of the person's own if it is small, a fold or a shadow if not. Marks stand out in lightness at the smallest
 * size, too.
 */
public final class BlemishFinder {

  /** Face width in pixels that is looked at, where the photograph has as many. */
  private static final double FACE_WIDTH = 800;

  /** Radii looked for, as shares of the face width. */
  private static final double[] RADII = {0.009, 0.0125, 0.0175, 0.024, 0.033};

  private static final double INNER = 0.55;
  private static final double OUTER = 1.6;

  /** What is found at a radius reaches about this much further. */
  private static final double REACH = 1.8;

  /**
   * Spreads of this skin between which lies the limit from which a place is proposed. Where in between,
   * the skin says itself: places that are as much less red than around them are none, so their number
   * tells how many of the redder ones are none either.
   */
  private static final double LEAST_RED = 3.8;

  private static final double MOST_RED = 5.5;
  private static final double RED_STEP = 0.05;

  /** Most of the less red places to a redder one, above the limit. */
  private static final double FALSE_SHARE = 0.3;

  /** Spreads by which a mark is dark. */
  private static final double DARKER = 10;

  /** Share of the surrounding lightness below which it is nostril, fold or hair. */
  private static final double DARK = 0.6;

  /** Most darkening in red light for redness, on light skin, and its rise with the skin's own density. */
  private static final double PIGMENT_LIGHT = 0.65;

  private static final double PIGMENT_DEEPER = 0.2;

  /** What is brown and larger than this share of the face width is a fold or a shadow. */
  private static final double MARK_RADIUS = 0.025;

  private static final float DARKEST_LIGHT = 2e-3f;

  private final double faceWidth;
  private final double scale;
  private final Plane skin;

  private BlemishFinder(double faceWidth, double scale, Plane skin) {
    this.faceWidth = faceWidth;
    this.scale = scale;
    this.skin = skin;
  }

  /** The level of the photograph that {@link #find} wants. */
  public static int level(FaceMap faces) {
    return Level.forZoom(Math.min(1, FACE_WIDTH / faces.faceWidth()));
  }

  /**
   * @param working the whole picture at {@link #level}
   * @param sensitivity 1 as usual; 2 proposes what stands out half as far
   * @return the surest first
   */
  public static List<Blemish> find(Picture working, Regions regions, double sensitivity) {
    FaceMap faces = regions.faces().orElse(null);
    if (faces == null) {
      return List.of();
    }
    int level = level(faces);
    double fw = faces.faceWidth() * Level.scale(level);
    Picture light = WorkingSpace.toLinearSrgb(working);
    Plane redness = Plane.of(working.area());
    Plane density = Plane.of(working.area());
    Plane pigment = Plane.of(working.area());
    for (int i = 0; i < redness.values().length; i++) {
      double r = Math.max(DARKEST_LIGHT, light.first().values()[i]);
      double g = Math.max(DARKEST_LIGHT, light.second().values()[i]);
      redness.values()[i] = (float) (Math.log(r) - Math.log(g));
      density.values()[i] = (float) -Math.log(g);
      pigment.values()[i] = (float) -Math.log(r);
    }
    Plane skin = sureSkin(regions, density, working.area(), level, fw);
    BlemishFinder finder = new BlemishFinder(fw, Level.scale(level), skin);
    double most = PIGMENT_LIGHT + PIGMENT_DEEPER * Robust.median(pigment, skin);
    List<Blemish> found = new ArrayList<>();
    finder.stand(
        redness, RADII, LEAST_RED / sensitivity, Kind.TEMPORARY, new Pigment(pigment, most), found);
    List<Blemish> dark = new ArrayList<>();
    finder.stand(density, new double[] {RADII[0] / 2}, DARKER / sensitivity, Kind.MARK, null, dark);
    // Single hairs at the hairline are dark, too; a mark has skin on all sides.
    Plane deep = GaussianBlur.blur(skin, fw * 0.025);
    for (Blemish mark : dark) {
      int x = (int) (mark.x() * Level.scale(level));
      int y = (int) (mark.y() * Level.scale(level));
      if (deep.at(x, y) > 0.9 && found.stream().noneMatch(b -> near(b, mark))) {
        found.add(mark);
      }
    }
    return found;
  }

  private static boolean near(Blemish one, Blemish other) {
    return Math.hypot(one.x() - other.x(), one.y() - other.y())
        < Math.max(one.radius(), other.radius());
  }

  /** Skin of the face, away from eyes, mouth, brows, outline, and from all that is dark. */
  private static Plane sureSkin(Regions regions, Plane density, Area area, int level, double fw) {
    Plane face = regions.coverage(Region.FACE_SKIN, area, level).copy();
    Plane features = Plane.of(area);
    for (Region r :
        new Region[] {Region.LIPS, Region.TEETH, Region.SCLERA, Region.IRIS, Region.BROWS_LASHES}) {
      Plane own = regions.coverage(r, area, level);
      for (int i = 0; i < own.values().length; i++) {
        features.values()[i] = Math.max(features.values()[i], own.values()[i]);
      }
    }
    Plane around = GaussianBlur.normalised(density, face, fw / 9);
    Plane calm = GaussianBlur.blur(density, fw / 200);
    Plane dark = Plane.of(area);
    double drop = -Math.log(DARK) * 2.2;
    for (int i = 0; i < dark.values().length; i++) {
      dark.values()[i] = calm.values()[i] - around.values()[i] > drop ? 1 : 0;
    }
    Plane nearFeatures = GaussianBlur.blur(features, fw * 0.02);
    Plane nearDark = GaussianBlur.blur(dark, fw * 0.018);
    Plane inside = GaussianBlur.blur(face, fw * 0.02);
    Plane skin = Plane.of(area);
    for (int i = 0; i < skin.values().length; i++) {
      boolean sure =
          inside.values()[i] > 0.9
              && nearFeatures.values()[i] < 0.02
              && nearDark.values()[i] < 0.04;
      skin.values()[i] = sure ? 1 : 0;
    }
    return skin;
  }

  /** Adds the places that stand out of a map, none within another. */
  private void stand(
      Plane map, double[] radii, double least, Kind kind, Pigment pigment, List<Blemish> found) {
    Plane best = Plane.filled(map.area(), -1);
    Plane opposite = Plane.filled(map.area(), -1);
    Plane size = Plane.of(map.area());
    Plane browner = Plane.of(map.area());
    for (double share : radii) {
      double r = share * faceWidth;
      Plane rise = rise(map, r);
      Plane brown = pigment == null ? null : rise(pigment.map(), r);
      double sigma = Math.max(1e-6, Robust.sigma(rise, skin));
      for (int i = 0; i < rise.values().length; i++) {
        float z = (float) (rise.values()[i] / sigma);
        if (skin.values()[i] > 0 && -z > opposite.values()[i]) {
          opposite.values()[i] = -z;
        }
        if (skin.values()[i] > 0 && z > best.values()[i]) {
          best.values()[i] = z;
          size.values()[i] = (float) r;
          browner.values()[i] =
              brown == null ? 0 : brown.values()[i] / Math.max(1e-6f, rise.values()[i]);
        }
      }
    }
    List<Blemish> peaks = peaks(best, size, least, kind);
    if (pigment != null) {
      double limit = limit(peaks, peaks(opposite, size, least, kind), least);
      peaks.removeIf(b -> spreads(b, least) < limit);
      peaks.replaceAll(b -> told(b, browner, pigment.most()));
      peaks.removeIf(b -> b.kind() == Kind.MARK && b.radius() * scale > MARK_RADIUS * faceWidth);
    }
    peaks.sort(Comparator.comparingDouble(Blemish::confidence).reversed());
    for (Blemish peak : peaks) {
      if (found.stream().noneMatch(b -> near(b, peak))) {
        found.add(peak);
      }
    }
  }

  /** The least number of spreads above which few enough places stand out the other way. */
  private static double limit(List<Blemish> redder, List<Blemish> lessRed, double least) {
    double limit = MOST_RED;
    double scale = least / LEAST_RED;
    while (limit > LEAST_RED
        && count(lessRed, least, (limit - RED_STEP) * scale)
            <= FALSE_SHARE * count(redder, least, (limit - RED_STEP) * scale)) {
      limit -= RED_STEP;
    }
    return limit * scale;
  }

  private static long count(List<Blemish> peaks, double least, double limit) {
    return peaks.stream().filter(b -> spreads(b, least) >= limit).count();
  }

  /** By how many spreads a place stands out, of how sure it is: z / (z + least). */
  private static double spreads(Blemish b, double least) {
    return least * b.confidence() / (1 - b.confidence());
  }

  private Plane rise(Plane map, double r) {
    Plane rise = GaussianBlur.normalised(map, skin, INNER * r);
    Plane outer = GaussianBlur.normalised(map, skin, OUTER * r);
    for (int i = 0; i < rise.values().length; i++) {
      rise.values()[i] -= outer.values()[i];
    }
    return rise;
  }

  /** A mark, if it takes more of the red light as well than blood would. */
  private Blemish told(Blemish b, Plane browner, double most) {
    return browner.at((int) (b.x() * scale), (int) (b.y() * scale)) < most
        ? b
        : new Blemish(b.x(), b.y(), b.radius(), Kind.MARK, b.confidence());
  }

  /**
   * How dark places are in red light, which melanin and shadow take and blood leaves.
   *
   * @param most rise of it, as a share of that of redness, that a blemish has
   */
  private record Pigment(Plane map, double most) {}

  private List<Blemish> peaks(Plane best, Plane size, double least, Kind kind) {
    Area area = best.area();
    List<Blemish> peaks = new ArrayList<>();
    for (int y = 1; y < area.height() - 1; y++) {
      for (int x = 1; x < area.width() - 1; x++) {
        int i = y * area.width() + x;
        float z = best.values()[i];
        if (z < least || !highest(best.values(), i, area.width())) {
          continue;
        }
        peaks.add(
            new Blemish(
                (area.x() + x + 0.5) / scale,
                (area.y() + y + 0.5) / scale,
                REACH * size.values()[i] / scale,
                kind,
                z / (z + least)));
      }
    }
    return peaks;
  }

  private static boolean highest(float[] v, int i, int width) {
    for (int dy = -1; dy <= 1; dy++) {
      for (int dx = -1; dx <= 1; dx++) {
        if (v[i + dy * width + dx] > v[i]) {
          return false;
        }
      }
    }
    return true;
  }
}
