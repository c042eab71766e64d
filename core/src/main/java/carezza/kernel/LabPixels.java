package carezza.kernel;

import carezza.colour.Lab;
import carezza.image.ParallelRows;
import carezza.image.Picture;

/** Effects on each pixel's L*, a*, b* by itself. */
final class LabPixels {

  private LabPixels() {}

  /** Changes one pixel in place. */
  @FunctionalInterface
  interface Change {
    void apply(float[] l, float[] a, float[] b, int i);
  }

  static Effect effect(Change change) {
    return Effect.perPixel(own -> changed(own, change));
  }

  /** The changed picture; the given one is not modified. */
  static Picture changed(Picture working, Change change) {
    Picture lab = Lab.of(working);
    float[] l = lab.first().values();
    float[] a = lab.second().values();
    float[] b = lab.third().values();
    int w = lab.area().width();
    ParallelRows.each(
        w,
        lab.area().height(),
        (from, to) -> {
          for (int i = from * w; i < to * w; i++) {
            change.apply(l, a, b, i);
          }
        });
    return Lab.toWorking(lab);
  }

  /** 0 below the first value, 1 from the second, smoothly between. */
  static float rise(float v, float from, float to) {
    float t = (v - from) / (to - from);
    if (t <= 0) {
      return 0;
    }
    return t >= 1 ? 1 : t * t * (3 - 2 * t);
  }
}
