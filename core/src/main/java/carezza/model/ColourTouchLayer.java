package carezza.model;

/**
 * Lays a picked colour on, at the lightness that is there.
 *
 * @param tone the colour; its chroma counts at its lightness and follows what is lighter or darker
 */
public record ColourTouchLayer(Head head, ToneEveningLayer.Target tone) implements Layer {

  public ColourTouchLayer {
    Require.present("head", head);
    Require.present("tone", tone);
  }

  @Override
  public ColourTouchLayer with(Head newHead) {
    return new ColourTouchLayer(newHead, tone);
  }
}
