package carezza.kernel;

import java.util.List;
import java.util.stream.IntStream;

import carezza.colour.Lab;
import carezza.filter.GaussianBlur;
import carezza.filter.RobustStatistics;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.model.Point;

/**
 * Advises the sigma of a frequency separation from the face's own skin: wide enough that pores
 * leave the low band, narrow enough that blotches stay in it.
 *
 * <p>For a scan of σ from fw/400 to fw/12: residual texture is the robust variance of the pore band
 * (G(fw/450) − G(fw/110)) of G(L*; σ) over that of L*; colour leak is the robust variance of B −
 * G(B; σ) over that of B, B = G(fw/90) − G(fw/16) of a* and b*. The advised band runs from where
 * the residual has fallen to 0.12 to where the leak has risen to 0.10; its lower end is the advice,
 * or the crossing of both curves where they cross before.
 */
public final class SeparationRadiusAdvisor {

  private static final double RESIDUAL = 0.12;
  private static final double LEAK = 0.10;
  private static final int STEPS = 16;
  private static final double NARROWEST = 1 / 400.0;
  private static final double WIDEST = 1 / 12.0;

  /** Advice where there is no skin to measure: a share of the face width that suits most faces. */
  private static final double FALLBACK = 1 / 85.0;

  private SeparationRadiusAdvisor() {}

  /** One step of the scan; sigma in pixels of the picture measured. */
  public record Step(double sigma, double residual, double leak) {}

  /**
   * @param from σ where the residual texture is small enough
   * @param to σ where the colour leak becomes too large
   * @param advised within the band, or the crossing of the curves if there is no band
   * @param curve the scan, by rising sigma; empty where there is no skin
   */
  public record Advice(double from, double to, double advised, List<Step> curve) {

    /** The same in pixels of another size. */
    public Advice times(double scale) {
      return new Advice(
          from * scale,
          to * scale,
          advised * scale,
          curve.stream().map(s -> new Step(s.sigma() * scale, s.residual(), s.leak())).toList());
    }
  }

  /**
   * The place of the skin where the pore band is strongest against folds and features around it.
   */
  public static Point textured(Picture working, Plane skin, double faceWidth) {
    Plane lightness = Lab.lightness(working);
    Plane pores = band(lightness, 0, faceWidth / 450, faceWidth / 110);
    Plane folds = band(lightness, 0, faceWidth / 110, faceWidth / 10);
    for (int i = 0; i < pores.values().length; i++) {
      pores.values()[i] = Math.abs(pores.values()[i]);
      folds.values()[i] = Math.abs(folds.values()[i]);
    }
    double around = faceWidth / 14;
    Plane fine = GaussianBlur.blur(pores, around);
    Plane broad = GaussianBlur.blur(folds, around);
    Plane inside = GaussianBlur.blur(skin, around);
    int best = 0;
    double most = -1;
    for (int i = 0; i < fine.values().length; i++) {
      double clear = Math.max(0, inside.values()[i] - 0.8);
      double score = clear * fine.values()[i] / (1 + broad.values()[i]);
      if (score > most) {
        most = score;
        best = i;
      }
    }
    Area a = fine.area();
    return new Point(a.x() + best % a.width() + 0.5, a.y() + best / a.width() + 0.5);
  }

  /**
   * @param working picture in the working space
   * @param skin coverage of the face's skin over the same area
   * @param faceWidth in its pixels
   */
  public static Advice advise(Picture working, Plane skin, double faceWidth) {
    Area box = skin.covered();
    if (box.pixels() < 400) {
      double sigma = faceWidth * FALLBACK;
      return new Advice(sigma, sigma, sigma, List.of());
    }
    Area wide = box.grow((int) (faceWidth / 8)).intersect(working.area());
    Picture lab = Lab.of(working.crop(wide));
    Plane mask = skin.crop(wide);
    List<Step> curve = scan(lab, mask, faceWidth);
    double from = falling(curve);
    double to = rising(curve);
    return new Advice(from, to, from <= to ? from : crossing(curve), curve);
  }

  private static List<Step> scan(Picture lab, Plane mask, double fw) {
    double fine = fw / 450;
    double coarse = fw / 110;
    double texture = variance(band(lab.first(), 0, fine, coarse), mask);
    Plane blotchA = band(lab.second(), 0, fw / 90, fw / 16);
    Plane blotchB = band(lab.third(), 0, fw / 90, fw / 16);
    double blotches = variance(blotchA, mask) + variance(blotchB, mask);
    return IntStream.range(0, STEPS)
        .parallel()
        .mapToObj(
            i -> {
              double sigma = fw * NARROWEST * Math.pow(WIDEST / NARROWEST, i / (STEPS - 1.0));
              double residual = variance(band(lab.first(), sigma, fine, coarse), mask) / texture;
              double leak =
                  (variance(high(blotchA, sigma), mask) + variance(high(blotchB, sigma), mask))
                      / blotches;
              return new Step(sigma, residual, leak);
            })
        .toList();
  }

  /** G(fine) − G(coarse) of the plane after a blur; Gaussians join by adding their variances. */
  private static Plane band(Plane plane, double blurred, double fine, double coarse) {
    Plane a = GaussianBlur.blur(plane, Math.hypot(blurred, fine));
    return a.minus(GaussianBlur.blur(plane, Math.hypot(blurred, coarse)));
  }

  private static Plane high(Plane plane, double sigma) {
    return plane.minus(GaussianBlur.blur(plane, sigma));
  }

  private static double variance(Plane plane, Plane mask) {
    double sigma = RobustStatistics.sigma(plane, mask);
    return sigma * sigma + 1e-12;
  }

  private static double falling(List<Step> curve) {
    for (int i = 1; i < curve.size(); i++) {
      Step a = curve.get(i - 1);
      Step b = curve.get(i);
      if (b.residual() <= RESIDUAL) {
        return between(a.sigma(), b.sigma(), a.residual() - RESIDUAL, b.residual() - RESIDUAL);
      }
    }
    return curve.getLast().sigma();
  }

  private static double rising(List<Step> curve) {
    for (int i = 1; i < curve.size(); i++) {
      Step a = curve.get(i - 1);
      Step b = curve.get(i);
      if (b.leak() >= LEAK) {
        return between(a.sigma(), b.sigma(), a.leak() - LEAK, b.leak() - LEAK);
      }
    }
    return curve.getLast().sigma();
  }

  private static double crossing(List<Step> curve) {
    for (int i = 1; i < curve.size(); i++) {
      Step a = curve.get(i - 1);
      Step b = curve.get(i);
      double before = a.residual() / RESIDUAL - a.leak() / LEAK;
      double after = b.residual() / RESIDUAL - b.leak() / LEAK;
      if (after <= 0) {
        return between(a.sigma(), b.sigma(), before, after);
      }
    }
    return curve.getLast().sigma();
  }

  /** Where a value falls through 0 between two sigmas, on the logarithm of sigma. */
  private static double between(double a, double b, double valueA, double valueB) {
    double t = Math.clamp(valueA / (valueA - valueB), 0, 1);
    return a * Math.pow(b / a, t);
  }
}
