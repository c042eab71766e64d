package carezza.filter;

import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Plane;

/**
 * White noise over an endless picture that is the same at every level: a coarse pixel is the mean
 * of the fine ones it covers. It is made from coarse to fine as the inverse of a Haar transform,
 * whose coefficients come from a hash of seed, level and place (Steele and others 2014), so that
 * any part of any level is had by itself.
 */
public final class NoiseField {

  /** Pixels of the level that the making begins at are means of 4^10 fine ones. */
  private static final int COARSEST = 10;

  private static final long GOLDEN = 0x9E3779B97F4A7C15L;

  private final long seed;

  public NoiseField(long seed) {
    this.seed = mixed(seed + GOLDEN);
  }

  /** Noise over an area of a level: mean 0, variance 1 at level 0 and 4^−level at others. */
  public Plane white(Area area, int level) {
    if (level >= COARSEST) {
      Plane out = Plane.of(area);
      float sigma = Math.scalb(1f, -level);
      for (int y = area.y(); y < area.bottom(); y++) {
        for (int x = area.x(); x < area.right(); x++) {
          out.values()[out.index(x, y)] = sigma * normal(bits(level, x, y), 0);
        }
      }
      return out;
    }
    int left = area.x() >> 1;
    int top = area.y() >> 1;
    Area parents =
        new Area(left, top, (area.right() + 1 >> 1) - left, (area.bottom() + 1 >> 1) - top);
    Plane means = white(parents, level + 1);
    Plane out = Plane.of(area);
    ParallelRows.each(
        area.width(),
        parents.height(),
        (from, to) -> {
          float[] upper = new float[2 * parents.width()];
          float[] lower = new float[2 * parents.width()];
          for (int y = parents.y() + from; y < parents.y() + to; y++) {
            children(means, level, y, upper, lower);
            put(upper, 2 * y, parents.x(), out);
            put(lower, 2 * y + 1, parents.x(), out);
          }
        });
    return out;
  }

  /**
   * Three details of the same variance as the mean make four children of four times that.
   *
   * @param y a row of the means
   */
  private void children(Plane means, int level, int y, float[] upper, float[] lower) {
    float sigma = Math.scalb(1f, -(level + 1));
    Area parents = means.area();
    int row = means.index(parents.x(), y);
    for (int i = 0; i < parents.width(); i++) {
      float mean = means.values()[row + i];
      long bits = bits(level, parents.x() + i, y);
      float across = sigma * normal(bits, 0);
      float down = sigma * normal(bits, 21);
      float both = sigma * normal(bits, 42);
      upper[2 * i] = mean + across + down + both;
      upper[2 * i + 1] = mean - across + down - both;
      lower[2 * i] = mean + across - down - both;
      lower[2 * i + 1] = mean - across - down + both;
    }
  }

  /** A row of children, as far as it is asked for. */
  private static void put(float[] children, int y, int parentX, Plane out) {
    Area area = out.area();
    if (y >= area.y() && y < area.bottom()) {
      System.arraycopy(
          children, area.x() - 2 * parentX, out.values(), out.index(area.x(), y), area.width());
    }
  }

  /**
   * Grains of a size: white noise under a Gaussian, with a variance of 1 at level 0. Coarser levels
   * are made one level finer than they are and averaged: what white noise has beyond their pixels
   * would else be folded into them.
   *
   * @param sigma in pixels of level 0
   */
  public Plane grains(Area area, int level, double sigma) {
    Plane out = level == 0 ? soft(area, 0, sigma) : finer(area, level, sigma);
    float unit = (float) strength(sigma, level);
    for (int i = 0; i < out.values().length; i++) {
      out.values()[i] *= unit;
    }
    return out;
  }

  private Plane finer(Area area, int level, double sigma) {
    Area fine = new Area(2 * area.x(), 2 * area.y(), 2 * area.width(), 2 * area.height());
    return new Plane(area, Resampling.half(soft(fine, level - 1, sigma)).values());
  }

  private Plane soft(Area area, int level, double sigma) {
    double own = Math.scalb(sigma, -level);
    Plane noise = white(area.grow(GaussianBlur.reach(own)), level);
    return own <= 0.15 ? noise.crop(area).copy() : GaussianBlur.blur(noise, own).crop(area);
  }

  /** What brings grains of a level to the deviation that the means of full size have. */
  private static double strength(double sigma, int level) {
    double unit = 1 / power(sigma, 1);
    if (level == 0) {
      return unit;
    }
    double made = Math.scalb(power(Math.scalb(sigma, 1 - level), 2), 1 - level);
    return unit * power(sigma, 1 << level) / made;
  }

  /**
   * Sum of the squares of {@link #line}: the variance that is left of white noise along one axis,
   * and the deviation of both.
   */
  private static double power(double sigma, int pixels) {
    double sum = 0;
    for (double v : line(sigma, pixels)) {
      sum += v * v;
    }
    return sum;
  }

  /** What grains are of white noise along one axis: a Gaussian, after means over so many pixels. */
  public static double[] line(double sigma, int pixels) {
    float[] half = sigma <= 0.15 ? new float[] {1} : GaussianBlur.kernel(sigma);
    int reach = half.length - 1;
    double[] means = new double[2 * reach + pixels];
    for (int i = -reach; i <= reach; i++) {
      for (int k = 0; k < pixels; k++) {
        means[i + reach + k] += half[Math.abs(i)] / pixels;
      }
    }
    return means;
  }

  private long bits(int level, int x, int y) {
    return mixed(seed ^ mixed((long) x << 32 ^ y & 0xffffffffL) + level * GOLDEN);
  }

  private static long mixed(long z) {
    long v = (z ^ z >>> 30) * 0xBF58476D1CE4E5B9L;
    v = (v ^ v >>> 27) * 0x94D049BB133111EBL;
    return v ^ v >>> 31;
  }

  /** Nearly normal: the sum of three even numbers of seven bits, mean 0, variance 1. */
  private static float normal(long bits, int from) {
    long own = bits >>> from;
    long sum = (own & 127) + (own >>> 7 & 127) + (own >>> 14 & 127);
    return (sum - 190.5f) * (1 / 64f);
  }
}
