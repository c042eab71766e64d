package carezza.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

import org.jspecify.annotations.Nullable;

import carezza.colour.Lab;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.job.Band;
import carezza.mask.EvaluationContext;
import carezza.mask.Regions;
import carezza.measure.SkinGauges;
import carezza.measure.fault.Places;
import carezza.model.FaceMap;
import carezza.model.Point;
import carezza.model.SemanticRegion;

/** How far skin elsewhere, and on other faces, is from that of the face. */
final class MatchReadings {

  /** Regions of skin that are compared with the face. */
  private static final List<SemanticRegion> BODY =
      List.of(
          SemanticRegion.NECK_SKIN,
          SemanticRegion.EARS,
          SemanticRegion.SHOULDERS,
          SemanticRegion.HANDS);

  /**
   * Least area of such a region, in squares of the face width, and the difference from which it is
   * no skin.
   */
  private static final double LEAST_BODY = 0.05;

  private static final double NO_SKIN = 8;

  /** Size of what is shown of such a place, in face widths. */
  private static final double SHOWN = 0.3;

  private final EvaluationContext context;
  private final Picture lab;
  private final List<Reading> found = new ArrayList<>();

  MatchReadings(EvaluationContext context, Picture lab) {
    this.context = context;
    this.lab = lab;
  }

  /**
   * @param face the skin that all is compared with
   */
  List<Reading> of(Lab face, Band band) {
    double least = LEAST_BODY * Math.pow(context.faceWidth(), 2);
    for (SemanticRegion region : BODY) {
      Plane skin = context.regions().coverage(region, context.whole(), context.level());
      double area = 0;
      for (float v : skin.values()) {
        area += v;
      }
      Lab own = SkinGauges.median(lab, skin);
      if (area >= least && !Double.isNaN(own.l()) && !Double.isNaN(face.l())) {
        match(
            region.name().toLowerCase(Locale.ROOT),
            face,
            own,
            Places.middle(skin, context.scale()),
            band);
      }
    }
    List<FaceMap> maps = context.regions().maps();
    for (int i = 1; i < maps.size(); i++) {
      FaceMap other = maps.get(i);
      Point at = other.oval().middle();
      match("face" + (i + 1), face(0), face(i), at, band);
    }
    return found;
  }

  /** The colour of one person's face. */
  private Lab face(int person) {
    Regions own = context.regions().person(person);
    return SkinGauges.median(
        lab, own.coverage(SemanticRegion.FACE_SKIN, context.whole(), context.level()));
  }

  private void match(String part, Lab face, Lab other, @Nullable Point at, Band band) {
    double off = SkinGauges.match(face, other);
    if (off < NO_SKIN) {
      double size = SHOWN * context.faceWidth() / context.scale();
      found.add(new Reading(FindingKind.MATCH, part, off, band, at, size, List.of()));
    }
  }
}
