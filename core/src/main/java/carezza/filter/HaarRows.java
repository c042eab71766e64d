package carezza.filter;

import java.util.Arrays;

/**
 * Rows of a stationary Haar transform. Each loop goes over arrays of its own at one index, so that
 * it runs over many values at a time.
 */
final class HaarRows {

  private HaarRows() {}

  /** A row a step on, its last value going on. */
  static void on(float[] row, int step, float[] out) {
    int left = Math.max(0, row.length - step);
    System.arraycopy(row, row.length - left, out, 0, left);
    Arrays.fill(out, left, out.length, row[row.length - 1]);
  }

  /** In place: mean, across, down, diagonal. Loops over rows of their own run many at a time. */
  static void parted(float[] a, float[] b, float[] c, float[] d) {
    for (int x = 0; x < a.length; x++) {
      float above = a[x] + b[x];
      float below = c[x] + d[x];
      float left = a[x] - b[x];
      float under = c[x] - d[x];
      a[x] = (above + below) * 0.25f;
      b[x] = (left + under) * 0.25f;
      c[x] = (above - below) * 0.25f;
      d[x] = (left - under) * 0.25f;
    }
  }

  /** What a row says of its own pixels, of those a step on, a step below, and both. */
  static void told(
      float[] low, float[] across, float[] down, float[] diagonal, int row, float[][] out) {
    int w = out[0].length;
    System.arraycopy(low, row, out[0], 0, w);
    System.arraycopy(across, row, out[1], 0, w);
    System.arraycopy(down, row, out[2], 0, w);
    System.arraycopy(diagonal, row, out[3], 0, w);
    joined(out[0], out[1], out[2], out[3]);
  }

  /** In place, the way back from {@link #parted}. */
  static void joined(float[] a, float[] b, float[] c, float[] d) {
    for (int x = 0; x < a.length; x++) {
      float plain = a[x] + b[x];
      float other = c[x] + d[x];
      float turned = a[x] - b[x];
      float back = c[x] - d[x];
      a[x] = plain + other;
      b[x] = turned + back;
      c[x] = plain - other;
      d[x] = turned - back;
    }
  }

  static void sum(float[] total, float[] one, float[] other, int count) {
    for (int x = 0; x < count; x++) {
      total[x] = (total[x] + one[x] + other[x]) * 0.25f;
    }
  }
}
