package carezza.filter;

/**
 * A band of details, row after row: the power about each by the squares in a window, and the rows
 * shrunk by what of it lies above that of the noise (local Wiener shrinkage, Mihçak and others
 * 1999). Rows are kept for as long as a window looks at them.
 */
final class LocalPower {

  /** Shares of the noise's power that a window of it may lie above by chance. */
  private static final float CHANCE = 0.8f;

  /** Power that is divided by where there is none. */
  private static final float NEXT_TO_NOTHING = 1e-30f;

  private final int w;
  private final int h;
  private final int window;
  private final float[][] rows;

  // In double: what an edge leaves of a sum of floats would be taken for noise.
  private final double[] columns;
  private final float[] padded;
  private final float[] sums;
  private final float[] last;
  private final float[] parts;
  private final float[] result;

  /** The first row that was taken. */
  private int first = -1;

  /**
   * @param w pixels of a row
   * @param h rows that there are
   * @param window rows and pixels to each side that power is read over
   */
  LocalPower(int w, int h, int window) {
    this.w = w;
    this.h = h;
    this.window = window;
    columns = new double[w];
    result = new float[w];
    rows = new float[2 * window + 1][w];
    padded = new float[w + 2 * window];
    sums = new float[w + 2 * window];
    last = new float[w + 2 * window];
    parts = parts(w, window);
  }

  private float[] row(int y) {
    return rows[y % rows.length];
  }

  /** Takes a row, which a window begins or goes on with. */
  void take(float[] details, int y) {
    first = first < 0 ? y : first;
    drop(y);
    System.arraycopy(details, 0, row(y), 0, w);
    add(columns, row(y));
  }

  /** Forgets the row that a window which ends here leaves. */
  void drop(int y) {
    int left = y - rows.length;
    if (first >= 0 && left >= first) {
      subtract(columns, row(left));
    }
  }

  /** The row in the middle of the window, shrunk. */
  void shrink(int y, float[] sigma, float share, float[] out) {
    int count = Math.min(h - 1, y + window) - Math.max(0, y - window) + 1;
    for (int x = 0; x < w; x++) {
      padded[window + x] = (float) columns[x];
    }
    summed(padded, sums, last, 2 * window);
    System.arraycopy(padded, 2 * window, last, 0, w);
    System.arraycopy(row(y), 0, result, 0, w);
    gain(result, sigma, sums, last, parts, share, 1f / count);
    System.arraycopy(result, 0, out, y * w, w);
  }

  /** One over how many columns of a window lie inside the picture. */
  private static float[] parts(int w, int window) {
    float[] parts = new float[w];
    for (int x = 0; x < w; x++) {
      parts[x] = 1f / (Math.min(w - 1, x + window) - Math.max(0, x - window) + 1);
    }
    return parts;
  }

  private static void add(double[] columns, float[] row) {
    for (int x = 0; x < columns.length; x++) {
      double v = row[x];
      columns[x] += v * v;
    }
  }

  private static void subtract(double[] columns, float[] row) {
    for (int x = 0; x < columns.length; x++) {
      double v = row[x];
      columns[x] -= v * v;
    }
  }

  /**
   * Sums of so many values from each on, by doubling.
   *
   * @param count a power of 2
   */
  private static void summed(float[] values, float[] sums, float[] shifted, int count) {
    System.arraycopy(values, 0, sums, 0, values.length);
    for (int n = 1; n < count; n *= 2) {
      System.arraycopy(sums, n, shifted, 0, sums.length - n);
      for (int x = 0; x < sums.length; x++) {
        sums[x] += shifted[x];
      }
    }
  }

  /** The larger of a value and 0, without a choice that would hold a loop up. */
  private static float positive(float v) {
    return 0.5f * (v + Math.abs(v));
  }

  /**
   * Multiplies a row by the share of a detail that is the picture's; what hardly stands above
   * chance is none of it.
   */
  private static void gain(
      float[] details,
      float[] sigma,
      float[] sums,
      float[] last,
      float[] parts,
      float share,
      float part) {
    for (int x = 0; x < details.length; x++) {
      float power = Math.abs(sums[x] + last[x]) * (parts[x] * part);
      float noise = sigma[x] * share;
      float variance = noise * noise;
      float above = positive(power - variance);
      float sure = 1 - positive(1 - above / (CHANCE * variance + NEXT_TO_NOTHING));
      details[x] = details[x] * sure * (above / (power + NEXT_TO_NOTHING));
    }
  }
}
