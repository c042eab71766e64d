package carezza.measure;

import carezza.colour.WorkingSpace;
import carezza.filter.RobustStatistics;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;

/** Pixels that the output profile cannot hold. */
final class Clipping {

  private static final float WHITE = 1 - 0.5f / 255;
  private static final float BLACK = 0.5f / 255;

  private Clipping() {}

  /** Whether a pixel is clipped whose largest encoded channel is this. */
  static boolean white(float largest) {
    return largest >= WHITE;
  }

  static boolean black(float largest) {
    return largest <= BLACK;
  }

  /**
   * 1 where a pixel has an sRGB channel at or above white, or all at or below black, to half a step
   * of eight bits; of a raw photograph also where the sensor was full, whatever was made of it
   * since.
   */
  static Plane of(Picture working, EvaluationContext context) {
    Picture srgb = WorkingSpace.toSrgb(working);
    Plane out = Plane.of(working.area());
    for (int i = 0; i < out.values().length; i++) {
      float r = srgb.first().values()[i];
      float g = srgb.second().values()[i];
      float b = srgb.third().values()[i];
      float most = Math.max(r, Math.max(g, b));
      out.values()[i] = white(most) || black(most) || full(context, working.area(), i) ? 1 : 0;
    }
    return out;
  }

  /** Whether the sensor was full at a pixel of an area. */
  static boolean full(EvaluationContext context, Area area, int i) {
    return context.sensor() != null
        && context
            .sensor()
            .isClipped(area.x() + i % area.width(), area.y() + i / area.width(), context.level());
  }

  /** Share in percent of the pixels under the coverage that are clipped; NaN of none. */
  static double share(Plane clipped, Plane where) {
    int hits = 0;
    int all = 0;
    for (int i = 0; i < where.values().length; i++) {
      if (where.values()[i] >= RobustStatistics.TAKEN_IN) {
        all++;
        hits += (int) clipped.values()[i];
      }
    }
    return all == 0 ? Double.NaN : 100.0 * hits / all;
  }
}
