package carezza.model;

/**
 * Colour and light of the lips, shading and lights kept.
 *
 * @param target median C* aimed at, 5 … 70; changes it by at most 12 unless forced
 * @param turn of the hue in degrees, −15 … 15
 * @param lift L* that the median gains, −10 … 10; held within 4 unless forced
 * @param force past the limits
 */
public record LipsLayer(LayerAttributes attributes, double target, double turn, double lift, boolean force) implements Layer {

  public LipsLayer {
    Require.present("attributes", attributes);
    Require.range("target", target, 5, 70);
    Require.range("turn", turn, -15, 15);
    Require.range("lift", lift, -10, 10);
  }

  @Override
  public LipsLayer with(LayerAttributes newAttributes) {
    return new LipsLayer(newAttributes, target, turn, lift, force);
  }
}
