package carezza.model;

import org.jspecify.annotations.Nullable;

import carezza.colour.Lab;

/**
 * Evens the colour of skin: first by pigment, then towards a target.
 *
 * @param redness share of excess haemoglobin taken away
 * @param pigment share of excess melanin taken away
 * @param target picked skin tone, or null for none
 * @param hue pull of the hue to the target's
 * @param chroma pull of the chroma to what the target has at the same lightness
 * @param lightness pull of the low band of L* to the target's; held within 2 L* unless forced
 * @param range colours that are evened at all, or null for every one
 * @param force lets skin grow lighter or darker than the limit
 */
public record SkinToneEveningLayer(
    LayerAttributes attributes,
    @Parameter(usual = 0.5) double redness,
    @Parameter(usual = 0.3) double pigment,
    @Nullable Target target,
    @Parameter(usual = 0.4) double hue,
    @Parameter(usual = 0.2) double chroma,
    @Parameter double lightness,
    @Nullable Wedge range,
    boolean force)
    implements Layer {

  /**
   * A wedge of the hue and chroma plane, CIE LCh(ab), with soft sides.
   *
   * @param hue its middle in degrees
   * @param width on each side in degrees
   * @param from least chroma
   * @param to most chroma
   */
  public record Wedge(
      @Parameter(unit = Unit.DEGREES, most = 360, usual = 52, step = 1) double hue,
      @Parameter(unit = Unit.DEGREES_AROUND, least = 3, most = 180, usual = 35, step = 1)
          double width,
      @Parameter(unit = Unit.CHROMA, most = 150, usual = 6, step = 1) double from,
      @Parameter(unit = Unit.CHROMA, most = 150, usual = 60, step = 1) double to) {
    public Wedge {
      Parameters.of(Wedge.class).check(hue, width, from, to);
      Require.range("most chroma of the range", to, from, 150);
    }
  }

  /** A tone in CIE LCh(ab), D50. */
  public record Target(
      @Parameter(unit = Unit.LIGHTNESS, most = 100, usual = 65, step = 1) double lightness,
      @Parameter(unit = Unit.CHROMA, most = 150, high = 80, usual = 28, step = 1) double chroma,
      @Parameter(unit = Unit.DEGREES, most = 360, usual = 50, step = 1) double hue) {
    public Target {
      Parameters.of(Target.class).check(lightness, chroma, hue);
    }

    /** The tone of a colour, as near as a tone can be. */
    public static Target of(Lab lab) {
      return new Target(Math.clamp(lab.l(), 0, 100), Math.clamp(lab.chroma(), 0, 150), lab.hue());
    }
  }

  public SkinToneEveningLayer {
    Require.present("attributes", attributes);
    Parameters.of(SkinToneEveningLayer.class).check(redness, pigment, hue, chroma, lightness);
  }

  public SkinToneEveningLayer withTarget(@Nullable Target newTarget) {
    return RecordValue.with(this, "target", newTarget);
  }

  public SkinToneEveningLayer withRange(@Nullable Wedge newRange) {
    return RecordValue.with(this, "range", newRange);
  }

  @Override
  public SkinToneEveningLayer with(LayerAttributes newAttributes) {
    return new SkinToneEveningLayer(
        newAttributes, redness, pigment, target, hue, chroma, lightness, range, force);
  }
}
