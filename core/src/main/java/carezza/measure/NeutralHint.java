package carezza.measure;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

import carezza.colour.Lab;
import carezza.filter.GaussianBlur;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.mask.Masks;
import carezza.model.FaceMap;
import carezza.model.FaceMap.FaceOval;
import carezza.model.Mask;
import carezza.model.Point;
import carezza.model.SemanticRegion;

/**
 * A place that is likely to be neutral: whites of the eyes, teeth, backdrop, grey cloth.
 *
 * @param place in photograph pixels
 * @param what the region that it lies in; {@code SUBJECT} for cloth
 * @param likelihood 0 … 1 that such a thing is grey
 * @param colour in the picture as it is
 */
public record NeutralHint(Point place, SemanticRegion what, double likelihood, Lab colour) {

  /** Sigma of what is looked at as one place, as a share of the face width. */
  private static final double PLACE = 1 / 60.0;

  /** Chroma of cloth that may still be grey under a cast. */
  private static final double GREYISH = 18;

  /**
   * @param working the whole picture at a level
   * @return the likeliest first
   */
  public static List<NeutralHint> of(Picture working, EvaluationContext context) {
    double sigma = Math.max(1, context.faceWidth() * PLACE);
    Picture lab = Lab.of(working).map(p -> GaussianBlur.blur(p, sigma));
    List<NeutralHint> found = new ArrayList<>();
    add(found, SemanticRegion.BACKDROP, 0.55, lab, context, sigma);
    add(found, SemanticRegion.LEFT_SCLERA, 0.5, lab, context, sigma / 3);
    add(found, SemanticRegion.RIGHT_SCLERA, 0.5, lab, context, sigma / 3);
    add(found, SemanticRegion.TEETH, 0.3, lab, context, sigma / 2);
    cloth(found, lab, context, sigma);
    found.sort(Comparator.comparingDouble(NeutralHint::likelihood).reversed());
    return List.copyOf(found);
  }

  private static void add(
      List<NeutralHint> found,
      SemanticRegion region,
      double likelihood,
      Picture lab,
      EvaluationContext context,
      double sigma) {
    Plane inside = context.regions().coverage(region, context.whole(), context.level());
    Lab median = SkinGauges.median(lab, inside);
    if (!Double.isNaN(median.l())) {
      add(found, region, likelihood, GaussianBlur.blur(inside, sigma), median, lab, context);
    }
  }

  /** Strong colours are rarely a cast alone, and little can be read from what is dark. */
  private static double plausible(Lab colour) {
    double c = colour.chroma() / GREYISH;
    return Math.exp(-c * c) * Math.clamp((colour.l() - 5) / 45, 0.05, 1);
  }

  /** What the person wears, where it is least coloured. */
  private static void cloth(
      List<NeutralHint> found, Picture lab, EvaluationContext context, double sigma) {
    Plane cloth =
        context.regions().coverage(SemanticRegion.SUBJECT, context.whole(), context.level()).copy();
    for (SemanticRegion other :
        List.of(
            SemanticRegion.SKIN,
            SemanticRegion.HAIR,
            SemanticRegion.LIPS,
            SemanticRegion.BROWS_LASHES,
            SemanticRegion.SCLERA,
            SemanticRegion.IRIS,
            SemanticRegion.TEETH)) {
      without(cloth, context.regions().coverage(other, context.whole(), context.level()));
    }
    for (FaceMap face : context.regions().maps()) {
      // What is left over within a face, as an open mouth, is no cloth.
      FaceOval o = face.oval();
      Mask oval = new Mask.Ellipse(o.x(), o.y(), o.radiusX(), o.radiusY(), o.angle(), 0);
      without(cloth, Masks.render(oval, context.whole(), context));
    }
    Lab median = SkinGauges.median(lab, cloth);
    if (!Double.isNaN(median.l()) && median.chroma() < GREYISH) {
      double likelihood = 0.4 * (1 - median.chroma() / GREYISH);
      add(
          found,
          SemanticRegion.SUBJECT,
          likelihood,
          GaussianBlur.blur(cloth, sigma),
          median,
          lab,
          context);
    }
  }

  private static void without(Plane cloth, Plane other) {
    for (int i = 0; i < other.values().length; i++) {
      cloth.values()[i] *= 1 - other.values()[i];
    }
  }

  /** The place inside a region that is most like its median and well inside. */
  private static void add(
      List<NeutralHint> found,
      SemanticRegion what,
      double likelihood,
      Plane inside,
      Lab median,
      Picture lab,
      EvaluationContext context) {
    int best = -1;
    double least = Double.MAX_VALUE;
    for (int i = 0; i < inside.values().length; i++) {
      if (inside.values()[i] > 0.5f) {
        double off =
            Math.abs(lab.first().values()[i] - median.l())
                + Math.hypot(
                    lab.second().values()[i] - median.a(), lab.third().values()[i] - median.b())
                + 12 * (1 - inside.values()[i]);
        if (off < least) {
          least = off;
          best = i;
        }
      }
    }
    if (best >= 0) {
      int w = inside.width();
      Point place =
          new Point((best % w + 0.5) / context.scale(), (best / w + 0.5) / context.scale());
      Lab colour =
          new Lab(
              lab.first().values()[best], lab.second().values()[best], lab.third().values()[best]);
      found.add(new NeutralHint(place, what, likelihood * plausible(colour), colour));
    }
  }
}
