package carezza.mask;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

import org.jspecify.annotations.Nullable;

import carezza.colour.Transfer;
import carezza.filter.DiscMorphology;
import carezza.filter.GaussianBlur;
import carezza.filter.Resampling;
import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;

/**
 * How much of each pixel along the subject's edge is subject, read from its colour (Chuang and
 * others 2001): colours of the subject and of the backdrop about a place are normal distributions
 * learned from where either is sure; a pixel that is the share α of the subject has a colour
 * distributed about the mixture, in linear light, of both means. What comes back is the mean of α
 * under that likelihood and a prior that is mostly 0 or 1, by what is known beforehand: where
 * subject and backdrop have one colour, that stands.
 */
final class Matting {

  /** The statistics are smooth and are kept this many levels coarser. */
  private static final int COARSER = 2;

  /** What is surely subject, or backdrop, beforehand. */
  private static final float SURE = 0.95f;

  /** Shares that are tried. */
  private static final int STEPS = 8;

  /** Probability beforehand that a pixel between subject and backdrop is a mixture. */
  private static final float MIXED = 0.5f;

  /** The same while it is still to be found what lies side by side. */
  private static final float UNDECIDED = 0.2f;

  /** Sigma in pixels of an edge as sharp as a lens draws it. */
  private static final double SOFT = 0.6;

  /** How far what is known beforehand is believed. */
  private static final float BELIEF = 0.998f;

  /** After the first, what lies beside a pixel is what is known beforehand. */
  private static final int PASSES = 4;

  /** Noise of an encoded value. */
  private static final double NOISE = 0.01;

  /** Logarithm of the density of a colour that the subject has nowhere near. */
  private static final double ANY_COLOUR = Math.log(5);

  /** Least weight of sure pixels about a place that its colours are learned from. */
  private static final float FEWEST = 1e-3f;

  /** How much further is looked where there is nothing sure near. */
  private static final double FURTHER = 4;

  private final Picture working;
  private final Plane prior;
  private final double near;
  private final Plane unknown;
  private final Colours subject;
  private final Colours backdrop;

  /**
   * @param working encoded pixels
   * @param prior probability of the subject beforehand
   * @param reach pixels by which its edge may lie wrong
   * @param near sigma of what lies beside a pixel
   */
  Matting(Picture working, Plane prior, double reach, double near) {
    this.near = near;
    this.working = working;
    this.prior = prior;
    List<Plane> moments = moments(working);
    Plane coarse = Resampling.reduce(prior, COARSER);
    Area area = coarse.area();
    double r = Math.scalb(reach, -COARSER);
    Plane most = DiscMorphology.of(coarse, r, area);
    Plane least = DiscMorphology.of(coarse, -r, area);
    Plane in = Planes.made(area, (i, x, y) -> least.values()[i] > SURE ? 1 : 0);
    Plane out = Planes.made(area, (i, x, y) -> most.values()[i] < 1 - SURE ? 1 : 0);
    unknown = Planes.made(area, (i, x, y) -> 1 - in.values()[i] - out.values()[i]);
    subject = Colours.of(moments, in, r);
    backdrop = Colours.of(moments, out, 1.5 * r);
  }

  /** Means of the channels, and of their products in the order of a triangle's rows. */
  private static List<Plane> moments(Picture working) {
    List<Plane> moments = new ArrayList<>();
    for (int c = 0; c < 3; c++) {
      moments.add(Resampling.reduce(working.plane(c), COARSER));
    }
    for (int c = 0; c < 3; c++) {
      for (int d = 0; d <= c; d++) {
        moments.add(Resampling.reduce(working.plane(c).times(working.plane(d)), COARSER));
      }
    }
    return moments;
  }

  Plane alpha() {
    Area area = prior.area();
    int[] places = places();
    float[] likelihoods = likelihoods(places);
    Plane alpha =
        Planes.made(
            area,
            (i, x, y) -> isUnknown(x, y) ? prior.values()[i] : prior.values()[i] > 0.5f ? 1 : 0);
    for (int pass = 0; pass < PASSES; pass++) {
      boolean begins = pass == 0;
      Plane known = begins ? prior : GaussianBlur.blur(alpha, near);
      float mixtures = pass == PASSES - 1 ? MIXED : UNDECIDED;
      ParallelRows.each(
          STEPS,
          places.length,
          (from, to) -> {
            for (int n = from; n < to; n++) {
              int i = places[n];
              if (i >= 0) {
                float p = begins ? known.values()[i] : agreed(known.values()[i]);
                alpha.values()[i] = share(likelihoods, n * (STEPS + 1), p, mixtures);
              }
            }
          });
    }
    return GaussianBlur.blur(alpha, SOFT);
  }

  /** What pixels that lie side by side say of one another: most of them have it. */
  private static float agreed(float beside) {
    float b = Math.clamp(beside, 0f, 1f);
    float in = b * b;
    return in / (in + (1 - b) * (1 - b));
  }

  private boolean isUnknown(int x, int y) {
    return unknown.values()[unknown.index(x >> COARSER, y >> COARSER)] > 0;
  }

  /** Indices of the pixels that are looked at. */
  private int[] places() {
    Area area = prior.area();
    return IntStream.range(0, area.pixels())
        .parallel()
        .filter(i -> isUnknown(area.x() + i % area.width(), area.y() + i / area.width()))
        .toArray();
  }

