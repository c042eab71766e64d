package carezza.model;

/**
 * More or less colour, with skin held back.
 *
 * @param saturation −1 … 1: share of chroma that is added
 * @param skin 0 … 1: share of that which hues of skin are spared
 */
public record SaturationLayer(LayerAttributes attributes, double saturation, double skin) implements Layer {

  public SaturationLayer {
    Require.present("attributes", attributes);
    Require.range("saturation", saturation, -1, 1);
    Require.range("skin", skin, 0, 1);
  }

  @Override
  public SaturationLayer with(LayerAttributes newAttributes) {
    return new SaturationLayer(newAttributes, saturation, skin);
  }
}
