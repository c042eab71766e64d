package carezza.raw;

import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;

/**
 * From a mosaic to three channels by directional linear minimum mean-square-error estimation (Zhang
 * and Wu, IEEE Transactions on Image Processing 14, 2005): the difference of green and the other
 * colour is estimated along rows and along columns, and both are weighed by how certain they are.
 * As no direction is ever chosen outright, noise makes no mazes, and pores stay.
 */
final class Demosaicing {

  /** Low-pass of the differences, a Gaussian of σ 2 (section III of the paper). */
  private static final float[] LOW_PASS = {
    4 / 128f, 9 / 128f, 15 / 128f, 23 / 128f, 26 / 128f, 23 / 128f, 15 / 128f, 9 / 128f, 4 / 128f
  };

  /** Half the length of the low-pass, and of the window that statistics are taken in. */
  private static final int REACH = 4;

  /** Rows beyond a strip that it needs: window, low-pass and interpolation. */
  private static final int HALO = 2 * REACH + 2;

  private static final int STRIP = 48;

  /** Keeps weights finite where nothing varies. */
  private static final float TINY = 1e-9f;

  private final Mosaic mosaic;
  private final float[] m;
  private final int w;
  private final int h;
  private final Plane[] out;

  private Demosaicing(Mosaic mosaic) {
    this.mosaic = mosaic;
    m = mosaic.counts().values();
    w = mosaic.counts().width();
    h = mosaic.counts().height();
    Area area = mosaic.counts().area();
    out = new Plane[] {Plane.of(area), Plane.of(area), Plane.of(area)};
  }

  /**
   * Red, green, blue of the sensor; best on values that are balanced and evenly spaced to the eye.
   */
  static Picture of(Mosaic mosaic) {
    Demosaicing work = new Demosaicing(mosaic);
    ParallelRows.each(work.w, work.h, work::green);
    ParallelRows.each(work.w, work.h, work::across);
    ParallelRows.each(work.w, work.h, work::beside);
    return new Picture(work.out[0], work.out[1], work.out[2]);
  }

  /** A coordinate mirrored at the border, so that its colour in the cell stays. */
  private static int inside(int i, int size) {
    int at = i < 0 ? -i : i;
    at = at >= size ? 2 * (size - 1) - at : at;
    return Math.clamp(at, 0, size - 1);
  }

  private boolean isGreen(int x, int y) {
    return mosaic.channel(x, y) == 1;
  }

  // --- green everywhere

  private void green(int from, int to) {
    for (int y = from; y < to; y += STRIP) {
      new Strip(y, Math.min(STRIP, to - y)).run();
    }
  }

  /** Some rows with those around them that they need. */
  private final class Strip {
    private final int top;
    private final int rows;
    private final int lines;
    private final float[] down;
    private final float[] downSmooth;
    private final float[] along = new float[w + 2 * REACH];
    private final float[] alongSmooth = new float[w + 2 * REACH];

    Strip(int top, int rows) {
      this.top = top;
      this.rows = rows;
      lines = rows + 2 * HALO;
      down = new float[lines * w];
      downSmooth = new float[lines * w];
    }

    void run() {
      for (int k = 2; k < lines - 2; k++) {
        differencesDown(k);
      }
      for (int k = 2 + REACH; k < lines - 2 - REACH; k++) {
        smoothDown(k);
      }
      for (int k = 0; k < rows; k++) {
        row(top + k, k + HALO);
      }
    }

    /** Green less the column's other colour, signed the same on both kinds of pixels. */
    private void differencesDown(int k) {
      int y = inside(top + k - HALO, h);
      int up = inside(y - 1, h) * w;
      int low = inside(y + 1, h) * w;
      int up2 = inside(y - 2, h) * w;
      int low2 = inside(y + 2, h) * w;
      int at = y * w;
      for (int x = 0; x < w; x++) {
        float own = m[at + x];
        float other =
            0.5f * (m[up + x] + m[low + x]) + 0.25f * (2 * own - m[up2 + x] - m[low2 + x]);
        down[k * w + x] = isGreen(x, y) ? own - other : other - own;
      }
    }

    private void smoothDown(int k) {
      for (int x = 0; x < w; x++) {
        float sum = 0;
        for (int j = -REACH; j <= REACH; j++) {
          sum += LOW_PASS[j + REACH] * down[(k + j) * w + x];
        }
        downSmooth[k * w + x] = sum;
      }
    }

