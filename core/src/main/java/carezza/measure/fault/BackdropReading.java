package carezza.measure.fault;

import java.util.Arrays;

import org.jspecify.annotations.Nullable;

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
 * @param pure percent of the picture's border that is backdrop and pure white
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

  /** Coverage of what is backdrop for sure. */
  private static final float INSIDE = 0.99f;

  private static final int FEWEST = 60;

  /**
   * @param working the whole picture at the context's level
   * @param lab the same
   */
  public static BackdropReading of(EvaluationContext context, Picture working, Picture lab) {
    Plane backdrop =
        context.regions().coverage(SemanticRegion.BACKDROP, context.whole(), context.level());
    int w = backdrop.width();
    int border = Math.max(2, (int) (BORDER * w));
    double left = tone(lab.first(), backdrop, 0, border);
    double right = tone(lab.first(), backdrop, w - border, w);
    Lab colour = SkinGauges.median(lab, backdrop);
    boolean white = colour.l() > NEARLY_WHITE && colour.chroma() < COLOURLESS;
    return new BackdropReading(
        Math.abs(left - right),
        white,
        pure(working, backdrop),
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

  /** Of the outermost pixels that show the backdrop. */
  private static double pure(Picture working, Plane backdrop) {
    int n = 0;
    int white = 0;
    int w = backdrop.width();
    int h = backdrop.height();
    for (int i = 0; i < w * h; i++) {
      int x = i % w;
      int y = i / w;
      boolean edge = x == 0 || y == 0 || x == w - 1 || y == h - 1;
      if (edge && backdrop.values()[i] > INSIDE) {
        n++;
        boolean pure =
            working.first().values()[i] >= WHITE
                && working.second().values()[i] >= WHITE
                && working.third().values()[i] >= WHITE;
        white += pure ? 1 : 0;
      }
    }
    return n == 0 ? Double.NaN : 100.0 * white / n;
  }
}
