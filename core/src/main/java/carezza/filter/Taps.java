package carezza.filter;

/**
 * Weighted sums of runs of numbers. Each run is first brought to the same place as the sum: only
 * loops whose arrays are all read at one place are done by the processor many numbers at a time,
 * and copying costs a fraction of what that brings.
 */
final class Taps {

  private final float[] one;
  private final float[] other;
  private final float[] sum;

  /**
   * @param length numbers of a run
   */
  Taps(int length) {
    one = new float[length];
    other = new float[length];
    sum = new float[length];
  }

  /** The sum as it is now; the next {@link #begin} overwrites it. */
  float[] sum() {
    return sum;
  }

  /** Starts with one run, weighted. */
  void begin(float[] in, int at, float weight) {
    System.arraycopy(in, at, one, 0, sum.length);
    weigh(one, weight, sum);
  }

  /** Starts with two runs of the same weight. */
  void begin(float[] in, int at, int second, float weight) {
    System.arraycopy(in, at, one, 0, sum.length);
    System.arraycopy(in, second, other, 0, sum.length);
    weigh(one, other, weight, sum);
  }

  /** Adds two runs of the same weight. */
  void add(float[] in, int at, int second, float weight) {
    System.arraycopy(in, at, one, 0, sum.length);
    System.arraycopy(in, second, other, 0, sum.length);
    add(one, other, weight, sum);
  }

  private static void weigh(float[] in, float weight, float[] out) {
    for (int x = 0; x < out.length; x++) {
      out[x] = weight * in[x];
    }
  }

  private static void weigh(float[] a, float[] b, float weight, float[] out) {
    for (int x = 0; x < out.length; x++) {
      out[x] = weight * (a[x] + b[x]);
    }
  }

  private static void add(float[] a, float[] b, float weight, float[] out) {
    for (int x = 0; x < out.length; x++) {
      out[x] += weight * (a[x] + b[x]);
    }
  }
}
