package carezza.kernel;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

import carezza.colour.Lab;
import carezza.filter.GaussianBlur;
import carezza.filter.Resampling;
import carezza.image.Area;
import carezza.image.Level;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.Site;
import carezza.mask.StrokeCoverage;
import carezza.model.HealLayer.Offset;
import carezza.model.HealLayer.Patch;
import carezza.model.Region;
import carezza.model.Stroke;

/**
 * Chooses where a patch takes its skin from: around the patch, at distances growing from just beside
 * it, the place whose rim fits best up to a constant, that holds no blemish of its own, whose texture
 * is as strong as that around the patch, and that lies on skin and in no other patch. Deterministic.
 */
public final class HealSourceFinder {

  /** Sources lie on this grid in photograph pixels, so that they are whole pixels of coarse levels. */
  private static final int GRID = 4;

  private static final int DIRECTIONS = 20;
  private static final double[] DISTANCES = {2.3, 2.8, 3.4, 4.2, 5.2, 6.5};

  /** Nearest source, so that small spots do not copy themselves. */
  private static final double NEAREST = 8;

  /** Patches are looked at in a level where their radius is at least this many pixels. */
  private static final double LEAST_RADIUS = 12;

  private static final float INSIDE = 0.02f;

  /** Weights of the parts of the cost, in L*a*b* units. */
  private static final double MEAN_WEIGHT = 0.25;

  private static final double TEXTURE_WEIGHT = 1.5;
  private static final double BLEMISH_WEIGHT = 1.0;
  private static final double DISTANCE_WEIGHT = 0.12;
  private static final double SKIN_WEIGHT = 20;
  private static final double FORBIDDEN = 1e6;

  private HealSourceFinder() {}

  /** A source for every patch that has none; null where no place is allowed. */
  static List<Offset> sources(List<Patch> patches, Probe probe) {
    Offset[] found = new Offset[patches.size()];
    IntStream.range(0, found.length)
        .parallel()
        .forEach(
            i -> {
              Patch patch = patches.get(i);
              found[i] =
                  patch.source() != null
                      ? patch.source()
                      : new Search(patch, patches, probe).best();
            });
    return Arrays.asList(found);
  }

  /** One patch's search, on the layer's input around it. */
  private static final class Search {
    private final Stroke stroke;
    private final double scale;
    private final double radius;
    private final Area window;
    private final Plane coverage;
    private final Plane forbidden;
    private final Plane skin;
    private final boolean onSkin;
    private final Picture tone;
    private final Plane texture;
    private final List<int[]> rim = new ArrayList<>();
    private final List<int[]> inside = new ArrayList<>();
    private final double rimTexture;

    Search(Patch patch, List<Patch> all, Probe probe) {
      stroke = patch.area();
      Site analysis = probe.site();
      int level = 0;
      while (level < Level.COARSEST && stroke.radius() * Level.scale(level + 1) >= LEAST_RADIUS) {
        level++;
      }
      scale = Level.scale(level);
      radius = stroke.radius() * scale;
      double far = DISTANCES[DISTANCES.length - 1] * Math.max(stroke.radius(), NEAREST / 2);
      int margin = (int) (far + 3 * stroke.radius()) + 8;
      Site site = analysis.at(level);
      Area full = stroke.bounds().grow(margin).intersect(analysis.photograph().area());
      Picture input = reduced(probe.fine().apply(full), level);
      window = input.area();
      Picture lab = Lab.of(input);
      double sigma = Math.max(1, radius / 4);
      tone = lab.map(p -> GaussianBlur.blur(p, sigma));
      texture = energy(lab.first(), radius);
      coverage = Plane.of(window);
      coverage.copyFrom(StrokeCoverage.of(stroke, window, scale));
      forbidden = Plane.of(window);
      for (Patch other : all) {
        if (other != patch) {
          StrokeCoverage.apply(other.area(), forbidden, scale);
        }
      }
      skin = site.regions().coverage(Region.SKIN, window, level);
      collect();
      onSkin = mean(skin, rim, 0, 0) > 0.4;
      rimTexture = mean(texture, rim, 0, 0);
    }

    /** The picture at a coarser level; its area starts at a multiple of the step. */
    private static Picture reduced(Picture fine, int level) {
      if (level == 0) {
        return fine;
      }
      int step = 1 << level;
      Area f = fine.area();
      Area a =
          new Area(
              Math.ceilDiv(f.x(), step),
              Math.ceilDiv(f.y(), step),
              Math.floorDiv(f.right(), step) - Math.ceilDiv(f.x(), step),
              Math.floorDiv(f.bottom(), step) - Math.ceilDiv(f.y(), step));
      return fine.crop(a.toFullSize(level)).map(p -> Resampling.reduce(p, level));
    }

    /** Mean square of the pore band around each pixel. */
    private static Plane energy(Plane lightness, double radius) {
      Plane band = Plane.of(lightness.area());
      Plane fine = GaussianBlur.blur(lightness, 0.7);
      Plane coarse = GaussianBlur.blur(lightness, Math.max(1.5, radius / 4));
      for (int i = 0; i < band.values().length; i++) {
        float d = fine.values()[i] - coarse.values()[i];
        band.values()[i] = d * d;
      }
      return band;
    }

