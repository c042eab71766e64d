package carezza.kernel;

import java.util.Optional;

import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.model.FaceMap;
import carezza.model.Point;
import carezza.model.SemanticRegion;

/**
 * What skin is not joined to near a repair, nor it to skin: lips, teeth, eyes, and what lies behind
 * the person.
 */
final class ProtectedAreas {

  private static final SemanticRegion[] REGIONS = {
    SemanticRegion.LIPS, SemanticRegion.TEETH, SemanticRegion.SCLERA, SemanticRegion.IRIS
  };

  /** How far around the pupils and the mouth they can reach, in distances of the pupils. */
  private static final double EYES = 0.5;

  private static final double MOUTH = 0.9;

  /** Coverage from which a pixel is one of them. */
  private static final float THERE = 0.3f;

  /** Where a repair of skin begins to end at them, and where nothing of it is left. */
  private static final float EDGE = 0.1f;

  private static final float WHOLLY = 0.7f;

  private final Plane cover;

  private ProtectedAreas(Plane cover) {
    this.cover = cover;
  }

  /**
   * Nothing where none can be.
   *
   * @param own the picture around the repair, at the site's level
   * @param repair in photograph pixels
   */
  static Optional<ProtectedAreas> over(EvaluationContext context, Picture own, Area repair) {
    boolean near = context.regions().maps().stream().anyMatch(f -> near(f, repair));
    Plane cover = Plane.of(own.area());
    boolean any = added(context, SemanticRegion.BACKDROP, cover);
    if (any) {
      OutlineByColour.sharpen(cover, own);
    }
    for (SemanticRegion region : near ? REGIONS : new SemanticRegion[0]) {
      any |= added(context, region, cover);
    }
    return any ? Optional.of(new ProtectedAreas(cover)) : Optional.empty();
  }

  private static boolean added(EvaluationContext context, SemanticRegion region, Plane cover) {
    Plane own = context.regions().coverage(region, cover.area(), context.level());
    boolean any = false;
    for (int i = 0; i < own.values().length; i++) {
      cover.values()[i] = Math.max(cover.values()[i], own.values()[i]);
      any |= own.values()[i] >= THERE;
    }
    return any;
  }

  private static boolean near(FaceMap face, Area repair) {
    double unit = face.pupilDistance();
    return around(face.leftPupil(), EYES * unit).intersects(repair)
        || around(face.rightPupil(), EYES * unit).intersects(repair)
        || around(face.mouthCentre(), MOUTH * unit).intersects(repair);
  }

  private static Area around(Point p, double r) {
    return Area.around(p.x() - r, p.y() - r, p.x() + r, p.y() + r);
  }

  /**
   * A repair that is mostly skin leaves them alone and does not lean on them; one that is mostly on
   * them leans on nothing else.
   */
  void keepApart(Plane coverage, Plane trust) {
    double on = 0;
    double all = 0;
    for (int i = 0; i < cover.values().length; i++) {
      all += coverage.values()[i];
      on += coverage.values()[i] * cover.values()[i];
    }
    boolean skin = on < all / 2;
    boolean anywhere = false;
    Plane kept = trust.copy();
    for (int i = 0; i < cover.values().length; i++) {
      boolean feature = cover.values()[i] >= THERE;
      if (skin) {
        coverage.values()[i] *= Math.clamp((WHOLLY - cover.values()[i]) / (WHOLLY - EDGE), 0f, 1f);
      }
      if (feature == skin) {
        kept.values()[i] = 0;
      }
      anywhere |= kept.values()[i] > 0;
    }
    if (anywhere) {
      trust.copyFrom(kept);
    }
  }
}
