package carezza.measure.fault;

import java.util.OptionalDouble;

import carezza.filter.GaussianBlur;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.model.SemanticRegion;

/**
 * How far a picture is tilted, by what is upright or level behind the person: walls, frames, a
 * horizon. The directions of its edges gather at one angle; where they do not, nothing is said. A
 * head may lean, so it says nothing either.
 */
public final class Tilt {

  /** Sigma that edges are read at, in pixels of the level. */
  private static final double SIGMA = 1;

  /** Sigma over which an edge's direction is read: noise bends it at single pixels. */
  private static final double ABOUT = 4;

  /** Slope of an edge in L* a pixel, root mean square about it. */
  private static final double EDGE = 0.6;

  /** Share of the slopes about a place that run one way on an edge; at a crossing less do. */
  private static final double ONE_WAY = 0.9;

  /** Share of the backdrop about an edge, so that the person's own outline does not count. */
  private static final float OPEN = 0.995f;

  private static final double FAR = 6;

  /** Degrees to each side within which a line is meant to be upright or level. */
  private static final double MOST = 10;

  private static final double BIN = 0.1;

  /** Degrees about the likeliest angle that belong to it. */
  private static final double WITHIN = 0.6;

  /** Share of all edges near the axes that must belong to it. */
  private static final double GATHERED = 0.5;

  /** Pixels of edges that tell, as a share of the picture's height. */
  private static final double ENOUGH = 0.5;

  private Tilt() {}

  /**
   * Degrees by which the picture is turned clockwise; nothing where nothing straight is seen.
   *
   * @param lightness of the whole picture at the context's level
   */
  public static OptionalDouble degrees(EvaluationContext context, Plane lightness) {
    Plane open = open(context);
    Structure edges = Structure.of(lightness);
    int bins = (int) Math.round(2 * MOST / BIN);
    double[] weights = new double[bins];
    double total = 0;
    int pixels = 0;
    for (int i = 0; i < open.values().length; i++) {
      if (open.values()[i] < OPEN) {
        continue;
      }
      double xx = edges.xx().values()[i];
      double yy = edges.yy().values()[i];
      double xy = edges.xy().values()[i];
      double runs = Math.hypot(xx - yy, 2 * xy);
      if (xx + yy < EDGE * EDGE || runs < ONE_WAY * (xx + yy)) {
        continue;
      }
      double angle = Math.toDegrees(0.5 * Math.atan2(2 * xy, xx - yy));
      double off = angle - 90 * Math.rint(angle / 90);
      if (Math.abs(off) < MOST) {
        double weight = Math.sqrt(runs);
        weights[Math.min(bins - 1, (int) ((off + MOST) / BIN))] += weight;
        total += weight;
        pixels++;
      }
    }
    return pixels < ENOUGH * lightness.height()
        ? OptionalDouble.empty()
        : likeliest(weights, total);
  }

  /** Products of slopes across and down, means about each place (structure tensor). */
  private record Structure(Plane xx, Plane yy, Plane xy) {

    static Structure of(Plane lightness) {
      Plane smooth = GaussianBlur.blur(lightness, SIGMA);
      Plane xx = Plane.of(smooth.area());
      Plane yy = Plane.of(smooth.area());
      Plane xy = Plane.of(smooth.area());
      int w = smooth.width();
      float[] v = smooth.values();
      for (int y = 1; y < smooth.height() - 1; y++) {
        for (int i = y * w + 1; i < y * w + w - 1; i++) {
          float gx = (v[i + 1] - v[i - 1]) / 2;
          float gy = (v[i + w] - v[i - w]) / 2;
          xx.values()[i] = gx * gx;
          yy.values()[i] = gy * gy;
          xy.values()[i] = gx * gy;
        }
      }
      return new Structure(
          GaussianBlur.blur(xx, ABOUT), GaussianBlur.blur(yy, ABOUT), GaussianBlur.blur(xy, ABOUT));
    }
  }

  /** The backdrop but for what is next to the person; all of a picture in which nobody is known. */
  private static Plane open(EvaluationContext context) {
    return context.regions().faces().isEmpty()
        ? Plane.filled(context.whole(), 1)
        : GaussianBlur.blur(
            context.regions().coverage(SemanticRegion.BACKDROP, context.whole(), context.level()),
            FAR);
  }

  /** The angle that most edges gather about, if they do. */
  private static OptionalDouble likeliest(double[] weights, double total) {
    int reach = (int) Math.round(WITHIN / BIN);
    double most = 0;
    int at = 0;
    for (int i = reach; i < weights.length - reach; i++) {
      double sum = 0;
      for (int k = -reach; k <= reach; k++) {
        sum += weights[i + k];
      }
      if (sum > most) {
        most = sum;
        at = i;
      }
    }
    if (most < GATHERED * total) {
      return OptionalDouble.empty();
    }
    double mean = 0;
    for (int k = -reach; k <= reach; k++) {
      mean += weights[at + k] * ((at + k + 0.5) * BIN - MOST);
    }
    return OptionalDouble.of(mean / most);
  }
}
