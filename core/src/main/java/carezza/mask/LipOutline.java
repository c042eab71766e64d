package carezza.mask;

import java.util.ArrayList;
import java.util.List;

import carezza.filter.Cholesky;
import carezza.image.Picture;
import carezza.model.Point;

/**
 * The outer edge of the lips: the network's outline moved to where lips and this person's skin
 * part. Above and below are judged each by its own lip and its own skin, so that neither light nor
 * a shadow under the mouth decides. What tells lip from skin is their distance in units of the
 * spread they have in common (Fisher's discriminant); where it is small, the likely place has the
 * say. An outline that starts outside the lips sees skin on both sides and stays about where it
 * was.
 */
final class LipOutline {

  private static final int EDGE_RAYS = 24;

  /** Offsets that are looked at, outwards in mouth widths. */
  private static final double FIRST = -0.08;

  private static final double STEP = 0.004;
  private static final int STEPS = 56;

  /** Samples reach further to either side than the outline may go. */
  private static final int BEYOND = 12;

  /**
   * How far the lips' edge lies outside the network's on most faces, above, below and at the
   * corners, and the spread of that, in mouth widths.
   */
  private static final double ABOVE = 0.01;

  private static final double BELOW = 0.035;
  private static final double ASIDE = 0.02;
  private static final double SPREAD = 0.03;

  /**
   * What is certainly lip, and certainly skin, from the edge outwards in mouth widths; and lip
   * where the edge is not known yet and may lie further in.
   */
  private static final double[] LIP = {-0.04, -0.012};

  private static final double[] SKIN = {0.02, 0.1};
  private static final double[] DEEP = {-0.07, -0.02};

  /** Widths of lip or skin that say as much as one likely place. */
  private static final double EVIDENCE = 0.02;

  /** Cost of a step between neighbouring rays. */
  private static final double STIFFNESS = 0.05;

  /** Rays beside a corner run into one another: they count less. */
  private static final double CORNER = 2;

  private static final int PASSES = 3;

  private final ContourFit rays;

  /** Lab of every ray and sample. */
  private final double[][][] seen;

  /**
   * @param lab without stubble, pores and the finest lights
   * @param scale pixels of it for one of the photograph
   */
  LipOutline(Picture lab, double scale, List<Point> outline) {
    rays = new ContourFit(outline, EDGE_RAYS);
    seen = new double[rays.rays()][STEPS + 2 * BEYOND][3];
    for (int r = 0; r < seen.length; r++) {
      for (int k = 0; k < seen[r].length; k++) {
        Point p = rays.at(r, offset(k - BEYOND));
        for (int c = 0; c < 3; c++) {
          seen[r][k][c] = lab.plane(c).sample(p.x() * scale, p.y() * scale);
        }
      }
    }
  }

  private static double offset(double step) {
    return FIRST + STEP * step;
  }

  List<Point> fitted() {
    int[] at = new int[rays.rays()];
    for (int r = 0; r < at.length; r++) {
      at[r] = (int) Math.round((likely(r) - FIRST) / STEP);
    }
    for (int pass = 0; pass < PASSES; pass++) {
      double[][] cost = cost(at, pass == 0 ? DEEP : LIP);
      at = rays.least(STEPS, (r, k) -> cost[r][k], STIFFNESS);
    }
    return rays.smooth(at, LipOutline::offset);
  }

  /** The first edge of the outline is the lower one. */
  private double likely(int ray) {
    if (ray % EDGE_RAYS == 0) {
      return ASIDE;
    }
    return ray < EDGE_RAYS ? BELOW : ABOVE;
  }

  private double[][] cost(int[] at, double[] lip) {
    Fisher[] tells = {
      Fisher.of(between(at, 0, lip), between(at, 0, SKIN)),
      Fisher.of(between(at, 1, lip), between(at, 1, SKIN))
    };
    double[][] cost = new double[seen.length][STEPS];
    for (int r = 0; r < seen.length; r++) {
      int corner = Math.min(r % EDGE_RAYS, EDGE_RAYS - r % EDGE_RAYS);
      double heard = Math.min(1, corner / CORNER);
      double sum = 0;
      for (int k = 0; k < STEPS; k++) {
        // Everything up to the outline is lip, everything beyond it skin.
        sum -= tells[r / EDGE_RAYS].odds(seen[r][k + BEYOND]);
        double away = (offset(k) - likely(r)) / (SPREAD * (0.4 + 0.6 * heard));
        cost[r][k] = heard * STEP / EVIDENCE * sum + away * away / 2;
      }
    }
    return cost;
  }

  private List<double[]> between(int[] at, int edge, double[] range) {
    List<double[]> out = new ArrayList<>();
    for (int r = edge * EDGE_RAYS + 4; r <= (edge + 1) * EDGE_RAYS - 4; r++) {
      int first = Math.max(0, at[r] + BEYOND + (int) Math.round(range[0] / STEP));
      int last = Math.min(seen[r].length - 1, at[r] + BEYOND + (int) Math.round(range[1] / STEP));
      for (int k = first; k <= last; k++) {
        out.add(seen[r][k]);
      }
    }
    double[] light = out.stream().mapToDouble(s -> s[0]).sorted().toArray();
    double middle = light.length == 0 ? 0 : light[light.length / 2];
    // Neither the dark between the lips nor teeth.
    out.removeIf(s -> s[0] < 0.6 * middle || s[0] > 1.5 * middle);
    return out;
  }

  /** Log odds of lip against skin by two classes with one spread. */
  private record Fisher(double[] weight, double split) {

    /** Spread that noise alone makes, of L* and of a* and b* over it. */
    private static final double[] NOISE = {4, 0.01, 0.01};

    /** More than this a single colour does not say. */
    private static final double MOST = 2;

    private static final int FEWEST = 20;

    static double[] features(double[] lab) {
      double l = Math.max(12, lab[0]);
      return new double[] {lab[0], lab[1] / l, lab[2] / l};
    }

    static Fisher of(List<double[]> lips, List<double[]> skin) {
      if (Math.min(lips.size(), skin.size()) < FEWEST) {
        return new Fisher(new double[3], 0);
      }
      double[] m1 = mean(lips);
      double[] m0 = mean(skin);
      double[][] spread = new double[3][3];
      add(spread, lips, m1);
      add(spread, skin, m0);
      double[] between = new double[3];
      for (int i = 0; i < 3; i++) {
        spread[i][i] += NOISE[i] * NOISE[i];
        between[i] = m1[i] - m0[i];
      }
      double[] w = Cholesky.of(spread).solve(between);
      double split = 0;
      for (int i = 0; i < 3; i++) {
        split += w[i] * (m1[i] + m0[i]) / 2;
      }
      return new Fisher(w, split);
    }

    double odds(double[] lab) {
      double[] f = features(lab);
      double t = -split;
      for (int i = 0; i < 3; i++) {
        t += weight[i] * f[i];
      }
      return Math.clamp(t, -MOST, MOST);
    }

    private static double[] mean(List<double[]> samples) {
      double[] m = new double[3];
      for (double[] s : samples) {
        double[] f = features(s);
        for (int i = 0; i < 3; i++) {
          m[i] += f[i] / samples.size();
        }
      }
      return m;
    }

    private static void add(double[][] s, List<double[]> samples, double[] mean) {
      for (double[] sample : samples) {
        double[] f = features(sample);
        for (int i = 0; i < 3; i++) {
          for (int j = 0; j < 3; j++) {
            s[i][j] += (f[i] - mean[i]) * (f[j] - mean[j]) / samples.size() / 2;
          }
        }
      }
    }
  }
}
