package carezza.filter;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.image.Area;
import carezza.image.Plane;
import carezza.testing.Pictures;

public class GaussianBlurTest {

  @DataProvider
  public Object[][] sigmas() {
    return new Object[][] {{0.5}, {0.8}, {1.3}, {2.0}, {3.7}, {6.0}, {12.0}, {25.0}, {60.0}};
  }

  /** The step's blur is the Gaussian's integral; pixel centres lie half a pixel off the edge. */
  @Test(dataProvider = "sigmas")
  public void aStepBecomesTheErrorFunction(double sigma) {
    int half = (int) Math.ceil(5 * sigma) + 8;
    Plane step = Pictures.plane(new Area(0, 0, 2 * half, 3), (x, y) -> x < half ? 0 : 1);
    Plane blurred = GaussianBlur.blur(step, sigma);
    double[] exact = sampledStep(sigma, 2 * half, half);
    for (int x = 0; x < 2 * half; x++) {
      assertThat((double) blurred.at(x, 1)).as("x " + x).isCloseTo(exact[x], within(1e-3));
    }
  }

  /** Convolution of the step with the sampled, normalised kernel, by its definition. */
  private static double[] sampledStep(double sigma, int width, int edge) {
    int reach = (int) Math.ceil(8 * sigma) + 1;
    double sum = 0;
    for (int i = -reach; i <= reach; i++) {
      sum += Math.exp(-0.5 * i * i / (sigma * sigma));
    }
    double[] out = new double[width];
    for (int x = 0; x < width; x++) {
      for (int i = -reach; i <= reach; i++) {
        if (Math.clamp(x + i, 0, width - 1) >= edge) {
          out[x] += Math.exp(-0.5 * i * i / (sigma * sigma)) / sum;
        }
      }
    }
    return out;
  }

  @Test(dataProvider = "sigmas")
  public void aConstantStaysConstant(double sigma) {
    Plane plane = Plane.filled(new Area(5, -9, 61, 47), 0.37f);
    assertThat(Pictures.largest(plane, GaussianBlur.blur(plane, sigma))).isLessThan(1e-5);
  }

  @Test(dataProvider = "sigmas")
  public void mirroredBordersKeepTheMean(double sigma) {
    Plane plane = Pictures.noise(new Area(0, 0, 128, 128), 0.5, 0.1, 3);
    assertThat(mean(GaussianBlur.blur(plane, sigma))).isCloseTo(mean(plane), within(2e-3));
  }

  private static double mean(Plane plane) {
    double sum = 0;
    for (float v : plane.values()) {
      sum += v;
    }
    return sum / plane.values().length;
  }

  @Test
  public void aBlurOfAPartAgreesWithTheBlurOfTheWhole() {
    Plane whole = Pictures.noise(new Area(0, 0, 300, 260), 0.5, 0.2, 5);
    Area inner = new Area(117, 91, 40, 50);
    for (double sigma : new double[] {1.2, 5, 14}) {
      Area wide = inner.grow(GaussianBlur.reach(sigma)).intersect(whole.area());
      Plane part = GaussianBlur.blur(whole.crop(wide), sigma).crop(inner);
      assertThat(Pictures.largest(part, GaussianBlur.blur(whole, sigma).crop(inner)))
          .as("sigma " + sigma)
          .isLessThan(1e-3);
    }
  }

  @Test
  public void aTinySigmaLeavesThePlaneAsItIs() {
    Plane plane = Pictures.noise(new Area(0, 0, 9, 9), 0, 1, 1);
    assertThat(GaussianBlur.blur(plane, 0.1)).isSameAs(plane);
  }

  @Test
  public void aSigmaBelowZeroIsRefused() {
    assertThatThrownBy(() -> GaussianBlur.blur(Plane.of(new Area(0, 0, 2, 2)), -1))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  public void nothingBleedsInFromOutsideTheMask() {
    Area area = new Area(0, 0, 64, 32);
    Plane values = Pictures.plane(area, (x, y) -> x < 32 ? 1 : 1000);
    Plane mask = Pictures.plane(area, (x, y) -> x < 32 ? 1 : 0);
    Plane blurred = new MaskedBlur(mask, 5).blur(values);
    for (int x = 0; x < 32; x++) {
      assertThat((double) blurred.at(x, 16)).isCloseTo(1, within(1e-3));
    }
  }
}
