package carezza.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The portrait job against the table that its file was made from. */
public class JobLevelTest {

  private static final JobLevel JOB = JobLevel.portrait();

  @DataProvider
  public Object[][] fixed() {
    return new Object[][] {
      {"textureKept", 80.0, 115.0},
      {"formKept", 0.95, 1.25},
      {"neckMatch", 0.0, 1.5},
      {"teethYellow", 3.0, 10.0},
      {"scleraYellow", -1.0, 7.0},
      {"scleraChroma", 0.0, 9.0},
      {"scleraBalance", 0.0, 6.0},
      {"skinClipping", 0.0, 0.1}
    };
  }

  @Test(dataProvider = "fixed")
  public void aBandHasTheEndsOfTheTable(String gauge, double low, double high) {
    assertThat(JOB.fixed(gauge)).isEqualTo(new Band(low, high));
  }

  @Test
  public void aDriftGoesEitherWayFromWhatWas() {
    assertThat(JOB.around("skinLightness", 60)).isEqualTo(new Band(57.5, 62.5));
    assertThat(JOB.around("skinHue", 50)).isEqualTo(new Band(46, 54));
  }

  @Test
  public void blotchesShouldFallByAShareAndNotToNothing() {
    Band redness = JOB.fallen("rednessBlotch", 100).orElseThrow();
    assertThat(redness.low()).isCloseTo(55, within(1e-9));
    assertThat(redness.high()).isCloseTo(85, within(1e-9));
    assertThat(JOB.fallen("pigmentBlotch", 100).orElseThrow().high()).isEqualTo(100);
  }

  @DataProvider
  public Object[][] limits() {
    return new Object[][] {
      {"teethLightness", "mostRise", 8.0},
      {"teethLightness", "aboveSclera", 3.0},
      {"teethYellow", "ownShare", 0.25},
      {"scleraLightness", "mostRise", 6.0},
      {"iris", "mostContrast", 0.6},
      {"lips", "mostChroma", 12.0},
      {"skin", "mostChange", 2.0}
    };
  }

  @Test(dataProvider = "limits")
  public void layersAreHeldAsFarAsTheTableSays(String of, String name, double limit) {
    assertThat(JOB.limit(of, name)).isEqualTo(limit);
  }

  @Test
  public void whatTheJobDoesNotSetIsNotGuessed() {
    assertThatThrownBy(() -> JOB.limit("teeth", "shine"))
        .isInstanceOf(IllegalStateException.class)
        .hasMessageContaining("shine");
  }
}
