package carezza.measure;

/**
 * A place on the skin that is proposed for a decision.
 *
 * @param x in photograph pixels
 * @param y in photograph pixels
 * @param radius that holds it, in photograph pixels
 * @param confidence 0 … 1: how likely this is a blemish; of a mark, how far it stands out
 */
public record Blemish(double x, double y, double radius, Kind kind, double confidence) {

  /** What it is likely to be. */
  public enum Kind {
    /** Red: will be gone in a fortnight. */
    TEMPORARY,
    /** Brown and dark: the person's own, kept unless asked otherwise. */
    MARK
  }
}
