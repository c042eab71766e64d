package carezza.colour;

import carezza.function.LogTable;
import carezza.function.PowerCurve;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;

/**
 * CIE 1976 L*a*b* (D50, 2°, as in the ICC connection space) of working-space colours. The working
 * space has Rec. 2020 primaries and the sRGB transfer curve.
 *
 * @param l lightness, 0 black … 100 white
 * @param a green to red
 * @param b blue to yellow
 */
public record Lab(double l, double a, double b) {

  private static final double EPSILON = 216.0 / 24389;
  private static final double KAPPA = 24389.0 / 27;
  private static final double[] WHITE = RgbSpace.d50();

  /** Working linear RGB to XYZ over the white. */
  private static final Matrix3 TO_XYZ =
      Matrix3.diagonal(1 / WHITE[0], 1 / WHITE[1], 1 / WHITE[2]).times(RgbSpace.REC2020.toXyzD50());

  private static final FloatMatrix TO = new FloatMatrix(TO_XYZ);
  private static final float YR = (float) TO_XYZ.m10();
  private static final float YG = (float) TO_XYZ.m11();
  private static final float YB = (float) TO_XYZ.m12();

  private static final FloatMatrix FROM = new FloatMatrix(TO_XYZ.inverse());

  private static final LogTable CUBE_ROOT = new LogTable(Math::cbrt, -7, 4);

  /** What the root function is at 0. */
  private static final float AT_BLACK = 16 / 116f;

  /** The root function above its value at black. */
  private static final PowerCurve ROOT =
      new PowerCurve(1 / 3.0, 1, 0, KAPPA / 116, EPSILON, 16, t -> f(t) - AT_BLACK);

  /** Where the root function is no longer straight. */
  private static final float EDGE = 6 / 29f;

  /** Share of white's X, Y or Z for a value of the L*a*b* root function. */
  public static double cube(double f) {
    return f * f * f > EPSILON ? f * f * f : (116 * f - 16) / KAPPA;
  }

  /** The L*a*b* root function of a share of white. */
  public static double root(double t) {
    return t > EPSILON ? Math.cbrt(t) : (KAPPA * t + 16) / 116;
  }

  public double chroma() {
    return Math.hypot(a, b);
  }

  /** Hue angle in degrees, 0 … 360. */
  public double hue() {
    double h = Math.toDegrees(Math.atan2(b, a));
    return h < 0 ? h + 360 : h;
  }

  /** Degrees between two hues, 0 … 180. */
  public static double hueDistance(double one, double other) {
    double d = Math.abs(one - other) % 360;
    return d > 180 ? 360 - d : d;
  }

  /** Individual typology angle in degrees: atan((L* − 50) / b*) (Chardon and others 1991). */
  public double ita() {
    return Math.toDegrees(Math.atan2(l - 50, b));
  }

  public static Lab ofLch(double lightness, double chroma, double hueDegrees) {
    double h = Math.toRadians(hueDegrees);
    return new Lab(lightness, chroma * Math.cos(h), chroma * Math.sin(h));
  }

  /** Of one encoded working-space colour. */
  public static Lab ofWorking(double r, double g, double b) {
    float[] out = new float[3];
    convert((float) r, (float) g, (float) b, out);
    return new Lab(out[0], out[1], out[2]);
  }

  /** The encoded working-space colour, unclamped. */
  public double[] toWorking() {
    float[] out = new float[3];
    revert((float) l, (float) a, (float) b, out);
    return new double[] {out[0], out[1], out[2]};
  }

  /** L*, a*, b* planes of a working-space picture. */
  public static Picture of(Picture working) {
    Picture out = Picture.of(working.area());
    int w = working.area().width();
    ParallelRows.each(
        w,
        working.area().height(),
        (from, to) -> {
          float[][] row = new float[3][w];
          for (int y = from; y < to; y++) {
            light(working, y * w, row);
            TO.apply(row[0], row[1], row[2], 0, w);
            for (float[] share : row) {
              ROOT.row(share, share, 0, w);
            }
            ofRoots(row, out, y * w);
          }
        });
    return out;
  }

  /** A row of a working-space picture as light. */
  private static void light(Picture working, int start, float[][] row) {
    for (int c = 0; c < 3; c++) {
      System.arraycopy(working.plane(c).values(), start, row[c], 0, row[c].length);
      Transfer.toLinear(row[c], row[c], 0, row[c].length);
    }
  }

