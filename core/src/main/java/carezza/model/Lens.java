package carezza.model;

import java.util.ArrayList;
import java.util.List;

/**
 * How a lens bent the light of a photograph, after Brown (1966) and Conrady (1919). With x and y
 * from the picture's middle in half diagonals and r² = x² + y², what belongs at a place lies in the
 * photograph at x (1 + k1 r² + k2 r⁴ + k3 r⁶) + 2 p1 x y + p2 (r² + 2 x²), and y in the same way
 * with p1 and p2 changed over.
 *
 * @param k1 radial distortion
 * @param k2 radial distortion
 * @param k3 radial distortion
 * @param p1 of a lens off its axis
 * @param p2 of a lens off its axis
 * @param red how much farther from the middle red lies than green, as a share
 * @param blue how much farther from the middle blue lies than green, as a share
 * @param v1 light at r is 1 + v1 r² + v2 r⁴ of that in the middle
 * @param v2 see {@code v1}
 * @param lines places in the photograph along what is straight in the world
 */
public record Lens(
    @Parameter(least = -0.2, most = 0.2, step = 0.001) double k1,
    @Parameter(least = -0.05, most = 0.05, step = 0.001) double k2,
    @Parameter(least = -0.02, most = 0.02, step = 0.001) double k3,
    @Parameter(least = -0.02, most = 0.02, step = 0.0001) double p1,
    @Parameter(least = -0.02, most = 0.02, step = 0.0001) double p2,
    @Parameter(least = -0.01, most = 0.01, low = -0.004, high = 0.004, step = 0.00005) double red,
    @Parameter(least = -0.01, most = 0.01, low = -0.004, high = 0.004, step = 0.00005) double blue,
    @Parameter(least = -0.6, most = 0.4, step = 0.01) double v1,
    @Parameter(least = -0.3, most = 0.3, step = 0.01) double v2,
    List<Line> lines) {

  /** A lens that bends nothing. */
  public static final Lens NONE = new Lens(0, 0, 0, 0, 0, 0, 0, 0, 0, List.of());

  /** Most lines. */
  private static final int MOST = 32;

  /** Places along something straight, in order. */
  public record Line(List<Point> places) {

    private static final int MOST = 400;

    public Line {
      places = places == null ? List.of() : List.copyOf(places);
      Require.range("places of a straight line", places.size(), 3, MOST);
    }
  }

  public Lens {
    Parameters.of(Lens.class).check(k1, k2, k3, p1, p2, red, blue, v1, v2);
    lines = lines == null ? List.of() : List.copyOf(lines);
    Require.most("a lens", lines.size(), MOST);
  }

  /** Whether places stay where they are, in every colour. */
  public boolean keepsPlaces() {
    return k1 == 0 && k2 == 0 && k3 == 0 && p1 == 0 && p2 == 0 && red == 0 && blue == 0;
  }

  /** Whether light is as it was. */
  public boolean keepsLight() {
    return v1 == 0 && v2 == 0;
  }

  /** With a part of its effect. */
  public Lens times(double amount) {
    double a = Math.clamp(amount, 0, 1);
    return new Lens(
        a * k1, a * k2, a * k3, a * p1, a * p2, a * red, a * blue, a * v1, a * v2, lines);
  }

  public Lens withLines(List<Line> newLines) {
    return new Lens(k1, k2, k3, p1, p2, red, blue, v1, v2, newLines);
  }

  /** With one line more, or the last anew where there is no room. */
  public Lens plus(Line line) {
    List<Line> more = new ArrayList<>(lines.subList(0, Math.min(lines.size(), MOST - 1)));
    more.add(line);
    return withLines(more);
  }

  public Lens withRadial(double newK1, double newK2) {
    return new Lens(newK1, newK2, k3, p1, p2, red, blue, v1, v2, lines);
  }

  public Lens withLateral(double newRed, double newBlue) {
    return new Lens(k1, k2, k3, p1, p2, newRed, newBlue, v1, v2, lines);
  }
}
