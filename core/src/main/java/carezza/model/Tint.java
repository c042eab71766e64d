package carezza.model;

/**
 * A tint of greys.
 *
 * @param hue in degrees of CIE LCh(ab)
 * @param strength chroma that a grey gets
 */
public record Tint(
    @Parameter(unit = Unit.DEGREES, most = 360, step = 1) double hue,
    @Parameter(unit = Unit.CHROMA, most = 60, high = 30, step = 1) double strength) {

  public static final Tint NONE = new Tint(0, 0);

  public Tint {
    Parameters.of(Tint.class).check(hue, strength);
  }

  /** The same strength on the other side of the circle. */
  public Tint complement() {
    return new Tint((hue + 180) % 360, strength);
  }
}
