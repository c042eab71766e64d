package carezza.measure;

import org.jspecify.annotations.Nullable;

import carezza.job.Band;

/**
 * One reading of the picture.
 *
 * @param id stable name, as in files
 * @param unit of the values, empty for plain ratios
 * @param where it was measured: a region's name in files, or that of another part of the picture
 * @param before after stage Settle; NaN where there is nothing to measure
 * @param after at the end of the stack; NaN where there is nothing to measure
 * @param band where {@code after} should lie, or null where the gauge only informs
 */
public record Gauge(
    String id, String unit, String where, double before, double after, @Nullable Band band) {

  /** How the reading stands to its band. */
  public enum Verdict {
    INSIDE,
    BELOW,
    ABOVE,
    /** No band, or nothing to measure. */
    OPEN
  }

  public Verdict verdict() {
    if (band == null || Double.isNaN(after)) {
      return Verdict.OPEN;
    }
    if (after < band.low()) {
      return Verdict.BELOW;
    }
    return after > band.high() ? Verdict.ABOVE : Verdict.INSIDE;
  }

  /** Whether it is measured and lies beyond its band. */
  public boolean isOutside() {
    return verdict() == Verdict.ABOVE || verdict() == Verdict.BELOW;
  }

  /**
   * The band, of a gauge that has one.
   *
   * @throws IllegalStateException if it only informs
   */
  public Band requiredBand() {
    if (band == null) {
      throw new IllegalStateException(id + " has no band");
    }
    return band;
  }

  public boolean measured() {
    return !Double.isNaN(after);
  }
}
