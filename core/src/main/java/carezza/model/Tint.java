package carezza.model;

/**
 * A tint of greys.
 *
 * @param hue in degrees of CIE LCh(ab), 0 … 360
 * @param strength chroma that a grey gets, 0 … 60
 */
public record Tint(double hue, double strength) {

  public static final Tint NONE = new Tint(0, 0);

  public Tint {
    Require.range("hue", hue, 0, 360);
    Require.range("strength", strength, 0, 60);
  }

  /** The same strength on the other side of the circle. */
  public Tint complement() {
    return new Tint((hue + 180) % 360, strength);
  }
}
