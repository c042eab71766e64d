package carezza.filter;

import java.util.Arrays;

import org.jspecify.annotations.Nullable;

import carezza.image.Area;
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

  /** Pixels beyond its output that the shrinkage reads. */
  public static int reach(int scales) {
    return scales == 0 ? 0 : (2 * WINDOW + 2) << scales;
  }

  private final int w;
  private final int h;

  /** The finest scale that is looked at here, and one more than the coarsest. */
  private final int first;

  private final int end;

  /** Halvings of the plane. */
  private final int halved;

  /** Details of each scale; taken up again for each plane, as they are large. */
  private final float[][][] details;

  private final float[] one;
  private final float[] other;
  private float[] spare;

  /** For the coarser scales, on every second pixel; null where there are none. */
  private final @Nullable WaveletShrinkage coarse;

  /** The first of those pixels: even ones of the picture, wherever the area begins. */
  private final int left;

  private final int top;

  /**
   * Of planes of one area, one after the other.
   *
   * @param scales details up to 2^scales pixels are looked at
   * @param full scales that are looked at on every pixel; the means left by them are spread over so
   *     many that every second one tells as much
   */
  public WaveletShrinkage(Area area, int scales, int full) {
    this(area, 0, Math.min(scales, full), scales, 0);
  }

  private WaveletShrinkage(Area area, int first, int end, int scales, int halved) {
    w = area.width();
    h = area.height();
    this.first = first;
    this.end = end;
    this.halved = halved;
    details = new float[end - first][3][w * h];
    one = new float[w * h];
    other = new float[w * h];
    spare = new float[w * h];
    left = area.x() & 1;
    top = area.y() & 1;
    Area half = new Area(0, 0, (w - left + 1) / 2, (h - top + 1) / 2);
    coarse =
        end == scales || half.isEmpty()
            ? null
            : new WaveletShrinkage(half, end, scales, scales, halved + 1);
  }

  /**
   * @param sigma of the noise at each pixel
   * @return the plane without it
   */
  public Plane shrunk(Plane plane, Plane sigma) {
    return new Plane(plane.area(), shrunk(plane.values(), sigma.values()).clone());
  }

  private float[] shrunk(float[] plane, float[] sigma) {
    float[] low = plane;
    for (int j = first; j < end; j++) {
      float[] mean = low == one ? other : one;
      float[][] bands = details[j - first];
      split(low, mean, bands, 1 << j - halved);
      low = mean;
      float share = Math.scalb(1f, -(j + 1));
      for (int k = 0; k < 3; k++) {
        float[] band = bands[k];
        shrink(band, sigma, share, WINDOW << j - halved, spare);
        bands[k] = spare;
        spare = band;
      }
    }
    if (coarse != null) {
      shrink(coarse, low, sigma);
    }
    for (int j = end - 1; j >= first; j--) {
      float[] joined = low == one ? other : one;
      join(low, details[j - first], 1 << j - halved, joined);
      low = joined;
    }
    return low;
  }

  /** What the coarser scales take out of every second mean is taken out of those between, too. */
  private void shrink(WaveletShrinkage further, float[] low, float[] sigma) {
    float[] means = picked(further, low);
    float[] calm = further.shrunk(means, picked(further, sigma));
    int cw = further.w;
    for (int i = 0; i < means.length; i++) {
      means[i] = calm[i] - means[i];
    }
    ParallelRows.each(
        w,
        h,
        (from, to) -> {
          float[] row = new float[cw];
          for (int y = from; y < to; y++) {
            int above = Math.clamp((y - top) >> 1, 0, further.h - 1);
            int below = Math.clamp((y - top + 1) >> 1, 0, further.h - 1);
            for (int x = 0; x < cw; x++) {
              row[x] = 0.5f * (means[above * cw + x] + means[below * cw + x]);
            }
            for (int x = 0; x < w; x++) {
              int a = Math.clamp((x - left) >> 1, 0, cw - 1);
              int b = Math.clamp((x - left + 1) >> 1, 0, cw - 1);
              low[y * w + x] += 0.5f * (row[a] + row[b]);
            }
          }
        });
  }

  private float[] picked(WaveletShrinkage further, float[] values) {
    float[] out = new float[further.w * further.h];
    for (int y = 0; y < further.h; y++) {
      for (int x = 0; x < further.w; x++) {
        out[y * further.w + x] = values[(top + 2 * y) * w + left + 2 * x];
      }
    }
    return out;
  }

  /** Mean, and details across, down and along the diagonal, of each pixel and those a step on. */
  private void split(float[] in, float[] mean, float[][] bands, int step) {
    float[] across = bands[0];
    float[] down = bands[1];
    float[] diagonal = bands[2];
    ParallelRows.each(
        w,
        h,
        (from, to) -> {
          float[] a = new float[w];
          float[] b = new float[w];
          float[] c = new float[w];
          float[] d = new float[w];
          for (int y = from; y < to; y++) {
            int row = y * w;
            int below = Math.min(h - 1, y + step) * w;
            System.arraycopy(in, row, a, 0, w);
            System.arraycopy(in, below, c, 0, w);
            HaarRows.on(a, step, b);
            HaarRows.on(c, step, d);
            HaarRows.parted(a, b, c, d);
            System.arraycopy(a, 0, mean, row, w);
            System.arraycopy(b, 0, across, row, w);
            System.arraycopy(c, 0, down, row, w);
            System.arraycopy(d, 0, diagonal, row, w);
          }
        });
  }

  /** The mean of the four ways in which a pixel is told by those before it. */
  private void join(float[] low, float[][] bands, int step, float[] out) {
    float[] across = bands[0];
    float[] down = bands[1];
    float[] diagonal = bands[2];
    ParallelRows.each(
        w,
        h,
        (from, to) -> {
          float[][] own = new float[4][w];
          float[][] above = new float[4][w];
          float[] total = new float[w];
          for (int y = from; y < to; y++) {
            int row = y * w;
            HaarRows.told(low, across, down, diagonal, row, own);
            // On the first rows and columns a pixel tells of itself in place of those before it.
            float[][] over = own;
            if (y >= step) {
              HaarRows.told(low, across, down, diagonal, row - step * w, above);
              over = above;
            }
            boolean first = y < step;
            float[] left = own[1];
            float[] up = first ? own[0] : over[2];
            float[] both = first ? own[0] : over[3];
            for (int x = 0; x < w; x++) {
              total[x] = own[0][x] + up[x];
            }
            int edge = Math.min(step, w);
            for (int x = 0; x < edge; x++) {
              out[row + x] = (total[x] + 2 * own[0][x]) * 0.25f;
            }
            int rest = w - edge;
            System.arraycopy(left, 0, above[0], 0, rest);
            System.arraycopy(both, first ? edge : 0, above[1], 0, rest);
            System.arraycopy(total, edge, total, 0, rest);
            HaarRows.sum(total, above[0], above[1], rest);
            System.arraycopy(total, 0, out, row + edge, rest);
          }
        });
  }

  /**
   * @param share of the noise's sigma that this band has
   * @param window pixels to each side that power is read over
   */
  private void shrink(float[] band, float[] sigma, float share, int window, float[] out) {
    ParallelRows.each(
        w,
        h,
        (from, to) -> {
          // In double: what an edge leaves of a sum of floats would be taken for noise.
          double[] columns = new double[w];
          float[] padded = new float[w + 2 * window];
          float[] sums = new float[w + 2 * window];
          float[] last = new float[w + 2 * window];
          float[] parts = parts(w, window);
          float[] details = new float[w];
          float[] noise = new float[w];
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
            summed(padded, sums, last, 2 * window);
            System.arraycopy(padded, 2 * window, last, 0, w);
            System.arraycopy(band, y * w, details, 0, w);
            System.arraycopy(sigma, y * w, noise, 0, w);
            gain(details, noise, sums, last, parts, share, 1f / rows);
            System.arraycopy(details, 0, out, y * w, w);
          }
        });
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
