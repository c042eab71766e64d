package carezza.model;

/**
 * Lets what the mask takes in fall out of focus, as a wide open lens does: each light becomes a
 * disc. What is outside stays sharp and does not run into it.
 *
 * @param radius of the discs in photograph pixels
 */
public record FocusFalloffLayer(
    LayerAttributes attributes,
    @Parameter(unit = Unit.PIXELS, least = 1, most = 400, high = 120, usual = 20, step = 1)
        double radius)
    implements Layer {

  public FocusFalloffLayer {
    Require.present("attributes", attributes);
    Parameters.of(FocusFalloffLayer.class).check(radius);
  }

  @Override
  public FocusFalloffLayer with(LayerAttributes newAttributes) {
    return new FocusFalloffLayer(newAttributes, radius);
  }
}
