package carezza.filter;

/**
 * A symmetric positive definite matrix as the product of a lower triangle and its transpose (Golub
 * and Van Loan, Matrix Computations, 4.2). Good for a handful of rows.
 */
public final class Cholesky {

  private final double[][] lower;

  private Cholesky(double[][] lower) {
    this.lower = lower;
  }

  /**
   * @param matrix square; of it the lower triangle is read
   * @throws IllegalArgumentException if it is not positive definite
   */
  public static Cholesky of(double[][] matrix) {
    int n = matrix.length;
    double[][] lower = new double[n][n];
    for (int i = 0; i < n; i++) {
      for (int j = 0; j <= i; j++) {
        double sum = matrix[i][j];
        for (int k = 0; k < j; k++) {
          sum -= lower[i][k] * lower[j][k];
        }
        if (i == j) {
          if (!(sum > 0)) {
            throw new IllegalArgumentException("Row " + i + " is not positive definite");
          }
          lower[i][i] = Math.sqrt(sum);
        } else {
          lower[i][j] = sum / lower[j][j];
        }
      }
    }
    return new Cholesky(lower);
  }

  /** What the matrix takes to {@code right}. */
  public double[] solve(double[] right) {
    double[] x = forward(right);
    for (int i = x.length - 1; i >= 0; i--) {
      for (int k = i + 1; k < x.length; k++) {
        x[i] -= lower[k][i] * x[k];
      }
      x[i] /= lower[i][i];
    }
    return x;
  }

  /** Squared Mahalanobis length: {@code v} times the inverse of the matrix times {@code v}. */
  public double squaredLength(double[] v) {
    double sum = 0;
    for (double y : forward(v)) {
      sum += y * y;
    }
    return sum;
  }

  /** Natural logarithm of the determinant. */
  public double logDeterminant() {
    double sum = 0;
    for (int i = 0; i < lower.length; i++) {
      sum += 2 * Math.log(lower[i][i]);
    }
    return sum;
  }

  private double[] forward(double[] right) {
    double[] y = right.clone();
    for (int i = 0; i < y.length; i++) {
      for (int k = 0; k < i; k++) {
        y[i] -= lower[i][k] * y[k];
      }
      y[i] /= lower[i][i];
    }
    return y;
  }
}
