package carezza.colour;

import carezza.image.ParallelRows;
import carezza.image.Picture;

/** A 3 x 3 matrix in single precision, for pixels. */
public final class FloatMatrix {

  private final float m00;
  private final float m01;
  private final float m02;
  private final float m10;
  private final float m11;
  private final float m12;
  private final float m20;
  private final float m21;
  private final float m22;

  public FloatMatrix(Matrix3 m) {
    m00 = (float) m.m00();
    m01 = (float) m.m01();
    m02 = (float) m.m02();
    m10 = (float) m.m10();
    m11 = (float) m.m11();
    m12 = (float) m.m12();
    m20 = (float) m.m20();
    m21 = (float) m.m21();
    m22 = (float) m.m22();
  }

  public void apply(float x, float y, float z, float[] out) {
    out[0] = m00 * x + m01 * y + m02 * z;
    out[1] = m10 * x + m11 * y + m12 * z;
    out[2] = m20 * x + m21 * y + m22 * z;
  }

  /** Multiplies every pixel in place. */
  public void apply(Picture picture) {
    int w = picture.area().width();
    ParallelRows.each(
        w,
        picture.area().height(),
        (from, to) ->
            apply(
                picture.first().values(),
                picture.second().values(),
                picture.third().values(),
                from * w,
                to * w));
  }

  /** Multiplies what stands at {@code from} ≤ i < {@code to} of three rows in place. */
  void apply(float[] a, float[] b, float[] c, int from, int to) {
    for (int i = from; i < to; i++) {
      float x = a[i];
      float y = b[i];
      float z = c[i];
      a[i] = m00 * x + m01 * y + m02 * z;
      b[i] = m10 * x + m11 * y + m12 * z;
      c[i] = m20 * x + m21 * y + m22 * z;
    }
  }
}
