package carezza.recipe;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.colour.Lab;
import carezza.colour.Transfer;
import carezza.filter.GaussianBlur;
import carezza.filter.Resampling;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.testing.Pictures;
import carezza.testing.Portrait;

public class OutputSharpeningTest {

  /** Sigma in pixels of the finished file that skin is drawn in from its edges by. */
  private static final double INSIDE = 4;

  /** A soft edge grows steeper, and by no more than 1 L* beyond its sides. */
  @Test
  public void sharpeningRingsByNoMoreThanItMay() {
    Area area = new Area(0, 0, 64, 16);
    Plane step = Pictures.plane(area, (x, y) -> x < 32 ? 30 : 70);
    Plane soft = GaussianBlur.blur(step, 1);
    Picture input = Lab.toWorking(new Picture(soft, Plane.of(area), Plane.of(area)));
    Plane sharp = Lab.lightness(OutputSharpening.of(input, 1));
    double was = soft.at(33, 8) - soft.at(30, 8);
    assertThat((double) sharp.at(33, 8) - sharp.at(30, 8)).isGreaterThan(1.1 * was);
    for (int x = 0; x < 64; x++) {
      assertThat(sharp.at(x, 8)).isBetween(28.9f, 71.1f);
    }
    assertThat(OutputSharpening.of(input, 0)).isSameAs(input);
  }

  private static Picture shrunk(Picture full, double factor) {
    PictureSize size =
        new PictureSize(
            (int) Math.round(full.area().width() / factor),
            (int) Math.round(full.area().height() / factor));
    return Transfer.encodeInPlace(Resampling.shrink(Transfer.toLinear(full), size));
  }

  /** What comes back stays within 1 L* of what the full size has, beside the hardest edge. */
  @Test
  public void anEdgeIsBroughtBackWithoutARing() {
    Area area = new Area(0, 0, 240, 120);
    Plane step = Pictures.plane(area, (x, y) -> x < 121 ? 30 : 70);
    Picture full = Lab.toWorking(new Picture(step, Plane.of(area), Plane.of(area)));
    Picture small = shrunk(full, 3);
    Plane kept = Lab.lightness(OutputSharpening.keeping(full, small));
    assertThat(edges(band(kept, 1)))
        .isCloseTo(edges(band(step, 3)), withinPercentage(5))
        .isGreaterThan(edges(band(Lab.lightness(small), 1)));
    for (float l : kept.values()) {
      assertThat(l).isBetween(28.95f, 71.05f);
    }
  }

  @DataProvider
  public Object[][] waves() {
    return new Object[][] {{1.5, 5}, {3.0, 5}, {3.0, 8}, {5.0, 6}};
  }

  /** A wave of some pixels of the finished file is as high as it was, and one of none stays. */
  @Test(dataProvider = "waves")
  public void aWaveComesBackToItsHeight(double factor, double length) {
    Area area = new Area(0, 0, (int) (120 * factor), (int) (90 * factor));
    double turn = 2 * Math.PI / (length * factor);
    Plane wave = Pictures.plane(area, (x, y) -> 50 + 4 * Math.sin(turn * (x + 0.5)));
    Picture full = Lab.toWorking(new Picture(wave, Plane.of(area), Plane.of(area)));
    Plane plain = Lab.lightness(shrunk(full, factor));
    Plane kept = Lab.lightness(OutputSharpening.keeping(full, shrunk(full, factor)));
    Plane inside = Pictures.plane(kept.area(), (x, y) -> x > 15 && x < 105 ? 1 : 0);
    Plane there = Pictures.plane(area, (x, y) -> x > 15 * factor && x < 105 * factor ? 1 : 0);
    double wanted = rms(band(wave, factor), there);
    assertThat(rms(band(kept, 1), inside)).isCloseTo(wanted, withinPercentage(2));
    assertThat(rms(band(plain, 1), inside)).isLessThan(0.98 * wanted);
  }

  @DataProvider
  public Object[][] reductions() {
    return new Object[][] {
      {Portrait.S01, 1.5},
      {Portrait.S02, 3},
      {Portrait.S03, 2},
      {Portrait.S04, 4.3},
      {Portrait.S05, 2.5},
      {Portrait.S06, 1.5},
    };
  }

  /**
   * Acutance: what a difference of Gaussians holds of open skin and of the strongest edges, against
   * the full size seen through the same one, scaled. Skin counts well inside its edges, so that the
   * same is looked at in both.
   */
  @Test(dataProvider = "reductions")
  public void edgesAndPoresAreAsCrispAsAtFullSize(Portrait portrait, double factor) {
    Picture full = portrait.picture("clean.jpg");
    Plane skin = GaussianBlur.blur(portrait.mask("skin.png"), INSIDE * factor);
    Picture small = shrunk(full, factor);
    Plane wanted = band(Lab.lightness(full), factor);
    Plane plain = band(Lab.lightness(small), 1);
    Plane kept = band(Lab.lightness(OutputSharpening.keeping(full, small)), 1);
    Plane there = Resampling.shrink(new Picture(skin, skin, skin), size(small)).first();

    assertThat(rms(kept, there) / rms(wanted, skin)).isCloseTo(1, within(0.02));
    assertThat(edges(kept) / edges(wanted)).isCloseTo(1, within(0.03));
    assertThat(rms(kept, there)).isGreaterThan(rms(plain, there));
    assertThat(edges(kept)).isGreaterThan(edges(plain));
  }

  @Test
  public void aSmoothPictureStaysAsItIs() {
    Plane ramp = Pictures.plane(new Area(0, 0, 300, 200), (x, y) -> 0.2 + x * 0.002);
    Picture full = new Picture(ramp, ramp, ramp);
    Picture small = shrunk(full, 2);
    Picture kept = OutputSharpening.keeping(full, small);
    assertThat(Pictures.largest(kept.first(), small.first())).isLessThan(2e-3);
  }

  private static PictureSize size(Picture picture) {
    return new PictureSize(picture.area().width(), picture.area().height());
  }

  private static Plane band(Plane l, double scale) {
    Plane fine = GaussianBlur.blur(l, 0.8 * scale);
    Plane coarse = GaussianBlur.blur(l, 3.2 * scale);
    return Pictures.plane(
        l.area(), (x, y) -> fine.at((int) x, (int) y) - coarse.at((int) x, (int) y));
  }

  private static double rms(Plane band, Plane where) {
    double sum = 0;
    int n = 0;
    for (int i = 0; i < band.values().length; i++) {
      if (where.values()[i] > 0.98f) {
        sum += band.values()[i] * band.values()[i];
        n++;
      }
    }
    return Math.sqrt(sum / n);
  }

  /** Root mean square of the strongest fiftieth. */
  private static double edges(Plane band) {
    double[] squares = new double[band.values().length];
    for (int i = 0; i < squares.length; i++) {
      squares[i] = band.values()[i] * band.values()[i];
    }
    java.util.Arrays.sort(squares);
    return Math.sqrt(
        java.util.Arrays.stream(squares, squares.length * 49 / 50, squares.length)
            .average()
            .orElseThrow());
  }
}
