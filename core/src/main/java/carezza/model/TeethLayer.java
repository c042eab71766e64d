package carezza.model;

/**
 * Takes the yellow of teeth to a target and lifts them, shading kept.
 *
 * @param target median b* aimed at, 1 … 20; a quarter of the person's own yellow always stays
 * @param lift rise of the median L*, 0 … 15; held below the whites of the eyes unless forced
 * @param force lets the lift pass its limits
 */
public record TeethLayer(LayerAttributes attributes, double target, double lift, boolean force) implements Layer {

  public TeethLayer {
    Require.present("attributes", attributes);
    Require.range("target", target, 1, 20);
    Require.range("lift", lift, 0, 15);
  }

  @Override
  public TeethLayer with(LayerAttributes newAttributes) {
    return new TeethLayer(newAttributes, target, lift, force);
  }
}
