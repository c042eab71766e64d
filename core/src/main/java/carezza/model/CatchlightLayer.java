package carezza.model;

/**
 * Lifts the lights in the eyes that are there; makes none.
 *
 * @param gain share of the way to white
 * @param neutral share of their colour taken away
 */
public record CatchlightLayer(
    LayerAttributes attributes,
    @Parameter(usual = 0.4) double gain,
    @Parameter(usual = 0.5) double neutral)
    implements Layer {

  public CatchlightLayer {
    Require.present("attributes", attributes);
    Parameters.of(CatchlightLayer.class).check(gain, neutral);
  }

  @Override
  public CatchlightLayer with(LayerAttributes newAttributes) {
    return new CatchlightLayer(newAttributes, gain, neutral);
  }
}
