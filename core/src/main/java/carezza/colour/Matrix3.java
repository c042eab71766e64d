package carezza.colour;

/** A 3 x 3 matrix in rows, acting on column vectors. */
public record Matrix3(
    double m00,
    double m01,
    double m02,
    double m10,
    double m11,
    double m12,
    double m20,
    double m21,
    double m22) {

  public static Matrix3 diagonal(double a, double b, double c) {
    return new Matrix3(a, 0, 0, 0, b, 0, 0, 0, c);
  }

  public static Matrix3 columns(double[] a, double[] b, double[] c) {
    return new Matrix3(a[0], b[0], c[0], a[1], b[1], c[1], a[2], b[2], c[2]);
  }

  public double[] times(double x, double y, double z) {
    return new double[] {
      m00 * x + m01 * y + m02 * z, m10 * x + m11 * y + m12 * z, m20 * x + m21 * y + m22 * z
    };
  }

  public double[] times(double[] v) {
    return times(v[0], v[1], v[2]);
  }

  /** The product: first {@code right}, then this. */
  public Matrix3 times(Matrix3 right) {
    return columns(
        times(right.m00, right.m10, right.m20),
        times(right.m01, right.m11, right.m21),
        times(right.m02, right.m12, right.m22));
  }

  /**
   * @throws ArithmeticException if the matrix is singular
   */
  public Matrix3 inverse() {
    double c00 = m11 * m22 - m12 * m21;
    double c01 = m12 * m20 - m10 * m22;
    double c02 = m10 * m21 - m11 * m20;
    double det = m00 * c00 + m01 * c01 + m02 * c02;
    if (Math.abs(det) < 1e-12) {
      throw new ArithmeticException("Singular matrix");
    }
    return new Matrix3(
        c00 / det,
        (m02 * m21 - m01 * m22) / det,
        (m01 * m12 - m02 * m11) / det,
        c01 / det,
        (m00 * m22 - m02 * m20) / det,
        (m02 * m10 - m00 * m12) / det,
        c02 / det,
        (m01 * m20 - m00 * m21) / det,
        (m00 * m11 - m01 * m10) / det);
  }

  /** Largest difference of an element. */
  public double distance(Matrix3 o) {
    double[] mine = {m00, m01, m02, m10, m11, m12, m20, m21, m22};
    double[] theirs = {o.m00, o.m01, o.m02, o.m10, o.m11, o.m12, o.m20, o.m21, o.m22};
    double most = 0;
    for (int i = 0; i < mine.length; i++) {
      most = Math.max(most, Math.abs(mine[i] - theirs[i]));
    }
    return most;
  }
}
