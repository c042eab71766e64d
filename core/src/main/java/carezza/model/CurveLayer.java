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
 */
public record CurveLayer(
    Head head, List<Point> luminance, List<Point> red, List<Point> green, List<Point> blue)
    implements Layer {

  private static final List<Point> STRAIGHT = List.of(new Point(0, 0), new Point(1, 1));

  public CurveLayer {
    Require.present("head", head);
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
    return new CurveLayer(head, points, red, green, blue);
  }

  @Override
  public CurveLayer with(Head newHead) {
    return new CurveLayer(newHead, luminance, red, green, blue);
  }
}
