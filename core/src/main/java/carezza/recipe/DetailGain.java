package carezza.recipe;

import java.util.function.IntUnaryOperator;
import java.util.stream.IntStream;

import carezza.colour.Lab;
import carezza.filter.GaussianBlur;
import carezza.filter.Resampling;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;

/**
 * The factors on the finest detail of a shrunk picture at which it shows what the full one shows at
 * its scale. Both are looked at through the band of a difference of Gaussians, scaled by the
 * reduction. The picture's own band is B, its finest detail's part in it D: with a factor g about a
 * place its power is ⟨B²⟩ + 2 g ⟨B D⟩ + g² ⟨D²⟩, which is solved for the power wanted. Means are
 * taken over cells, as they change slowly.
 */
final class DetailGain {

  /** The band that is compared, as sigmas in pixels of the shrunk picture. */
  private static final double FINE = 0.8;

  private static final double COARSE = 3.2;

  /** Halvings, and pixels of the shrunk picture along a cell. */
  private static final int LEVELS = 2;

  private static final int CELL = 1 << LEVELS;

  /** Sigma that means are taken over, in cells. */
  private static final double AROUND = 1;

  /** Rows of cells that are read at a time. */
  private static final int ROWS = 64;

  /** Mean square of L* below which there is nothing to bring back. */
  private static final float NOTHING = 1e-4f;

  private final Plane small;
  private final Plane detail;
  private final Area cells;

  /** Cells across, for each pixel of the full picture, and down. */
  private final double across;

  private final double down;

  private final Picture full;

  private DetailGain(Picture full, Plane small, Plane detail) {
    this.full = full;
    this.small = small;
    this.detail = detail;
    cells = new Area(0, 0, (small.width() + CELL - 1) / CELL, (small.height() + CELL - 1) / CELL);
    across = (double) small.width() / full.area().width() / CELL;
    down = (double) small.height() / full.area().height() / CELL;
  }

  /**
   * @param full what it was shrunk from; both from 0, 0
   * @param small L* of the shrunk picture
   * @param detail its finest detail, which is to be multiplied
   * @param most the largest factor
   */
  static Plane of(Picture full, Plane small, Plane detail, float most) {
    DetailGain here = new DetailGain(full, small, detail);
    Plane gain = Plane.of(small.area());
    Resampling.addExpanded(here.solved(most), LEVELS, gain);
    return gain;
  }

  private Plane solved(float most) {
    Plane wanted = Plane.of(cells);
    Plane own = Plane.of(cells);
    Plane both = Plane.of(cells);
    Plane added = Plane.of(cells);
    IntStream.range(0, (cells.height() + ROWS - 1) / ROWS)
        .parallel()
        .forEach(
            i -> {
              int from = i * ROWS;
              int to = Math.min(cells.height(), from + ROWS);
              readFull(from, to, wanted);
              readSmall(from, to, own, both, added);
            });
    float[] w = GaussianBlur.blur(wanted, AROUND).values();
    float[] a = GaussianBlur.blur(own, AROUND).values();
    float[] b = GaussianBlur.blur(both, AROUND).values();
    float[] c = GaussianBlur.blur(added, AROUND).values();
    Plane gain = Plane.of(cells);
    for (int i = 0; i < w.length; i++) {
      if (a[i] >= NOTHING && w[i] > a[i] && c[i] > 0) {
        double root = Math.sqrt((double) b[i] * b[i] + (double) c[i] * (w[i] - a[i]));
        gain.values()[i] = (float) Math.min(most, (root - b[i]) / c[i]);
      }
    }
    return gain;
  }

  /** The band's power in the full picture, for rows of cells. */
  private void readFull(int from, int to, Plane wanted) {
    double scale = 1 / (across * CELL);
    // Where the band is so much coarser than the pixels, means of them tell as much.
    int levels = scale >= 4 ? 2 : scale >= 2 ? 1 : 0;
    int pixel = 1 << levels;
    double halved = (pixel * pixel - 1) / 12.0;
    double fine = Math.sqrt(FINE * FINE * scale * scale - halved) / pixel;
    double coarse = Math.sqrt(COARSE * COARSE * scale * scale - halved) / pixel;
    int reach = GaussianBlur.reach(coarse) * pixel;
    Area area = full.area();
    int top = Math.max(0, (int) (from / down) - reach) / pixel * pixel;
    int bottom = Math.min(area.height(), (int) Math.ceil(to / down) + reach);
    Plane l =
        Resampling.reduce(
            Lab.lightness(full.crop(new Area(0, top, area.width(), bottom - top))), levels);
    Plane band = less(GaussianBlur.blur(l, fine), GaussianBlur.blur(l, coarse));
    int[] column = new int[l.width()];
    for (int x = 0; x < column.length; x++) {
      column[x] = Math.min(cells.width() - 1, (int) ((x + 0.5) * pixel * across));
    }
    mean(l.area(), from, to, wanted, column, y -> (int) ((y + 0.5) * pixel * down), band, band);
  }

  /** What the shrunk picture has and what its finest detail would add, for rows of cells. */
  private void readSmall(int from, int to, Plane own, Plane both, Plane added) {
    int reach = GaussianBlur.reach(COARSE);
    Area read =
        new Area(0, from * CELL, small.width(), (to - from) * CELL)
            .grow(reach)
            .intersect(small.area());
    Plane l = small.crop(read);
    Plane band = less(GaussianBlur.blur(l, FINE), GaussianBlur.blur(l, COARSE));
    // Of the finest detail next to nothing is left by the coarser of the two.
    Plane part = GaussianBlur.blur(detail.crop(read), FINE);
    int[] column = new int[l.width()];
    for (int x = 0; x < column.length; x++) {
      column[x] = x / CELL;
    }
    mean(read, from, to, own, column, y -> y / CELL, band, band);
    mean(read, from, to, both, column, y -> y / CELL, band, part);
    mean(read, from, to, added, column, y -> y / CELL, part, part);
  }

  private static Plane less(Plane one, Plane other) {
    for (int i = 0; i < one.values().length; i++) {
      one.values()[i] -= other.values()[i];
    }
    return one;
  }

  /**
   * Means of a product over each cell of some rows.
   *
   * @param column that each pixel's cell stands in
   * @param rows the row of cells for a row of pixels
   */
  private static void mean(
      Area area,
      int from,
      int to,
      Plane out,
      int[] column,
      IntUnaryOperator rows,
      Plane one,
      Plane other) {
    int w = area.width();
    int width = out.width();
    float[] sums = new float[(to - from) * width];
    int[] counts = new int[sums.length];
    for (int y = area.y(); y < area.bottom(); y++) {
      int row = rows.applyAsInt(y);
      if (row >= from && row < to) {
        int i = (y - area.y()) * w;
        int cell = (row - from) * width;
        for (int x = 0; x < w; x++) {
          sums[cell + column[x]] += one.values()[i + x] * other.values()[i + x];
          counts[cell + column[x]]++;
        }
      }
    }
    for (int i = 0; i < sums.length; i++) {
      out.values()[from * width + i] = counts[i] == 0 ? 0 : sums[i] / counts[i];
    }
  }
}
