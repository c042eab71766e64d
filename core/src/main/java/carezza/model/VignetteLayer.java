package carezza.model;

/**
 * Lets the light fall off away from the face, or from the middle where there is no face map.
 *
 * @param stops at the corners; below 0 darker
 * @param radius where the fall begins, as a share of the half diagonal
 * @param falloff width of the fall as a share of the half diagonal
 */
public record VignetteLayer(
    LayerAttributes attributes,
    @Parameter(
            unit = Unit.STOPS,
            least = -4,
            most = 4,
            low = -3,
            high = 3,
            usual = -0.6,
            step = 0.05)
        double stops,
    @Parameter(most = 1.5, usual = 0.45) double radius,
    @Parameter(least = 0.05, most = 2, usual = 0.7) double falloff)
    implements Layer {

  public VignetteLayer {
    Require.present("attributes", attributes);
    Parameters.of(VignetteLayer.class).check(stops, radius, falloff);
  }

  @Override
  public VignetteLayer with(LayerAttributes newAttributes) {
    return new VignetteLayer(newAttributes, stops, radius, falloff);
  }
}
