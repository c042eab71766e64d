package carezza.mask;

/** Counts of values between two limits, for quantiles and for splitting in two classes. */
final class Histogram {

  private static final int BINS = 256;

  private final double low;
  private final double step;
  private final int[] counts = new int[BINS];
  private int count;

  Histogram(double low, double high) {
    this.low = low;
    this.step = (high - low) / BINS;
  }

  void add(double value) {
    counts[Math.clamp((int) ((value - low) / step), 0, BINS - 1)]++;
    count++;
  }

  int count() {
    return count;
  }

  double quantile(double share) {
    double wanted = share * count;
    double sum = 0;
    for (int i = 0; i < BINS; i++) {
      sum += counts[i];
      if (sum >= wanted) {
        return value(i);
      }
    }
    return value(BINS - 1);
  }

  /** The threshold with the largest variance between the two classes (Otsu 1979). */
  double otsu() {
    double total = 0;
    for (int i = 0; i < BINS; i++) {
      total += counts[i] * value(i);
    }
    double below = 0;
    double sumBelow = 0;
    double best = -1;
    double at = value(BINS / 2);
    for (int i = 0; i < BINS - 1; i++) {
      below += counts[i];
      sumBelow += counts[i] * value(i);
      double above = count - below;
      if (below == 0 || above == 0) {
        continue;
      }
      double difference = sumBelow / below - (total - sumBelow) / above;
      double variance = below * above * difference * difference;
      if (variance > best) {
        best = variance;
        at = value(i) + step / 2;
      }
    }
    return at;
  }

  double meanAbove(double split) {
    return mean(split, Double.MAX_VALUE);
  }

  double meanBelow(double split) {
    return mean(-Double.MAX_VALUE, split);
  }

  private double mean(double from, double to) {
    double sum = 0;
    double n = 0;
    for (int i = 0; i < BINS; i++) {
      if (value(i) >= from && value(i) < to) {
        sum += counts[i] * value(i);
        n += counts[i];
      }
    }
    return n == 0 ? 0 : sum / n;
  }

  private double value(int bin) {
    return low + (bin + 0.5) * step;
  }
}
