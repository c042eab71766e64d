package carezza.model;

/**
 * Balances the picture for the light it was taken in.
 *
 * @param temperature of the light in kelvin; 6504 changes nothing, lower means the light was warmer
 * @param tint of the light in units of 0.001 from the Planckian locus in CIE 1960 u, v; above 0 greener
 */
public record WhiteBalanceLayer(LayerAttributes attributes, double temperature, double tint) implements Layer {

  public WhiteBalanceLayer {
    Require.present("attributes", attributes);
    Require.range("temperature", temperature, 1500, 15000);
    Require.range("tint", tint, -60, 60);
  }

  @Override
  public WhiteBalanceLayer with(LayerAttributes newAttributes) {
    return new WhiteBalanceLayer(newAttributes, temperature, tint);
  }
}
