package carezza.model;

import java.util.List;

import carezza.colour.MonotoneCurve;

/**
 * Another picture in front of this one, or behind the person in it.
 *
 * @param picture what is laid
 * @param behind whether it takes the backdrop's place
 * @param x place of its middle, as a share of the photograph's width
 * @param y place of its middle, as a share of the photograph's height
 * @param scale 1 covers the photograph just so
 * @param angle clockwise
 * @param mirrored left and right changed
 * @param blur sigma
 * @param match how far its light is brought to that of the backdrop whose place it takes
 * @param curve of its own tones, encoded
 */
public record OverlayLayer(
    LayerAttributes attributes,
    OverlayPicture picture,
    boolean behind,
    @Parameter(least = -1, most = 2, low = 0, usual = 0.5) double x,
    @Parameter(least = -1, most = 2, low = 0, usual = 0.5) double y,
    @Parameter(least = 0.02, most = 20, low = 0.1, high = 3, usual = 1) double scale,
    @Parameter(unit = Unit.DEGREES, least = -180, most = 180, step = 1) double angle,
    boolean mirrored,
    @Parameter(unit = Unit.PIXELS, most = 500, high = 100, step = 1) double blur,
    @Parameter double match,
    List<MonotoneCurve.Point> curve)
    implements Layer {

  /** A curve that changes nothing. */
  public static final List<MonotoneCurve.Point> STRAIGHT =
      List.of(new MonotoneCurve.Point(0, 0), new MonotoneCurve.Point(1, 1));

  public OverlayLayer {
    Require.present("attributes", attributes);
    Parameters.of(OverlayLayer.class).check(x, y, scale, angle, blur, match);
    picture = picture == null ? OverlayPicture.of(OverlayPicture.Shipped.LIGHTS) : picture;
    curve = curve == null || curve.isEmpty() ? STRAIGHT : List.copyOf(curve);
    new MonotoneCurve(curve);
  }

  /** Whether its own tones stay as they are. */
  public boolean keepsItsTones() {
    return curve.equals(STRAIGHT);
  }

  public OverlayLayer with(OverlayPicture newPicture) {
    return new OverlayLayer(
        attributes, newPicture, behind, x, y, scale, angle, mirrored, blur, match, curve);
  }

  public OverlayLayer withBehind(boolean nowBehind) {
    return new OverlayLayer(
        attributes, picture, nowBehind, x, y, scale, angle, mirrored, blur, match, curve);
  }

  public OverlayLayer withMirrored(boolean nowMirrored) {
    return new OverlayLayer(
        attributes, picture, behind, x, y, scale, angle, nowMirrored, blur, match, curve);
  }

  /** With its middle elsewhere. */
  public OverlayLayer at(double newX, double newY) {
    return new OverlayLayer(
        attributes, picture, behind, newX, newY, scale, angle, mirrored, blur, match, curve);
  }

  public OverlayLayer withCurve(List<MonotoneCurve.Point> points) {
    return new OverlayLayer(
        attributes, picture, behind, x, y, scale, angle, mirrored, blur, match, points);
  }

  @Override
  public OverlayLayer with(LayerAttributes newAttributes) {
    return new OverlayLayer(
        newAttributes, picture, behind, x, y, scale, angle, mirrored, blur, match, curve);
  }
}
