package carezza.shape;

import java.util.List;

import carezza.image.PictureSize;
import carezza.model.Lens;
import carezza.model.Point;

/**
 * The radial distortion by which lines that were straight in the world are straight again ("plumb
 * lines", Brown 1971): Gauss-Newton on the distances of their places from the line through them,
 * each measured against its length so that a smaller picture is no better.
 */
public final class LensFit {

  private static final int ROUNDS = 30;
  private static final double STEP = 1e-5;

  /** Lines from which k2 can be told beside k1. */
  private static final int FOR_TWO = 3;

  private final List<Lens.Line> lines;
  private final PictureSize size;

  private LensFit(List<Lens.Line> lines, PictureSize size) {
    this.lines = lines;
    this.size = size;
  }

  /** The lens with its radial distortion read from its lines; as it is where it has none. */
  public static Lens of(Lens lens, PictureSize size) {
    return lens.lines().isEmpty() ? lens : new LensFit(lens.lines(), size).fit(lens);
  }

  /** How far the places of the lines lie beside straight ones, root mean square in pixels. */
  public static double off(Lens lens, PictureSize size) {
    double[] off = new LensFit(lens.lines(), size).off(lens);
    double sum = 0;
    for (double d : off) {
      sum += d * d;
    }
    return off.length == 0 ? 0 : Math.sqrt(sum / off.length);
  }

  private Lens fit(Lens lens) {
    boolean two = lines.size() >= FOR_TWO;
    Lens best = lens.withRadial(0, 0);
    double least = squares(off(best));
    double damping = 1e-3;
    for (int i = 0; i < ROUNDS; i++) {
      double[] r = off(best);
      double[] by1 = slope(best, r, STEP, 0);
      double[] by2 = two ? slope(best, r, 0, STEP) : new double[r.length];
      double a = dot(by1, by1) * (1 + damping);
      double c = two ? dot(by2, by2) * (1 + damping) : 1;
      double b = dot(by1, by2);
      double g1 = dot(by1, r);
      double g2 = dot(by2, r);
      double det = a * c - b * b;
      if (det <= 0) {
        return best;
      }
      Lens next =
          best.withRadial(
              Math.clamp(best.k1() - (c * g1 - b * g2) / det, -0.2, 0.2),
              Math.clamp(best.k2() - (two ? (a * g2 - b * g1) / det : 0), -0.05, 0.05));
      double now = squares(off(next));
      if (now < least) {
        boolean done = least - now < 1e-9 * least;
        best = next;
        least = now;
        damping /= 4;
        if (done) {
          return best;
        }
      } else {
        damping *= 8;
      }
    }
    return best;
  }

  private double[] slope(Lens at, double[] r, double d1, double d2) {
    double step1 = at.k1() + d1 > 0.2 ? -d1 : d1;
    double step2 = at.k2() + d2 > 0.05 ? -d2 : d2;
    double[] moved = off(at.withRadial(at.k1() + step1, at.k2() + step2));
    double[] slope = new double[r.length];
    for (int i = 0; i < r.length; i++) {
      slope[i] = (moved[i] - r[i]) / (step1 + step2);
    }
    return slope;
  }

  private static double dot(double[] one, double[] other) {
    double sum = 0;
    for (int i = 0; i < one.length; i++) {
      sum += one[i] * other[i];
    }
    return sum;
  }

  private static double squares(double[] values) {
    return dot(values, values);
  }

  /** Distances of all places from their line, in pixels at the lines' length in the photograph. */
  private double[] off(Lens lens) {
    Bend bend = new Bend(lens, size);
    double[] off = new double[lines.stream().mapToInt(l -> l.places().size()).sum()];
    int n = 0;
    for (Lens.Line line : lines) {
      List<Point> straight = line.places().stream().map(bend::straightened).toList();
      double was = line.places().getFirst().distance(line.places().getLast());
      double is = straight.getFirst().distance(straight.getLast());
      for (double d : aside(straight)) {
        off[n++] = d * was / is;
      }
    }
    return off;
  }

  /** Signed distances from the line with the least squares of them. */
  private static double[] aside(List<Point> places) {
    double mx = places.stream().mapToDouble(Point::x).average().orElseThrow();
    double my = places.stream().mapToDouble(Point::y).average().orElseThrow();
    double xx = 0;
    double xy = 0;
    double yy = 0;
    for (Point p : places) {
      xx += (p.x() - mx) * (p.x() - mx);
      xy += (p.x() - mx) * (p.y() - my);
      yy += (p.y() - my) * (p.y() - my);
    }
    double angle = 0.5 * Math.atan2(2 * xy, xx - yy);
    double nx = -Math.sin(angle);
    double ny = Math.cos(angle);
    return places.stream().mapToDouble(p -> (p.x() - mx) * nx + (p.y() - my) * ny).toArray();
  }
}
