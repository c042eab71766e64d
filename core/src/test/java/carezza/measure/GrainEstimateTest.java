package carezza.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.data.Percentage.withPercentage;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.filter.NoiseField;
import carezza.image.Area;
import carezza.image.Plane;
import carezza.testing.Pictures;

public class GrainEstimateTest {

  private static final Area AREA = new Area(0, 0, 800, 600);

  @DataProvider
  public Object[][] grains() {
    return new Object[][] {{1.0, 0.5}, {1.0, 0.8}, {2.5, 1.2}, {0.6, 1.8}, {4.0, 2.5}};
  }

  /** Known grain is read back, over slopes and a soft form as over grey. */
  @Test(dataProvider = "grains")
  public void grainIsReadBackWithinATenth(double strength, double size) {
    Plane noise = new NoiseField(8).grains(AREA, 0, size);
    for (boolean even : new boolean[] {true, false}) {
      Plane picture =
          Pictures.plane(
              AREA, (x, y) -> even ? 50 : 50 + 20 * Math.sin(x / 90.0) + 8 * Math.cos(y / 60.0));
      for (int i = 0; i < noise.values().length; i++) {
        picture.values()[i] += (float) strength * noise.values()[i];
      }
      GrainEstimate found = GrainEstimate.of(picture);
      assertThat(found.strength()).isCloseTo(strength, withPercentage(10));
      assertThat(found.size()).isCloseTo(size, withPercentage(12));
    }
  }
}
