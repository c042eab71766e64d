package carezza.model;

/**
 * Takes part of the colour away, towards a mono mix at the same lightness.
 *
 * @param share 0 … 1 of the colour taken away
 * @param hold share of the lightness that stays as it is rather than as the mix has it
 * @param mix of the channels in the grey
 */
public record DesaturateLayer(
    LayerAttributes attributes,
    @Parameter(usual = 0.1) double share,
    @Parameter(usual = 1) double hold,
    ChannelMix mix)
    implements Layer {

  public DesaturateLayer {
    Require.present("attributes", attributes);
    Parameters.of(DesaturateLayer.class).check(share, hold);
    mix = mix == null ? ChannelMix.EYE : mix;
  }

  @Override
  public DesaturateLayer with(LayerAttributes newAttributes) {
    return new DesaturateLayer(newAttributes, share, hold, mix);
  }
}
