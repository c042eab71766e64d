package carezza.filter;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.Test;

/** Of numbers that are looked at in pairs. */
public class RobustStatisticsTest {

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

  @Test
  public void aSlopeIsALinesOwnThoughAFewPlacesLieAside() {
    double[] x = new double[3000];
    double[] y = new double[x.length];
    for (int i = 0; i < x.length; i++) {
      x[i] = (i * 7919 % x.length) / 1000.0;
      y[i] = i % 5 == 0 ? 90 : 2 - 0.4 * x[i];
    }
    assertThat(RobustStatistics.slope(x, y)).isCloseTo(-0.4, within(0.01));
  }

  @Test
  public void ofOnePlaceOrTooFewThereIsNoSlope() {
    double[] same = new double[500];
    double[] other = new double[500];
    for (int i = 0; i < other.length; i++) {
      other[i] = i;
    }
    assertThat(RobustStatistics.slope(same, other)).isZero();
    assertThat(RobustStatistics.slope(X, X)).isZero();
  }
}
