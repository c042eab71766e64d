package carezza.model;

/**
 * Grain laid over the picture: correlated noise of lightness, and as much of colour as wanted.
 *
 * @param strength standard deviation of L* where the grain is strongest
 * @param size sigma of the grains in photograph pixels
 * @param tone where it is strongest: −1 in the shadows, 0 in the middle tones, 1 in the lights
 * @param colour noise of a* and b* as a share of that of L*
 * @param seed other numbers give other grains
 */
public record GrainLayer(
    LayerAttributes attributes,
    @Parameter(unit = Unit.LIGHTNESS_CHANGE, most = 20, high = 8, usual = 1.5, step = 0.1)
        double strength,
    @Parameter(unit = Unit.PIXELS, least = 0.3, most = 20, high = 6, usual = 0.8, step = 0.1)
        double size,
    @Parameter(least = -1, most = 1, usual = 0) double tone,
    @Parameter(most = 1, usual = 0) double colour,
    @Parameter(unit = Unit.NUMBER, most = 9999, usual = 1, step = 1) double seed)
    implements Layer {

  public GrainLayer {
    Require.present("attributes", attributes);
    Parameters.of(GrainLayer.class).check(strength, size, tone, colour, seed);
  }

  @Override
  public GrainLayer with(LayerAttributes newAttributes) {
    return new GrainLayer(newAttributes, strength, size, tone, colour, seed);
  }

  /** As strong and as coarse as noise that was measured. */
  public GrainLayer like(double newStrength, double newSize) {
    return new GrainLayer(attributes, newStrength, newSize, tone, colour, seed);
  }
}
