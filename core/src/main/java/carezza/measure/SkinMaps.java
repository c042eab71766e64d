package carezza.measure;

import java.util.Arrays;

import org.jspecify.annotations.Nullable;

import carezza.colour.WorkingSpace;
import carezza.filter.GaussianBlur;
import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.Regions;
import carezza.model.SemanticRegion;

/**
 * The skin of the faces as optical densities, natural logarithms of linear light: differences of
 * them are free of exposure, and of shading where they are differences of colours.
 *
 * @param redness ln R − ln G: rises with blood on light and deep skin alike
 * @param red −ln R: what melanin and shadow take and blood hardly does
 * @param green −ln G
 * @param blue −ln B
 * @param grain how far green light strays from its mean over a five-hundredth of the face
 * @param face where the face's skin is, 0 or 1
 * @param skin where it is that for sure, 0 or 1
 * @param faceWidth in pixels of these planes
 */
record SkinMaps(
    Plane redness,
    Plane red,
    Plane green,
    Plane blue,
    Plane grain,
    Plane face,
    Plane skin,
    double faceWidth) {

  /** Standard deviations over which a place and what surrounds it are read, in its radii. */
  static final double INNER = 0.55;

  static final double OUTER = 1.6;

  /** Places on a circle. */
  private static final int RING = 48;

  /** Places to each side on a circle that one is held against. */
  private static final int BESIDE = 6;

  /** Radii of a place at which its surroundings are read. */
  private static final double HALO_AROUND = 3.2;

  /** Share of a place's redness that does not count as its halo any more. */
  private static final double HALO_LEFT = 0.06;

  private static final double HALO_STEP = 0.1;
  private static final double MOST_HALO = 2.6;

  /** Difference of density that is none. */
  private static final double NOTHING = 1e-3;

  /**
   * Share of a place's redness that its halo falls by within two steps: what falls less is the skin
   * around.
   */
  private static final double HALO_FALL = 0.03;

  /** Density by which a dark place stands out more than what lies on the spot itself. */
  private static final double DARKER = 0.1;

  private static final float DARKEST_LIGHT = 2e-3f;

  /** Density of red light below which it may be clipped, and redness is none. */
  private static final float CLIPPED = 0.01f;

  /** Coverage from which a pixel is skin. */
  private static final float IS_SKIN = 0.45f;

  /**
   * The face's part fades out at its rim; skin goes on from there while this much of it is near.
   */
  private static final double NEAR_FACE = 0.05;

  /**
   * Share of the surrounding lightness below which it is nostril, fold or hair, as a difference of
   * density.
   */
  private static final double DARK = -Math.log(0.6) * 2.2;

  /** Shares of the face width. */
  private static final double GRAIN = 1 / 500.0;

  private static final double SMALL = 1 / 200.0;
  private static final double BROAD = 1 / 9.0;
  private static final double MARGIN = 0.08;

  /**
   * @param working a level of the whole picture on which the face is {@code faceWidth} pixels wide
   */
  static SkinMaps of(Picture working, Regions regions, int level, double faceWidth) {
    Plane covered = regions.coverage(SemanticRegion.FACE_SKIN, working.area(), level);
    Area area =
        covered.covered().grow((int) Math.ceil(MARGIN * faceWidth)).intersect(working.area());
    Picture light = WorkingSpace.toLinearSrgb(working.crop(area));
    Plane red = density(light.first());
    Plane green = density(light.second());
    Plane redness = green.minus(red);
    Plane grain = green.minus(GaussianBlur.blur(green, faceWidth * GRAIN));
    for (int i = 0; i < grain.values().length; i++) {
      grain.values()[i] = Math.abs(grain.values()[i]);
    }
    Plane all = thresholded(regions.coverage(SemanticRegion.SKIN, area, level), IS_SKIN);
    Plane near = GaussianBlur.blur(covered.crop(area), faceWidth * 0.01);
    Plane face = all.times(thresholded(near, NEAR_FACE));
    Plane skin = sure(all, face, features(regions, area, level), green, faceWidth);
    for (int i = 0; i < skin.values().length; i++) {
      if (red.values()[i] < CLIPPED) {
        skin.values()[i] = 0;
      }
    }
    return new SkinMaps(redness, red, green, density(light.third()), grain, face, skin, faceWidth);
  }

  private static Plane density(Plane light) {
    Plane density = Plane.of(light.area());
    int w = light.width();
    ParallelRows.each(
        w,
        light.height(),
        (from, to) -> {
          for (int i = from * w; i < to * w; i++) {
            density.values()[i] = (float) -Math.log(Math.max(DARKEST_LIGHT, light.values()[i]));
          }
        });
    return density;
  }

  private static Plane thresholded(Plane plane, double limit) {
    Plane above = Plane.of(plane.area());
    for (int i = 0; i < above.values().length; i++) {
      above.values()[i] = plane.values()[i] > limit ? 1 : 0;
    }
    return above;
  }

  private static Plane features(Regions regions, Area area, int level) {
    Plane features = Plane.of(area);
    for (SemanticRegion r :
        new SemanticRegion[] {
          SemanticRegion.LIPS,
          SemanticRegion.TEETH,
          SemanticRegion.SCLERA,
          SemanticRegion.IRIS,
          SemanticRegion.BROWS_LASHES
        }) {
      Plane own = regions.coverage(r, area, level);
      for (int i = 0; i < own.values().length; i++) {
        features.values()[i] = Math.max(features.values()[i], own.values()[i]);
      }
    }
    return features;
  }

  /** The face, away from eyes, mouth, brows, the outline of the skin, and from all that is dark. */
  private static Plane sure(Plane all, Plane face, Plane features, Plane green, double faceWidth) {
    Plane calm = GaussianBlur.blur(green, faceWidth * SMALL);
    Plane dark =
        thresholded(calm.minus(GaussianBlur.normalised(green, face, faceWidth * BROAD)), DARK);
    Plane nearFeatures = GaussianBlur.blur(features, faceWidth * 0.02);
    Plane nearDark = GaussianBlur.blur(dark, faceWidth * 0.018);
    Plane inside = GaussianBlur.blur(all, faceWidth * 0.0035);
    Plane skin = Plane.of(face.area());
    for (int i = 0; i < skin.values().length; i++) {
      boolean sure =
          face.values()[i] > 0
              && inside.values()[i] > 0.9
              && nearFeatures.values()[i] < 0.035
              && nearDark.values()[i] < 0.04;
      skin.values()[i] = sure ? 1 : 0;
    }
    return skin;
  }

  /** How much a map lies above its surroundings over a disc of a radius, of sure skin alone. */
  Plane rise(Plane map, double radius) {
    return GaussianBlur.normalised(map, skin, INNER * radius)
        .minus(GaussianBlur.normalised(map, skin, OUTER * radius));
  }

  /** The same at one pixel. */
  double rise(Plane map, int x, int y, double radius) {
    return mean(map, skin, x, y, INNER * radius) - mean(map, skin, x, y, OUTER * radius);
  }

  /**
   * How far the redness of a place goes: to where a ring around it is hardly redder than what lies
   * farther out, or no less red than the next. A repair that ends within its halo leaves a rim. It
   * stops before anything small and dark, which may be the person's own.
   *
   * @param least that it goes in any case, in pixels
   */
  double halo(int x, int y, double least) {
    double around = ring(x, y, HALO_AROUND * least);
    double middle = mean(redness, skin, x, y, least / 2) - around;
    if (middle < NOTHING) {
      return least;
    }
    double dark = darkest(x, y, least);
    double radius = least;
    double step = HALO_STEP * least;
    while (radius < MOST_HALO * least) {
      double here = ring(x, y, radius);
      if (here - around <= HALO_LEFT * middle
          || here - ring(x, y, radius + 2 * step) < HALO_FALL * middle) {
        break;
      }
      radius += step;
      if (darkest(x, y, radius) > dark + DARKER) {
        return Math.max(least, radius - 2 * step);
      }
    }
    return radius;
  }

  /**
   * How far the darkest skin on a circle stands out of what lies beside it on the circle, in
   * density of red light: shading, which changes slowly, does not stand out.
   */
  private double darkest(int x, int y, double radius) {
    double[] densities = new double[RING];
    for (int i = 0; i < RING; i++) {
      double angle = 2 * Math.PI * i / RING;
      int u = (int) Math.round(x + radius * Math.cos(angle));
      int v = (int) Math.round(y + radius * Math.sin(angle));
      boolean there = red.area().contains(u, v) && skin.at(u, v) > 0;
      densities[i] = there ? red.at(u, v) : Double.NaN;
    }
    double most = 0;
    double[] beside = new double[2 * BESIDE + 1];
    for (int i = 0; i < RING; i++) {
      int n = 0;
      for (int k = -BESIDE; k <= BESIDE; k++) {
        double density = densities[Math.floorMod(i + k, RING)];
        if (!Double.isNaN(density)) {
          beside[n++] = density;
        }
      }
      if (!Double.isNaN(densities[i]) && n > BESIDE) {
        Arrays.sort(beside, 0, n);
        most = Math.max(most, densities[i] - beside[n / 2]);
      }
    }
    return most;
  }

  /** Mean redness of the skin on a circle. */
  private double ring(int x, int y, double radius) {
    double sum = 0;
    double weight = 0;
    for (int i = 0; i < RING; i++) {
      double angle = 2 * Math.PI * i / RING;
      int u = (int) Math.round(x + radius * Math.cos(angle));
      int v = (int) Math.round(y + radius * Math.sin(angle));
      if (redness.area().contains(u, v)) {
        sum += skin.at(u, v) * redness.at(u, v);
        weight += skin.at(u, v);
      }
    }
    return weight > 0 ? sum / weight : redness.at(x, y);
  }

  /** Density of green light at a pixel against the face around it. */
  double darkness(int x, int y) {
    return mean(green, null, x, y, SMALL * faceWidth) - mean(green, face, x, y, BROAD * faceWidth);
  }

  /** Density of red light over {@code sigma} of sure skin against the face around it. */
  double shade(int x, int y, double sigma) {
    return mean(red, skin, x, y, sigma) - mean(red, face, x, y, BROAD * faceWidth);
  }

  /** Share of a Gaussian around a pixel that is sure skin. */
  double share(int x, int y, double sigma) {
    return mean(skin, null, x, y, sigma);
  }

  /**
   * Lesser over greater curvature of a map smoothed by {@code sigma}, 0 … 1, 0 where it is no top.
   */
  double roundness(Plane map, int x, int y, double sigma) {
    double[][] r = new double[3][3];
    for (int dy = -1; dy <= 1; dy++) {
      for (int dx = -1; dx <= 1; dx++) {
        r[dy + 1][dx + 1] = mean(map, skin, x + dx, y + dy, sigma);
      }
    }
    double xx = r[1][0] - 2 * r[1][1] + r[1][2];
    double yy = r[0][1] - 2 * r[1][1] + r[2][1];
    double xy = (r[2][2] - r[2][0] - r[0][2] + r[0][0]) / 4;
    double half = Math.hypot((xx - yy) / 2, xy);
    double greater = (xx + yy) / 2 - half;
    double lesser = (xx + yy) / 2 + half;
    return greater < 0 ? Math.clamp(lesser / greater, 0, 1) : 0;
  }

  /**
   * Mean around one pixel, weighted by a Gaussian and by {@code weights}, where there are any;
   * outside of the area nothing counts.
   */
  static double mean(Plane map, @Nullable Plane weights, int x, int y, double sigma) {
    int step = Math.max(1, (int) (sigma / 5));
    int reach = (int) Math.ceil(3 * sigma / step) * step;
    double sum = 0;
    double weight = 0;
    for (int dy = -reach; dy <= reach; dy += step) {
      for (int dx = -reach; dx <= reach; dx += step) {
        if (map.area().contains(x + dx, y + dy)) {
          double g = Math.exp(-0.5 * (dx * dx + dy * dy) / (sigma * sigma));
          g *= weights == null ? 1 : weights.at(x + dx, y + dy);
          sum += g * map.at(x + dx, y + dy);
          weight += g;
        }
      }
    }
    return weight > 0 ? sum / weight : map.at(x, y);
  }
}
