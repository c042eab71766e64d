package carezza.model;

/**
 * Balances the picture for the light it was taken in.
 *
 * @param temperature of the light in kelvin; 6504 changes nothing, lower means the light was warmer
 * @param tint of the light in units of 0.001 from the Planckian locus in CIE 1960 u, v; above 0
 *     greener
 */
public record WhiteBalanceLayer(
    LayerAttributes attributes,
    @Parameter(unit = Unit.KELVIN, least = 1500, most = 15000, low = 2000, usual = 6504, step = 50)
        double temperature,
    @Parameter(unit = Unit.DUV, least = -60, most = 60, low = -40, high = 40, step = 0.1)
        double tint)
    implements Layer {

  public WhiteBalanceLayer {
    Require.present("attributes", attributes);
    Parameters.of(WhiteBalanceLayer.class).check(temperature, tint);
  }

  @Override
  public WhiteBalanceLayer with(LayerAttributes newAttributes) {
    return new WhiteBalanceLayer(newAttributes, temperature, tint);
  }
}
