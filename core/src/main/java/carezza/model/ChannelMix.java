package carezza.model;

/** Weights of red, green and blue in a grey, −2 … 2 each; they count by their sum. */
public record ChannelMix(
    @Parameter(least = -2, most = 2, low = 0, high = 1, usual = Double.NaN) double red,
    @Parameter(least = -2, most = 2, low = 0, high = 1, usual = Double.NaN) double green,
    @Parameter(least = -2, most = 2, low = 0.05, high = 1, usual = Double.NaN) double blue) {

  /** Little red: skin shows its texture and marks, as on orthochromatic film. */
  public static final ChannelMix DEEP = new ChannelMix(0.1, 0.4, 0.5);

  /** About as bright as the eye sees colours. */
  public static final ChannelMix EYE = new ChannelMix(0.26, 0.68, 0.06);

  public ChannelMix {
    Parameters.of(ChannelMix.class).check(red, green, blue);
    Require.range("the sum of red, green and blue", red + green + blue, 0.05, 6);
  }
}
