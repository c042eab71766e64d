package carezza.model;

/**
 * Contrast of what is smaller than the features of a face, and haze over the whole.
 *
 * @param contrast −1 … 1: share by which differences from around grow
 * @param haze −1 … 1: above 0 takes haze away, below 0 lays it on
 */
public record LocalContrastLayer(LayerAttributes attributes, double contrast, double haze) implements Layer {

  public LocalContrastLayer {
    Require.present("attributes", attributes);
    Require.range("contrast", contrast, -1, 1);
    Require.range("haze", haze, -1, 1);
  }

  @Override
  public LocalContrastLayer with(LayerAttributes newAttributes) {
    return new LocalContrastLayer(newAttributes, contrast, haze);
  }
}
