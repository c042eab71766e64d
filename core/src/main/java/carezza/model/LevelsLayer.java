package carezza.model;

/**
 * Sets where black and white lie, and brings back lights and darks with their local contrast.
 *
 * @param black encoded value that becomes 0
 * @param white encoded value that becomes 1
 * @param shadows stops that the deepest shadows rise by
 * @param highlights stops that the brightest highlights rise by; below 0 brings them back
 */
public record LevelsLayer(
    LayerAttributes attributes,
    @Parameter(least = -0.2, most = 0.4) double black,
    @Parameter(least = 0.5, most = 1.5, usual = 1) double white,
    @Parameter(unit = Unit.STOPS, least = -2, most = 2, step = 0.05) double shadows,
    @Parameter(unit = Unit.STOPS, least = -2, most = 2, step = 0.05) double highlights)
    implements Layer {

  public LevelsLayer {
    Require.present("attributes", attributes);
    Parameters.of(LevelsLayer.class).check(black, white, shadows, highlights);
  }

  @Override
  public LevelsLayer with(LayerAttributes newAttributes) {
    return new LevelsLayer(newAttributes, black, white, shadows, highlights);
  }
}