  /** Of each place and each share, relative to the likeliest; takes away what cannot be told. */
  private float[] likelihoods(int[] places) {
    float[] likelihoods = new float[places.length * (STEPS + 1)];
    Area area = prior.area();
    ParallelRows.each(
        STEPS,
        places.length,
        (from, to) -> {
          Mixture mixture = new Mixture();
          for (int n = from; n < to; n++) {
            int x = area.x() + places[n] % area.width();
            int y = area.y() + places[n] / area.width();
            int at = n * (STEPS + 1);
            if (mixture.about(unknown.index(x >> COARSER, y >> COARSER))) {
              mixture.put(places[n], likelihoods, at);
            } else {
              places[n] = -1;
            }
          }
        });
    return likelihoods;
  }

  /** The mean share under the likelihoods that begin at an index. */
  private static float share(float[] likelihoods, int at, float known, float mixtures) {
    float p = (1 - BELIEF) / 2 + BELIEF * known;
    float mixed = 4 * p * (1 - p) * mixtures;
    float none = (1 - mixed) * (1 - p) * likelihoods[at];
    float all = (1 - mixed) * p * likelihoods[at + STEPS];
    float sum = 0;
    float weighed = 0;
    for (int k = 1; k < STEPS; k++) {
      sum += likelihoods[at + k];
      weighed += k * likelihoods[at + k];
    }
    float each = mixed / (STEPS - 1);
    return (each * weighed / STEPS + all) / (none + each * sum + all);
  }

  /** Means and covariances of colours where a weight says, about each place of the coarse level. */
  private static final class Colours {

    private final Plane weight;
    private final List<Plane> sums;

    /** Where there is nothing near. */
    private final @Nullable Colours further;

    static Colours of(List<Plane> moments, Plane weight, double sigma) {
      return new Colours(
          moments, weight, sigma, new Colours(moments, weight, FURTHER * sigma, null));
    }

    private Colours(List<Plane> moments, Plane weight, double sigma, @Nullable Colours further) {
      this.further = further;
      this.weight = GaussianBlur.blur(weight, sigma);
      sums = moments.stream().map(p -> GaussianBlur.blur(p.times(weight), sigma)).toList();
    }

    /**
     * @param covariance of xx, yx, yy, zx, zy, zz
     * @return whether there are colours about this place
     */
    boolean at(int i, double[] means, double[] covariance) {
      double w = weight.values()[i];
      if (w < FEWEST) {
        return further != null && further.at(i, means, covariance);
      }
      int n = 0;
      for (int c = 0; c < 3; c++) {
        means[c] = sums.get(c).values()[i] / w;
        for (int d = 0; d <= c; d++) {
          covariance[n] = sums.get(3 + n).values()[i] / w - means[c] * means[d];
          n++;
        }
      }
      return true;
    }
  }

  /** The likelihoods of one place after another. */
  private final class Mixture {

    private final double[] front = new double[3];
    private final double[] behind = new double[3];
    private final double[] frontSpread = new double[6];
    private final double[] behindSpread = new double[6];
    private final double[][] means = new double[STEPS + 1][3];
    private final double[] away = new double[3];
    private final double[] logs = new double[STEPS + 1];
    private int last = -1;
    private boolean known;

    /** Learns what stands at a place of the coarse level; false where that cannot be told. */
    boolean about(int at) {
      if (at == last) {
        return known;
      }
      last = at;
      known = subject.at(at, front, frontSpread) && backdrop.at(at, behind, behindSpread);
      if (known) {
        for (int c = 0; c < 3; c++) {
          float f = Transfer.toLinear((float) front[c]);
          float b = Transfer.toLinear((float) behind[c]);
          for (int k = 0; k <= STEPS; k++) {
            float t = (float) k / STEPS;
            means[k][c] = Transfer.toEncoded(t * f + (1 - t) * b);
          }
        }
      }
      return known;
    }

    /** The likelihoods of the pixel at an index. */
    void put(int i, float[] likelihoods, int at) {
      double most = Double.NEGATIVE_INFINITY;
      for (int k = 0; k <= STEPS; k++) {
        for (int c = 0; c < 3; c++) {
          away[c] = working.plane(c).values()[i] - means[k][c];
        }
        double log = logDensity((double) k / STEPS);
        logs[k] = k == STEPS ? Math.max(log, ANY_COLOUR) : log;
        most = Math.max(most, logs[k]);
      }
      for (int k = 0; k <= STEPS; k++) {
        likelihoods[at + k] = (float) Math.exp(logs[k] - most);
      }
    }

    /** Of what is away from the mean of a mixture, by Cholesky's triangle of its covariance. */
    private double logDensity(double share) {
      double f = share * share;
      double b = (1 - share) * (1 - share);
      double n = NOISE * NOISE;
      double xx = f * frontSpread[0] + b * behindSpread[0] + n;
      double yx = f * frontSpread[1] + b * behindSpread[1];
      double yy = f * frontSpread[2] + b * behindSpread[2] + n;
      double zx = f * frontSpread[3] + b * behindSpread[3];
      double zy = f * frontSpread[4] + b * behindSpread[4];
      double zz = f * frontSpread[5] + b * behindSpread[5] + n;
      double l0 = Math.sqrt(xx);
      double l1 = yx / l0;
      double l2 = Math.sqrt(Math.max(n, yy - l1 * l1));
      double l3 = zx / l0;
      double l4 = (zy - l3 * l1) / l2;
      double l5 = Math.sqrt(Math.max(n, zz - l3 * l3 - l4 * l4));
      double u = away[0] / l0;
      double v = (away[1] - l1 * u) / l2;
      double w = (away[2] - l3 * u - l4 * v) / l5;
      return -0.5 * (u * u + v * v + w * w) - Math.log(l0 * l2 * l5) - 2.7568;
    }
  }
}
