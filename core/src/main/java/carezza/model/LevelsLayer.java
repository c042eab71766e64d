package carezza.model;

/**
 * Sets where black and white lie, and brings back lights and darks with their local contrast.
 *
 * @param black encoded value that becomes 0, −0.2 … 0.4
 * @param white encoded value that becomes 1, 0.5 … 1.5
 * @param darks stops that the deepest darks rise by, −2 … 2
 * @param lights stops that the brightest lights rise by, −2 … 2; below 0 brings them back
 */
public record LevelsLayer(LayerAttributes attributes, double black, double white, double darks, double lights) implements Layer {

  public LevelsLayer {
    Require.present("attributes", attributes);
    Require.range("black", black, -0.2, 0.4);
    Require.range("white", white, 0.5, 1.5);
    Require.range("darks", darks, -2, 2);
    Require.range("lights", lights, -2, 2);
  }

  @Override
  public LevelsLayer with(LayerAttributes newAttributes) {
    return new LevelsLayer(newAttributes, black, white, darks, lights);
  }
}
