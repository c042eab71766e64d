package carezza.model;

/**
 * Lays a picked colour on, at the lightness that is there.
 *
 * @param tone the colour; its chroma counts at its lightness and follows what is lighter or darker
 */
public record ColourPaintLayer(LayerAttributes attributes, SkinToneEveningLayer.Target tone)
    implements Layer {

  public ColourPaintLayer {
    Require.present("attributes", attributes);
    tone = tone == null ? Parameters.usual(SkinToneEveningLayer.Target.class) : tone;
  }

  @Override
  public ColourPaintLayer with(LayerAttributes newAttributes) {
    return new ColourPaintLayer(newAttributes, tone);
  }
}
