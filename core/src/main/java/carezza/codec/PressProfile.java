package carezza.codec;

import java.awt.color.ICC_Profile;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.util.Arrays;

import carezza.colour.Lab;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.press.Intent;
import carezza.press.LabCode;
import carezza.press.PressTables;
import carezza.profile.IccProfileWriter;

/**
 * The CMYK profile that ships with the application, and separation by it. It is that of a made-up
 * press on coated paper; a print shop's own profile is better wherever there is one.
 */
public final class PressProfile {

  private static final String FILE = "/carezza/press/coated.icc";

  /** Place of the tables within a lut16Type: after its header, matrix and counts. */
  private static final int BODY = 52;

  private static final int INKS = 4;

  /** Light of the deepest black over the paper's. */
  private static final double DEEPEST = Lab.cube((PressTables.BLACKEST + 16) / 116);

  private static final byte[] BYTES = read();

  private final boolean blackPoint;
  private final float[] grid;
  private final int points;
  private final float[] curve;

  /**
   * @param blackPoint whether the picture's black becomes the press's deepest (black-point
   *     compensation, ISO 18619, in XYZ); the perceptual intent holds that already
   */
  PressProfile(Intent intent, boolean blackPoint) {
    this.blackPoint = blackPoint && intent == Intent.COLORIMETRIC;
    ByteBuffer tag =
        ByteBuffer.wrap(
            icc()
                .getData(
                    intent == Intent.PERCEPTUAL
                        ? ICC_Profile.icSigBToA0Tag
                        : ICC_Profile.icSigBToA1Tag));
    points = tag.get(10);
    int in = tag.getShort(48);
    int at = BODY + 3 * in * 2;
    grid = values(tag, at, points * points * points * INKS);
    curve = values(tag, at + grid.length * 2, tag.getShort(50));
  }

  private static float[] values(ByteBuffer tag, int at, int count) {
    float[] out = new float[count];
    for (int i = 0; i < count; i++) {
      out[i] = (tag.getShort(at + 2 * i) & 0xFFFF) / 65535f;
    }
    return out;
  }

  /** Nominal coverages 0 … 1 of cyan, magenta, yellow, black. */
  Plane[] separated(Picture working) {
    Picture lab = Lab.of(working);
    Plane[] inks = new Plane[INKS];
    for (int k = 0; k < INKS; k++) {
      inks[k] = Plane.of(working.area());
    }
    int w = working.area().width();
    ParallelRows.each(
        w,
        working.area().height(),
        (from, to) -> {
          double[] found = new double[INKS];
          for (int i = from * w; i < to * w; i++) {
            Lab colour =
                new Lab(lab.first().values()[i], lab.second().values()[i], lab.third().values()[i]);
            separate(blackPoint ? raised(colour) : colour, found);
            for (int k = 0; k < INKS; k++) {
              inks[k].values()[i] = (float) found[k];
            }
          }
        });
    return inks;
  }

  private static Lab raised(Lab colour) {
    double[] f = {
      (colour.l() + 16) / 116 + colour.a() / 500,
      (colour.l() + 16) / 116,
      (colour.l() + 16) / 116 - colour.b() / 200
    };
    for (int c = 0; c < 3; c++) {
      f[c] = Lab.root(DEEPEST + (1 - DEEPEST) * Math.max(0, Lab.cube(f[c])));
    }
    return new Lab(116 * f[1] - 16, 500 * (f[0] - f[1]), 200 * (f[1] - f[2]));
  }

  /** Linear between the eight grid points around; then the curves. */
  private void separate(Lab colour, double[] inks) {
    double[] p = LabCode.packed(colour);
    int[] low = new int[3];
    double[] t = new double[3];
    for (int c = 0; c < 3; c++) {
      double at = p[c] * (points - 1);
      low[c] = Math.min((int) at, points - 2);
      t[c] = at - low[c];
    }
    Arrays.fill(inks, 0);
    for (int corner = 0; corner < 8; corner++) {
      double weight = 1;
      int index = 0;
      for (int c = 0; c < 3; c++) {
        int up = corner >> c & 1;
        weight *= up == 1 ? t[c] : 1 - t[c];
        index = index * points + low[c] + up;
      }
      for (int k = 0; k < INKS; k++) {
        inks[k] += weight * grid[index * INKS + k];
      }
    }
    for (int k = 0; k < INKS; k++) {
      double at = inks[k] * (curve.length - 1);
      int i = Math.min((int) at, curve.length - 2);
      inks[k] = curve[i] + (at - i) * (curve[i + 1] - curve[i]);
    }
  }

  static ICC_Profile icc() {
    return ICC_Profile.getInstance(BYTES);
  }

  private static byte[] read() {
    try (InputStream in = PressProfile.class.getResourceAsStream(FILE)) {
      return in == null ? make() : in.readAllBytes();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Makes the profile anew from the press model; takes some seconds. */
  public static byte[] make() {
    return IccProfileWriter.ofPress("Carezza coated paper, made-up press");
  }
}
