package carezza.model;

/**
 * Gives skin the richness and texture that a mono mix shows, in lightness alone.
 *
 * @param strength 0 … 1 of the mix in the skin's variation
 * @param darken L* that the skin's median falls by; held at 2 unless forced
 * @param mix of the channels, whose variation is taken
 * @param force lets the skin grow darker than the limit
 */
public record SkinDepthLayer(
    LayerAttributes attributes,
    @Parameter(usual = 0.4) double strength,
    @Parameter(unit = Unit.LIGHTNESS_CHANGE, most = 15, usual = 1.5, step = 0.1) double darken,
    ChannelMix mix,
    boolean force)
    implements Layer {

  public SkinDepthLayer {
    Require.present("attributes", attributes);
    Parameters.of(SkinDepthLayer.class).check(strength, darken);
    mix = mix == null ? ChannelMix.DEEP : mix;
  }

  @Override
  public SkinDepthLayer with(LayerAttributes newAttributes) {
    return new SkinDepthLayer(newAttributes, strength, darken, mix, force);
  }
}
