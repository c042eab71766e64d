package carezza.model;

/**
 * A pair of curves, one that lightens and one that darkens, each laid on where its mask says.
 *
 * @param dodge rise of the lightening curve at middle grey in encoded values, 0 … 0.4
 * @param burn fall of the darkening curve at middle grey in encoded values, 0 … 0.4
 * @param dodgeMask where it lightens
 * @param burnMask where it darkens
 * @param keepColour 0 lets chroma change with the light as per-channel curves do, 1 holds the ratio of
 *     the channels
 */
public record DodgeBurnLayer(
    Head head, double dodge, double burn, Mask dodgeMask, Mask burnMask, double keepColour)
    implements Layer {

  public DodgeBurnLayer {
    Require.present("head", head);
    Require.range("dodge", dodge, 0, 0.4);
    Require.range("burn", burn, 0, 0.4);
    Require.present("dodgeMask", dodgeMask);
    Require.present("burnMask", burnMask);
    Require.range("keepColour", keepColour, 0, 1);
  }

  public DodgeBurnLayer withMasks(Mask newDodge, Mask newBurn) {
    return new DodgeBurnLayer(head, dodge, burn, newDodge, newBurn, keepColour);
  }

  @Override
  public DodgeBurnLayer with(Head newHead) {
    return new DodgeBurnLayer(newHead, dodge, burn, dodgeMask, burnMask, keepColour);
  }
}