    private void row(int y, int k) {
      int at = y * w;
      for (int i = 0; i < along.length; i++) {
        int x = inside(i - REACH, w);
        float own = m[at + x];
        float other =
            0.5f * (m[at + inside(x - 1, w)] + m[at + inside(x + 1, w)])
                + 0.25f * (2 * own - m[at + inside(x - 2, w)] - m[at + inside(x + 2, w)]);
        along[i] = isGreen(x, y) ? own - other : other - own;
      }
      for (int i = 0; i < along.length; i++) {
        float sum = 0;
        for (int j = -REACH; j <= REACH; j++) {
          sum += LOW_PASS[j + REACH] * along[Math.clamp(i + j, 0, along.length - 1)];
        }
        alongSmooth[i] = sum;
      }
      float[] g = out[1].values();
      for (int x = 0; x < w; x++) {
        float own = m[at + x];
        g[at + x] = isGreen(x, y) ? own : own + difference(x, k);
      }
    }

    /** Both estimates of the difference at a pixel, weighed by the inverse of their variances. */
    private float difference(int x, int k) {
      float sum = 0;
      float squares = 0;
      float noise = 0;
      float sumDown = 0;
      float squaresDown = 0;
      float noiseDown = 0;
      for (int j = 0; j <= 2 * REACH; j++) {
        float smooth = alongSmooth[x + j];
        float rest = along[x + j] - smooth;
        sum += smooth;
        squares += smooth * smooth;
        noise += rest * rest;
        int i = (k + j - REACH) * w + x;
        smooth = downSmooth[i];
        rest = down[i] - smooth;
        sumDown += smooth;
        squaresDown += smooth * smooth;
        noiseDown += rest * rest;
      }
      float n = 1f / (2 * REACH + 1);
      float mean = sum * n;
      float signal = Math.max(0, squares * n - mean * mean);
      float meanDown = sumDown * n;
      float signalDown = Math.max(0, squaresDown * n - meanDown * meanDown);
      float r = noise * n + TINY;
      float rDown = noiseDown * n + TINY;
      float estimate = mean + signal / (signal + r) * (along[x + REACH] - mean);
      float estimateDown =
          meanDown + signalDown / (signalDown + rDown) * (down[k * w + x] - meanDown);
      float variance = signal * r / (signal + r) + TINY;
      float varianceDown = signalDown * rDown / (signalDown + rDown) + TINY;
      return (estimate * varianceDown + estimateDown * variance) / (variance + varianceDown);
    }
  }

  // --- red and blue by their difference from green

  /** At a red pixel its own red and the blue of those at its corners; and the other way round. */
  private void across(int from, int to) {
    float[] g = out[1].values();
    for (int y = from; y < to; y++) {
      int up = inside(y - 1, h) * w;
      int low = inside(y + 1, h) * w;
      for (int x = 0; x < w; x++) {
        int c = mosaic.channel(x, y);
        if (c != 1) {
          int at = y * w + x;
          int l = inside(x - 1, w);
          int r = inside(x + 1, w);
          float rest =
              g[up + l]
                  - m[up + l]
                  + g[up + r]
                  - m[up + r]
                  + g[low + l]
                  - m[low + l]
                  + g[low + r]
                  - m[low + r];
          out[c].values()[at] = m[at];
          out[2 - c].values()[at] = g[at] - 0.25f * rest;
        }
      }
    }
  }

  /** At a green pixel both, from the four beside it. */
  private void beside(int from, int to) {
    float[] g = out[1].values();
    for (int y = from; y < to; y++) {
      int up = inside(y - 1, h) * w;
      int low = inside(y + 1, h) * w;
      for (int x = 0; x < w; x++) {
        if (isGreen(x, y)) {
          int at = y * w + x;
          int l = y * w + inside(x - 1, w);
          int r = y * w + inside(x + 1, w);
          for (int c = 0; c <= 2; c += 2) {
            float[] v = out[c].values();
            float rest =
                g[l] - v[l] + g[r] - v[r] + g[up + x] - v[up + x] + g[low + x] - v[low + x];
            v[at] = g[at] - 0.25f * rest;
          }
        }
      }
    }
  }
}
