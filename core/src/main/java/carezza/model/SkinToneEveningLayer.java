package carezza.model;

import carezza.colour.Lab;

/**
 * Evens the colour of skin: first by pigment, then towards a target.
 *
 * @param redness 0 … 1: share of excess haemoglobin taken away
 * @param pigment 0 … 1: share of excess melanin taken away
 * @param target picked skin tone, or null for none
 * @param hue 0 … 1: pull of the hue to the target's
 * @param chroma 0 … 1: pull of the chroma to what the target has at the same lightness
 * @param lightness 0 … 1: pull of the low band of L* to the target's; held within 2 L* unless forced
 * @param range colours that are evened at all, or null for every one
 * @param force lets skin grow lighter or darker than the limit
 */
public record SkinToneEveningLayer(
    LayerAttributes attributes,
    double redness,
    double pigment,
    Target target,
    double hue,
    double chroma,
    double lightness,
    Wedge range,
    boolean force)
    implements Layer {

  /**
   * A wedge of the hue and chroma plane, CIE LCh(ab), with soft sides.
   *
   * @param hue its middle in degrees, 0 … 360
   * @param width on each side in degrees, 3 … 180
   * @param from least chroma
   * @param to most chroma
   */
  public record Wedge(double hue, double width, double from, double to) {
    public Wedge {
      Require.range("hue of the range", hue, 0, 360);
      Require.range("width of the range", width, 3, 180);
      Require.range("least chroma of the range", from, 0, 150);
      Require.range("most chroma of the range", to, from, 150);
    }
  }


  /** A tone in CIE LCh(ab), D50. */
  public record Target(double lightness, double chroma, double hue) {
    public Target {
      Require.range("target lightness", lightness, 0, 100);
      Require.range("target chroma", chroma, 0, 150);
      Require.range("target hue", hue, 0, 360);
    }

    /** The tone of a colour, as near as a tone can be. */
    public static Target of(Lab lab) {
      return new Target(
          Math.clamp(lab.l(), 0, 100), Math.clamp(lab.chroma(), 0, 150), lab.hue());
    }
  }

  public SkinToneEveningLayer {
    Require.present("attributes", attributes);
    Require.range("redness", redness, 0, 1);
    Require.range("pigment", pigment, 0, 1);
    Require.range("hue", hue, 0, 1);
    Require.range("chroma", chroma, 0, 1);
    Require.range("lightness", lightness, 0, 1);
  }

  public SkinToneEveningLayer withTarget(Target newTarget) {
    return LayerValue.with(this, "target", newTarget);
  }

  public SkinToneEveningLayer withRange(Wedge newRange) {
    return LayerValue.with(this, "range", newRange);
  }

  @Override
  public SkinToneEveningLayer with(LayerAttributes newAttributes) {
    return new SkinToneEveningLayer(
        newAttributes, redness, pigment, target, hue, chroma, lightness, range, force);
  }
}
