package carezza.measure.fault;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.colour.Lab;
import carezza.image.Area;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.mask.Regions;
import carezza.testing.Pictures;
import carezza.testing.Portrait;

/** Walls and shelves turned by known angles. */
public class TiltTest {

  private static final PictureSize SIZE = new PictureSize(480, 600);
  private static final EvaluationContext SITE = new EvaluationContext(SIZE, 0, Regions.none());

  @DataProvider
  public Object[][] angles() {
    return new Object[][] {{0.0}, {0.5}, {1.3}, {-2.4}, {6.0}, {-8.0}};
  }

  @Test(dataProvider = "angles")
  public void aWallTellsHowFarThePictureIsTurned(double degrees) {
    assertThat(Tilt.degrees(SITE, Pictures.wall(SIZE.area(), degrees, 0)).orElseThrow())
        .isCloseTo(degrees, within(0.15));
    assertThat(Tilt.degrees(SITE, Pictures.wall(SIZE.area(), degrees, 0.5)).orElseThrow())
        .isCloseTo(degrees, within(0.2));
  }

  @Test
  public void whatHasNoLinesTellsNothing() {
    assertThat(Tilt.degrees(SITE, Plane.filled(SIZE.area(), 50))).isEmpty();
    assertThat(Tilt.degrees(SITE, Pictures.noise(SIZE.area(), 50, 8, 9))).isEmpty();
  }

  /** Hair, knitting and a leaning head are no walls. */
  @Test
  public void aPersonBeforeAPlainBackdropTellsNothing() {
    Plane lightness = Lab.lightness(Portrait.S04.picture("photo.jpg"));
    EvaluationContext site =
        new EvaluationContext(new PictureSize(1600, 2000), 0, Portrait.S04.found());
    assertThat(lightness.area()).isEqualTo(new Area(0, 0, 1600, 2000));
    assertThat(Tilt.degrees(site, lightness)).isEmpty();
  }
}