  private static void ofRoots(float[][] row, Picture out, int start) {
    float[] fx = row[0];
    float[] fy = row[1];
    float[] fz = row[2];
    for (int i = 0; i < fy.length; i++) {
      float x = fx[i];
      float y = fy[i];
      float z = fz[i];
      fx[i] = 116 * y;
      fy[i] = 500 * (x - y);
      fz[i] = 200 * (y - z);
    }
    for (int c = 0; c < 3; c++) {
      System.arraycopy(row[c], 0, out.plane(c).values(), start, fy.length);
    }
  }

  /** Working-space picture of L*, a*, b* planes. */
  public static Picture toWorking(Picture lab) {
    Picture out = Picture.of(lab.area());
    int w = lab.area().width();
    ParallelRows.each(
        w,
        lab.area().height(),
        (first, last) -> {
          // Row by row, so that it is at hand for each of the steps.
          for (int from = first * w; from < last * w; from += w) {
            roots(lab, out, from, from + w);
            for (int c = 0; c < 3; c++) {
              cubes(out.plane(c).values(), from, from + w);
            }
            FROM.apply(
                out.first().values(), out.second().values(), out.third().values(), from, from + w);
            for (int c = 0; c < 3; c++) {
              float[] values = out.plane(c).values();
              Transfer.toEncoded(values, values, from, from + w);
            }
          }
        });
    return out;
  }

  private static void roots(Picture lab, Picture out, int from, int to) {
    float[] l = lab.first().values();
    float[] a = lab.second().values();
    float[] b = lab.third().values();
    float[] x = out.first().values();
    float[] y = out.second().values();
    float[] z = out.third().values();
    for (int i = from; i < to; i++) {
      float fy = (l[i] + 16) * (1 / 116f);
      x[i] = fy + a[i] * (1 / 500f);
      y[i] = fy;
      z[i] = fy - b[i] * (1 / 200f);
    }
  }

  private static void cubes(float[] f, int from, int to) {
    for (int i = from; i < to; i++) {
      f[i] = inverse(f[i]);
    }
  }

  /**
   * Inverse of the root function, without a choice, which would hold a loop up: the straight part
   * to its end, and on.
   */
  private static float inverse(float f) {
    float over = f - EDGE;
    float size = Math.abs(over);
    float cube = 0.5f * (size + over) + EDGE;
    float straight = EDGE - 0.5f * (size - over);
    return (116 * straight - 16) * (float) (1 / KAPPA) + (cube * cube * cube - EDGE * EDGE * EDGE);
  }

  /** Only the L* plane of a working-space picture. */
  public static Plane lightness(Picture working) {
    Plane out = Plane.of(working.area());
    int w = out.width();
    ParallelRows.each(
        w,
        out.height(),
        (from, to) -> {
          float[][] row = new float[3][w];
          for (int y = from; y < to; y++) {
            light(working, y * w, row);
            float[] share = row[1];
            lightness(row[0], row[1], row[2], share);
            ROOT.row(share, share, 0, w);
            for (int x = 0; x < w; x++) {
              share[x] *= 116;
            }
            System.arraycopy(share, 0, out.values(), y * w, w);
          }
        });
    return out;
  }

  private static void lightness(float[] r, float[] g, float[] b, float[] y) {
    for (int i = 0; i < y.length; i++) {
      y[i] = YR * r[i] + YG * g[i] + YB * b[i];
    }
  }

  private static void convert(float r, float g, float b, float[] out) {
    float lr = Transfer.toLinear(r);
    float lg = Transfer.toLinear(g);
    float lb = Transfer.toLinear(b);
    TO.apply(lr, lg, lb, out);
    float fx = f(out[0]);
    float fy = f(out[1]);
    float fz = f(out[2]);
    out[0] = 116 * fy - 16;
    out[1] = 500 * (fx - fy);
    out[2] = 200 * (fy - fz);
  }

  private static void revert(float l, float a, float b, float[] out) {
    float fy = (l + 16) / 116;
    float x = inverse(fy + a / 500);
    float y = inverse(fy);
    float z = inverse(fy - b / 200);
    FROM.apply(x, y, z, out);
    out[0] = Transfer.toEncoded(out[0]);
    out[1] = Transfer.toEncoded(out[1]);
    out[2] = Transfer.toEncoded(out[2]);
  }

  private static float f(float t) {
    return t > (float) EPSILON ? CUBE_ROOT.at(t) : ((float) KAPPA * t + 16) / 116;
  }
}
