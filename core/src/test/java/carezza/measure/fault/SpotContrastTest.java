package carezza.measure.fault;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.Test;

import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.measure.Blemish;

public class SpotContrastTest {

  private static final Blemish SPOT = new Blemish(100, 100, 20, Blemish.Kind.TEMPORARY, 1);

  private static Picture skin(double redder) {
    Area area = new Area(0, 0, 100, 100);
    Picture lab =
        new Picture(Plane.filled(area, 60), Plane.filled(area, 12), Plane.filled(area, 18));
    for (int y = 0; y < 100; y++) {
      for (int x = 0; x < 100; x++) {
        if (Math.hypot(x + 0.5 - 50, y + 0.5 - 50) < 10) {
          lab.second().values()[y * 100 + x] += (float) redder;
        }
      }
    }
    return lab;
  }

  @Test
  public void aSpotDiffersByWhatWasPaintedIntoIt() {
    assertThat(SpotContrast.of(skin(7), SPOT, 0.5)).isCloseTo(7, within(1e-4));
  }

  @Test
  public void shadingIsNoDifference() {
    Picture lab = skin(0);
    for (int i = 0; i < lab.first().values().length; i++) {
      lab.first().values()[i] += i % 17;
    }
    assertThat(SpotContrast.of(lab, SPOT, 0.5)).isCloseTo(0, within(1e-6));
  }

  @Test
  public void plainSkinDoesNotDiffer() {
    assertThat(SpotContrast.of(skin(0), SPOT, 0.5)).isCloseTo(0, within(1e-6));
  }

  @Test
  public void whatLiesOutsideThePictureIsNoDifference() {
    Blemish outside = new Blemish(900, 900, 5, Blemish.Kind.TEMPORARY, 1);

    assertThat(SpotContrast.of(skin(7), outside, 0.5)).isZero();
  }
}
