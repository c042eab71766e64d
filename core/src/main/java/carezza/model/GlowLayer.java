package carezza.model;

/**
 * Light that spreads: blurred lights laid back over the picture, and the whole of it softened as
 * far as wanted, with its texture kept beside.
 *
 * @param radius sigma of the spread in photograph pixels
 * @param glow of the lights, 0 none … 1 all of them
 * @param from L* from which a tone counts as a light
 * @param soften share of the whole picture that is exchanged for its blur
 * @param texture share of its fine detail that the blur keeps
 */
public record GlowLayer(
    LayerAttributes attributes,
    @Parameter(unit = Unit.PIXELS, least = 1, most = 600, high = 200, usual = 40, step = 1)
        double radius,
    @Parameter(most = 1, usual = 0.25) double glow,
    @Parameter(unit = Unit.LIGHTNESS, most = 100, usual = 60, step = 1) double from,
    @Parameter(most = 1, usual = 0) double soften,
    @Parameter(most = 1, usual = 0.7) double texture)
    implements Layer {

  public GlowLayer {
    Require.present("attributes", attributes);
    Parameters.of(GlowLayer.class).check(radius, glow, from, soften, texture);
  }

  @Override
  public GlowLayer with(LayerAttributes newAttributes) {
    return new GlowLayer(newAttributes, radius, glow, from, soften, texture);
  }
}
