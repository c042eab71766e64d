package carezza.model;

/**
 * Clears the irises: their own contrast, light and colour.
 *
 * @param contrast 0 … 1: share that local contrast gains; held at 0.6 unless forced
 * @param lift L* that the middle tones gain, 0 … 15; held at 6 unless forced
 * @param chroma −0.5 … 1: share of chroma that is added
 * @param force past the limits
 */
public record IrisLayer(LayerAttributes attributes, double contrast, double lift, double chroma, boolean force) implements Layer {

  public IrisLayer {
    Require.present("attributes", attributes);
    Require.range("contrast", contrast, 0, 1);
    Require.range("lift", lift, 0, 15);
    Require.range("chroma", chroma, -0.5, 1);
  }

  @Override
  public IrisLayer with(LayerAttributes newAttributes) {
    return new IrisLayer(newAttributes, contrast, lift, chroma, force);
  }
}
