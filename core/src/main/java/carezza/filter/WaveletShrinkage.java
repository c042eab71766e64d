package carezza.filter;

import java.util.Arrays;

import carezza.image.ParallelRows;
import carezza.image.Plane;

/**
 * Takes noise out of a plane in a stationary Haar transform: every detail is multiplied by what of
 * its local power lies above that of the noise (local Wiener shrinkage, Mihçak and others 1999). A
 * stationary transform is the mean over all shifts of a sparse one (Coifman and Donoho 1995), so
 * that no blocks show.
 */
public final class WaveletShrinkage {

  /** Half of the window that power is read in, in steps of the scale. */
  private static final int WINDOW = 2;

  /** Shares of the noise's power that a window of it may lie above by chance. */
  private static final float CHANCE = 0.8f;

  /** Power that is divided by where there is none. */
  private static final float NEXT_TO_NOTHING = 1e-30f;

  /** Median of the absolute values of a normal variable. */
  private static final double MEDIAN = 0.6745;

  private WaveletShrinkage() {}

  /** Pixels beyond its output that the shrinkage reads. */
  public static int reach(int scales) {
    return scales == 0 ? 0 : (2 * WINDOW + 2) << scales;
  }

  /**
   * @param sigma of the noise at each pixel
   * @param scales details up to 2^scales pixels are looked at
   * @return the plane without it
   */
  public static Plane shrunk(Plane plane, Plane sigma, int scales) {
    int w = plane.width();
    int h = plane.height();
    float[] low = plane.values();
    float[][][] details = new float[scales][][];
    for (int j = 0; j < scales; j++) {
      float[][] bands = split(low, w, h, 1 << j);
      low = bands[0];
      details[j] = new float[][] {bands[1], bands[2], bands[3]};
      float share = Math.scalb(1f, -(j + 1));
      for (int k = 0; k < details[j].length; k++) {
        details[j][k] = shrunk(details[j][k], sigma.values(), share, w, h, j);
      }
    }
    for (int j = scales - 1; j >= 0; j--) {
      low = joined(low, details[j], w, h, 1 << j);
      details[j] = null;
    }
    return new Plane(plane.area(), low == plane.values() ? low.clone() : low);
  }

  /** Mean, and details across, down and along the diagonal, of each pixel and those a step on. */
  private static float[][] split(float[] in, int w, int h, int step) {
    float[] mean = new float[in.length];
    float[] across = new float[in.length];
    float[] down = new float[in.length];
    float[] diagonal = new float[in.length];
    ParallelRows.each(
        w,
        h,
        (from, to) -> {
          float[] above = new float[w + step];
          float[] below = new float[w + step];
          for (int y = from; y < to; y++) {
            int row = y * w;
            goneOn(in, row, w, above);
            goneOn(in, Math.min(h - 1, y + step) * w, w, below);
            for (int x = 0; x < w; x++) {
              float a = above[x];
              float b = above[x + step];
              float c = below[x];
              float d = below[x + step];
              mean[row + x] = (a + b + c + d) * 0.25f;
              across[row + x] = (a - b + c - d) * 0.25f;
              down[row + x] = (a + b - c - d) * 0.25f;
              diagonal[row + x] = (a - b - c + d) * 0.25f;
            }
          }
        });
    return new float[][] {mean, across, down, diagonal};
  }

  /** A row with its last value going on. */
  private static void goneOn(float[] in, int row, int w, float[] out) {
    System.arraycopy(in, row, out, 0, w);
    Arrays.fill(out, w, out.length, in[row + w - 1]);
  }

  /** The mean of the four ways in which a pixel is told by those before it. */
  private static float[] joined(float[] low, float[][] bands, int w, int h, int step) {
    float[] out = new float[low.length];
    float[] across = bands[0];
    float[] down = bands[1];
    float[] diagonal = bands[2];
    ParallelRows.each(
        w,
        h,
        (from, to) -> {
          // What a row says of its own pixels, and of those a step on; the same of the row above.
          float[] own = new float[w];
          float[] left = new float[w];
          float[] up = new float[w];
          float[] both = new float[w];
          for (int y = from; y < to; y++) {
            int row = y * w;
            for (int x = 0; x < w; x++) {
              int i = row + x;
              own[x] = low[i] + across[i] + down[i] + diagonal[i];
              left[x] = low[i] - across[i] + down[i] - diagonal[i];
            }
            int above = row - step * w;
            for (int x = 0; y >= step && x < w; x++) {
              int i = above + x;
              up[x] = low[i] + across[i] - down[i] - diagonal[i];
              both[x] = low[i] - across[i] - down[i] + diagonal[i];
            }
            float[] over = y < step ? own : up;
            int edge = Math.min(step, w);
            for (int x = 0; x < edge; x++) {
              out[row + x] = (3 * own[x] + over[x]) * 0.25f;
            }
            if (y < step) {
              for (int x = edge; x < w; x++) {
                out[row + x] = (3 * own[x] + left[x - step]) * 0.25f;
              }
            } else {
              for (int x = edge; x < w; x++) {
                out[row + x] = (own[x] + left[x - step] + up[x] + both[x - step]) * 0.25f;
              }
            }
          }
        });
    return out;
  }

