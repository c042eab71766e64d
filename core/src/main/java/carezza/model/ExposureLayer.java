package carezza.model;

/**
 * Scales the light.
 *
 * @param stops factors of two, −5 … 5
 * @param recover 0 … 1: how far below white the shoulder starts that bends lights back under it
 */
public record ExposureLayer(LayerAttributes attributes, double stops, double recover) implements Layer {

  public ExposureLayer {
    Require.present("attributes", attributes);
    Require.range("stops", stops, -5, 5);
    Require.range("recover", recover, 0, 1);
  }

  @Override
  public ExposureLayer with(LayerAttributes newAttributes) {
    return new ExposureLayer(newAttributes, stops, recover);
  }
}
