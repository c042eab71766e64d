package carezza.measure.fault;

import java.util.OptionalDouble;

import org.jspecify.annotations.Nullable;

import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.model.Crop;
import carezza.model.SemanticRegion;

/** The room over the subject's head. */
public final class Headroom {

  /**
   * Width of the subject at the picture's upper edge, in face widths, from which it is cut on
   * purpose.
   */
  private static final double CUT = 0.5;

  /** Pixels of the subject in a row from which it is the top of the head and no stray hair. */
  private static final int FEWEST = 3;

  private Headroom() {}

  /**
   * Percent of the frame's height that lies over the subject; nothing where there is no subject, or
   * where the upper edge cuts it broadly.
   *
   * @param frame what is delivered, or null for the whole photograph; its turning is passed over
   */
  public static OptionalDouble percent(EvaluationContext context, @Nullable Crop frame) {
    Plane subject =
        context.regions().coverage(SemanticRegion.SUBJECT, context.whole(), context.level());
    double above = frame == null ? 0 : (frame.y() - frame.height() / 2) * context.scale();
    double height = frame == null ? subject.height() : frame.height() * context.scale();
    for (int y = 0; y < subject.height(); y++) {
      int covered = 0;
      for (int x = 0; x < subject.width(); x++) {
        covered += subject.at(x, y) > 0.5f ? 1 : 0;
      }
      if (covered >= FEWEST) {
        return y == 0 && covered > CUT * context.faceWidth()
            ? OptionalDouble.empty()
            : OptionalDouble.of(100 * (y - above) / height);
      }
    }
    return OptionalDouble.empty();
  }
}
