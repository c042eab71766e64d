package carezza.mask;

import carezza.colour.Lab;
import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;

/**
 * What the layers below made of the picture, for masks that follow one of them. Safe for many
 * threads.
 */
@FunctionalInterface
public interface LayerChanges {

  /** No layer changed anything. */
  LayerChanges NONE = (layer, area, level) -> Plane.of(area);

  /**
   * How far a layer's result is from its input.
   *
   * @param layer id; 0 everywhere if no such layer lies below
   * @param area in pixels of the level, inside the picture
   * @return ΔE*ab, the caller's own
   */
  Plane of(String layer, Area area, int level);

  /**
   * ΔE*ab (CIE 1976) pixel by pixel between two pictures over the same area; neither is modified.
   */
  static Plane between(Picture before, Picture after) {
    Picture was = Lab.of(before);
    Picture is = Lab.of(after);
    Plane out = Plane.of(before.area());
    float[] far = out.values();
    int w = before.area().width();
    ParallelRows.each(
        w,
        before.area().height(),
        (from, to) -> {
          for (int i = from * w; i < to * w; i++) {
            float l = is.first().values()[i] - was.first().values()[i];
            float a = is.second().values()[i] - was.second().values()[i];
            float b = is.third().values()[i] - was.third().values()[i];
            far[i] = (float) Math.sqrt(l * l + a * a + b * b);
          }
        });
    return out;
  }
}
