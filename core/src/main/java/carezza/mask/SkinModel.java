package carezza.mask;

import java.util.Arrays;

import carezza.image.Area;
import carezza.image.Picture;

/**
 * The skin of this person in this picture: median a* and b* as a function of L*, learned from
 * cheeks and forehead, with the spread around it. Relative to lightness, so it holds in shade and
 * for any skin.
 */
final class SkinModel {

  private static final int BINS = 12;

  /** Least spread of a* and b* that counts as the person's own; JPEG and noise alone reach this. */
  private static final double LEAST_SPREAD = 2.2;

  private static final double REDDER = 0.45;

  /** A flush adds no more to a* than this, and than this share of it; beyond is paint or cloth. */
  private static final double FLUSH = 6;

  private static final double FLUSH_SHARE = 0.7;

  private static final double MAD_TO_SIGMA = 1.4826;

  private final double[] lightness = new double[BINS];
  private final double[] a = new double[BINS];
  private final double[] b = new double[BINS];
  private final double spreadA;
  private final double spreadB;
  private final double darkest;

  /**
   * @param lab picture in L*a*b*
   * @param samples pixels of the picture's area that are surely skin, as indices
   */
  SkinModel(Picture lab, int[] samples) {
    float[] l = lab.first().values();
    Integer[] order = Arrays.stream(samples).boxed().toArray(Integer[]::new);
    Arrays.sort(order, (i, j) -> Float.compare(l[i], l[j]));
    int n = order.length;
    darkest = l[order[n / 50]];
    double[] deviationA = new double[n];
    double[] deviationB = new double[n];
    for (int bin = 0; bin < BINS; bin++) {
      int from = n * bin / BINS;
      int to = Math.max(from + 1, n * (bin + 1) / BINS);
      lightness[bin] = median(lab.first().values(), order, from, to);
      a[bin] = median(lab.second().values(), order, from, to);
      b[bin] = median(lab.third().values(), order, from, to);
    }
    for (int i = 0; i < n; i++) {
      double at = l[order[i]];
      deviationA[i] = Math.abs(lab.second().values()[order[i]] - expectedA(at));
      deviationB[i] = Math.abs(lab.third().values()[order[i]] - expectedB(at));
    }
    spreadA = Math.max(LEAST_SPREAD, MAD_TO_SIGMA * middle(deviationA));
    spreadB = Math.max(LEAST_SPREAD, MAD_TO_SIGMA * middle(deviationB));
  }

  private static double median(float[] values, Integer[] order, int from, int to) {
    double[] part = new double[to - from];
    for (int i = from; i < to; i++) {
      part[i - from] = values[order[i]];
    }
    return middle(part);
  }

  private static double middle(double[] values) {
    Arrays.sort(values);
    return values[values.length / 2];
  }

  double expectedA(double l) {
    return expected(l, a);
  }

  double expectedB(double l) {
    return expected(l, b);
  }

  double darkest() {
    return darkest;
  }

  private double expected(double l, double[] of) {
    if (l <= lightness[0]) {
      // Below the darkest skin seen, chroma falls in proportion to the light.
      return of[0] * Math.max(0, l) / Math.max(lightness[0], 1);
    }
    for (int i = 1; i < BINS; i++) {
      if (l <= lightness[i]) {
        double t = (l - lightness[i - 1]) / Math.max(1e-6, lightness[i] - lightness[i - 1]);
        return of[i - 1] + t * (of[i] - of[i - 1]);
      }
    }
    return of[BINS - 1];
  }

  /**
   * Distance of a colour from this skin in units of its spread. Redder counts for less: blemishes
   * and flushes are skin.
   */
  double distance(double l, double pa, double pb) {
    double da = pa - expectedA(l);
    double flush = Math.min(da, Math.max(FLUSH, FLUSH_SHARE * expectedA(l)));
    double red =
        (da > 0 ? REDDER * flush / spreadA : da / spreadA) + Math.max(0, da - flush) / LEAST_SPREAD;
    double yellow = (pb - expectedB(l)) / spreadB;
    return Math.sqrt(red * red + yellow * yellow);
  }

  /** Indices of every {@code step}-th pixel inside {@code within} and outside the others. */
  static int[] samples(Area area, FaceFrame.Ellipse within, FaceFrame.Ellipse[] without, int step) {
    int[] found = new int[area.pixels() / step + 1];
    int n = 0;
    for (int i = 0; i < area.pixels(); i += step) {
      double x = area.x() + i % area.width() + 0.5;
      double y = area.y() + i / area.width() + 0.5;
      boolean sure = within.contains(x, y);
      for (int k = 0; sure && k < without.length; k++) {
        sure = !without[k].contains(x, y);
      }
      if (sure) {
        found[n++] = i;
      }
    }
    return Arrays.copyOf(found, n);
  }
}
