package carezza.model;

/**
 * Turns one range of hues.
 *
 * @param hue middle of the range in degrees, 0 … 360
 * @param width of the range in degrees on each side, 5 … 120
 * @param turn of its hues in degrees, −90 … 90
 * @param chroma −1 … 1: share that is added
 * @param lightness L* added to full colours, −30 … 30
 */
public record HueShiftLayer(LayerAttributes attributes, double hue, double width, double turn, double chroma, double lightness) implements Layer {

  public HueShiftLayer {
    Require.present("attributes", attributes);
    Require.range("hue", hue, 0, 360);
    Require.range("width", width, 5, 120);
    Require.range("turn", turn, -90, 90);
    Require.range("chroma", chroma, -1, 1);
    Require.range("lightness", lightness, -30, 30);
  }

  @Override
  public HueShiftLayer with(LayerAttributes newAttributes) {
    return new HueShiftLayer(newAttributes, hue, width, turn, chroma, lightness);
  }
}
