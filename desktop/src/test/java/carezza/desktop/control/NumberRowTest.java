package carezza.desktop.control;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Numbers as they are typed and stepped. */
public class NumberRowTest {

  @DataProvider
  public Object[][] typed() {
    return new Object[][] {
      {"40", 40},
      {"40 %", 40},
      {" 2,5 px", 2.5},
      {"+0.12 stops", 0.12},
      {"−3", -3},
      {"-.5", -0.5},
      {"L* 62", 62}
    };
  }

  @Test(dataProvider = "typed")
  public void aNumberIsReadWithItsUnit(String text, double value) {
    assertThat(NumberRow.number(text).orElseThrow()).isCloseTo(value, within(1e-9));
  }

  @Test
  public void whatIsNoNumberIsNone() {
    assertThat(NumberRow.number("a little more")).isEmpty();
    assertThat(NumberRow.number("")).isEmpty();
  }

  @DataProvider
  public Object[][] ranges() {
    return new Object[][] {{-3, 3, 0.05}, {0, 200, 2}, {0, 1, 0.01}, {0, 360, 2}, {1, 60, 0.5}};
  }

  @Test(dataProvider = "ranges")
  public void aStepIsARoundPartOfTheRange(double low, double high, double step) {
    assertThat(NumberRow.step(low, high)).isCloseTo(step, within(1e-9));
  }
}
