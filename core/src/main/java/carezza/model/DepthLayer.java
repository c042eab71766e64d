package carezza.model;

/**
 * Gives skin the richness and texture that a mono mix shows, in lightness alone.
 *
 * @param strength 0 … 1 of the mix in the skin's variation
 * @param darken L* that the skin's median falls by, 0 … 15; held at 2 unless forced
 * @param mix of the channels, whose variation is taken
 * @param force lets the skin grow darker than the limit
 */
public record DepthLayer(Head head, double strength, double darken, ChannelMix mix, boolean force) implements Layer {

  public DepthLayer {
    Require.present("head", head);
    Require.range("strength", strength, 0, 1);
    Require.range("darken", darken, 0, 15);
    mix = mix == null ? ChannelMix.DEEP : mix;
  }

  @Override
  public DepthLayer with(Head newHead) {
    return new DepthLayer(newHead, strength, darken, mix, force);
  }
}
