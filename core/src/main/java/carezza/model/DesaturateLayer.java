package carezza.model;

/**
 * Takes part of the colour away, towards a mono mix at the same lightness.
 *
 * @param share 0 … 1 of the colour taken away
 * @param hold 0 … 1: share of the lightness that stays as it is rather than as the mix has it
 * @param mix of the channels in the grey
 */
public record DesaturateLayer(LayerAttributes attributes, double share, double hold, ChannelMix mix) implements Layer {

  public DesaturateLayer {
    Require.present("attributes", attributes);
    Require.range("share", share, 0, 1);
    Require.range("hold", hold, 0, 1);
    mix = mix == null ? ChannelMix.EYE : mix;
  }

  @Override
  public DesaturateLayer with(LayerAttributes newAttributes) {
    return new DesaturateLayer(newAttributes, share, hold, mix);
  }
}
