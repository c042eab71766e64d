package carezza.model;

/**
 * Weights of red, green and blue in a grey, −2 … 2 each; they count by their sum.
 */
public record ChannelMix(double red, double green, double blue) {

  /** Little red: skin shows its texture and marks, as on orthochromatic film. */
  public static final ChannelMix DEEP = new ChannelMix(0.1, 0.4, 0.5);

  /** About as bright as the eye sees colours. */
  public static final ChannelMix EYE = new ChannelMix(0.26, 0.68, 0.06);

  public ChannelMix {
    Require.range("red", red, -2, 2);
    Require.range("green", green, -2, 2);
    Require.range("blue", blue, -2, 2);
    Require.range("the sum of red, green and blue", red + green + blue, 0.05, 6);
  }
}
