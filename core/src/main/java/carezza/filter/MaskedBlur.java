package carezza.filter;

import carezza.image.Plane;

/**
 * Gaussian means weighted by a mask, for several planes under one mask: nothing bleeds in from
 * where the weight is 0. Where no weight is in reach a value is kept as it is.
 */
public final class MaskedBlur {

  private final Plane weights;
  private final Plane total;
  private final double sigma;

  /**
   * @param weights 0 … 1; not modified
   * @param sigma in pixels
   */
  public MaskedBlur(Plane weights, double sigma) {
    this.weights = weights;
    this.sigma = sigma;
    this.total = GaussianBlur.blur(weights, sigma);
  }

  public Plane blur(Plane values) {
    return GaussianBlur.divide(GaussianBlur.blur(values.times(weights), sigma), total, values);
  }
}
