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

  /** Median of the absolute values of a normal variable. */
  private static final double MEDIAN = 0.6745;

  /** How strong noise is by tone. */
  @FunctionalInterface
  public interface SigmaByTone {

    /** Turns a row of tones into the deviations of the noise there. */
    void sigma(float[] tones);
  }

  /**
   * Pixels beyond its output that the shrinkage reads: the steps of all scales, the widest window,
   * and what lies between the means of two halvings.
   */
  public static int reach(int scales) {
    return scales == 0
        ? 0
        : (1 << scales) - 1 + (WINDOW << scales - 1) + 2 * Math.min(2, scales - 1);
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
    left = area.x() & 1;
    top = area.y() & 1;
    Area half = new Area(0, 0, (w - left + 1) / 2, (h - top + 1) / 2);
    coarse =
        end == scales || half.isEmpty()
            ? null
            : new WaveletShrinkage(half, end, scales, scales, halved + 1);
  }

  /**
   * @param tones that the noise goes by
   * @return the plane without it
   */
  public Plane shrunk(Plane plane, Plane tones, SigmaByTone noise) {
    return new Plane(plane.area(), shrunk(plane.values(), tones.values(), noise).clone());
  }

  private float[] shrunk(float[] plane, float[] tones, SigmaByTone noise) {
    float[] low = plane;
    for (int j = first; j < end; j++) {
      float[] mean = low == one ? other : one;
      split(low, tones, noise, mean, details[j - first], j);
      low = mean;
    }
    if (coarse != null) {
      shrink(coarse, low, tones, noise);
    }
    for (int j = end - 1; j >= first; j--) {
      float[] joined = low == one ? other : one;
      join(low, details[j - first], 1 << j - halved, joined);
      low = joined;
    }
    return low;
  }

  /** What the coarser scales take out of every second mean is taken out of those between, too. */
  private void shrink(WaveletShrinkage further, float[] low, float[] tones, SigmaByTone noise) {
    float[] means = picked(further, low);
    float[] calm = further.shrunk(means, picked(further, tones), noise);
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

  /**
   * Mean, and details across, down and along the diagonal, of each pixel and those a step on. The
   * details are shrunk as soon as the rows of a window about them are made, while they are at hand.
   */
  private void split(
      float[] in, float[] tones, SigmaByTone noise, float[] mean, float[][] bands, int scale) {
    int step = 1 << scale - halved;
    int window = WINDOW << scale - halved;
    float share = Math.scalb(1f, -(scale + 1));
    ParallelRows.each(
        w,
        h,
        (from, to) -> {
          Split rows = new Split(in, step);
          LocalPower[] powers = new LocalPower[3];
          Arrays.setAll(powers, k -> new LocalPower(w, h, window));
          float[] sigma = new float[w];
          for (int y = Math.max(0, from - window); y < to + window; y++) {
            if (y < h) {
              rows.of(y);
              for (int k = 0; k < 3; k++) {
                powers[k].take(rows.details[k], y);
              }
              if (y >= from && y < to) {
                System.arraycopy(rows.mean, 0, mean, y * w, w);
              }
            } else {
              for (LocalPower power : powers) {
                power.drop(y);
              }
            }
            int done = y - window;
            if (done >= from) {
              System.arraycopy(tones, done * w, sigma, 0, w);
              noise.sigma(sigma);
              for (int k = 0; k < 3; k++) {
                powers[k].shrink(done, sigma, share, bands[k]);
              }
            }
          }
        });
  }

  /** Rows of a plane parted into means and details. */
  private final class Split {

    final float[] mean = new float[w];
    final float[][] details = new float[3][w];

    private final float[] in;
    private final int step;

    Split(float[] in, int step) {
      this.in = in;
      this.step = step;
    }

    void of(int y) {
      System.arraycopy(in, y * w, mean, 0, w);
      System.arraycopy(in, Math.min(h - 1, y + step) * w, details[1], 0, w);
      HaarRows.on(mean, step, details[0]);
      HaarRows.on(details[1], step, details[2]);
      HaarRows.parted(mean, details[0], details[1], details[2]);
    }
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
          // What rows tell of themselves and those on from them, until a step later.
          float[][][] told = new float[step + 1][4][w];
          float[] total = new float[w];
          float[] near = new float[w];
          float[] far = new float[w];
          for (int y = Math.max(0, from - step); y < to; y++) {
            int row = y * w;
            float[][] own = told[y % (step + 1)];
            HaarRows.told(low, across, down, diagonal, row, own);
            if (y < from) {
              continue;
            }
            // On the first rows and columns a pixel tells of itself in place of those before it.
            float[][] over = y < step ? own : told[(y - step) % (step + 1)];
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
            System.arraycopy(left, 0, near, 0, rest);
            System.arraycopy(both, first ? edge : 0, far, 0, rest);
            System.arraycopy(total, edge, total, 0, rest);
            HaarRows.sum(total, near, far, rest);
            System.arraycopy(total, 0, out, row + edge, rest);
          }
        });
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
