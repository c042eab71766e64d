package carezza.model;

/**
 * Clears the whites of the eyes, shading and veins softened but kept.
 *
 * @param target median b* aimed at
 * @param redness share of a* above the target's taken away
 * @param lift rise of the median L*; held below the lights of the skin unless forced
 * @param balance share of the difference in L* between the eyes that the darker one is lifted by
 * @param force lets the lift pass its limits
 */
public record ScleraLayer(
    LayerAttributes attributes,
    @Parameter(unit = Unit.YELLOW, least = -1, most = 15, usual = 5.5, step = 0.1) double target,
    @Parameter(usual = 0.4) double redness,
    @Parameter(unit = Unit.LIGHTNESS_CHANGE, most = 12, usual = 3, step = 0.1) double lift,
    @Parameter double balance,
    boolean force)
    implements Layer {

  public ScleraLayer {
    Require.present("attributes", attributes);
    Parameters.of(ScleraLayer.class).check(target, redness, lift, balance);
  }

  @Override
  public ScleraLayer with(LayerAttributes newAttributes) {
    return new ScleraLayer(newAttributes, target, redness, lift, balance, force);
  }
}
