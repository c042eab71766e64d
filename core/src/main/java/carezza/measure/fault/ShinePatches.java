package carezza.measure.fault;

import org.jspecify.annotations.Nullable;

import carezza.colour.Lab;
import carezza.filter.GaussianBlur;
import carezza.filter.RobustStatistics;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.model.Point;
import carezza.model.SemanticRegion;

/**
 * Specular patches on the face's skin: lighter than the local diffuse tone, and paler, since what
 * the surface throws back has the light's colour and not the skin's.
 *
 * @param share percent of the face's skin; NaN where there is none
 * @param place where there is most of it, in photograph pixels
 */
public record ShinePatches(double share, @Nullable Point place) {

  /** Sigma of the local diffuse tone and of what is read, as shares of the face width. */
  private static final double DIFFUSE = 1 / 7.0;

  private static final double FINE = 1 / 120.0;

  /** L* over the diffuse tone. */
  private static final double OVER = 6;

  /** Most chroma for its lightness, as a part of this skin's own. */
  private static final double PALER = 0.7;

  private static final float INSIDE = 0.9f;

  /**
   * @param lab the whole picture at the context's level
   */
  public static ShinePatches of(EvaluationContext context, Picture lab) {
    Plane whole =
        context.regions().coverage(SemanticRegion.FACE_SKIN, context.whole(), context.level());
    if (whole.covered().isEmpty()) {
      return new ShinePatches(Double.NaN, null);
    }
    double fw = context.faceWidth();
    Plane skin = whole.crop(whole.covered());
    Picture own = lab.crop(skin.area());
    Plane paleness = Plane.of(skin.area());
    for (int i = 0; i < paleness.values().length; i++) {
      paleness.values()[i] =
          (float)
              (Math.hypot(own.second().values()[i], own.third().values()[i])
                  / Math.max(1, own.first().values()[i]));
    }
    double usual = RobustStatistics.median(paleness, skin);
    Plane over =
        GaussianBlur.normalised(own.first(), skin, fw * FINE)
            .minus(GaussianBlur.normalised(own.first(), skin, fw * DIFFUSE));
    Plane pale = GaussianBlur.normalised(paleness, skin, fw * FINE);
    Plane shine = Plane.of(skin.area());
    int n = 0;
    int found = 0;
    for (int i = 0; i < shine.values().length; i++) {
      if (skin.values()[i] > INSIDE) {
        n++;
        if (over.values()[i] > OVER && pale.values()[i] < PALER * usual) {
          found++;
          shine.values()[i] = 1;
        }
      }
    }
    return new ShinePatches(
        n == 0 ? Double.NaN : 100.0 * found / n,
        Places.most(GaussianBlur.blur(shine, fw / 20), context.scale()));
  }
}
