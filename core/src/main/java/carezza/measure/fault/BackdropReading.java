package carezza.measure.fault;

import java.util.Arrays;
import java.util.function.IntPredicate;

import org.jspecify.annotations.Nullable;

import carezza.colour.DeltaE2000;
import carezza.colour.Lab;
import carezza.filter.RobustStatistics;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.measure.SkinGauges;
import carezza.model.Point;
import carezza.model.SemanticRegion;

/**
 * Evenness and purity of the backdrop.
 *
 * @param across difference of median L* between the left and the right border, where both show it;
 *     NaN else
 * @param white whether it is close enough to white that white is what was wanted
 * @param pure percent of the backdrop along the picture's border that is pure white, or within ΔE00
 *     1 of another colour that was chosen
 * @param colour its median
 * @param place its middle, in photograph pixels; null where there is none
 */
public record BackdropReading(
    double across, boolean white, double pure, Lab colour, @Nullable Point place) {

  /** Width of the borders that are compared, as a share of the picture's. */
  private static final double BORDER = 0.06;

  /** L* and chroma of a backdrop that was meant to be white. */
  private static final double NEARLY_WHITE = 85;

  private static final double COLOURLESS = 6;

  /** Encoded value of every channel from which a pixel is white, as 8 bits round it. */
  private static final float WHITE = 254.5f / 255;

  /** ΔE00 within which a chosen colour is reached. */
  private static final double NEAR = 1;

  /** Coverage of what is backdrop for sure. */
  private static final float INSIDE = 0.99f;

  private static final int FEWEST = 60;

  /**
   * @param working the whole picture at the context's level
   * @param lab the same
   * @param wanted colour of it that was chosen; null where none was
   */
  public static BackdropReading of(
      EvaluationContext context, Picture working, Picture lab, @Nullable Lab wanted) {
    Plane backdrop =
        context.regions().coverage(SemanticRegion.BACKDROP, context.whole(), context.level());
    int w = backdrop.width();
    int border = Math.max(2, (int) (BORDER * w));
    double left = tone(lab.first(), backdrop, 0, border);
    double right = tone(lab.first(), backdrop, w - border, w);
    Lab colour = SkinGauges.median(lab, backdrop);
    boolean white =
        wanted == null
            ? colour.l() > NEARLY_WHITE && colour.chroma() < COLOURLESS
            : wanted.l() >= 100;
    return new BackdropReading(
        Math.abs(left - right),
        white,
        wanted == null || white ? pure(working, backdrop) : near(lab, backdrop, wanted),
        colour,
        Places.middle(backdrop, context.scale()));
  }

  private static double tone(Plane lightness, Plane backdrop, int from, int to) {
    double[] values = new double[(to - from) * lightness.height()];
    int n = 0;
    for (int y = 0; y < lightness.height(); y++) {
      for (int x = from; x < to; x++) {
        if (backdrop.at(x, y) > INSIDE) {
          values[n++] = lightness.at(x, y);
        }
      }
    }
    return n < FEWEST ? Double.NaN : RobustStatistics.quantile(Arrays.copyOf(values, n), 0.5);
  }

  private static double pure(Picture working, Plane backdrop) {
    return share(
        backdrop,
        i ->
            working.first().values()[i] >= WHITE
                && working.second().values()[i] >= WHITE
                && working.third().values()[i] >= WHITE);
  }

  private static double near(Picture lab, Plane backdrop, Lab wanted) {
    return share(
        backdrop,
        i ->
            DeltaE2000.between(
                    new Lab(
                        lab.first().values()[i], lab.second().values()[i], lab.third().values()[i]),
                    wanted)
                <= NEAR);
  }

  /** Percent of the outermost pixels that show the backdrop. */
  private static double share(Plane backdrop, IntPredicate reached) {
    int n = 0;
    int there = 0;
    int w = backdrop.width();
    int h = backdrop.height();
    for (int i = 0; i < w * h; i++) {
      int x = i % w;
      int y = i / w;
      boolean edge = x == 0 || y == 0 || x == w - 1 || y == h - 1;
      if (edge && backdrop.values()[i] > INSIDE) {
        n++;
        there += reached.test(i) ? 1 : 0;
      }
    }
    return n == 0 ? Double.NaN : 100.0 * there / n;
  }
}
