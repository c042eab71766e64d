package carezza.model;

/**
 * Tints darks, middles and lights, each by itself.
 *
 * @param shadows tint below L* 35
 * @param midtones between
 * @param highlights above L* 65
 * @param hold share of the luminance that stays as it was
 */
public record ColourBalanceLayer(
    LayerAttributes attributes,
    Tint shadows,
    Tint midtones,
    Tint highlights,
    @Parameter(usual = 1) double hold)
    implements Layer {

  public ColourBalanceLayer {
    Require.present("attributes", attributes);
    Parameters.of(ColourBalanceLayer.class).check(hold);
    shadows = shadows == null ? Tint.NONE : shadows;
    midtones = midtones == null ? Tint.NONE : midtones;
    highlights = highlights == null ? Tint.NONE : highlights;
  }

  @Override
  public ColourBalanceLayer with(LayerAttributes newAttributes) {
    return new ColourBalanceLayer(newAttributes, shadows, midtones, highlights, hold);
  }
}
