package carezza.kernel;

import carezza.colour.WorkingSpace;
import carezza.filter.GaussianBlur;
import carezza.filter.Membrane;
import carezza.image.Picture;
import carezza.image.Plane;

/**
 * The tone that a patch of skin would have without the blood in it: the membrane of its
 * surroundings' tone, with the light and shade that are the patch's own. Blood hardly takes red
 * light, shading takes all light alike (as in {@link carezza.colour.Pigments}): with ρ and γ the
 * logarithms of how much brighter the patch is than the membrane in red and in green light, blood
 * is β = γ − ρ and light and shade are ρ − q β. What q is lies between bounds and is partly read
 * from the patch, as skin's own pigment and the camera's colours decide. Where light and shade
 * outweigh blood, what is there is no redness but a thing of its own (a mole, a scratch, a speck),
 * and the membrane's tone is taken as it is.
 */
final class SkinTone {

  /** Light and shade are what is broader than this share of the patch's radius. */
  private static final double SHADE_SIGMA = 0.4;

  /**
   * Darkening in red light for the redness of blood: as a rule, which rises with the square of the
   * skin's own pigment, read from ln R − ln G of its tone; and its bounds.
   */
  private static final double USUAL_LIGHT = 0.25;

  private static final double LIGHT_SKIN = 0.5;
  private static final double USUAL_RISE = 3;

  /** Share of what is read from the patch, against what is usual. */
  private static final double READ = 0.75;

  private static final double LEAST = 0.18;
  private static final double MOST = 1;

  /**
   * Ratio of light and shade to blood up to which they are kept in full, and from which not at all.
   */
  private static final double[] KEPT_DARK = {0.8, 1.4};

  private static final double[] KEPT_LIGHT = {1.2, 2.5};

  /** The same, up to which nothing but blood is wrong. */
  private static final double ONLY_BLOOD = 1.0;

  /** Least density of blood, as a spread over the patch, that is seen as redness. */
  private static final double LEAST_BLOOD = 0.035;

  private static final float DARKEST = 1e-3f;

  private final Plane coverage;

  /** The patch and what is known around it, without what skin is not joined to. */
  private final Plane skin;

  private final Picture tone;
  private final boolean onlyBlood;

  /**
   * @param own the patch and its surroundings, working space
   * @param trust as {@link Membrane#solve} wants it
   * @param coverage of the patch
   * @param radius of the patch in pixels
   */
  SkinTone(Picture own, Plane trust, Plane coverage, double radius) {
    this.coverage = coverage;
    skin = Plane.of(trust.area());
    for (int i = 0; i < skin.values().length; i++) {
      skin.values()[i] = trust.values()[i] > 0 ? 1 : coverage.values()[i];
    }
    tone = own.map(p -> Membrane.solve(p, trust));
    double sigma = Math.max(1, SHADE_SIGMA * radius);
    Picture there = WorkingSpace.toLinearSrgb(own);
    Picture around = WorkingSpace.toLinearSrgb(tone);
    Plane red = rise(there.first(), around.first(), sigma);
    Plane blood = rise(there.second(), around.second(), sigma).minus(red);
    double redness = product(blood, blood) + 1e-12;
    double pixels = 0;
    for (float c : coverage.values()) {
      pixels += c;
    }
    double taken =
        Math.clamp(READ * product(red, blood) / redness + (1 - READ) * usual(around), LEAST, MOST);
    Plane shade = red;
    for (int i = 0; i < shade.values().length; i++) {
      shade.values()[i] -= (float) taken * blood.values()[i];
    }
    double ratio = Math.sqrt(product(shade, shade) / redness);
    onlyBlood = ratio <= ONLY_BLOOD && redness >= LEAST_BLOOD * LEAST_BLOOD * pixels;
    relight(shade, kept(ratio, sum(shade) < 0 ? KEPT_DARK : KEPT_LIGHT));
  }

  private double usual(Picture tone) {
    double pigment = Math.log((sum(tone.first()) + DARKEST) / (sum(tone.second()) + DARKEST));
    double more = Math.max(0, pigment - LIGHT_SKIN);
    return Math.min(MOST, USUAL_LIGHT + USUAL_RISE * more * more);
  }

  private static double kept(double ratio, double[] limits) {
    return Math.clamp((limits[1] - ratio) / (limits[1] - limits[0]), 0, 1);
  }

  private void relight(Plane shade, double share) {
    for (int i = 0; i < shade.values().length; i++) {
      float light = (float) Math.exp(share * shade.values()[i]);
      for (int c = 0; c < 3; c++) {
        tone.plane(c).values()[i] *= light;
      }
    }
  }

  /** Logarithm of how much brighter the patch is than its tone, of what is broad. */
  private Plane rise(Plane own, Plane tone, double sigma) {
    Plane without = own.copy();
    for (int i = 0; i < without.values().length; i++) {
      float v = without.values()[i];
      without.values()[i] = v + coverage.values()[i] * (tone.values()[i] - v);
    }
    Plane rise = GaussianBlur.normalised(own, skin, sigma);
    Plane from = GaussianBlur.normalised(without, skin, sigma);
    for (int i = 0; i < rise.values().length; i++) {
      rise.values()[i] =
          (float)
              Math.log(Math.max(DARKEST, rise.values()[i]) / Math.max(DARKEST, from.values()[i]));
    }
    return rise;
  }

  private double product(Plane one, Plane other) {
    double sum = 0;
    for (int i = 0; i < one.values().length; i++) {
      sum += coverage.values()[i] * one.values()[i] * other.values()[i];
    }
    return sum;
  }

  private double sum(Plane plane) {
    double sum = 0;
    for (int i = 0; i < plane.values().length; i++) {
      sum += coverage.values()[i] * plane.values()[i];
    }
    return sum;
  }

  /** In the working space. */
  Picture picture() {
    return tone;
  }

  /** Whether the patch differs from its surroundings by blood alone. */
  boolean onlyBlood() {
    return onlyBlood;
  }
}
