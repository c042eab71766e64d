package carezza.codec;

import carezza.colour.WorkingSpace;
import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.press.Intent;

/**
 * How working colours come to a screen: as sRGB, or by the display's own profile; and as they are,
 * or as they would look in the colour space of a file. Anything but plain sRGB goes by a table of
 * working colours, interpolated linearly.
 */
public final class ScreenColour {

  /** Plain sRGB, for screens whose profile is not known. */
  public static final ScreenColour SRGB = new ScreenColour(null, null);

  /** Points of the table along each channel. */
  private static final int POINTS = 33;

  private final OutputProfile display;
  private final OutputColour proof;
  private volatile float[] table;

  private ScreenColour(OutputProfile display, OutputColour proof) {
    this.display = display;
    this.proof = proof;
  }

  /** The same shown by a display's profile; null is sRGB. */
  public ScreenColour on(OutputProfile newDisplay) {
    return new ScreenColour(newDisplay, proof);
  }

  /** The same as it would look in a file's colours; null is as it is. */
  public ScreenColour proofing(OutputColour newProof) {
    return new ScreenColour(display, newProof);
  }

  /** Encoded channels of the screen, 0 … 1 where it can show them; a new picture. */
  public Picture shown(Picture working) {
    if (display == null && proof == null) {
      return WorkingSpace.toSrgb(working);
    }
    if (table == null) {
      table = made();
    }
    float[] points = table;
    Picture out = Picture.of(working.area());
    int w = working.area().width();
    ParallelRows.each(
        w,
        working.area().height(),
        (from, to) -> {
          for (int i = from * w; i < to * w; i++) {
            interpolate(points, working, out, i);
          }
        });
    return out;
  }

  private static void interpolate(float[] points, Picture working, Picture out, int i) {
    float r = Math.clamp(working.first().values()[i], 0f, 1f) * (POINTS - 1);
    float g = Math.clamp(working.second().values()[i], 0f, 1f) * (POINTS - 1);
    float b = Math.clamp(working.third().values()[i], 0f, 1f) * (POINTS - 1);
    int r0 = Math.min((int) r, POINTS - 2);
    int g0 = Math.min((int) g, POINTS - 2);
    int b0 = Math.min((int) b, POINTS - 2);
    float tr = r - r0;
    float tg = g - g0;
    float tb = b - b0;
    int at = 3 * ((r0 * POINTS + g0) * POINTS + b0);
    int dg = 3 * POINTS;
    int dr = dg * POINTS;
    for (int c = 0; c < 3; c++) {
      float near = plane(points, at + c, dg, tg, tb);
      float far = plane(points, at + dr + c, dg, tg, tb);
      out.plane(c).values()[i] = near + tr * (far - near);
    }
  }

  private static float plane(float[] points, int at, int dg, float tg, float tb) {
    float low = points[at] + tb * (points[at + 3] - points[at]);
    float high = points[at + dg] + tb * (points[at + dg + 3] - points[at + dg]);
    return low + tg * (high - low);
  }

  private float[] made() {
    Picture grid = Picture.of(new Area(0, 0, POINTS, POINTS * POINTS));
    for (int i = 0; i < grid.area().pixels(); i++) {
      grid.first().values()[i] = i / (POINTS * POINTS) / (POINTS - 1f);
      grid.second().values()[i] = i / POINTS % POINTS / (POINTS - 1f);
      grid.third().values()[i] = i % POINTS / (POINTS - 1f);
    }
    Picture seen =
        proof == null ? grid : proof.profile().proof(grid, proof.intent(), proof.blackPoint());
    Plane[] channels;
    if (display == null) {
      Picture srgb = WorkingSpace.toSrgb(seen);
      channels = new Plane[] {srgb.first(), srgb.second(), srgb.third()};
    } else {
      channels = display.encoded(seen, Intent.COLORIMETRIC, false);
    }
    float[] points = new float[3 * grid.area().pixels()];
    for (int i = 0; i < grid.area().pixels(); i++) {
      for (int c = 0; c < 3; c++) {
        points[3 * i + c] = channels[c].values()[i];
      }
    }
    return points;
  }
}
