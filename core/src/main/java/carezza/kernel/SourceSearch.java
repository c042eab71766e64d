package carezza.kernel;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

import org.jspecify.annotations.Nullable;

import carezza.colour.Lab;
import carezza.filter.GaussianBlur;
import carezza.filter.RobustStatistics;
import carezza.image.Area;
import carezza.image.Level;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.mask.RepairCoverage;
import carezza.model.HealLayer.Piece;
import carezza.model.HealLayer.Source;
import carezza.model.RepairArea;
import carezza.model.SemanticRegion;

/**
 * The search for one piece's source on the layer's input around it: candidates on a grid, each with
 * its cost, which is the misfit of the rims, the unevenness and the texture at the source, and its
 * distance.
 */
final class SourceSearch {

  /**
   * Sources lie on this grid in photograph pixels, so that they are whole pixels of coarse levels.
   */
  private static final int GRID = 4;

  private static final int DIRECTIONS = 20;
  private static final double[] DISTANCES = {2.3, 2.8, 3.4, 4.2, 5.2, 6.5};

  /** Nearest source, so that small spots do not copy themselves. */
  private static final double NEAREST = 8;

  /** Patches are looked at in a level where their radius is at least this many pixels. */
  private static final double LEAST_RADIUS = 10;

  private static final float INSIDE = 0.02f;

  /** Mean absolute deviation to standard deviation, for normal spread. */
  private static final float MEAN_TO_SIGMA = 1.2533f;

  /** Weights of the parts of the cost, in L*a*b* units. */
  private static final double MEAN_WEIGHT = 0.25;

  private static final double TEXTURE_WEIGHT = 1.5;
  private static final double BLEMISH_WEIGHT = 1.0;
  private static final double DISTANCE_WEIGHT = 0.12;
  private static final double SKIN_WEIGHT = 20;
  private static final double GRAIN_WEIGHT = 0.6;
  private static final double LINE_WEIGHT = 2;

  /** Robust spreads of the surroundings' pores from which a dark place is no pore. */
  private static final double LINE = 3.2;

  private static final double FORBIDDEN = 1e6;

  /** Places that are tried turned and mirrored too, and what that costs. */
  private static final int TURNED = 6;

  private static final double TURN_COST = 0.4;

  /** How far the surroundings' tone is leant on, as a share of the radius. */
  private static final double RIM_LENGTH = 0.5;

  /** Share of lip, brow, hair or backdrop that a source may have more than the piece itself. */
  private static final double STRAYING = 0.06;

  private static final SemanticRegion[] STRANGE = {
    SemanticRegion.LIPS,
    SemanticRegion.TEETH,
    SemanticRegion.SCLERA,
    SemanticRegion.IRIS,
    SemanticRegion.BROWS_LASHES,
    SemanticRegion.HAIR
  };

  private static final Comparator<Candidate> BY_COST = Comparator.comparingDouble(Candidate::cost);

  /** A place, and how badly it fits: in units of L*a*b*. */
  record Candidate(Source source, double cost) {
    static final Candidate OWN = new Candidate(Source.OWN, 0);
  }

  private final boolean anew;
  private final RepairArea area;
  private final int level;
  private final double scale;
  private final double radius;
  private final Area window;
  private final Plane coverage;
  private final Plane forbidden;
  private final Plane skin;
  private final Plane strange;
  private final Plane subject;
  private final boolean onSkin;
  private final double ownStrange;
  private final double ownSubject;
  private final Picture input;
  private final Picture tone;
  private final Plane fine;
  private final Plane texture;
  private final Grain grain;
  private final List<int[]> rim = new ArrayList<>();
  private final List<int[]> inside = new ArrayList<>();
  private final double rimTexture;
  private final double[] rimGrain;

