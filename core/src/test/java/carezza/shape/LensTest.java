package carezza.shape;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.colour.Transfer;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.kernel.LayerType;
import carezza.mask.EvaluationContext;
import carezza.mask.Regions;
import carezza.model.Lens;
import carezza.model.Point;
import carezza.model.ShapeLayer;
import carezza.testing.Pictures;

/** Made-up lenses over pictures whose straight lines are known. */
public class LensTest {

  private static final PictureSize SIZE = new PictureSize(900, 600);
  private static final Point MIDDLE = new Point(450, 300);
  private static final double HALF = Math.hypot(450, 300);

  private static Lens lens(double k1, double k2, double p1, double p2) {
    return new Lens(k1, k2, 0, p1, p2, 0, 0, 0, 0, null);
  }

  private static Deformation of(Lens lens) {
    return Deformation.of(layer(lens), SIZE, (x, y) -> 1, 1, null);
  }

  private static ShapeLayer layer(Lens lens) {
    return ((ShapeLayer) LayerType.SHAPE.fresh()).withLens(lens);
  }

  /** Straight lines as the lens bends them: places of the photograph along each. */
  private static List<Lens.Line> bent(Lens lens, double noise) {
    Random random = new Random(5);
    Bend bend = new Bend(lens, SIZE);
    List<Lens.Line> lines = new ArrayList<>();
    for (double[] l :
        new double[][] {{60, 90, 840, 60}, {70, 80, 100, 540}, {300, 560, 860, 470}}) {
      List<Point> places = new ArrayList<>();
      for (int i = 0; i <= 40; i++) {
        double t = i / 40.0;
        double[] at = {l[0] + t * (l[2] - l[0]), l[1] + t * (l[3] - l[1])};
        bend.source(at);
        places.add(
            new Point(
                at[0] + noise * random.nextGaussian(), at[1] + noise * random.nextGaussian()));
      }
      lines.add(new Lens.Line(places));
    }
    return lines;
  }

  @Test
  public void aPlaceLiesWhereThePolynomialSays() {
    Lens lens = lens(-0.08, 0.02, 0.004, -0.003);
    Point found = of(lens).source(new Point(810, 120));
    double x = 360 / HALF;
    double y = -180 / HALF;
    double r2 = x * x + y * y;
    double radial = 1 - 0.08 * r2 + 0.02 * r2 * r2;
    assertThat((found.x() - 450) / HALF)
        .isCloseTo(x * radial + 2 * 0.004 * x * y - 0.003 * (r2 + 2 * x * x), within(1e-9));
    assertThat((found.y() - 300) / HALF)
        .isCloseTo(y * radial + 0.004 * (r2 + 2 * y * y) - 2 * 0.003 * x * y, within(1e-9));
  }

  @DataProvider
  public Object[][] lenses() {
    return new Object[][] {
      {lens(-0.12, 0.02, 0, 0)}, {lens(0.1, 0, 0, 0)}, {lens(0.02, -0.04, 0.003, -0.002)}
    };
  }

  @Test(dataProvider = "lenses")
  public void whatIsSeenIsFoundAgainAndNothingBeyondThePhotographIs(Lens lens) {
    Deformation deformation = of(lens);
    for (double x = 5; x < 900; x += 89) {
      for (double y = 5; y < 600; y += 59) {
        Point source = deformation.source(new Point(x, y));
        assertThat(source.x()).isBetween(-1.0, 901.0);
        assertThat(source.y()).isBetween(-1.0, 601.0);
        Point seen = deformation.shown(source);
        assertThat(seen.distance(new Point(x, y))).isLessThan(0.02);
      }
    }
  }

  @Test
  public void straightLinesTellTheLens() {
    for (double k1 : new double[] {-0.14, -0.03, 0.05, 0.12}) {
      Lens true1 = lens(k1, 0, 0, 0);
      Lens one = LensFit.of(Lens.NONE.withLines(bent(true1, 0).subList(0, 1)), SIZE);
      assertThat(one.k1()).isCloseTo(k1, within(0.004));
      Lens true2 = lens(k1, 0.02, 0, 0);
      Lens both = LensFit.of(Lens.NONE.withLines(bent(true2, 0)), SIZE);
      assertThat(LensFit.off(both, SIZE)).isLessThan(0.05);
      assertThat(both.k1()).isCloseTo(k1, within(0.01));
      assertThat(both.k2()).isCloseTo(0.02, within(0.01));
    }
  }

  @Test
  public void handsThatShakeHardlyMatter() {
    Lens shaken = Lens.NONE.withLines(bent(lens(-0.1, 0, 0, 0), 0.4));
    assertThat(LensFit.off(shaken, SIZE)).isGreaterThan(2);
    Lens found = LensFit.of(shaken, SIZE);
    assertThat(LensFit.off(found, SIZE)).isLessThan(0.5);
    double r2 = 0.6;
    assertThat(found.k1() * r2 + found.k2() * r2 * r2).isCloseTo(-0.1 * r2, within(0.006));
  }

