package carezza.model;

/**
 * Turns one range of hues.
 *
 * @param hue middle of the range in degrees
 * @param width of the range in degrees on each side
 * @param turn of its hues in degrees
 * @param chroma share that is added
 * @param lightness L* added to full colours
 */
public record HueShiftLayer(
    LayerAttributes attributes,
    @Parameter(unit = Unit.DEGREES, most = 360, usual = 250, step = 1) double hue,
    @Parameter(unit = Unit.DEGREES_AROUND, least = 5, most = 120, usual = 40, step = 1)
        double width,
    @Parameter(unit = Unit.DEGREES, least = -90, most = 90, step = 1) double turn,
    @Parameter(least = -1) double chroma,
    @Parameter(unit = Unit.LIGHTNESS_CHANGE, least = -30, most = 30, step = 1) double lightness)
    implements Layer {

  public HueShiftLayer {
    Require.present("attributes", attributes);
    Parameters.of(HueShiftLayer.class).check(hue, width, turn, chroma, lightness);
  }

  @Override
  public HueShiftLayer with(LayerAttributes newAttributes) {
    return new HueShiftLayer(newAttributes, hue, width, turn, chroma, lightness);
  }
}
