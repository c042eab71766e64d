package carezza.model;

/**
 * Takes part of the colour away, towards a mono mix at the same lightness.
 *
 * @param share 0 … 1 of the colour taken away
 * @param hold 0 … 1: share of the lightness that stays as it is rather than as the mix has it
 * @param mix of the channels in the grey
 */
public record MuteLayer(Head head, double share, double hold, ChannelMix mix) implements Layer {

  public MuteLayer {
    Require.present("head", head);
    Require.range("share", share, 0, 1);
    Require.range("hold", hold, 0, 1);
    mix = mix == null ? ChannelMix.EYE : mix;
  }

  @Override
  public MuteLayer with(Head newHead) {
    return new MuteLayer(newHead, share, hold, mix);
  }
}
