package carezza.codec;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.colour.Lab;
import carezza.colour.WorkingSpace;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.testing.Pictures;

public class ScreenColourTest {

  private static final Area AREA = new Area(0, 0, 64, 48);

  /** From grey to a green that sRGB does not hold. */
  private static Picture greener() {
    return Lab.toWorking(
        new Picture(
            Plane.filled(AREA, 60),
            Pictures.plane(AREA, (x, y) -> -1.5 * x),
            Pictures.plane(AREA, (x, y) -> 0.5 * x)));
  }

  private static ScreenColour marking(OutputProfile profile) {
    return ScreenColour.SRGB.marking(OutputColour.of(profile));
  }

  @DataProvider
  public Object[] profiles() {
    return new Object[] {OutputProfile.SRGB, OutputProfile.COATED};
  }

  /** As many pixels are hatched as the check counts; all others are shown as ever. */
  @Test(dataProvider = "profiles")
  public void whatTheSpaceDoesNotHoldIsHatched(OutputProfile profile) {
    Picture working = greener();
    Picture shown = marking(profile).shown(working);
    Picture plain = WorkingSpace.toSrgb(working);
    int hatched = 0;
    for (int i = 0; i < AREA.pixels(); i++) {
      float r = shown.first().values()[i];
      boolean own =
          r == plain.first().values()[i] && shown.third().values()[i] == plain.third().values()[i];
      if (!own) {
        assertThat(r == 0 || r == 1).isTrue();
        hatched++;
      }
    }
    double outside = OutputCheck.of(working, OutputColour.of(profile)).outside();
    assertThat((double) hatched / AREA.pixels()).isCloseTo(outside, within(0.05)).isPositive();
    // Grey is in every space.
    assertThat(shown.first().at(2, 20)).isEqualTo(plain.first().at(2, 20));
  }

  @Test
  public void theHatchingStandsStillAndTakesTurns() {
    Picture working = greener();
    ScreenColour screen = marking(OutputProfile.SRGB);
    Area part = new Area(50, 10, 12, 12);
    assertThat(screen.shown(working.crop(part))).isEqualTo(screen.shown(working).crop(part));
    Picture shown = screen.shown(working);
    assertThat(shown.first().at(60, 20)).isNotEqualTo(shown.first().at(60, 24));
    assertThat(screen.marking(null).shown(working)).isEqualTo(ScreenColour.SRGB.shown(working));
  }

  @Test
  public void aWideSpaceHoldsItAll() {
    Picture working = greener();
    Picture shown = marking(OutputProfile.WIDE).shown(working);
    assertThat(Pictures.largest(shown, WorkingSpace.toSrgb(working))).isLessThan(1e-6);
  }
}
