package carezza.filter;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.Test;

public class CorrelationTest {

  private static final double[] X = {1, 2, 3, 4};

  @Test
  public void linesCorrelateFullyWhateverTheirSlope() {
    assertThat(RobustStatistics.correlation(X, new double[] {5, 7, 9, 11}))
        .isCloseTo(1, within(1e-12));
    assertThat(RobustStatistics.correlation(X, new double[] {0.4, 0.3, 0.2, 0.1}))
        .isCloseTo(-1, within(1e-12));
  }

  @Test
  public void whatIsSymmetricAboutTheMiddleDoesNot() {
    assertThat(RobustStatistics.correlation(X, new double[] {2, 1, 1, 2}))
        .isCloseTo(0, within(1e-12));
  }

  @Test
  public void whatDoesNotVaryHasNone() {
    assertThat(RobustStatistics.correlation(X, new double[] {3, 3, 3, 3})).isNaN();
    assertThat(RobustStatistics.correlation(new double[] {3, 3, 3, 3}, X)).isNaN();
  }
}
