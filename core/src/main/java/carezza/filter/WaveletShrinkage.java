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
      for (float[] band : details[j]) {
        shrink(band, sigma.values(), share, w, h, WINDOW << j);
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
    float[][] bands = new float[4][in.length];
    ParallelRows.each(
        w,
        h,
        (from, to) -> {
          for (int y = from; y < to; y++) {
            int row = y * w;
            int below = Math.min(h - 1, y + step) * w;
            for (int x = 0; x < w; x++) {
              int on = Math.min(w - 1, x + step);
              float a = in[row + x];
              float b = in[row + on];
              float c = in[below + x];
              float d = in[below + on];
              bands[0][row + x] = (a + b + c + d) * 0.25f;
              bands[1][row + x] = (a - b + c - d) * 0.25f;
              bands[2][row + x] = (a + b - c - d) * 0.25f;
              bands[3][row + x] = (a - b - c + d) * 0.25f;
            }
          }
        });
    return bands;
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
          for (int y = from; y < to; y++) {
            int row = y * w;
            int above = Math.max(0, y - step) * w;
            for (int x = 0; x < w; x++) {
              int back = Math.max(0, x - step);
              int a = row + x;
              int b = row + back;
              int c = above + x;
              int d = above + back;
              float own = low[a] + across[a] + down[a] + diagonal[a];
              float left = x < step ? own : low[b] - across[b] + down[b] - diagonal[b];
              float up = y < step ? own : low[c] + across[c] - down[c] - diagonal[c];
              float both = x < step || y < step ? own : low[d] - across[d] - down[d] + diagonal[d];
              out[a] = (own + left + up + both) * 0.25f;
            }
          }
        });
    return out;
  }

  /**
   * @param share of the noise's sigma that this band has
   */
  private static void shrink(float[] band, float[] sigma, float share, int w, int h, int window) {
    float[] sums = rowSums(band, w, h, window);
    ParallelRows.each(
        w,
        h,
        (from, to) -> {
          float[] column = new float[w];
          for (int y = Math.max(0, from - window); y < Math.min(h, from + window); y++) {
            add(column, sums, y * w, 1);
          }
          for (int y = from; y < to; y++) {
            if (y + window < h) {
              add(column, sums, (y + window) * w, 1);
            }
            if (y - window - 1 >= Math.max(0, from - window)) {
              add(column, sums, (y - window - 1) * w, -1);
            }
            int rows = Math.min(h - 1, y + window) - Math.max(0, y - window) + 1;
            for (int x = 0; x < w; x++) {
              int columns = Math.min(w - 1, x + window) - Math.max(0, x - window) + 1;
              float power = column[x] / (rows * columns);
              float noise = sigma[y * w + x] * share;
              band[y * w + x] *= gain(power, noise * noise);
            }
          }
        });
  }

  /** The share of a detail that is the picture's; what hardly stands above chance is none of it. */
  private static float gain(float power, float noise) {
    float above = power - noise;
    if (above <= 0) {
      return 0;
    }
    float sure = above / (CHANCE * noise);
    return above / power * (sure >= 1 ? 1 : sure);
  }

  private static void add(float[] column, float[] sums, int at, int sign) {
    for (int x = 0; x < column.length; x++) {
      column[x] += sign * sums[at + x];
    }
  }

  /** Sums of squares along the row, over a window about each pixel. */
  private static float[] rowSums(float[] band, int w, int h, int window) {
    float[] sums = new float[band.length];
    ParallelRows.each(
        w,
        h,
        (from, to) -> {
          for (int y = from; y < to; y++) {
            int row = y * w;
            double sum = 0;
            for (int x = 0; x < Math.min(w, window); x++) {
              sum += (double) band[row + x] * band[row + x];
            }
            for (int x = 0; x < w; x++) {
              if (x + window < w) {
                float in = band[row + x + window];
                sum += (double) in * in;
              }
              if (x - window - 1 >= 0) {
                float out = band[row + x - window - 1];
                sum -= (double) out * out;
              }
              sums[row + x] = (float) Math.max(0, sum);
            }
          }
        });
    return sums;
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
