package carezza.codec;

import org.jspecify.annotations.Nullable;

import carezza.colour.Lab;
import carezza.colour.WorkingSpace;
import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.press.Intent;

/**
 * How working colours come to a screen: as sRGB, or by the display's own profile; and as they are,
 * or as they would look in the colour space of a file. Anything but plain sRGB goes by a table of
 * working colours, interpolated linearly. What a file's colour space does not hold may be marked by
 * a hatching of black and white, which no photograph has.
 */
public final class ScreenColour {

  /** Plain sRGB, for screens whose profile is not known. */
  public static final ScreenColour SRGB = new ScreenColour(null, null, null);

  /** Points of the table along each channel. */
  private static final int POINTS = 33;

  /** The bit of a place along the diagonal that black and white take turns by. */
  private static final int HATCH = 4;

  private final @Nullable OutputProfile display;
  private final @Nullable OutputColour proof;
  private final @Nullable OutputColour marked;
  private volatile float @Nullable [] table;
  private volatile float @Nullable [] beyond;

  private ScreenColour(
      @Nullable OutputProfile display,
      @Nullable OutputColour proof,
      @Nullable OutputColour marked) {
    this.display = display;
    this.proof = proof;
    this.marked = marked;
  }

  /** The same shown by a display's profile; null is sRGB. */
  public ScreenColour on(@Nullable OutputProfile newDisplay) {
    return new ScreenColour(newDisplay, proof, marked);
  }

  /** The same as it would look in a file's colours; null is as it is. */
  public ScreenColour proofing(@Nullable OutputColour newProof) {
    return new ScreenColour(display, newProof, marked);
  }

  /** The same with what a file's colour space does not hold hatched; null marks nothing. */
  public ScreenColour marking(@Nullable OutputColour newMarked) {
    return new ScreenColour(display, proof, newMarked);
  }

  /** Encoded channels of the screen, 0 … 1 where it can show them; a new picture. */
  public Picture shown(Picture working) {
    Picture out =
        display == null && proof == null ? WorkingSpace.toSrgb(working) : byTable(working);
    OutputColour file = marked;
    if (file != null) {
      mark(working, file, out);
    }
    return out;
  }

  private void mark(Picture working, OutputColour file, Picture out) {
    float[] known = beyond;
    float[] points = known == null ? distances(file) : known;
    beyond = points;
    Area area = working.area();
    int w = area.width();
    ParallelRows.each(
        w,
        area.height(),
        (from, to) -> {
          for (int i = from * w; i < to * w; i++) {
            if (at(points, 1, 0, working, i) > OutputCheck.SEEN) {
              int along = area.x() + i % w + area.y() + i / w;
              float tone = (along & HATCH) == 0 ? 0 : 1;
              for (int c = 0; c < 3; c++) {
                out.plane(c).values()[i] = tone;
              }
            }
          }
        });
  }

  /** How far each colour of the table is from what the file's space makes of it, in ΔE*ab. */
  private static float[] distances(OutputColour file) {
    Picture grid = grid();
    Picture is = Lab.of(grid);
    Picture becomes = Lab.of(file.profile().proof(grid, file.intent(), file.blackPoint()));
    float[] points = new float[grid.area().pixels()];
    for (int i = 0; i < points.length; i++) {
      points[i] = (float) OutputCheck.distance(is, becomes, i);
    }
    return points;
  }

  private Picture byTable(Picture working) {
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
            for (int c = 0; c < 3; c++) {
              out.plane(c).values()[i] = at(points, 3, c, working, i);
            }
          }
        });
    return out;
  }

  /**
   * @param channels of the table's points
   * @param c the one that is read
   */
  private static float at(float[] points, int channels, int c, Picture working, int i) {
    float r = Math.clamp(working.first().values()[i], 0f, 1f) * (POINTS - 1);
    float g = Math.clamp(working.second().values()[i], 0f, 1f) * (POINTS - 1);
    float b = Math.clamp(working.third().values()[i], 0f, 1f) * (POINTS - 1);
    int r0 = Math.min((int) r, POINTS - 2);
    int g0 = Math.min((int) g, POINTS - 2);
    int b0 = Math.min((int) b, POINTS - 2);
    int at = channels * ((r0 * POINTS + g0) * POINTS + b0) + c;
    int dg = channels * POINTS;
    float near = plane(points, at, channels, dg, g - g0, b - b0);
    float far = plane(points, at + dg * POINTS, channels, dg, g - g0, b - b0);
    return near + (r - r0) * (far - near);
  }

  private static float plane(float[] points, int at, int db, int dg, float tg, float tb) {
    float low = points[at] + tb * (points[at + db] - points[at]);
    float high = points[at + dg] + tb * (points[at + dg + db] - points[at + dg]);
    return low + tg * (high - low);
  }

  private float[] made() {
    Picture grid = grid();
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

  /** All points of the table as working colours. */
  private static Picture grid() {
    Picture grid = Picture.of(new Area(0, 0, POINTS, POINTS * POINTS));
    for (int i = 0; i < grid.area().pixels(); i++) {
      grid.first().values()[i] = i / (POINTS * POINTS) / (POINTS - 1f);
      grid.second().values()[i] = i / POINTS % POINTS / (POINTS - 1f);
      grid.third().values()[i] = i % POINTS / (POINTS - 1f);
    }
    return grid;
  }
}
