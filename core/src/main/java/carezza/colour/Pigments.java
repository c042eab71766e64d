package carezza.colour;

import carezza.function.LogTable;
import carezza.function.LookupTable;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;

/**
 * Skin colour as shading x melanin x haemoglobin: in optical density D = −ln(linear sRGB), D = s
 * (1,1,1) + m M + h H with fixed unit vectors (after Tsumura and others 1999, 2003). The maps of h
 * and m are nearly free of light and shade.
 */
public final class Pigments {

  /** Absorption direction of haemoglobin in density of red, green, blue. */
  public static final double[] HAEMOGLOBIN = {0.20, 0.78, 0.59};

  /** Absorption direction of melanin. */
  public static final double[] MELANIN = {0.41, 0.60, 0.68};

  /** Darkest light whose density is taken; below it noise rules. */
  private static final float DARKEST = 2e-3f;

  private static final Matrix3 SOLVE =
      Matrix3.columns(new double[] {1, 1, 1}, MELANIN, HAEMOGLOBIN).inverse();

  private static final LogTable DENSITY = new LogTable(light -> -Math.log(light), -9, 4);

  /** Of density taken away: a pigment's excess rarely passes 2. */
  private static final LookupTable EXPONENTIAL = new LookupTable(Math::exp, -2, 2, 1024);

  private Pigments() {}

  /**
   * Maps over the same area.
   *
   * @param shade s: what is neither pigment, light and shade
   */
  public record Maps(Plane shade, Plane melanin, Plane haemoglobin) {}

  public static Maps of(Picture working) {
    Picture light = WorkingSpace.toLinearSrgb(working);
    float[] r = light.first().values();
    float[] g = light.second().values();
    float[] b = light.third().values();
    // What is read is not read again: the first of the light's planes becomes a map.
    Plane shade = light.first();
    Plane melanin = Plane.of(working.area());
    Plane haemoglobin = Plane.of(working.area());
    int w = working.area().width();
    ParallelRows.each(
        w,
        working.area().height(),
        (from, to) -> {
          for (int i = from * w; i < to * w; i++) {
            float dr = density(r[i]);
            float dg = density(g[i]);
            float db = density(b[i]);
            shade.values()[i] =
                (float) SOLVE.m00() * dr + (float) SOLVE.m01() * dg + (float) SOLVE.m02() * db;
            melanin.values()[i] =
                (float) SOLVE.m10() * dr + (float) SOLVE.m11() * dg + (float) SOLVE.m12() * db;
            haemoglobin.values()[i] =
                (float) SOLVE.m20() * dr + (float) SOLVE.m21() * dg + (float) SOLVE.m22() * db;
          }
        });
    return new Maps(shade, melanin, haemoglobin);
  }

  /** Takes pigment away: multiplies linear sRGB by exp(m M + h H) at each pixel. */
  public static Picture remove(Picture working, Plane melanin, Plane haemoglobin) {
    Picture light = WorkingSpace.toLinearSrgb(working);
    for (int channel = 0; channel < 3; channel++) {
      float[] v = light.plane(channel).values();
      float km = (float) MELANIN[channel];
      float kh = (float) HAEMOGLOBIN[channel];
      int w = melanin.width();
      ParallelRows.each(
          w,
          melanin.height(),
          (from, to) -> {
            for (int i = from * w; i < to * w; i++) {
              float d = km * melanin.values()[i] + kh * haemoglobin.values()[i];
              if (d != 0) {
                v[i] *= EXPONENTIAL.at(d);
              }
            }
          });
    }
    return WorkingSpace.fromLinearSrgb(light);
  }

  private static float density(float light) {
    return DENSITY.at(Math.max(light, DARKEST));
  }
}
