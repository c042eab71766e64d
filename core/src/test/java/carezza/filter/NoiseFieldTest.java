package carezza.filter;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.image.Area;
import carezza.image.Plane;

public class NoiseFieldTest {

  private static final Area AREA = new Area(-64, 96, 512, 384);

  private static double mean(Plane plane) {
    double sum = 0;
    for (float v : plane.values()) {
      sum += v;
    }
    return sum / plane.values().length;
  }

  private static double deviation(Plane plane) {
    double mean = mean(plane);
    double sum = 0;
    for (float v : plane.values()) {
      sum += (v - mean) * (v - mean);
    }
    return Math.sqrt(sum / plane.values().length);
  }

  @DataProvider
  public Object[] levels() {
    return new Integer[] {0, 1, 2, 3};
  }

  @Test(dataProvider = "levels")
  public void whiteNoiseHasTheVarianceOfMeansOfItsLevel(int level) {
    Plane noise = new NoiseField(5).white(AREA, level);
    assertThat(mean(noise)).isCloseTo(0, within(0.02 / (1 << level)));
    assertThat(deviation(noise) * (1 << level)).isCloseTo(1, within(0.02));
  }

  /** Neighbours know nothing of one another, as little as pixels that share a coarse one. */
  @Test
  public void neighboursAreIndependent() {
    Plane noise = new NoiseField(5).white(AREA, 0);
    int w = noise.width();
    for (int offset : new int[] {1, 2, w, 2 * w, w + 1}) {
      double sum = 0;
      for (int i = 0; i < noise.values().length - offset; i++) {
        sum += noise.values()[i] * noise.values()[i + offset];
      }
      assertThat(sum / noise.values().length).as("offset " + offset).isCloseTo(0, within(0.01));
    }
  }

  /** The same field whatever part of it is asked for, and coarse pixels are means of fine ones. */
  @Test
  public void anyPartOfAnyLevelIsOfTheSameField() {
    NoiseField field = new NoiseField(9);
    Plane whole = field.white(AREA, 0);
    Area part = new Area(-13, 101, 37, 29);
    assertThat(field.white(part, 0)).isEqualTo(whole.crop(part));
    Plane coarse = field.white(AREA.atLevel(1), 1);
    Plane means = Resampling.reduce(whole, 1);
    for (int i = 0; i < means.values().length; i++) {
      assertThat(means.values()[i]).isCloseTo(coarse.values()[i], within(1e-5f));
    }
    assertThat(new NoiseField(10).white(part, 0)).isNotEqualTo(whole.crop(part));
  }

  @DataProvider
  public Object[] sizes() {
    return new Double[] {0.3, 0.8, 2.0, 5.0};
  }

  @Test(dataProvider = "sizes")
  public void grainsOfEverySizeHaveTheSameStrength(double sigma) {
    Plane grains = new NoiseField(3).grains(new Area(0, 0, 700, 700), 0, sigma);
    assertThat(deviation(grains)).isCloseTo(1, within(0.05));
  }

  @DataProvider
  public Object[][] coarse() {
    return new Object[][] {{0.5, 1}, {0.8, 1}, {0.8, 2}, {2.0, 1}, {2.0, 3}, {5.0, 2}};
  }

  /** Seen from further away grains are as strong as their means, and lie where these do. */
  @Test(dataProvider = "coarse")
  public void coarseGrainsAreThoseOfFullSize(double sigma, int level) {
    NoiseField field = new NoiseField(3);
    Area area = new Area(0, 0, 512, 512);
    Plane means = Resampling.reduce(field.grains(area, 0, sigma), level);
    Plane coarse = field.grains(area.atLevel(level), level, sigma);
    assertThat(deviation(coarse) / deviation(means)).isCloseTo(1, within(0.05));
    assertThat(deviation(coarse.minus(means)) / deviation(means)).isLessThan(0.4);
  }
}
