package carezza.kernel;

import carezza.colour.WorkingSpace;
import carezza.filter.GaussianBlur;
import carezza.filter.RobustStatistics;
import carezza.image.Picture;
import carezza.image.Plane;

/**
 * Texture of skin as a share of its tone: what is finer than pores are wide. Strengths are robust
 * spreads, so single hairs, lashes and glints around a patch say nothing of its pores.
 */
final class SkinTexture {

  /**
   * What is broader than pores: in photograph pixels, or as a share of the radius if that is more.
   */
  private static final double PORES = 4;

  private static final double SHARE = 0.2;

  /** Sigma in pixels of the level below which nothing is told apart. */
  private static final double FINEST = 0.6;

  /** How far the strength of pores is brought to that of the surroundings. */
  private static final double WEAKEST = 0.6;

  private static final double STRONGEST = 1.5;

  /**
   * Strength in red light against the surroundings' between which texture is whole, and its highest
   * peak.
   */
  private static final double LEAST_WHOLE = 0.7;

  private static final double MOST_WHOLE = 1.35;
  private static final double PEAK = 8;

  private static final float DARKEST = 1e-3f;

  private final Picture own;
  private final Plane known;
  private final Plane coverage;

  /** The patch and what is known around it, without what skin is not joined to. */
  private final Plane skin;

  private final double sigma;

  /**
   * @param own the patch and its surroundings, working space
   * @param trust above 0 where the surroundings are known
   * @param coverage of the patch
   * @param radius of the patch in pixels of the level
   * @param scale of the level
   */
  SkinTexture(Picture own, Plane trust, Plane coverage, double radius, double scale) {
    this.own = own;
    this.coverage = coverage;
    known = Plane.of(trust.area());
    skin = Plane.of(trust.area());
    for (int i = 0; i < known.values().length; i++) {
      known.values()[i] = trust.values()[i] > 0 ? 1 : 0;
      skin.values()[i] = Math.max(known.values()[i], coverage.values()[i]);
    }
    sigma = Math.max(PORES * scale, SHARE * radius);
  }

  /** Whether the level shows any. */
  boolean visible() {
    return sigma >= FINEST;
  }

  /** The source's texture over a tone, as strong as that around the patch. */
  Picture lay(Picture source, Picture tone) {
    Plane[] laid = new Plane[3];
    for (int c = 0; c < 3; c++) {
      Plane there = source.plane(c);
      Plane texture = share(there, GaussianBlur.blur(there, sigma));
      laid[c] = over(tone.plane(c), texture, gain(around(own.plane(c)), texture));
    }
    return new Picture(laid[0], laid[1], laid[2]);
  }

  /**
   * Hairs and lashes around the patch make nothing stronger, dots of stubble at the source do not
   * either.
   */
  private double gain(Plane around, Plane texture) {
    double robust =
        RobustStatistics.sigma(around, known) / RobustStatistics.sigma(texture, coverage);
    double all = strength(around, known) / strength(texture, coverage);
    double gain = Math.min(robust, all);
    return Double.isFinite(gain) ? Math.clamp(gain, WEAKEST, STRONGEST) : 1;
  }

  private static double strength(Plane texture, Plane weights) {
    double sum = 0;
    double weight = 0;
    for (int i = 0; i < weights.values().length; i++) {
      float v = texture.values()[i];
      sum += weights.values()[i] * v * v;
      weight += weights.values()[i];
    }
    return Math.sqrt(sum / weight);
  }

  /**
   * The patch's own texture over a tone, as red light shows it, which blood leaves alone; each
   * channel in proportion to how much of it that shows around the patch.
   */
  Picture layOwn(Picture tone) {
    Plane red = WorkingSpace.toLinearSrgb(own).first();
    Plane texture = own(red);
    double inRed = RobustStatistics.sigma(around(red), known);
    return new Picture(
        over(tone.first(), texture, shown(own.first(), inRed)),
        over(tone.second(), texture, shown(own.second(), inRed)),
        over(tone.third(), texture, shown(own.third(), inRed)));
  }

  private double shown(Plane channel, double inRed) {
    return inRed > 0 ? RobustStatistics.sigma(around(channel), known) / inRed : 1;
  }

  /** Whether the patch's texture is that of its surroundings, so that none need be brought. */
  boolean whole() {
    Plane red = WorkingSpace.toLinearSrgb(own).first();
    Plane texture = own(red);
    double around = RobustStatistics.sigma(around(red), known);
    double here = RobustStatistics.sigma(texture, coverage);
    double peak = 0;
    for (int i = 0; i < texture.values().length; i++) {
      if (coverage.values()[i] >= RobustStatistics.TAKEN_IN) {
        peak = Math.max(peak, Math.abs(texture.values()[i]));
      }
    }
    return here >= LEAST_WHOLE * around && here <= MOST_WHOLE * around && peak <= PEAK * here;
  }

  private Plane around(Plane channel) {
    return share(channel, GaussianBlur.normalised(channel, known, sigma));
  }

  private Plane own(Plane channel) {
    return share(channel, GaussianBlur.normalised(channel, skin, sigma));
  }

  private static Plane share(Plane all, Plane tone) {
    Plane out = Plane.of(all.area());
    for (int i = 0; i < out.values().length; i++) {
      out.values()[i] = all.values()[i] / Math.max(DARKEST, tone.values()[i]) - 1;
    }
    return out;
  }

  private static Plane over(Plane tone, Plane texture, double strength) {
    Plane out = tone.copy();
    for (int i = 0; i < out.values().length; i++) {
      out.values()[i] *= 1 + (float) strength * texture.values()[i];
    }
    return out;
  }
}
