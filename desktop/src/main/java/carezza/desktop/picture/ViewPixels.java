package carezza.desktop.picture;

import java.util.Arrays;

import org.jspecify.annotations.Nullable;

import carezza.codec.ScreenColour;
import carezza.image.Area;
import carezza.image.Level;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;

/** Turns rendered planes into the view's pixels. */
public final class ViewPixels {

  private ViewPixels() {}

  /** No picture anywhere. */
  public static PixelPatch clear(ViewPort port) {
    return new PixelPatch(
        new Area(0, 0, port.width(), port.height()), new int[port.width() * port.height()]);
  }

  /** A picture as it is, pixel by pixel. */
  public static PixelPatch of(Picture working, ScreenColour screen) {
    Picture shown = screen.shown(working);
    int w = shown.area().width();
    int[] out = new int[shown.area().pixels()];
    ParallelRows.each(
        w,
        shown.area().height(),
        (from, to) -> {
          Arrays.fill(out, from * w, to * w, 0xFF);
          for (int c = 0; c < 3; c++) {
            float[] v = shown.plane(c).values();
            for (int i = from * w; i < to * w; i++) {
              out[i] = out[i] << 8 | level(v[i]);
            }
          }
        });
    return new PixelPatch(shown.area(), out);
  }

  /**
   * @param working pixels of the level's area that the view port needs
   * @param mask coverage over the same area to be shown, or null
   * @param view how
   * @param screen how colours come to the screen
   * @param changed the part of that area to show; all of it stands for the whole view
   * @return ARGB, opaque on the picture and clear beside it
   */
  public static PixelPatch of(
      Picture working,
      @Nullable Plane mask,
      MaskView view,
      ScreenColour screen,
      ViewPort port,
      int level,
      Area changed) {
    Area area = working.area();
    if (area.isEmpty()) {
      return clear(port);
    }
    double s = Level.scale(level);
    double step = s / port.zoom();
    Area part =
        changed.equals(area) ? new Area(0, 0, port.width(), port.height()) : seen(changed, port, s);
    // With the pixels around that interpolation mixes in.
    Picture srgb = screen.shown(working.crop(changed.grow(2).intersect(area)));
    int[] out = new int[part.pixels()];
    Steps across =
        new Steps(
            part.x(),
            part.width(),
            port.x() * s,
            step,
            area.x(),
            area.right(),
            srgb.area().x(),
            srgb.area().right());
    Steps down =
        new Steps(
            part.y(),
            part.height(),
            port.y() * s,
            step,
            area.y(),
            area.bottom(),
            srgb.area().y(),
            srgb.area().bottom());
    ParallelRows.each(
        part.width(),
        part.height(),
        (from, to) -> {
          for (int row = Math.max(from, down.first); row < Math.min(to, down.end); row++) {
            row(srgb, mask, view, across, down, row, out, row * part.width());
          }
        });
    return new PixelPatch(part, out);
  }

  /** Where a row or column of view pixels falls between pixels of the level. */
  private static final class Steps {
    final int[] near;
    final int[] far;
    final float[] weight;

    /** View pixels, from the first of the part, that lie on the picture. */
    final int first;

    final int end;

    Steps(int from, int count, double origin, double step, int low, int high, int start, int stop) {
      near = new int[count];
      far = new int[count];
      weight = new float[count];
      int begin = count;
      int last = 0;
      for (int i = 0; i < count; i++) {
        double at = origin + (from + i + 0.5) * step;
        if (at < low || at >= high) {
          continue;
        }
        begin = Math.min(begin, i);
        last = i + 1;
        double f = Math.clamp(at - 0.5, start, stop - 1);
        near[i] = (int) Math.floor(f) - start;
        far[i] = Math.min(near[i] + 1, stop - 1 - start);
        weight[i] = (float) (f - Math.floor(f));
      }
      first = begin;
      end = last;
    }
  }

  /** Bilinear; the mask, where there is one, lies over the same area as the picture. */
  private static void row(
      Picture srgb,
      @Nullable Plane mask,
      MaskView view,
      Steps across,
      Steps down,
      int row,
      int[] out,
      int start) {
    int width = srgb.area().width();
    int top = down.near[row] * width;
    int bottom = down.far[row] * width;
    float ty = down.weight[row];
    Arrays.fill(out, start + across.first, start + across.end, 0xFF);
    for (int c = 0; c < 3; c++) {
      float[] v = srgb.plane(c).values();
      float[] m = mask == null ? null : mask.values();
      for (int x = across.first; x < across.end; x++) {
        float value = between(v, top, bottom, across, x, ty);
        if (m != null) {
          value = view.shown(value, between(m, top, bottom, across, x, ty), x, row);
        }
        out[start + x] = out[start + x] << 8 | level(value);
      }
    }
  }

  private static int level(float value) {
    return (int) (Math.max(0f, Math.min(1f, value)) * 255 + 0.5f);
  }

  private static float between(float[] v, int top, int bottom, Steps across, int x, float ty) {
    int near = across.near[x];
    int far = across.far[x];
    float tx = across.weight[x];
    float above = v[top + near] + tx * (v[top + far] - v[top + near]);
    float below = v[bottom + near] + tx * (v[bottom + far] - v[bottom + near]);
    return above + ty * (below - above);
  }

  /** View pixels that pixels of a level, and the interpolation between them, can change. */
  private static Area seen(Area changed, ViewPort port, double scale) {
    Area wide = changed.grow(1);
    return Area.around(
            port.viewX(wide.x() / scale),
            port.viewY(wide.y() / scale),
            port.viewX(wide.right() / scale),
            port.viewY(wide.bottom() / scale))
        .intersect(new Area(0, 0, port.width(), port.height()));
  }
}
