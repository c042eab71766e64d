package carezza.model;

/**
 * Takes out the noise that is measured in the picture, by tone; what stands above it stays.
 *
 * @param lightness how much of the noise of lightness, as a share of what is measured
 * @param colour the same of the noise of colour
 */
public record NoiseReductionLayer(
    LayerAttributes attributes,
    @Parameter(most = 4, high = 2, usual = 1.1) double lightness,
    @Parameter(most = 4, high = 2, usual = 1.1) double colour)
    implements Layer {

  public NoiseReductionLayer {
    Require.present("attributes", attributes);
    Parameters.of(NoiseReductionLayer.class).check(lightness, colour);
  }

  @Override
  public NoiseReductionLayer with(LayerAttributes newAttributes) {
    return new NoiseReductionLayer(newAttributes, lightness, colour);
  }
}
