package carezza.measure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

import carezza.filter.RobustStatistics;
import carezza.image.Area;
import carezza.image.Plane;

/**
 * Places of sure skin that are redder than what surrounds them, at five sizes, and what they look
 * like.
 */
final class RednessCandidates {

  /** Radii looked for, as shares of the face width. */
  private static final double[] RADII = {0.009, 0.0125, 0.0175, 0.024, 0.033};

  /** Radius at which marks stand out, as a share of the face width. */
  static final double SMALLEST = RADII[0] / 2;

  /** What is found at a radius reaches about this much further. */
  static final double REACH = 1.8;

  /**
   * How far from the middle of what is red something dark may lie, as a share of the face width.
   */
  private static final double BESIDE = 0.005;

  /**
   * Redness of more spreads is a blemish's own and says nothing of how uneven its surroundings are.
   */
  private static final double UNREST_SPREADS = 2.5;

  /** What blood takes of blue light more than of red, as a share of its redness. */
  private static final double BLOOD = 0.9;

  /** Added to a mean strength of grain, so that none is divided by none. */
  private static final double LEAST_GRAIN = 1e-4;

  /** Standard deviations over which grain, shade and unrest are read, in radii. */
  private static final double GRAIN_WITHIN = 0.7;

  private static final double AROUND = 2.5;
  private static final double FAR_AROUND = 4;

  private final SkinMaps maps;

  /** How far redness stands out at each of the radii, in spreads, and the squares of that. */
  private final List<Plane> spreads;

  private final List<Plane> squares;

  /** How far density in red light stands out at the smallest size, in spreads. */
  private final Plane dark;

  /** A pixel higher than its neighbours. */
  record Peak(int x, int y, double height) {}

  /**
   * What stands out at a pixel.
   *
   * @param radius in pixels of the level
   * @param spreads by which it is redder
   * @param brown rise of density in red light, as a share of that of redness
   * @param blue the same in blue light
   * @param smallDark most spreads by which something in it is dark at the smallest size, as a share
   *     of those of redness
   */
  record Place(
      int x,
      int y,
      double radius,
      double spreads,
      double brown,
      double blue,
      double smallDark,
      BlemishFeatures traits) {}

  RednessCandidates(SkinMaps maps) {
    this.maps = maps;
    spreads =
        Arrays.stream(RADII)
            .parallel()
            .mapToObj(share -> inSpreads(maps.redness(), share * maps.faceWidth()))
            .toList();
    squares = spreads.stream().map(RednessCandidates::squares).toList();
    dark = inSpreads(maps.red(), SMALLEST * maps.faceWidth());
  }

  /** Pixels that are dark at the smallest size by at least as many spreads. */
  List<Peak> dark(double least) {
    return peaks(dark, least);
  }

  private Plane inSpreads(Plane map, double radius) {
    Plane rise = maps.rise(map, radius);
    double sigma = Math.max(1e-6, RobustStatistics.sigma(rise, maps.skin()));
    for (int i = 0; i < rise.values().length; i++) {
      rise.values()[i] /= (float) sigma;
    }
    return rise;
  }

  private static Plane squares(Plane z) {
    Plane squares = Plane.of(z.area());
    for (int i = 0; i < squares.values().length; i++) {
      double v = Math.min(z.values()[i], UNREST_SPREADS);
      squares.values()[i] = (float) (v * v);
    }
    return squares;
  }

  /** Places that are redder by at least as many spreads, none within another, the reddest first. */
  List<Place> find(double least) {
    Plane best = Plane.filled(maps.skin().area(), -1);
    int[] size = new int[best.values().length];
    for (int s = 0; s < RADII.length; s++) {
      float[] z = spreads.get(s).values();
      for (int i = 0; i < z.length; i++) {
        if (maps.skin().values()[i] > 0 && z[i] > best.values()[i]) {
          best.values()[i] = z[i];
          size[i] = s;
        }
      }
    }
    List<Peak> peaks = peaks(best, least);
    peaks.sort(Comparator.comparingDouble(Peak::height).reversed());
    List<Place> places = new ArrayList<>();
    for (Peak p : peaks) {
      double radius = RADII[size[best.index(p.x(), p.y())]] * maps.faceWidth();
      if (places.stream()
          .noneMatch(
              o ->
                  Math.hypot(o.x() - p.x(), o.y() - p.y())
                      < REACH * Math.max(o.radius(), radius))) {
        places.add(look(p, size[best.index(p.x(), p.y())], radius));
      }
    }
    return places;
  }

  private Place look(Peak p, int size, double radius) {
    int x = p.x();
    int y = p.y();
    double rise = maps.rise(maps.redness(), x, y, radius);
    double brown = maps.rise(maps.red(), x, y, radius) / rise;
    double blue = maps.rise(maps.blue(), x, y, radius) / rise;
    double blood = Math.clamp(blue - brown, -1, 3) - BLOOD;
    Plane skin = maps.skin();
    double within = SkinMaps.mean(maps.grain(), skin, x, y, GRAIN_WITHIN * radius);
    double around = SkinMaps.mean(maps.grain(), skin, x, y, AROUND * radius);
    double grain = Math.log((within + LEAST_GRAIN) / (around + LEAST_GRAIN));
    double unrest = Math.sqrt(SkinMaps.mean(squares.get(size), skin, x, y, FAR_AROUND * radius));
    BlemishFeatures traits =
        new BlemishFeatures(
            Math.log(p.height()),
            maps.roundness(maps.redness(), x, y, SkinMaps.INNER * radius),
            blood * blood,
            Math.clamp(maps.darkness(x, y), -0.5, 1),
            Math.clamp(grain, -1, 1),
            maps.share(x, y, SkinMaps.OUTER * radius),
            Math.log(unrest),
            Math.clamp(maps.shade(x, y, AROUND * radius), -0.5, 1));
    return new Place(x, y, radius, p.height(), brown, blue, darkest(x, y) / p.height(), traits);
  }

  private double darkest(int x, int y) {
    int beside = (int) (BESIDE * maps.faceWidth());
    double most = 0;
    for (int dy = -beside; dy <= beside; dy++) {
      for (int dx = -beside; dx <= beside; dx++) {
        if (dark.area().contains(x + dx, y + dy)) {
          most = Math.max(most, dark.at(x + dx, y + dy));
        }
      }
    }
    return most;
  }

  private List<Peak> peaks(Plane map, double least) {
    Area area = map.area();
    List<Peak> peaks = new ArrayList<>();
    for (int y = 1; y < area.height() - 1; y++) {
      for (int x = 1; x < area.width() - 1; x++) {
        int i = y * area.width() + x;
        if (map.values()[i] >= least
            && maps.skin().values()[i] > 0
            && highest(map.values(), i, area.width())) {
          peaks.add(new Peak(area.x() + x, area.y() + y, map.values()[i]));
        }
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
