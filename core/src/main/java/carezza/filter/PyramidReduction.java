package carezza.filter;

import java.util.Arrays;

import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Plane;

/**
 * Reduce and expand by two with the binomial (1 4 6 4 1)/16, sample i of the coarse plane standing
 * on sample 2i of the fine one (Burt and Adelson 1983). Planes made here are work space: their
 * areas start at 0, 0.
 */
final class PyramidReduction {

  private PyramidReduction() {}

  /** Half size; borders mirrored. */
  static Plane reduce(Plane fine) {
    return reducePadded(fine, 0);
  }

  /** Half size of the plane with {@code pad} (even) mirrored pixels added on each side. */
  static Plane reducePadded(Plane fine, int pad) {
    int w = fine.width();
    int h = fine.height();
    int cw = (w + 2 * pad + 1) / 2;
    int ch = (h + 2 * pad + 1) / 2;
    float[] in = fine.values();
    float[] out = new float[cw * ch];
    ParallelRows.each(
        w,
        ch,
        (from, to) -> {
          Taps taps = new Taps(w);
          float[] padded = new float[w + 2 * pad + 6];
          for (int y = from; y < to; y++) {
            int centre = 2 * y - pad;
            int a = MirrorBoundary.index(centre - 2, h) * w;
            int b = MirrorBoundary.index(centre - 1, h) * w;
            int c = MirrorBoundary.index(centre, h) * w;
            int d = MirrorBoundary.index(centre + 1, h) * w;
            int e = MirrorBoundary.index(centre + 2, h) * w;
            taps.begin(in, c, 6 / 16f);
            taps.add(in, a, e, 1 / 16f);
            taps.add(in, b, d, 4 / 16f);
            GaussianBlur.mirrorPad(taps.sum(), w, pad + 3, padded);
            int at = y * cw;
            for (int x = 0; x < cw; x++) {
              int p = 2 * x + 3;
              out[at + x] =
                  (padded[p - 2]
                          + padded[p + 2]
                          + 4 * (padded[p - 1] + padded[p + 1])
                          + 6 * padded[p])
                      * (1 / 16f);
            }
          }
        });
    return new Plane(new Area(0, 0, cw, ch), out);
  }

  /** Double size. */
  static Plane expand(Plane coarse) {
    return expandInto(coarse, 0, new Area(0, 0, 2 * coarse.width(), 2 * coarse.height()));
  }

  /** Double size, leaving out {@code pad} (even) fine pixels at the top left, over {@code area}. */
  static Plane expandInto(Plane coarse, int pad, Area area) {
    int cw = coarse.width();
    int ch = coarse.height();
    int w = area.width();
    int h = area.height();
    int first = pad / 2;
    float[] in = coarse.values();
    float[] out = new float[w * h];
    ParallelRows.each(
        w,
        h,
        (from, to) -> {
          int columns = (w + 1) / 2 + 2;
          int left = Math.max(0, first - 1);
          int right = Math.min(cw, first - 1 + columns);
          Taps between = new Taps(right - left);
          Taps even = new Taps(columns - 2);
          Taps odd = new Taps(columns - 2);
          float[] row = new float[columns];
          for (int y = from; y < to; y++) {
            int cy = (y + pad) / 2;
            int a = Math.max(cy - 1, 0) * cw + left;
            int b = Math.min(cy, ch - 1) * cw + left;
            int c = Math.min(cy + 1, ch - 1) * cw + left;
            if (((y + pad) & 1) == 0) {
              between.begin(in, b, 6 / 8f);
              between.add(in, a, c, 1 / 8f);
            } else {
              between.begin(in, b, c, 0.5f);
            }
            System.arraycopy(between.sum(), 0, row, left - first + 1, right - left);
            Arrays.fill(row, 0, left - first + 1, between.sum()[0]);
            Arrays.fill(row, right - first + 1, columns, between.sum()[right - left - 1]);
            even.begin(row, 1, 6 / 8f);
            even.add(row, 0, 2, 1 / 8f);
            odd.begin(row, 1, 2, 0.5f);
            int at = y * w;
            for (int x = 0; x < w - 1; x += 2) {
              out[at + x] = even.sum()[x / 2];
              out[at + x + 1] = odd.sum()[x / 2];
            }
            if ((w & 1) == 1) {
              out[at + w - 1] = even.sum()[w / 2];
            }
          }
        });
    return new Plane(area, out);
  }
}
