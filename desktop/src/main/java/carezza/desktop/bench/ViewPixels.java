package carezza.desktop.bench;

import carezza.colour.WorkingSpace;
import carezza.image.Area;
import carezza.image.Level;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.image.Rows;

/** Turns rendered planes into the view's pixels. */
final class ViewPixels {

  /** Grey that a place outside a shown mask fades to, and how far. */
  private static final float OUTSIDE_GREY = 0.46f;

  private static final float OUTSIDE_SHARE = 0.88f;

  private ViewPixels() {}

  /**
   * @param working pixels of the level's area that the view port needs
   * @param mask coverage over the same area to grey what lies outside it, or null
   * @return ARGB, opaque on the picture and clear beside it, row by row
   */
  static int[] of(Picture working, Plane mask, ViewPort port, int level) {
    int[] out = new int[port.width() * port.height()];
    Area area = working.area();
    if (area.isEmpty()) {
      return out;
    }
    Picture srgb = WorkingSpace.toSrgb(working);
    double s = Level.scale(level);
    double step = s / port.zoom();
    Rows.each(
        port.width(),
        port.height(),
        (from, to) -> {
          for (int vy = from; vy < to; vy++) {
            double y = port.y() * s + (vy + 0.5) * step;
            if (y < area.y() || y >= area.bottom()) {
              continue;
            }
            for (int vx = 0; vx < port.width(); vx++) {
              double x = port.x() * s + (vx + 0.5) * step;
              if (x >= area.x() && x < area.right()) {
                out[vy * port.width() + vx] = pixel(srgb, mask, x, y);
              }
            }
          }
        });
    return out;
  }

  private static int pixel(Picture srgb, Plane mask, double x, double y) {
    Area a = srgb.area();
    // Bilinear; indices are shared by the three planes.
    double fx = Math.clamp(x - 0.5 - a.x(), 0, a.width() - 1);
    double fy = Math.clamp(y - 0.5 - a.y(), 0, a.height() - 1);
    int x0 = (int) fx;
    int y0 = (int) fy;
    float tx = (float) (fx - x0);
    float ty = (float) (fy - y0);
    int i = y0 * a.width() + x0;
    int right = x0 + 1 < a.width() ? 1 : 0;
    int down = y0 + 1 < a.height() ? a.width() : 0;
    float w00 = (1 - tx) * (1 - ty);
    float w10 = tx * (1 - ty);
    float w01 = (1 - tx) * ty;
    float w11 = tx * ty;
    float share = 0;
    if (mask != null) {
      float[] m = mask.values();
      float covered =
          w00 * m[i] + w10 * m[i + right] + w01 * m[i + down] + w11 * m[i + down + right];
      share = OUTSIDE_SHARE * (1 - covered);
    }
    int argb = 0xFF;
    for (int c = 0; c < 3; c++) {
      float[] v = srgb.plane(c).values();
      float value = w00 * v[i] + w10 * v[i + right] + w01 * v[i + down] + w11 * v[i + down + right];
      value += share * (OUTSIDE_GREY - value);
      argb = argb << 8 | (int) (Math.clamp(value, 0f, 1f) * 255 + 0.5f);
    }
    return argb;
  }
}