  /**
   * @param all pieces of the layer
   * @param anew whether the piece's tone is made anew, so that it may keep its own texture
   */
  SourceSearch(Piece piece, List<Piece> all, boolean anew, Probe probe) {
    this.anew = anew;
    area = piece.area();
    EvaluationContext analysis = probe.site();
    level = level(area.radius());
    scale = Level.scale(level);
    radius = area.radius() * scale;
    double far = DISTANCES[DISTANCES.length - 1] * Math.max(area.radius(), NEAREST / 2);
    int margin = (int) (far + 3 * area.radius()) + 8;
    EvaluationContext context = analysis.at(level);
    Area full = area.bounds().grow(margin).intersect(analysis.photograph().area());
    input = probe.levels().over(atLevel(full, level), level);
    window = input.area();
    Picture lab = Lab.of(input);
    double sigma = Math.max(1, radius / 4);
    tone = lab.map(p -> GaussianBlur.blur(p, sigma));
    fine = band(lab.first(), radius);
    texture = strength(fine);
    grain = new Grain(lab.first());
    coverage = Plane.of(window);
    coverage.copyFrom(RepairCoverage.of(area, window, scale));
    forbidden = Plane.of(window);
    for (Piece other : all) {
      if (!other.equals(piece) && other.area().bounds().intersects(full)) {
        RepairCoverage.apply(other.area(), forbidden, scale);
      }
    }
    skin = context.regions().coverage(SemanticRegion.SKIN, window, level);
    subject = context.regions().coverage(SemanticRegion.SUBJECT, window, level);
    strange = Plane.of(window);
    for (SemanticRegion region : STRANGE) {
      Plane own = context.regions().coverage(region, window, level);
      for (int i = 0; i < own.values().length; i++) {
        strange.values()[i] = Math.max(strange.values()[i], own.values()[i]);
      }
    }
    collect();
    ownStrange = mean(strange, inside, null);
    ownSubject = mean(subject, inside, null);
    rim.removeIf(p -> Math.abs(strange.at(p[0], p[1]) - (ownStrange > 0.5 ? 1 : 0)) > 0.5);
    onSkin = mean(skin, rim, null) > 0.4;
    rimTexture =
        RobustStatistics.sigma(rim.stream().mapToDouble(p -> fine.at(p[0], p[1])).toArray());
    rimGrain = grain.over(rim, null);
  }

  private static int level(double radius) {
    int level = 0;
    while (level < Level.COARSEST && radius * Level.scale(level + 1) >= LEAST_RADIUS) {
      level++;
    }
    return level;
  }

  /** The pixels of a level that lie wholly inside an area of the photograph. */
  private static Area atLevel(Area full, int level) {
    int step = 1 << level;
    int x = Math.ceilDiv(full.x(), step);
    int y = Math.ceilDiv(full.y(), step);
    return new Area(
        x, y, Math.floorDiv(full.right(), step) - x, Math.floorDiv(full.bottom(), step) - y);
  }

  /** The pore band of the lightness. */
  private static Plane band(Plane lightness, double radius) {
    Plane band = GaussianBlur.blur(lightness, 0.7);
    Plane coarse = GaussianBlur.blur(lightness, Math.max(1.5, radius / 4));
    for (int i = 0; i < band.values().length; i++) {
      band.values()[i] -= coarse.values()[i];
    }
    return band;
  }

  /** Whose mean is the band's spread. */
  private static Plane strength(Plane band) {
    Plane out = Plane.of(band.area());
    for (int i = 0; i < out.values().length; i++) {
      out.values()[i] = MEAN_TO_SIGMA * Math.abs(band.values()[i]);
    }
    return out;
  }

