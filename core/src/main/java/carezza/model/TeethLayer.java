package carezza.model;

/**
 * Takes the yellow of teeth to a target and lifts them, shading kept.
 *
 * @param target median b* aimed at; a quarter of the person's own yellow always stays
 * @param lift rise of the median L*; held below the whites of the eyes unless forced
 * @param force lets the lift pass its limits
 */
public record TeethLayer(
    LayerAttributes attributes,
    @Parameter(unit = Unit.YELLOW, least = 1, most = 20, usual = 8, step = 0.1) double target,
    @Parameter(unit = Unit.LIGHTNESS_CHANGE, most = 15, usual = 4, step = 0.1) double lift,
    boolean force)
    implements Layer {

  public TeethLayer {
    Require.present("attributes", attributes);
    Parameters.of(TeethLayer.class).check(target, lift);
  }

  @Override
  public TeethLayer with(LayerAttributes newAttributes) {
    return new TeethLayer(newAttributes, target, lift, force);
  }
}
