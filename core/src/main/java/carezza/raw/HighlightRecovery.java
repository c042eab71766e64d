package carezza.raw;

import carezza.filter.GaussianBlur;
import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;

/**
 * Light beyond what one or two channels could count, from the channels that still could: their
 * ratio is taken from what is whole around the place, as in Guo, Cheng and Kong ('Correcting
 * over-exposure in photographs', 2010), which spreads chromaticity inwards; where all three are
 * full, the light is taken for white.
 */
final class HighlightRecovery {

  /** Share of its full count from which a channel is not trusted. */
  static final float FULL = 0.98f;

  /** Pixels of a cell that ratios are gathered in. */
  private static final int CELL = 8;

  /** Spread of the ratios, cells. */
  private static final double SPREAD = 12;

  /** Darker than this, a pixel says nothing of a light's colour. */
  private static final float BRIGHT = 0.25f;

  /** A channel is raised at most so many times. */
  private static final float MOST = 4;

  private final Picture light;
  private final float[] full;

  private HighlightRecovery(Picture light, float[] full) {
    this.light = light;
    this.full = full;
  }

  /**
   * Changes balanced, linear channels in place.
   *
   * @param full value at which each channel is full
   * @return at half size, the share of pixels with a full channel
   */
  static Plane apply(Picture light, float[] full) {
    return new HighlightRecovery(light, full).run();
  }

  private Plane run() {
    int w = light.area().width();
    int h = light.area().height();
    Plane clipped = Plane.of(new Area(0, 0, (w + 1) / 2, (h + 1) / 2));
    if (!mark(clipped)) {
      return clipped;
    }
    Plane[] ratios = ratios();
    ParallelRows.each(w, h, (from, to) -> raise(ratios, from, to));
    return clipped;
  }

  private boolean isFull(int i, int c) {
    return light.plane(c).values()[i] >= FULL * full[c];
  }

  private boolean mark(Plane clipped) {
    int w = light.area().width();
    int h = light.area().height();
    boolean any = false;
    for (int y = 0; y < h; y++) {
      for (int x = 0; x < w; x++) {
        int i = y * w + x;
        if (isFull(i, 0) || isFull(i, 1) || isFull(i, 2)) {
          any = true;
          clipped.values()[y / 2 * clipped.width() + x / 2] += 0.25f;
        }
      }
    }
    return any;
  }

  /** Logarithms of red and blue over green in cells, spread from where all is whole. */
  private Plane[] ratios() {
    int w = light.area().width();
    int h = light.area().height();
    Area cells = new Area(0, 0, (w + CELL - 1) / CELL, (h + CELL - 1) / CELL);
    Plane[] sums = {Plane.of(cells), Plane.of(cells), Plane.of(cells)};
    float[] r = light.first().values();
    float[] g = light.second().values();
    float[] b = light.third().values();
    for (int y = 0; y < h; y++) {
      for (int x = 0; x < w; x++) {
        int i = y * w + x;
        boolean whole = !isFull(i, 0) && !isFull(i, 1) && !isFull(i, 2);
        if (whole && g[i] > BRIGHT && r[i] > 0.01f && b[i] > 0.01f) {
          int at = y / CELL * cells.width() + x / CELL;
          sums[0].values()[at] += (float) Math.log(r[i] / g[i]);
          sums[1].values()[at] += (float) Math.log(b[i] / g[i]);
          sums[2].values()[at] += 1;
        }
      }
    }
    Plane[] spread = new Plane[3];
    for (int c = 0; c < 3; c++) {
      spread[c] = GaussianBlur.blur(sums[c], SPREAD);
    }
    // Where nothing bright is near, a light has no colour: a weak vote for neutral decides.
    for (int i = 0; i < cells.pixels(); i++) {
      float weight = spread[2].values()[i] + 0.05f;
      spread[0].values()[i] /= weight;
      spread[1].values()[i] /= weight;
    }
    return spread;
  }

  private void raise(Plane[] ratios, int from, int to) {
    int w = light.area().width();
    float[] r = light.first().values();
    float[] g = light.second().values();
    float[] b = light.third().values();
    float white = Math.max(full[0], Math.max(full[1], full[2]));
    float[] log = new float[3];
    float[] value = new float[3];
    for (int y = from; y < to; y++) {
      for (int x = 0; x < w; x++) {
        int i = y * w + x;
        boolean cr = isFull(i, 0);
        boolean cg = isFull(i, 1);
        boolean cb = isFull(i, 2);
        if (!cr && !cg && !cb) {
          continue;
        }
        if (cr && cg && cb) {
          r[i] = white;
          g[i] = white;
          b[i] = white;
          continue;
        }
        double cellX = (x + 0.5) / CELL;
        double cellY = (y + 0.5) / CELL;
        log[0] = ratios[0].sample(cellX, cellY);
        log[1] = 0;
        log[2] = ratios[1].sample(cellX, cellY);
        value[0] = r[i];
        value[1] = g[i];
        value[2] = b[i];
        float level = 0;
        int whole = 0;
        for (int c = 0; c < 3; c++) {
          if (!isFull(i, c)) {
            level += (float) Math.log(Math.max(1e-4f, value[c])) - log[c];
            whole++;
          }
        }
        level /= whole;
        r[i] = cr ? raised(value[0], level + log[0]) : r[i];
        g[i] = cg ? raised(value[1], level + log[1]) : g[i];
        b[i] = cb ? raised(value[2], level + log[2]) : b[i];
      }
    }
  }

  private static float raised(float counted, float logarithm) {
    return Math.clamp((float) Math.exp(logarithm), counted, MOST * counted);
  }
}
