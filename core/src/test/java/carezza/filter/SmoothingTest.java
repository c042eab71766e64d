package carezza.filter;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Random;

import org.testng.annotations.Test;

import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.testing.Pictures;

public class SmoothingTest {

  private static final Area AREA = new Area(0, 0, 96, 64);

  @Test
  public void guidedSmoothingKeepsAnEdgeFarAboveItsThreshold() {
    Plane edge = Pictures.plane(AREA, (x, y) -> x < 48 ? 20 : 80);
    Plane smooth = new GuidedFilter(edge, Plane.filled(AREA, 1), 6, 25).smooth(edge);
    assertThat((double) smooth.at(44, 32)).isCloseTo(20, within(2.5));
    assertThat((double) smooth.at(52, 32)).isCloseTo(80, within(2.5));
  }

  @Test
  public void guidedSmoothingTakesAwaySmallDifferences() {
    Plane noise = Pictures.noise(AREA, 50, 1, 11);
    Plane smooth = new GuidedFilter(noise, Plane.filled(AREA, 1), 8, 100).smooth(noise);
    assertThat(RobustStatistics.sigma(smooth, Plane.filled(AREA, 1)))
        .isLessThan(0.25 * RobustStatistics.sigma(noise, Plane.filled(AREA, 1)));
  }

  @Test
  public void guidedSmoothingNeverBringsColourInFromOutsideItsWeight() {
    Plane values = Pictures.plane(AREA, (x, y) -> x < 48 ? 10 : 500);
    Plane weight = Pictures.plane(AREA, (x, y) -> x < 48 ? 1 : 0);
    Plane guide = Plane.filled(AREA, 50);
    Plane smooth = new GuidedFilter(guide, weight, 6, 25).smooth(values);
    for (int x = 0; x < 46; x++) {
      assertThat((double) smooth.at(x, 30)).isCloseTo(10, within(0.05));
    }
  }

  @Test
  public void theMembraneOverAHoleInAPlaneIsThatPlane() {
    Plane data = Pictures.plane(AREA, (x, y) -> 0.3 + 0.01 * x - 0.02 * y);
    Plane trust = Pictures.plane(AREA, (x, y) -> Math.hypot(x - 48, y - 32) < 18 ? 0 : 100);
    Plane surface = Membrane.solve(data, trust);
    assertThat(
            Pictures.largest(
                surface.crop(new Area(20, 10, 56, 44)), data.crop(new Area(20, 10, 56, 44))))
        .isLessThan(0.008);
  }

  @Test
  public void theMembraneStaysBetweenTheLeastAndTheMostOfItsRim() {
    Plane data = Pictures.noise(AREA, 0, 1, 4);
    Plane trust = Pictures.plane(AREA, (x, y) -> Math.hypot(x - 48, y - 32) < 18 ? 0 : 1);
    double most = 0;
    for (float v : data.values()) {
      most = Math.max(most, Math.abs(v));
    }
    for (float v : Membrane.solve(data, trust).values()) {
      assertThat(Math.abs((double) v)).isLessThanOrEqualTo(most);
    }
  }

  @Test
  public void shrinkingKeepsTheLight() {
    Picture picture =
        new Picture(
            Pictures.noise(AREA, 0.5, 0.2, 1),
            Pictures.noise(AREA, 0.4, 0.2, 2),
            Pictures.noise(AREA, 0.3, 0.2, 3));
    Picture small = Resampling.shrink(picture, new PictureSize(31, 21));
    for (int c = 0; c < 3; c++) {
      assertThat(mean(small.plane(c))).isCloseTo(mean(picture.plane(c)), within(1e-5));
    }
  }

  private static double mean(Plane plane) {
    double sum = 0;
    for (float v : plane.values()) {
      sum += v;
    }
    return sum / plane.values().length;
  }

  @Test
  public void shrinkingToALargerSizeIsRefused() {
    assertThatThrownBy(() -> Resampling.shrink(Pictures.grey(AREA, 0.5), new PictureSize(97, 64)))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  public void halvingMeansTheFourPixelsItCovers() {
    Plane fine = new Plane(new Area(0, 0, 3, 2), new float[] {1, 3, 10, 5, 7, 20});
    Plane half = Resampling.half(fine);
    assertThat(half.at(0, 0)).isEqualTo(4);
    assertThat(half.at(1, 0)).isEqualTo(15);
  }

  @Test
  public void theRobustSpreadOfNormalNoiseIsItsStandardDeviation() {
    Plane noise = Pictures.noise(new Area(0, 0, 300, 300), 2, 0.5, 9);
    assertThat(RobustStatistics.sigma(noise, Plane.filled(noise.area(), 1)))
        .isCloseTo(0.5, within(0.01));
  }

  @Test
  public void theRobustSpreadOverlooksAFewWildValues() {
    Plane noise = Pictures.noise(new Area(0, 0, 100, 100), 2, 0.5, 9);
    for (int i = 0; i < 300; i++) {
      noise.values()[i * 33] = 1000;
    }
    assertThat(RobustStatistics.sigma(noise, Plane.filled(noise.area(), 1)))
        .isCloseTo(0.5, within(0.04));
  }

  @Test
  public void nothingHasNoMedian() {
    assertThat(RobustStatistics.median(Plane.of(AREA), Plane.of(AREA))).isNaN();
  }

  @Test
  public void aQuantileIsTheValueAtItsRankHoweverTheValuesAreOrdered() {
    Random random = new Random(4);
    for (int n : new int[] {1, 2, 3, 10, 101, 5000}) {
      double[] values = random.doubles(n).map(v -> Math.round(v * 50)).toArray();
      double[] sorted = values.clone();
      Arrays.sort(sorted);
      for (double share : new double[] {0, 0.25, 0.5, 0.98, 1}) {
        int rank = (int) Math.min(n - 1, share * n);
        assertThat(RobustStatistics.quantile(values.clone(), share)).isEqualTo(sorted[rank]);
      }
    }
  }
}
