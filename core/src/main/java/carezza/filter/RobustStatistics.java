package carezza.filter;

import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.stream.IntStream;

import carezza.image.Plane;

/**
 * Medians and robust spreads over the pixels that a mask takes in; single lights and hairs do not
 * count.
 */
public final class RobustStatistics {

  /** Coverage from which a pixel is taken in. */
  public static final float TAKEN_IN = 0.5f;

  /** Median absolute deviation to standard deviation, for normal spread. */
  private static final double MAD_TO_SIGMA = 1.4826;

  private RobustStatistics() {}

  /** Values of the plane where the coverage is at least one half, row by row. */
  public static double[] values(Plane plane, Plane coverage) {
    float[] v = plane.values();
    float[] m = coverage.values();
    double[] taken = new double[v.length];
    int n = 0;
    for (int i = 0; i < v.length; i++) {
      if (m[i] >= TAKEN_IN) {
        taken[n++] = v[i];
      }
    }
    return Arrays.copyOf(taken, n);
  }

  /** Value below which a share of the values lies; NaN of none. Changes their order. */
  public static double quantile(double[] values, double share) {
    if (values.length == 0) {
      return Double.NaN;
    }
    return select(values, (int) Math.min(values.length - 1, share * values.length));
  }

  /**
   * Value below which a share of a few values lies, between two of them in proportion; NaN of none.
   */
  public static double interpolated(Collection<Double> values, double share) {
    double[] sorted = values.stream().mapToDouble(v -> v).sorted().toArray();
    if (sorted.length == 0) {
      return Double.NaN;
    }
    double place = share * (sorted.length - 1);
    int below = (int) place;
    int above = Math.min(below + 1, sorted.length - 1);
    return sorted[below] + (place - below) * (sorted[above] - sorted[below]);
  }

  /** The value that would stand at {@code rank} if the values were sorted (Hoare's selection). */
  private static double select(double[] values, int rank) {
    int from = 0;
    int to = values.length - 1;
    while (from < to) {
      double a = values[from];
      double b = values[(from + to) >>> 1];
      double c = values[to];
      double pivot = Math.max(Math.min(a, b), Math.min(Math.max(a, b), c));
      int i = from;
      int k = to;
      while (i <= k) {
        while (values[i] < pivot) {
          i++;
        }
        while (values[k] > pivot) {
          k--;
        }
        if (i <= k) {
          double swap = values[i];
          values[i++] = values[k];
          values[k--] = swap;
        }
      }
      if (rank <= k) {
        to = k;
      } else if (rank >= i) {
        from = i;
      } else {
        break;
      }
    }
    return values[rank];
  }

  public static double median(Plane plane, Plane coverage) {
    return quantile(values(plane, coverage), 0.5);
  }

  /** Spread: 1.4826 x the median absolute deviation from the median; 0 of none. */
  public static double sigma(Plane plane, Plane coverage) {
    return sigma(values(plane, coverage));
  }

  /** As above, of values in any order. */
  public static double sigma(double[] values) {
    if (values.length == 0) {
      return 0;
    }
    double middle = quantile(values, 0.5);
    double[] away = new double[values.length];
    for (int i = 0; i < away.length; i++) {
      away[i] = Math.abs(values[i] - middle);
    }
    return MAD_TO_SIGMA * quantile(away, 0.5);
  }

  /** Pearson's coefficient of pairs; NaN where one of them hardly varies. */
  public static double correlation(double[] x, double[] y) {
    double mx = 0;
    double my = 0;
    for (int i = 0; i < x.length; i++) {
      mx += x[i] / x.length;
      my += y[i] / x.length;
    }
    double xx = 0;
    double yy = 0;
    double xy = 0;
    for (int i = 0; i < x.length; i++) {
      xx += (x[i] - mx) * (x[i] - mx);
      yy += (y[i] - my) * (y[i] - my);
      xy += (x[i] - mx) * (y[i] - my);
    }
    return Math.min(xx, yy) / x.length < 1e-6 ? Double.NaN : xy / Math.sqrt(xx * yy);
  }

  /** Pairs that are looked at, evenly picked. */
  private static final int MOST_SORTED = 10_000;

  private static final int FEWEST_SORTED = 100;

  /** Groups of equal size, by x, whose middles a slope is laid through. */
  private static final int GROUPS = 9;

  /**
   * Slope of y on x: of the line by least squares through the medians of groups of x, so that
   * places that lie aside, however many in one group, turn it little. 0 of too few, or of one x.
   */
  public static double slope(double[] x, double[] y) {
    int step = Math.max(1, x.length / MOST_SORTED);
    int count = x.length / step;
    if (count < FEWEST_SORTED) {
      return 0;
    }
    int[] order =
        IntStream.range(0, count)
            .map(i -> i * step)
            .boxed()
            .sorted(Comparator.comparingDouble(i -> x[i]))
            .mapToInt(Integer::intValue)
            .toArray();
    double[] across = new double[GROUPS];
    double[] up = new double[GROUPS];
    for (int k = 0; k < GROUPS; k++) {
      int[] group = Arrays.copyOfRange(order, count * k / GROUPS, count * (k + 1) / GROUPS);
      across[k] = quantile(Arrays.stream(group).mapToDouble(i -> x[i]).toArray(), 0.5);
      up[k] = quantile(Arrays.stream(group).mapToDouble(i -> y[i]).toArray(), 0.5);
    }
    double middleX = Arrays.stream(across).average().orElseThrow();
    double middleY = Arrays.stream(up).average().orElseThrow();
    double together = 0;
    double spread = 0;
    for (int k = 0; k < GROUPS; k++) {
      together += (across[k] - middleX) * (up[k] - middleY);
      spread += (across[k] - middleX) * (across[k] - middleX);
    }
    return spread < 1e-12 ? 0 : together / spread;
  }
}
