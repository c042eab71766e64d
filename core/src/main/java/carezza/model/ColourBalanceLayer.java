package carezza.model;

/**
 * Tints darks, middles and lights, each by itself.
 *
 * @param darks tint below L* 35
 * @param middles between
 * @param lights above L* 65
 * @param hold 0 … 1: share of the luminance that stays as it was
 */
public record ColourBalanceLayer(LayerAttributes attributes, Tint darks, Tint middles, Tint lights, double hold) implements Layer {

  public ColourBalanceLayer {
    Require.present("attributes", attributes);
    darks = darks == null ? Tint.NONE : darks;
    middles = middles == null ? Tint.NONE : middles;
    lights = lights == null ? Tint.NONE : lights;
    Require.range("hold", hold, 0, 1);
  }

  @Override
  public ColourBalanceLayer with(LayerAttributes newAttributes) {
    return new ColourBalanceLayer(newAttributes, darks, middles, lights, hold);
  }
}
