package carezza.model;

/**
 * More or less colour, with skin held back.
 *
 * @param saturation share of chroma that is added
 * @param skin share of that which hues of skin are spared
 */
public record SaturationLayer(
    LayerAttributes attributes,
    @Parameter(least = -1, usual = 0.05) double saturation,
    @Parameter(usual = 0.7) double skin)
    implements Layer {

  public SaturationLayer {
    Require.present("attributes", attributes);
    Parameters.of(SaturationLayer.class).check(saturation, skin);
  }

  @Override
  public SaturationLayer with(LayerAttributes newAttributes) {
    return new SaturationLayer(newAttributes, saturation, skin);
  }
}
