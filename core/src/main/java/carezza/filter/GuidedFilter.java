package carezza.filter;

import carezza.image.Area;
import carezza.image.Plane;

/**
 * Edge-stopping smoothing inside a mask: the guided filter (He, Sun and Tang 2010) with Gaussian
 * windows and every mean weighted by a mask, computed on a reduced grid (He and Sun 2015) as its
 * coefficients are smooth. Differences of the guide well below sqrt(epsilon) are smoothed away,
 * those well above are kept, and nothing comes in from where the weight is 0.
 */
public final class GuidedFilter {

  private final Plane guide;
  private final Plane weight;
  private final double sigma;
  private final float epsilon;
  private final int stages;
  private final double coarseSigma;
  private final int pad;
  private final Plane guideMean;
  private final Plane guideVariance;
  private final Plane weightMean;
  private final Plane weightFit;

  /**
   * @param guide the plane whose edges stop the smoothing; not modified
   * @param weight 0 … 1 over the same area; not modified
   * @param sigma window in pixels, above 0
   * @param epsilon squared difference of the guide at which smoothing is halved, above 0
   */
  public GuidedFilter(Plane guide, Plane weight, double sigma, double epsilon) {
    this.guide = guide;
    this.weight = weight;
    this.sigma = sigma;
    this.epsilon = (float) epsilon;
    this.stages = Math.max(0, GaussianBlur.stages(sigma));
    int step = 1 << stages;
    this.pad = (GaussianBlur.reach(sigma) + step - 1) / step * step;
    double scale = Math.pow(4, stages);
    this.coarseSigma = Math.sqrt(Math.max(0.25, (sigma * sigma - (scale - 1) / 3) / scale));
    this.weightMean = mean(weight);
    Plane weighted = guide.times(weight);
    this.guideMean = over(mean(weighted), weightMean);
    Plane square = over(mean(weighted.times(guide)), weightMean);
    Plane variance = Plane.of(square.area());
    for (int i = 0; i < variance.values().length; i++) {
      float m = guideMean.values()[i];
      variance.values()[i] = Math.max(0, square.values()[i] - m * m);
    }
    this.guideVariance = variance;
    this.weightFit = toFull(blurCoarse(weightMean));
  }

  /** Pixels beyond an area that a smoothing reads: two blurs, one of the values, one of the fit. */
  public static int reach(double sigma) {
    return 2 * GaussianBlur.reach(sigma);
  }

  /** Smooths one plane; where no weight is in reach its own value is kept. */
  public Plane smooth(Plane values) {
    Plane weighted = values.times(weight);
    Plane valueMean = over(mean(weighted), weightMean);
    Plane product = over(mean(weighted.times(guide)), weightMean);
    int n = product.values().length;
    Plane slope = Plane.of(product.area());
    Plane offset = Plane.of(product.area());
    for (int i = 0; i < n; i++) {
      float m = guideMean.values()[i];
      float covariance = product.values()[i] - m * valueMean.values()[i];
      float a = covariance / (guideVariance.values()[i] + epsilon);
      slope.values()[i] = a * weightMean.values()[i];
      offset.values()[i] = (valueMean.values()[i] - a * m) * weightMean.values()[i];
    }
    Plane slopes = toFull(blurCoarse(slope));
    Plane offsets = toFull(blurCoarse(offset));
    Plane out = Plane.of(values.area());
    for (int i = 0; i < out.values().length; i++) {
      float w = weightFit.values()[i];
      out.values()[i] =
          w > 1e-4f
              ? (slopes.values()[i] * guide.values()[i] + offsets.values()[i]) / w
              : values.values()[i];
    }
    return out;
  }

  private Plane mean(Plane full) {
    return blurCoarse(toCoarse(full));
  }

  private Plane toCoarse(Plane full) {
    if (stages == 0) {
      return full;
    }
    Plane coarse = PyramidReduction.reducePadded(full, pad);
    for (int i = 1; i < stages; i++) {
      coarse = PyramidReduction.reduce(coarse);
    }
    return coarse;
  }

  private Plane blurCoarse(Plane coarse) {
    return stages == 0
        ? GaussianBlur.blur(coarse, sigma)
        : GaussianBlur.convolve(coarse, GaussianBlur.kernel(coarseSigma));
  }

  private Plane toFull(Plane coarse) {
    if (stages == 0) {
      return coarse;
    }
    Plane fine = coarse;
    for (int i = 1; i < stages; i++) {
      fine = PyramidReduction.expand(fine);
    }
    Area area = guide.area();
    return PyramidReduction.expandInto(fine, pad, area);
  }

  private static Plane over(Plane sum, Plane weight) {
    Plane out = Plane.of(sum.area());
    for (int i = 0; i < out.values().length; i++) {
      out.values()[i] = sum.values()[i] / Math.max(weight.values()[i], 1e-6f);
    }
    return out;
  }
}