  private void collect() {
    double reach = Math.max(3, 0.8 * radius);
    Plane near = Plane.of(window);
    near.copyFrom(RepairCoverage.grown(area, reach / scale, window, scale));
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

  /**
   * Whether the piece is skin in which only blood is wrong: then its own texture is better than any
   * other.
   */
  boolean keepsItsOwn() {
    if (inside.isEmpty() || !isSkinMadeAnew()) {
      return false;
    }
    int reach = (int) Math.ceil(Math.max(2, HealKernel.RIM * radius)) + 1;
    Area work = area.bounds().atLevel(level).grow(reach).intersect(window);
    Plane cover = coverage.crop(work);
    Plane trust = Plane.of(work);
    double length = Math.max(1, RIM_LENGTH * radius);
    for (int y = work.y(); y < work.bottom(); y++) {
      for (int x = work.x(); x < work.right(); x++) {
        if (coverage.at(x, y) < INSIDE && forbidden.at(x, y) < INSIDE) {
          trust.values()[trust.index(x, y)] = (float) (1 / (length * length));
        }
      }
    }
    Picture own = input.crop(work);
    return new SkinTone(own, trust, cover, radius).onlyBlood()
        && new SkinTexture(own, trust, cover, radius, scale).whole();
  }

  private boolean isSkinMadeAnew() {
    return anew && mean(skin, inside, null) >= HealKernel.SKIN;
  }

  /** Its own place where that will do, then the others; the best first. */
  List<Candidate> ranked(int most) {
    if (!keepsItsOwn()) {
      return others(most);
    }
    List<Candidate> all = new ArrayList<>(List.of(Candidate.OWN));
    all.addAll(elsewhere(most - 1));
    return all;
  }

  /**
   * The best places around it, the best first. Where none is allowed, skin is left its own texture.
   */
  List<Candidate> others(int most) {
    List<Candidate> found = elsewhere(most);
    return found.isEmpty() && !inside.isEmpty() && isSkinMadeAnew()
        ? List.of(Candidate.OWN)
        : found;
  }

  private List<Candidate> elsewhere(int most) {
    if (inside.isEmpty()) {
      return List.of();
    }
    double extent = Math.max(area.radius(), NEAREST / 2.3);
    Area own = area.bounds();
    double longer = Math.max(own.width(), own.height()) / 2.0 - area.radius();
    List<Candidate> found = new ArrayList<>();
    for (double distance : DISTANCES) {
      for (int d = 0; d < DIRECTIONS; d++) {
        double angle = 2 * Math.PI * (d + (distance % 1)) / DIRECTIONS;
        double far = distance * extent + alongPath(angle, longer);
        add(
            found,
            new Source(
                GRID * Math.round(far * Math.cos(angle) / GRID),
                GRID * Math.round(far * Math.sin(angle) / GRID)),
            DISTANCE_WEIGHT * distance);
      }
    }
    found.sort(BY_COST);
    for (Candidate best : List.copyOf(found.subList(0, Math.min(TURNED, found.size())))) {
      Source s = best.source();
      double far = Math.hypot(s.dx(), s.dy()) / extent;
      for (int turn = 1; turn < 8; turn++) {
        add(
            found,
            new Source(s.dx(), s.dy(), 90 * (turn % 4), 1, turn >= 4),
            DISTANCE_WEIGHT * far + TURN_COST);
      }
    }
    found.sort(BY_COST);
    List<Candidate> apart = new ArrayList<>();
    for (Candidate c : found) {
      boolean other = apart.stream().noneMatch(o -> near(o.source(), c.source(), extent));
      if (other && apart.size() < most) {
        apart.add(c);
      }
    }
    return apart;
  }

  private static boolean near(Source one, Source other, double extent) {
    return Math.hypot(one.dx() - other.dx(), one.dy() - other.dy()) < 0.8 * extent;
  }

  private void add(List<Candidate> found, Source source, double more) {
    double cost = cost(source) + more;
    if (cost < FORBIDDEN) {
      found.add(new Candidate(source, cost));
    }
  }

  /** A long stroke must clear its own length in the direction it runs. */
  private double alongPath(double angle, double longer) {
    Area own = area.bounds();
    double wide = own.width() * Math.abs(Math.cos(angle));
    double high = own.height() * Math.abs(Math.sin(angle));
    return Math.min(longer, Math.hypot(wide, high) / 2);
  }

  private double cost(Source source) {
    Placement at = new Placement(area.centre(), source, scale);
    if (at.still()) {
      return FORBIDDEN;
    }
    double skinThere = 0;
    double strangeThere = 0;
    double subjectThere = 0;
    for (int[] p : inside) {
      int x = at.wholeX(p[0], p[1]);
      int y = at.wholeY(p[0], p[1]);
      if (!window.contains(x, y) || forbidden.at(x, y) >= INSIDE || coverage.at(x, y) >= INSIDE) {
        return FORBIDDEN;
      }
      skinThere += skin.at(x, y);
      strangeThere += strange.at(x, y);
      subjectThere += subject.at(x, y);
    }
    int n = inside.size();
    if (strangeThere / n > ownStrange + STRAYING
        || Math.abs(subjectThere / n - ownSubject) > STRAYING) {
      return FORBIDDEN;
    }
    double cost = fit(at) + BLEMISH_WEIGHT * ToneVariance.of(tone, inside, at);
    if (onSkin) {
      cost += SKIN_WEIGHT * Math.max(0, 0.95 - skinThere / n);
    }
    double ratio = (mean(texture, inside, at) + 1e-2) / (rimTexture + 1e-2);
    double darkest = 0;
    for (int[] p : inside) {
      darkest = Math.max(darkest, -fine.at(at.wholeX(p[0], p[1]), at.wholeY(p[0], p[1])));
    }
    cost += LINE_WEIGHT * Math.max(0, darkest / (rimTexture + 1e-2) - LINE);
    double[] runs = grain.turned(grain.over(inside, at), source);
    return cost
        + TEXTURE_WEIGHT * Math.abs(Math.log(ratio))
        + GRAIN_WEIGHT * Math.hypot(runs[0] - rimGrain[0], runs[1] - rimGrain[1]);
  }

  /** How badly the rims fit: spread of their difference, and a little of its mean. */
  private double fit(Placement place) {
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
        int x = place.wholeX(at[0], at[1]);
        int y = place.wholeY(at[0], at[1]);
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

  static double mean(Plane plane, List<int[]> places, @Nullable Placement place) {
    double sum = 0;
    for (int[] p : places) {
      sum +=
          place == null
              ? plane.at(p[0], p[1])
              : plane.at(place.wholeX(p[0], p[1]), place.wholeY(p[0], p[1]));
    }
    return places.isEmpty() ? 0 : sum / places.size();
  }
}
