package carezza.model;

/**
 * Lets the light fall off away from the face, or from the middle where there is no face map.
 *
 * @param stops at the corners, −4 … 4; below 0 darker
 * @param radius where the fall begins, as a share of the half diagonal, 0 … 1.5
 * @param falloff width of the fall as a share of the half diagonal, 0.05 … 2
 */
public record VignetteLayer(LayerAttributes attributes, double stops, double radius, double falloff)
    implements Layer {

  public VignetteLayer {
    Require.present("attributes", attributes);
    Require.range("stops", stops, -4, 4);
    Require.range("radius", radius, 0, 1.5);
    Require.range("falloff", falloff, 0.05, 2);
  }

  @Override
  public VignetteLayer with(LayerAttributes newAttributes) {
    return new VignetteLayer(newAttributes, stops, radius, falloff);
  }
}
