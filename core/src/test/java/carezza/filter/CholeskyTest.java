package carezza.filter;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.assertj.core.data.Offset;
import org.testng.annotations.Test;

public class CholeskyTest {

  /** Lower triangle 2; 6 1; −8 5 3, so the determinant is (2 · 1 · 3)². */
  private static final double[][] MATRIX = {{4, 12, -16}, {12, 37, -43}, {-16, -43, 98}};

  private static final Offset<Double> NEARLY = Offset.offset(1e-9);

  @Test
  public void solutionsGiveTheRightSideBack() {
    double[] right = {1, -2, 5};
    double[] x = Cholesky.of(MATRIX).solve(right);
    for (int i = 0; i < 3; i++) {
      double sum = 0;
      for (int k = 0; k < 3; k++) {
        sum += MATRIX[i][k] * x[k];
      }
      assertThat(sum).isCloseTo(right[i], NEARLY);
    }
    assertThat(right).containsExactly(1, -2, 5);
  }

  @Test
  public void theDeterminantIsThatOfTheTriangleSquared() {
    assertThat(Cholesky.of(MATRIX).logDeterminant()).isCloseTo(Math.log(36), NEARLY);
  }

  @Test
  public void lengthsAreInUnitsOfTheSpread() {
    Cholesky spreads = Cholesky.of(new double[][] {{4, 0}, {0, 25}});
    assertThat(spreads.squaredLength(new double[] {2, 0})).isCloseTo(1, NEARLY);
    assertThat(spreads.squaredLength(new double[] {4, 5})).isCloseTo(5, NEARLY);
    double[] v = {3, 1, -2};
    double[] x = Cholesky.of(MATRIX).solve(v);
    assertThat(Cholesky.of(MATRIX).squaredLength(v))
        .isCloseTo(v[0] * x[0] + v[1] * x[1] + v[2] * x[2], NEARLY);
  }

  @Test
  public void whatIsNotPositiveDefiniteIsRefused() {
    assertThatThrownBy(() -> Cholesky.of(new double[][] {{1, 2}, {2, 1}}))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("Row 1");
    assertThatThrownBy(() -> Cholesky.of(new double[][] {{Double.NaN}}))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