  /**
   * @param share of the noise's sigma that this band has
   * @param halvings of the scale: power is read over a window of {@link #WINDOW} such steps
   */
  private static float[] shrunk(
      float[] band, float[] sigma, float share, int w, int h, int halvings) {
    int window = WINDOW << halvings;
    float[] out = new float[band.length];
    ParallelRows.each(
        w,
        h,
        (from, to) -> {
          // In double: what an edge leaves of a sum of floats would be taken for noise.
          double[] columns = new double[w];
          float[] padded = new float[w + 2 * window];
          float[] sums = new float[w + 2 * window];
          float[] parts = parts(w, window);
          for (int y = Math.max(0, from - window); y < Math.min(h, from + window); y++) {
            add(columns, band, y * w);
          }
          for (int y = from; y < to; y++) {
            if (y + window < h) {
              add(columns, band, (y + window) * w);
            }
            if (y - window - 1 >= Math.max(0, from - window)) {
              subtract(columns, band, (y - window - 1) * w);
            }
            int rows = Math.min(h - 1, y + window) - Math.max(0, y - window) + 1;
            for (int x = 0; x < w; x++) {
              padded[window + x] = (float) columns[x];
            }
            summed(padded, sums, 2 * window);
            gain(band, sigma, y * w, sums, padded, window, parts, share, 1f / rows, out);
          }
        });
    return out;
  }

  /** One over how many columns of a window lie inside the picture. */
  private static float[] parts(int w, int window) {
    float[] parts = new float[w];
    for (int x = 0; x < w; x++) {
      parts[x] = 1f / (Math.min(w - 1, x + window) - Math.max(0, x - window) + 1);
    }
    return parts;
  }

  private static void add(double[] columns, float[] band, int at) {
    for (int x = 0; x < columns.length; x++) {
      double v = band[at + x];
      columns[x] += v * v;
    }
  }

  private static void subtract(double[] columns, float[] band, int at) {
    for (int x = 0; x < columns.length; x++) {
      double v = band[at + x];
      columns[x] -= v * v;
    }
  }

  /**
   * Sums of so many values from each on, by doubling.
   *
   * @param count a power of 2
   */
  private static void summed(float[] values, float[] sums, int count) {
    System.arraycopy(values, 0, sums, 0, values.length);
    for (int n = 1; n < count; n *= 2) {
      int last = sums.length - n;
      for (int x = 0; x < last; x++) {
        sums[x] += sums[x + n];
      }
    }
  }

  /**
   * Multiplies a row by the share of a detail that is the picture's; what hardly stands above
   * chance is none of it.
   */
  private static void gain(
      float[] band,
      float[] sigma,
      int row,
      float[] sums,
      float[] padded,
      int window,
      float[] parts,
      float share,
      float part,
      float[] out) {
    for (int x = 0; x < parts.length; x++) {
      float power = Math.max(0f, sums[x] + padded[x + 2 * window]) * (parts[x] * part);
      float noise = sigma[row + x] * share;
      float variance = noise * noise;
      float above = Math.max(0f, power - variance);
      float sure = Math.min(1f, above / Math.max(NEXT_TO_NOTHING, CHANCE * variance));
      out[row + x] = band[row + x] * sure * (above / Math.max(NEXT_TO_NOTHING, power));
    }
  }

  /**
   * Sigma of the noise where a plane of tones lies between two ends, by the median of the finest
   * diagonal details (Donoho and Johnstone 1994); 0 where there are too few.
   */
  public static double sigma(Plane plane, Plane tones, double low, double high) {
    int w = plane.width();
    float[] v = plane.values();
    double[] found = new double[v.length];
    int n = 0;
    for (int y = 0; y + 1 < plane.height(); y++) {
      for (int x = 0; x + 1 < w; x++) {
        int i = y * w + x;
        float tone = tones.values()[i];
        if (tone >= low && tone < high) {
          found[n++] = Math.abs(v[i] - v[i + 1] - v[i + w] + v[i + w + 1]) / 2;
        }
      }
    }
    return n < 200 ? 0 : RobustStatistics.quantile(Arrays.copyOf(found, n), 0.5) / MEDIAN;
  }
}
