package carezza.model;

/**
 * Contrast of what is smaller than the features of a face, and haze over the whole.
 *
 * @param contrast share by which differences from around grow
 * @param haze above 0 takes haze away, below 0 lays it on
 */
public record LocalContrastLayer(
    LayerAttributes attributes,
    @Parameter(least = -1, usual = 0.2) double contrast,
    @Parameter(least = -1) double haze)
    implements Layer {

  public LocalContrastLayer {
    Require.present("attributes", attributes);
    Parameters.of(LocalContrastLayer.class).check(contrast, haze);
  }

  @Override
  public LocalContrastLayer with(LayerAttributes newAttributes) {
    return new LocalContrastLayer(newAttributes, contrast, haze);
  }
}
