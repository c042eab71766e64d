package carezza.codec;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.Test;

import carezza.colour.Lab;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.press.Intent;
import carezza.testing.Pictures;

public class OutputCheckTest {

  private static final Area AREA = new Area(0, 0, 40, 10);

  private static OutputCheck check(Plane l, Plane a, Plane b, OutputProfile profile) {
    return OutputCheck.of(
        Lab.toWorking(new Picture(l, a, b)), new OutputColour(profile, Intent.COLORIMETRIC, true));
  }

  /** A green far outside of sRGB over a quarter of a grey picture; wide RGB holds it. */
  @Test
  public void coloursThatTheSpaceDoesNotHoldAreCounted() {
    Plane l = Plane.filled(AREA, 60);
    Plane a = Pictures.plane(AREA, (x, y) -> x < 10 ? -80 : 0);
    Plane b = Pictures.plane(AREA, (x, y) -> x < 10 ? 30 : 0);
    assertThat(check(l, a, b, OutputProfile.SRGB).outside()).isCloseTo(0.25, within(1e-9));
    assertThat(check(l, a, b, OutputProfile.WIDE).outside()).isZero();
    assertThat(check(l, a, b, OutputProfile.SRGB).mostInk()).isZero();
  }

  @Test
  public void fullLightIsClipped() {
    Plane none = Plane.of(AREA);
    Plane l = Pictures.plane(AREA, (x, y) -> x < 4 ? 100 : 50);
    assertThat(check(l, none, none, OutputProfile.SRGB).clipped()).isCloseTo(0.1, within(1e-9));
  }

  /** Black takes much ink, and never more than the press allows; paper takes none and is bare. */
  @Test
  public void inksAreSummed() {
    Plane none = Plane.of(AREA);
    double black = check(Plane.filled(AREA, 5), none, none, OutputProfile.COATED).mostInk();
    double grey = check(Plane.filled(AREA, 60), none, none, OutputProfile.COATED).mostInk();
    assertThat(black).isBetween(150.0, 330.0);
    assertThat(grey).isLessThan(black);
    assertThat(check(Plane.filled(AREA, 100), none, none, OutputProfile.COATED).clipped())
        .isEqualTo(1);
  }
}