  /** Light above a line, dark below, through a lens that lays red and blue apart. */
  private static Picture photograph(Lens lens) {
    Bend bend = new Bend(lens, SIZE);
    Picture picture = Picture.of(SIZE.area());
    for (int c = 0; c < 3; c++) {
      double farther = c == 0 ? lens.red() : c == 2 ? lens.blue() : 0;
      for (int y = 0; y < 600; y++) {
        for (int x = 0; x < 900; x++) {
          double px = 450 + (x + 0.5 - 450) / (1 + farther);
          double py = 300 + (y + 0.5 - 300) / (1 + farther);
          Point straight = bend.straightened(new Point(px, py));
          double above = 70 + 0.03 * straight.x() - straight.y();
          picture.plane(c).values()[y * 900 + x] = (float) (0.5 + 0.25 * Math.tanh(above / 1.2));
        }
      }
    }
    return picture;
  }

  @Test
  public void aDrawnLineFindsTheEdgeAndWhatColoursAreApart() {
    Lens real = new Lens(-0.1, 0, 0, 0, 0, 0.0022, -0.0014, 0, 0, null);
    Picture photograph = photograph(real);
    Bend bend = new Bend(real, SIZE);
    double[] a = {40, 71.2};
    double[] b = {860, 95.8};
    bend.source(a);
    bend.source(b);
    // Drawn by hand, a few pixels beside it at both ends.
    List<Point> traced =
        EdgeTrace.along(
            photograph, 1, new Point(a[0] + 2, a[1] + 4), new Point(b[0] - 3, b[1] - 3));
    assertThat(traced).hasSizeGreaterThan(100);
    for (Point p : traced) {
      Point straight = bend.straightened(p);
      assertThat(70 + 0.03 * straight.x() - straight.y()).isCloseTo(0, within(0.5));
    }
    Lens line = Lens.NONE.withLines(List.of(new Lens.Line(traced)));
    Lens found =
        EdgeTrace.lateral(
            LensFit.of(line, SIZE),
            List.of(new EdgeTrace.Seen(line.lines().getFirst(), photograph, 1)),
            MIDDLE);
    assertThat(found.k1()).isCloseTo(-0.1, within(0.012));
    assertThat(found.red()).isCloseTo(0.0022, within(0.0005));
    assertThat(found.blue()).isCloseTo(-0.0014, within(0.0005));

    Picture grey = Pictures.grey(SIZE.area(), 0.4);
    assertThat(EdgeTrace.along(grey, 1, new Point(50, 50), new Point(800, 90))).isEmpty();
  }

  @Test
  public void theCorrectedPictureHasItsColoursTogether() {
    Lens real = new Lens(-0.06, 0, 0, 0, 0, 0.003, -0.002, 0, 0, null);
    Picture photograph = photograph(real);
    EvaluationContext site = new EvaluationContext(SIZE, 0, Regions.none());
    Warp warp = new Warp(Deformations.of(layer(real), site), 1, SIZE);
    Picture whole = warp.picture(photograph, SIZE.area());
    assertThat(Pictures.largest(photograph.first(), photograph.second())).isGreaterThan(0.1);
    assertThat(Pictures.largest(whole.first(), whole.second())).isLessThan(0.02);
    assertThat(Pictures.largest(whole.third(), whole.second())).isLessThan(0.02);
    for (Area part : List.of(new Area(0, 0, 128, 128), new Area(700, 100, 200, 90))) {
      Area needed = warp.needed(part);
      Picture own = warp.picture(photograph.crop(needed), part);
      for (int c = 0; c < 3; c++) {
        assertThat(Pictures.largest(own.plane(c), whole.plane(c).crop(part))).isZero();
      }
    }
  }

  @Test
  public void theLightOfTheCornersComesBack() {
    Lens dark = new Lens(0, 0, 0, 0, 0, 0, 0, -0.4, 0.1, null);
    Picture input = Picture.of(SIZE.area());
    for (int c = 0; c < 3; c++) {
      Plane plane = input.plane(c);
      for (int i = 0; i < plane.values().length; i++) {
        double dx = (i % 900 + 0.5 - 450) / HALF;
        double dy = (i / 900 + 0.5 - 300) / HALF;
        double r2 = dx * dx + dy * dy;
        plane.values()[i] = Transfer.toEncoded((float) (0.3 * (1 - 0.4 * r2 + 0.1 * r2 * r2)));
      }
    }
    EvaluationContext site = new EvaluationContext(SIZE, 0, Regions.none());
    Picture even =
        new Warp(Deformations.of(layer(dark), site), 1, SIZE).picture(input, SIZE.area());
    for (float v : even.second().values()) {
      assertThat((double) Transfer.toLinear(v)).isCloseTo(0.3, within(1e-4));
    }
  }
}