    private void collect() {
      double reach = Math.max(3, 0.8 * radius);
      Plane near = Plane.of(window);
      Stroke wider = new Stroke(stroke.packed(), stroke.radius() + reach / scale, 0, 1, false);
      near.copyFrom(StrokeCoverage.of(wider, window, scale));
      int step = Math.max(1, (int) (radius / 7));
      for (int y = window.y(); y < window.bottom(); y += step) {
        for (int x = window.x(); x < window.right(); x += step) {
          float own = coverage.at(x, y);
          if (own >= INSIDE) {
            inside.add(new int[] {x, y});
          } else if (near.at(x, y) > 0.5f && forbidden.at(x, y) < INSIDE) {
            rim.add(new int[] {x, y});
          }
        }
      }
    }

    Offset best() {
      if (inside.isEmpty()) {
        return null;
      }
      double extent = Math.max(stroke.radius(), NEAREST / 2.3);
      Area own = stroke.bounds();
      double longer = Math.max(own.width(), own.height()) / 2.0 - stroke.radius();
      Offset best = null;
      double least = FORBIDDEN;
      for (double distance : DISTANCES) {
        for (int d = 0; d < DIRECTIONS; d++) {
          double angle = 2 * Math.PI * (d + (distance % 1)) / DIRECTIONS;
          double far = distance * extent + alongPath(angle, longer);
          Offset offset =
              new Offset(
                  GRID * Math.round(far * Math.cos(angle) / GRID),
                  GRID * Math.round(far * Math.sin(angle) / GRID));
          double cost = cost(offset) + DISTANCE_WEIGHT * distance;
          if (cost < least) {
            least = cost;
            best = offset;
          }
        }
      }
      return best;
    }

    /** A long stroke must clear its own length in the direction it runs. */
    private double alongPath(double angle, double longer) {
      Area own = stroke.bounds();
      double wide = own.width() * Math.abs(Math.cos(angle));
      double high = own.height() * Math.abs(Math.sin(angle));
      return Math.min(longer, Math.hypot(wide, high) / 2);
    }

    private double cost(Offset offset) {
      int dx = (int) Math.round(offset.dx() * scale);
      int dy = (int) Math.round(offset.dy() * scale);
      if (dx == 0 && dy == 0) {
        return FORBIDDEN;
      }
      double skinThere = 0;
      for (int[] p : inside) {
        int x = p[0] + dx;
        int y = p[1] + dy;
        if (!window.contains(x, y) || forbidden.at(x, y) >= INSIDE || coverage.at(x, y) >= INSIDE) {
          return FORBIDDEN;
        }
        skinThere += skin.at(x, y);
      }
      skinThere /= inside.size();
      double cost = fit(dx, dy) + BLEMISH_WEIGHT * unevenness(dx, dy);
      if (onSkin) {
        cost += SKIN_WEIGHT * Math.max(0, 0.95 - skinThere);
      }
      double ratio = (mean(texture, inside, dx, dy) + 1e-4) / (rimTexture + 1e-4);
      return cost + TEXTURE_WEIGHT * Math.abs(Math.log(ratio)) / 2;
    }

    /** How badly the rims fit: spread of their difference, and a little of its mean. */
    private double fit(int dx, int dy) {
      if (rim.isEmpty()) {
        return 0;
      }
      double total = 0;
      for (int c = 0; c < 3; c++) {
        Plane p = tone.plane(c);
        double sum = 0;
        double square = 0;
        int n = 0;
        for (int[] at : rim) {
          int x = at[0] + dx;
          int y = at[1] + dy;
          if (window.contains(x, y)) {
            double d = p.at(at[0], at[1]) - p.at(x, y);
            sum += d;
            square += d * d;
            n++;
          }
        }
        if (n < rim.size() / 2) {
          return FORBIDDEN;
        }
        double m = sum / n;
        total += Math.max(0, square / n - m * m) + MEAN_WEIGHT * MEAN_WEIGHT * m * m;
      }
      return Math.sqrt(total);
    }

    /** Spread of the tone at the source: a blemish there would be carried along. */
    private double unevenness(int dx, int dy) {
      double total = 0;
      for (int c = 0; c < 3; c++) {
        Plane p = tone.plane(c);
        // Take the slope out: light falling across the source is no blemish.
        double sum = 0;
        double sx = 0;
        double sy = 0;
        double sxx = 0;
        double syy = 0;
        double mx = 0;
        double my = 0;
        int n = inside.size();
        for (int[] at : inside) {
          mx += at[0];
          my += at[1];
          sum += p.at(at[0] + dx, at[1] + dy);
        }
        mx /= n;
        my /= n;
        double m = sum / n;
        for (int[] at : inside) {
          double v = p.at(at[0] + dx, at[1] + dy) - m;
          sx += v * (at[0] - mx);
          sy += v * (at[1] - my);
          sxx += (at[0] - mx) * (at[0] - mx);
          syy += (at[1] - my) * (at[1] - my);
        }
        double gx = sxx > 0 ? sx / sxx : 0;
        double gy = syy > 0 ? sy / syy : 0;
        double square = 0;
        for (int[] at : inside) {
          double v = p.at(at[0] + dx, at[1] + dy) - m - gx * (at[0] - mx) - gy * (at[1] - my);
          square += v * v;
        }
        total += square / n;
      }
      return Math.sqrt(total);
    }

    private double mean(Plane plane, List<int[]> places, int dx, int dy) {
      double sum = 0;
      for (int[] p : places) {
        sum += plane.at(p[0] + dx, p[1] + dy);
      }
      return places.isEmpty() ? 0 : sum / places.size();
    }
  }
}
