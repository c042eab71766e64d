package carezza.measure;

/**
 * One reading of the picture.
 *
 * @param id stable name, as in files
 * @param title shown to the retoucher
 * @param unit of the values, empty for plain ratios
 * @param region words for where it was measured
 * @param before after stage Settle; NaN where there is nothing to measure
 * @param after at the end of the stack; NaN where there is nothing to measure
 * @param band where {@code after} should lie, or null where the gauge only informs
 */
public record Gauge(
    String id, String title, String unit, String region, double before, double after, Band band) {

  /** Both ends belong to the band; either may be infinite. */
  public record Band(double low, double high) {}

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

  public boolean measured() {
    return !Double.isNaN(after);
  }
}
