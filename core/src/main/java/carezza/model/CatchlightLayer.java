package carezza.model;

/**
 * Lifts the lights in the eyes that are there; makes none.
 *
 * @param gain 0 … 1: share of the way to white
 * @param neutral 0 … 1: share of their colour taken away
 */
public record CatchlightLayer(LayerAttributes attributes, double gain, double neutral) implements Layer {

  public CatchlightLayer {
    Require.present("attributes", attributes);
    Require.range("gain", gain, 0, 1);
    Require.range("neutral", neutral, 0, 1);
  }

  @Override
  public CatchlightLayer with(LayerAttributes newAttributes) {
    return new CatchlightLayer(newAttributes, gain, neutral);
  }
}
