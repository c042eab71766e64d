package carezza.function;

/**
 * A power that is straight up to an edge, as transfer curves and the root of L*a*b* are, for rows
 * of numbers: slope v up to the edge, scale (v + shift)^power and what joins them beyond. Square
 * roots bring the number to a range so narrow that a polynomial does the rest; nothing is looked up
 * and nothing chosen, so that a processor takes many numbers at a time. The error is below 1e-6 of
 * the value, or 1e-8 where that is more.
 */
public final class PowerCurve {

  private static final int DEGREE = 7;

  /** How a single number is answered. */
  @FunctionalInterface
  public interface Single {
    float at(float v);
  }

  private final Single single;
  private final boolean steep;
  private final float slope;
  private final float edge;
  private final float base;
  private final float perTop;
  private final float perEdge;
  private final float middle;
  private final float perHalf;
  private final float[] terms;
  private final float atEdge;

  /**
   * @param power above 2 or between 1/4 and 1
   * @param edge where the straight part ends, on both sides of 0
   * @param top up to which the polynomial is fitted
   * @param single what answers in rows that hold a number not within −edge … top
   */
  public PowerCurve(
      double power,
      double scale,
      double shift,
      double slope,
      double edge,
      double top,
      Single single) {
    this.single = single;
    steep = power > 1;
    this.slope = (float) slope;
    this.edge = (float) edge;
    base = (float) (edge + shift);
    perTop = (float) (1 / top);
    perEdge = (float) (1 / (2 * edge));
    // v^power = m(v) q(t): m is the square or the fourth root, t the fourth or the sixteenth.
    double root = steep ? 1 / 4.0 : 1 / 16.0;
    double rest = (power - (steep ? 2 : 1 / 4.0)) / root;
    double low = Math.pow(base, root);
    double high = Math.pow(top + shift, root);
    middle = (float) ((low + high) / 2);
    perHalf = (float) (2 / (high - low));
    terms = Chebyshev.fitted(x -> scale * Math.pow(middle + x / perHalf, rest), DEGREE);
    // In the steps of the loops, so that the curve is exactly the straight line below its edge.
    float[] first = new float[1];
    powers(first, first, 0, 1, 0);
    atEdge = first[0];
  }

  /** {@code out[i]} of {@code in[i]} for {@code from} ≤ i < {@code to}; both may be one. */
  public void row(float[] in, float[] out, int from, int to) {
    if (beyond(in, from, to)) {
      for (int i = from; i < to; i++) {
        out[i] = single.at(in[i]);
      }
    } else {
      powers(in, out, from, to, atEdge);
    }
  }

  private boolean beyond(float[] in, int from, int to) {
    float top = perTop;
    float below = perEdge;
    int found = 0;
    for (int i = from; i < to; i++) {
      float v = in[i];
      found |= (int) (v * top) | (int) ((Math.abs(v) - v) * below);
    }
    return found != 0;
  }

  private void powers(float[] in, float[] out, int from, int to, float start) {
    // Nothing but numbers of its own is read in the loop, so that it runs over many at a time.
    boolean squared = steep;
    float straight = edge;
    float rise = slope;
    float least = base;
    float mid = middle;
    float per = perHalf;
    float c0 = terms[0];
    float c1 = terms[1];
    float c2 = terms[2];
    float c3 = terms[3];
    float c4 = terms[4];
    float c5 = terms[5];
    float c6 = terms[6];
    float c7 = terms[7];
    for (int i = from; i < to; i++) {
      float over = in[i] - straight;
      float size = Math.abs(over);
      float w = 0.5f * (size + over) + least;
      float fourth = (float) Math.sqrt((float) Math.sqrt(w));
      float t = squared ? fourth : (float) Math.sqrt((float) Math.sqrt(fourth));
      float x = (t - mid) * per;
      float p = polynomial(x, c0, c1, c2, c3, c4, c5, c6, c7);
      float m = squared ? w * w : fourth;
      out[i] = (straight - 0.5f * (size - over)) * rise + (m * p - start);
    }
  }

  private static float polynomial(
      float x, float c0, float c1, float c2, float c3, float c4, float c5, float c6, float c7) {
    float p = Math.fma(c7, x, c6);
    p = Math.fma(p, x, c5);
    p = Math.fma(p, x, c4);
    p = Math.fma(p, x, c3);
    p = Math.fma(p, x, c2);
    p = Math.fma(p, x, c1);
    return Math.fma(p, x, c0);
  }
}
