package carezza.filter;

import java.util.Arrays;

import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;

/**
 * Changes of size by area averages, so that no detail aliases. For light, call on linear values.
 */
public final class Resampling {

  private Resampling() {}

  /** Half size (rounded up), each pixel the mean of the up to four it covers. */
  public static Plane half(Plane fine) {
    int w = fine.width();
    int h = fine.height();
    int cw = (w + 1) / 2;
    int ch = (h + 1) / 2;
    float[] in = fine.values();
    float[] out = new float[cw * ch];
    ParallelRows.each(
        w,
        ch,
        (from, to) -> {
          for (int y = from; y < to; y++) {
            int top = 2 * y * w;
            int bottom = Math.min(2 * y + 1, h - 1) * w;
            for (int x = 0; x < w / 2; x++) {
              int i = 2 * x;
              out[y * cw + x] =
                  (in[top + i] + in[top + i + 1] + in[bottom + i] + in[bottom + i + 1]) * 0.25f;
            }
            if ((w & 1) == 1) {
              out[y * cw + cw - 1] = (in[top + w - 1] + in[bottom + w - 1]) * 0.5f;
            }
          }
        });
    return new Plane(new Area(0, 0, cw, ch), out);
  }

  /**
   * The plane in pixels of 2^levels, each the mean of those it covers.
   *
   * @param fine its area must start at multiples of 2^levels
   */
  public static Plane reduce(Plane fine, int levels) {
    int mask = (1 << levels) - 1;
    Area a = fine.area();
    if ((a.x() & mask) != 0 || (a.y() & mask) != 0) {
      throw new IllegalArgumentException(a + " does not start at whole pixels of level " + levels);
    }
    Plane coarse = fine;
    for (int i = 0; i < levels; i++) {
      coarse = half(coarse);
    }
    Area small = coarse.area();
    return new Plane(
        new Area(a.x() >> levels, a.y() >> levels, small.width(), small.height()), coarse.values());
  }

  /** What {@link #addExpanded} reads of the coarse plane for an area. */
  public static Area expandedFrom(Area area, int levels) {
    return area.atLevel(levels).grow(1);
  }

  /**
   * Adds a plane of pixels of 2^levels to a fine one: fine += coarse, bilinear between the middles
   * of its pixels; its border is repeated.
   */
  public static void addExpanded(Plane coarse, int levels, Plane fine) {
    Area area = fine.area();
    double scale = 1.0 / (1 << levels);
    int[] left = new int[area.width()];
    float[] share = new float[area.width()];
    Area c = coarse.area();
    for (int x = 0; x < area.width(); x++) {
      double p = Math.clamp((area.x() + x + 0.5) * scale - 0.5 - c.x(), 0, c.width() - 1);
      left[x] = Math.min((int) p, Math.max(0, c.width() - 2));
      share[x] = (float) (p - left[x]);
    }
    int next = c.width() > 1 ? 1 : 0;
    ParallelRows.each(
        area.width(),
        area.height(),
        (from, to) -> {
          float[] row = new float[c.width()];
          for (int y = from; y < to; y++) {
            double p = Math.clamp((area.y() + y + 0.5) * scale - 0.5 - c.y(), 0, c.height() - 1);
            int top = Math.min((int) p, Math.max(0, c.height() - 2));
            float t = (float) (p - top);
            int a = top * c.width();
            int b = Math.min(top + 1, c.height() - 1) * c.width();
            for (int x = 0; x < row.length; x++) {
              row[x] =
                  coarse.values()[a + x] + t * (coarse.values()[b + x] - coarse.values()[a + x]);
            }
            int at = y * area.width();
            for (int x = 0; x < area.width(); x++) {
              float low = row[left[x]];
              fine.values()[at + x] += low + share[x] * (row[left[x] + next] - low);
            }
          }
        });
  }

  /**
   * Shrinks a picture so that it has the given size; each pixel is the mean of the area it covers.
   *
   * @throws IllegalArgumentException if the size is larger than the picture
   */
  public static Picture shrink(Picture source, PictureSize size) {
    Area area = source.area();
    if (size.width() > area.width() || size.height() > area.height()) {
      throw new IllegalArgumentException("Shrinking to a larger size");
    }
    return source.map(p -> shrink(p, size));
  }

  private static Plane shrink(Plane source, PictureSize size) {
    int w = source.width();
    int narrow = size.width();
    Share[] down = shares(source.height(), size.height());
    Share[] across = shares(w, narrow);
    Plane out = new Plane(size.area(), new float[narrow * size.height()]);
    ParallelRows.each(
        w,
        size.height(),
        (from, to) -> {
          float[] row = new float[w];
          for (int y = from; y < to; y++) {
            mean(source.values(), w, down[y], row);
            for (int x = 0; x < narrow; x++) {
              Share share = across[x];
              float sum = 0;
              for (int k = 0; k < share.of().length; k++) {
                sum += share.of()[k] * row[share.first() + k];
              }
              out.values()[y * narrow + x] = sum;
            }
          }
        });
    return out;
  }

  /** The mean of rows by their shares, into one. */
  private static void mean(float[] in, int w, Share share, float[] row) {
    Arrays.fill(row, 0);
    for (int k = 0; k < share.of().length; k++) {
      float own = share.of()[k];
      int at = (share.first() + k) * w;
      for (int x = 0; x < w; x++) {
        row[x] += own * in[at + x];
      }
    }
  }

  /** What a coarse pixel covers: shares of fine ones from the first on, which sum to 1. */
  private record Share(int first, float[] of) {}

  private static Share[] shares(int fine, int coarse) {
    Share[] shares = new Share[coarse];
    double step = (double) fine / coarse;
    for (int i = 0; i < coarse; i++) {
      double start = i * step;
      double end = Math.min(fine, start + step);
      int first = (int) start;
      float[] of = new float[(int) Math.ceil(end) - first];
      for (int k = 0; k < of.length; k++) {
        of[k] = (float) ((Math.min(first + k + 1, end) - Math.max(first + k, start)) / step);
      }
      shares[i] = new Share(first, of);
    }
    return shares;
  }
}
