package carezza.model;

/**
 * Clears the whites of the eyes, shading and veins softened but kept.
 *
 * @param target median b* aimed at, −1 … 15
 * @param redness 0 … 1: share of a* above the target's taken away
 * @param lift rise of the median L*, 0 … 12; held below the lights of the skin unless forced
 * @param balance 0 … 1: share of the difference in L* between the eyes that the darker one is lifted by
 * @param force lets the lift pass its limits
 */
public record ScleraLayer(
    LayerAttributes attributes, double target, double redness, double lift, double balance, boolean force)
    implements Layer {

  public ScleraLayer {
    Require.present("attributes", attributes);
    Require.range("target", target, -1, 15);
    Require.range("redness", redness, 0, 1);
    Require.range("lift", lift, 0, 12);
    Require.range("balance", balance, 0, 1);
  }

  @Override
  public ScleraLayer with(LayerAttributes newAttributes) {
    return new ScleraLayer(newAttributes, target, redness, lift, balance, force);
  }
}
