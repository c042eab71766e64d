package carezza.filter;

import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Plane;

/**
 * Gaussian blur at nearly constant cost per pixel for any radius.
 *
 * <p>Wide kernels are split in a pyramid: the plane is reduced n times with the binomial filter (1
 * 4 6 4 1)/16, blurred with a short sampled Gaussian, and expanded n times with the same binomial.
 * Binomials are nearly Gaussian and variances add, so the short kernel gets the variance that is
 * left: (s² − 2(4ⁿ−1)/3) / 4ⁿ. (Reduce and expand: Burt and Adelson 1983.) Largest error against
 * the sampled Gaussian below 1e-3 of a unit step or impulse. Borders are mirrored (edge pixel
 * repeated).
 */
public final class GaussianBlur {

  /** Narrowest kernel, in pixels of the coarsest level used, that keeps aliasing below 1e-3. */
  private static final double NARROWEST_COARSE_SIGMA = 2.0;

  /** Support of the sampled kernel in sigmas; what lies beyond is 5e-5 of the weight. */
  private static final double SUPPORT = 4.0;

  private GaussianBlur() {}

  /** Pixels beyond an area that a blur with this sigma reads. */
  public static int reach(double sigma) {
    return (int) Math.ceil(SUPPORT * sigma) + 2;
  }

  /**
   * Blurs a plane.
   *
   * @param source not modified
   * @param sigma standard deviation in pixels; 0.15 or less returns the source itself
   * @return a plane over the same area
   */
  public static Plane blur(Plane source, double sigma) {
    if (!(sigma >= 0)) {
      throw new IllegalArgumentException("Sigma " + sigma);
    }
    if (sigma <= 0.15 || source.area().isEmpty()) {
      return source;
    }
    int stages = stages(sigma);
    if (stages == 0) {
      return convolve(source, kernel(sigma));
    }
    int step = 1 << stages;
    int pad = (reach(sigma) + step - 1) / step * step;
    Plane coarse = PyramidReduction.reducePadded(source, pad);
    for (int i = 1; i < stages; i++) {
      coarse = PyramidReduction.reduce(coarse);
    }
    coarse = convolve(coarse, kernel(coarseSigma(sigma, stages)));
    for (int i = 1; i < stages; i++) {
      coarse = PyramidReduction.expand(coarse);
    }
    return PyramidReduction.expandInto(coarse, pad, source.area());
  }

  /**
   * Mean of {@code values} weighted by {@code weights} and a Gaussian: nothing bleeds in from where
   * the weight is 0. Where no weight is in reach the value itself is kept.
   */
  public static Plane normalised(Plane values, Plane weights, double sigma) {
    return new MaskedBlur(weights, sigma).blur(values);
  }

  static Plane divide(Plane sum, Plane weight, Plane otherwise) {
    Plane out = Plane.of(sum.area());
    float[] s = sum.values();
    float[] w = weight.values();
    float[] o = otherwise.values();
    float[] r = out.values();
    int width = sum.width();
    ParallelRows.each(
        width,
        sum.height(),
        (from, to) -> {
          for (int i = from * width; i < to * width; i++) {
            r[i] = w[i] > 1e-4f ? s[i] / w[i] : o[i];
          }
        });
    return out;
  }

  static int stages(double sigma) {
    int n = 0;
    while (coarseSigma(sigma, n + 1) >= NARROWEST_COARSE_SIGMA) {
      n++;
    }
    return n;
  }

  private static double coarseSigma(double sigma, int stages) {
    double scale = Math.pow(4, stages);
    double left = sigma * sigma - 2 * (scale - 1) / 3;
    return left <= 0 ? 0 : Math.sqrt(left / scale);
  }

  /** Half of the symmetric sampled kernel, centre first, weights of the whole summing to 1. */
  static float[] kernel(double sigma) {
    int radius = Math.max(1, (int) Math.ceil(SUPPORT * sigma));
    double[] half = new double[radius + 1];
    double sum = 0;
    for (int i = 0; i <= radius; i++) {
      half[i] = Math.exp(-0.5 * i * i / (sigma * sigma));
      sum += i == 0 ? half[i] : 2 * half[i];
    }
    float[] kernel = new float[radius + 1];
    for (int i = 0; i <= radius; i++) {
      kernel[i] = (float) (half[i] / sum);
    }
    return kernel;
  }

  /** Separable convolution with a symmetric kernel given as its half, centre first. */
  static Plane convolve(Plane source, float[] half) {
    int w = source.width();
    int h = source.height();
    float[] in = source.values();
    float[] out = new float[in.length];
    int radius = half.length - 1;
    ParallelRows.each(
        w,
        h,
        (from, to) -> {
          float[] padded = new float[w + 2 * radius];
          Taps taps = new Taps(w);
          for (int y = from; y < to; y++) {
            weighRows(in, w, h, y, half, taps);
            mirrorPad(taps.sum(), w, radius, padded);
            weighColumns(padded, radius, half, taps);
            System.arraycopy(taps.sum(), 0, out, y * w, w);
          }
        });
    return new Plane(source.area(), out);
  }

  private static void weighRows(float[] in, int w, int h, int y, float[] half, Taps taps) {
    taps.begin(in, y * w, half[0]);
    for (int k = 1; k < half.length; k++) {
      int above = MirrorBoundary.index(y - k, h) * w;
      int below = MirrorBoundary.index(y + k, h) * w;
      taps.add(in, above, below, half[k]);
    }
  }

  private static void weighColumns(float[] padded, int radius, float[] half, Taps taps) {
    taps.begin(padded, radius, half[0]);
    for (int k = 1; k < half.length; k++) {
      taps.add(padded, radius - k, radius + k, half[k]);
    }
  }

  static void mirrorPad(float[] row, int w, int pad, float[] padded) {
    System.arraycopy(row, 0, padded, pad, w);
    for (int i = 1; i <= pad; i++) {
      padded[pad - i] = row[MirrorBoundary.index(-i, w)];
      padded[pad + w - 1 + i] = row[MirrorBoundary.index(w - 1 + i, w)];
    }
  }

  /** The part of a source that a blur of {@code area} reads, inside {@code bounds}. */
  public static Area needed(Area area, double sigma, Area bounds) {
    return area.grow(reach(sigma)).intersect(bounds);
  }
}
