package carezza.model;

/**
 * Scales the light.
 *
 * @param stops factors of two
 * @param recover how far below white the shoulder starts that bends lights back under it
 */
public record ExposureLayer(
    LayerAttributes attributes,
    @Parameter(unit = Unit.STOPS, least = -5, most = 5, low = -3, high = 3, step = 0.05)
        double stops,
    @Parameter double recover)
    implements Layer {

  public ExposureLayer {
    Require.present("attributes", attributes);
    Parameters.of(ExposureLayer.class).check(stops, recover);
  }

  @Override
  public ExposureLayer with(LayerAttributes newAttributes) {
    return new ExposureLayer(newAttributes, stops, recover);
  }
}
