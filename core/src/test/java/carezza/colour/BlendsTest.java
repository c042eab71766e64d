package carezza.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.Test;

/** Against properties that the W3C formulas have, and values worked out from them by hand. */
public class BlendsTest {

  @Test
  public void aNeutralSheetChangesNothing() {
    for (double v = 0; v <= 1; v += 0.05) {
      assertThat(Blends.softLight(v, 0.5)).isCloseTo(v, within(1e-12));
      assertThat(Blends.overlay(v, 0.5)).isCloseTo(v, within(1e-12));
    }
  }

  @Test
  public void blackAndWhiteStayUnderSheets() {
    for (double sheet = 0; sheet <= 1; sheet += 0.1) {
      assertThat(Blends.softLight(0, sheet)).isZero();
      assertThat(Blends.softLight(1, sheet)).isCloseTo(1, within(1e-12));
      assertThat(Blends.overlay(0, sheet)).isZero();
      assertThat(Blends.overlay(1, sheet)).isCloseTo(1, within(1e-12));
    }
  }

  @Test
  public void screenIsMultiplyOfNegatives() {
    assertThat(Blends.screen(0.3, 0.6)).isCloseTo(1 - Blends.multiply(0.7, 0.4), within(1e-12));
  }

  @Test
  public void valuesAreThoseOfTheFormulas() {
    assertThat(Blends.softLight(0.25, 1)).isCloseTo(0.5, within(1e-12));
    assertThat(Blends.softLight(0.16, 1)).isCloseTo(0.398336, within(1e-9));
    assertThat(Blends.softLight(0.5, 0)).isCloseTo(0.25, within(1e-12));
    assertThat(Blends.overlay(0.25, 0.75)).isCloseTo(0.375, within(1e-12));
    assertThat(Blends.overlay(0.75, 0.25)).isCloseTo(0.625, within(1e-12));
    assertThat(Blends.hardLight(0.75, 0.25)).isCloseTo(0.375, within(1e-12));
  }
}
