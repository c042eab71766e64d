package carezza.measure;

import carezza.colour.DeltaE2000;
import carezza.colour.Lab;
import carezza.filter.GaussianBlur;
import carezza.filter.RobustStatistics;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;

/**
 * The numbers of the gauges on skin; all pictures in L*a*b* or the working space, lengths by fw.
 */
public final class SkinGauges {

  private SkinGauges() {}

  /** Robust variance of the pore band G(L*; fw/450) − G(L*; fw/110) under the coverage. */
  public static double texture(Plane lightness, Plane skin, double fw) {
    Plane fine = GaussianBlur.blur(lightness, fw / 450);
    double sigma = RobustStatistics.sigma(fine.minus(GaussianBlur.blur(lightness, fw / 110)), skin);
    return sigma * sigma;
  }

  /**
   * Slope of the regression of after on before, both G(L*; fw/18) inside the skin: iteratively
   * re-weighted least squares with Huber's weights.
   */
  public static double form(Plane before, Plane after, Plane skin, double fw) {
    return slope(formBand(before, skin, fw), formBand(after, skin, fw));
  }

  /** G(L*; fw/18) inside the skin, pixel by pixel. */
  static double[] formBand(Plane lightness, Plane skin, double fw) {
    return RobustStatistics.values(GaussianBlur.normalised(lightness, skin, fw / 18), skin);
  }

  /** Slope of the robust regression of y on x. */
  static double slope(double[] x, double[] y) {
    double slope = 1;
    double offset = 0;
    double limit = Double.MAX_VALUE;
    for (int round = 0; round < 6; round++) {
      double sw = 0;
      double sx = 0;
      double sy = 0;
      double sxx = 0;
      double sxy = 0;
      for (int i = 0; i < x.length; i++) {
        double away = Math.abs(y[i] - slope * x[i] - offset);
        double w = away <= limit ? 1 : limit / away;
        sw += w;
        sx += w * x[i];
        sy += w * y[i];
        sxx += w * x[i] * x[i];
        sxy += w * x[i] * y[i];
      }
      double spread = sxx - sx * sx / sw;
      if (!(spread > 1e-9)) {
        return Double.NaN;
      }
      slope = (sxy - sx * sy / sw) / spread;
      offset = (sy - slope * sx) / sw;
      double[] away = new double[x.length];
      for (int i = 0; i < x.length; i++) {
        away[i] = Math.abs(y[i] - slope * x[i] - offset);
      }
      // Huber's 1.345 sigma, sigma from the median absolute residual.
      limit = Math.max(1e-6, 1.345 * 1.4826 * RobustStatistics.quantile(away, 0.5));
    }
    return slope;
  }

  /** Spread of a plane in the band between two sigmas, filtered inside the skin only. */
  static double blotch(Plane plane, Plane skin, double fine, double coarse) {
    Plane low = GaussianBlur.normalised(plane, skin, fine);
    return RobustStatistics.sigma(low.minus(GaussianBlur.normalised(plane, skin, coarse)), skin);
  }

  public static Lab median(Picture lab, Plane where) {
    Area box = where.covered();
    Picture own = lab.crop(box);
    Plane inside = where.crop(box);
    return new Lab(
        RobustStatistics.median(own.first(), inside),
        RobustStatistics.median(own.second(), inside),
        RobustStatistics.median(own.third(), inside));
  }

  /** Difference of two skins at equal lightness: the second's a*, b* scaled by the ratio of L*. */
  public static double match(Lab face, Lab other) {
    double scale = face.l() / other.l();
    return DeltaE2000.between(face, new Lab(face.l(), other.a() * scale, other.b() * scale));
  }
}
