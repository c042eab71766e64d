package carezza.model;

/**
 * Colour and light of the lips, shading and lights kept.
 *
 * @param target median C* aimed at; changes it by at most 12 unless forced
 * @param turn of the hue in degrees
 * @param lift L* that the median gains; held within 4 unless forced
 * @param force past the limits
 */
public record LipsLayer(
    LayerAttributes attributes,
    @Parameter(unit = Unit.CHROMA, least = 5, most = 70, usual = 28, step = 1) double target,
    @Parameter(unit = Unit.DEGREES, least = -15, most = 15, step = 1) double turn,
    @Parameter(unit = Unit.LIGHTNESS_CHANGE, least = -10, most = 10, step = 0.1) double lift,
    boolean force)
    implements Layer {

  public LipsLayer {
    Require.present("attributes", attributes);
    Parameters.of(LipsLayer.class).check(target, turn, lift);
  }

  @Override
  public LipsLayer with(LayerAttributes newAttributes) {
    return new LipsLayer(newAttributes, target, turn, lift, force);
  }
}
