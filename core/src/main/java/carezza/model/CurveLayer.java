package carezza.model;

import java.util.List;

import carezza.colour.MonotoneCurve;
import carezza.colour.MonotoneCurve.Point;

/**
 * Monotone cubic curves over encoded values 0 … 1.
 *
 * @param luminance applied to luma, channels follow in ratio; first of the four
 * @param red on the red channel
 * @param green on the green channel
 * @param blue on the blue channel
 * @param matte encoded value that black rises to, with a soft toe; last of all
 */
public record CurveLayer(
    LayerAttributes attributes,
    List<Point> luminance,
    List<Point> red,
    List<Point> green,
    List<Point> blue,
    @Parameter(most = 0.25) double matte)
    implements Layer {

  private static final List<Point> STRAIGHT = List.of(new Point(0, 0), new Point(1, 1));

  public CurveLayer {
    Require.present("attributes", attributes);
    Parameters.of(CurveLayer.class).check(matte);
    luminance = checked(luminance);
    red = checked(red);
    green = checked(green);
    blue = checked(blue);
  }

  private static List<Point> checked(List<Point> points) {
    List<Point> given = points == null ? STRAIGHT : List.copyOf(points);
    new MonotoneCurve(given);
    return given;
  }

  public CurveLayer withLuminance(List<Point> points) {
    return with(Channel.LUMINANCE, points);
  }

  /** What a curve is on. */
  public enum Channel {
    LUMINANCE,
    RED,
    GREEN,
    BLUE
  }

  public List<Point> of(Channel channel) {
    return switch (channel) {
      case LUMINANCE -> luminance;
      case RED -> red;
      case GREEN -> green;
      case BLUE -> blue;
    };
  }

  public CurveLayer with(Channel channel, List<Point> points) {
    return new CurveLayer(
        attributes,
        channel == Channel.LUMINANCE ? points : luminance,
        channel == Channel.RED ? points : red,
        channel == Channel.GREEN ? points : green,
        channel == Channel.BLUE ? points : blue,
        matte);
  }

  @Override
  public CurveLayer with(LayerAttributes newAttributes) {
    return new CurveLayer(newAttributes, luminance, red, green, blue, matte);
  }
}
