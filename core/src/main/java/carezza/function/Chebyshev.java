package carezza.function;

import java.util.function.DoubleUnaryOperator;

/** Polynomials through a function at the roots of a Chebyshev polynomial, which are nearly best. */
final class Chebyshev {

  private Chebyshev() {}

  /**
   * @param function of −1 … 1
   * @return factors of 1, x, x² …
   */
  static float[] fitted(DoubleUnaryOperator function, int degree) {
    int n = degree + 1;
    double[] sum = new double[n];
    double[] before = new double[n];
    double[] own = new double[n];
    own[0] = 1;
    for (int j = 0; j < n; j++) {
      double share = share(function, j, n);
      double[] next = new double[n];
      for (int i = 0; i < n; i++) {
        sum[i] += share * own[i];
        // T(j + 1) = 2 x T(j) − T(j − 1), the first of them x.
        next[i] = (i == 0 ? 0 : (j == 0 ? 1 : 2) * own[i - 1]) - before[i];
      }
      before = own;
      own = next;
    }
    float[] factors = new float[n];
    for (int i = 0; i < n; i++) {
      factors[i] = (float) sum[i];
    }
    return factors;
  }

  /** How much of the j-th Chebyshev polynomial is in the function. */
  private static double share(DoubleUnaryOperator function, int j, int n) {
    double sum = 0;
    for (int k = 0; k < n; k++) {
      double angle = Math.PI * (k + 0.5) / n;
      sum += function.applyAsDouble(Math.cos(angle)) * Math.cos(j * angle);
    }
    return (j == 0 ? 1 : 2) * sum / n;
  }
}
