package carezza.measure.fault;

import java.util.List;
import java.util.Optional;

import org.jspecify.annotations.Nullable;

import carezza.colour.Lab;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.measure.NeutralHint;
import carezza.measure.SkinGauges;
import carezza.model.Point;
import carezza.model.SemanticRegion;

/**
 * The colour of what should be neutral: the whites of the eyes, the teeth, the backdrop and grey
 * cloth, each less the colour that such things have in neutral light, weighed by how likely they
 * tell a cast.
 *
 * @param a of the cast, green to red
 * @param b of the cast, blue to yellow
 * @param place the neutral place that tells most, in photograph pixels
 */
public record CastEstimate(double a, double b, @Nullable Point place) {

  /** Colours of a* and b* in neutral light: medians of made-up portraits without a cast. */
  private static final double[] SCLERA = {4.5, 9};

  private static final double[] TEETH = {7, 17};

  /**
   * How far from its usual colour a thing still tells a cast, rather than being coloured itself.
   */
  private static final double FAR = 8;

  public double chroma() {
    return Math.hypot(a, b);
  }

  /**
   * @param working the whole picture at the context's level
   * @return none where nothing that could be neutral is to be seen
   */
  public static Optional<CastEstimate> of(EvaluationContext context, Picture working) {
    Picture lab = Lab.of(working);
    List<NeutralHint> hints = NeutralHint.of(working, context);
    Sum sum = new Sum();
    @Nullable Point place = null;
    for (NeutralHint hint : hints) {
      double[] usual =
          switch (hint.what()) {
            case LEFT_SCLERA, RIGHT_SCLERA -> SCLERA;
            case TEETH -> TEETH;
            default -> new double[2];
          };
      double weight =
          switch (hint.what()) {
            case LEFT_SCLERA, RIGHT_SCLERA -> 0.3;
            case TEETH -> 0.3;
            case BACKDROP -> 0.55;
            default -> 0.25;
          };
      Lab colour = hint.colour();
      if (hint.what() != SemanticRegion.SUBJECT) {
        Plane inside = context.regions().coverage(hint.what(), context.whole(), context.level());
        colour = SkinGauges.median(lab, inside);
      }
      sum.add(weight, colour.a() - usual[0], colour.b() - usual[1]);
      place = place == null ? hint.place() : place;
    }
    return sum.weight == 0
        ? Optional.empty()
        : Optional.of(new CastEstimate(sum.a / sum.weight, sum.b / sum.weight, place));
  }

  private static final class Sum {
    private double weight;
    private double a;
    private double b;

    void add(double share, double offA, double offB) {
      double far = Math.hypot(offA, offB) / FAR;
      double w = share * Math.exp(-far * far);
      weight += w;
      a += w * offA;
      b += w * offB;
    }
  }
}
