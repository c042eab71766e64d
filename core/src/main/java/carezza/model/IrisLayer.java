package carezza.model;

/**
 * Clears the irises: their own contrast, light and colour.
 *
 * @param contrast share that local contrast gains; held at 0.6 unless forced
 * @param lift L* that the middle tones gain; held at 6 unless forced
 * @param chroma share of chroma that is added
 * @param force past the limits
 */
public record IrisLayer(
    LayerAttributes attributes,
    @Parameter(usual = 0.25) double contrast,
    @Parameter(unit = Unit.LIGHTNESS_CHANGE, most = 15, usual = 3, step = 0.1) double lift,
    @Parameter(least = -0.5, usual = 0.1) double chroma,
    boolean force)
    implements Layer {

  public IrisLayer {
    Require.present("attributes", attributes);
    Parameters.of(IrisLayer.class).check(contrast, lift, chroma);
  }

  @Override
  public IrisLayer with(LayerAttributes newAttributes) {
    return new IrisLayer(newAttributes, contrast, lift, chroma, force);
  }
}
