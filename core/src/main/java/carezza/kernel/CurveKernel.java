package carezza.kernel;

import java.util.List;

import carezza.colour.MonotoneCurve;
import carezza.colour.MonotoneCurve.Point;
import carezza.function.LookupTable;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.model.CurveLayer;

/** Curves: first on luma, channels in ratio, then on each channel (Fritsch and Carlson 1980), last a toe that lifts black. */
final class CurveKernel {

  private CurveKernel() {}

  static Effect effect(CurveLayer layer) {
    Luminance.Curve luminance =
        straight(layer.luminance())
            ? null
            : new Luminance.Curve(new MonotoneCurve(layer.luminance())::at);
    LookupTable toe = layer.matte() == 0 ? null : ColourKernels.toe(layer.matte()).table();
    LookupTable[] channels = {table(layer.red()), table(layer.green()), table(layer.blue())};
    return Effect.perPixel(
        own -> {
          Picture out = luminance == null ? own.copy() : luminance.apply(own);
          for (int c = 0; c < 3; c++) {
            if (channels[c] != null) {
              apply(channels[c], out.plane(c));
            }
            if (toe != null) {
              apply(toe, out.plane(c));
            }
          }
          return out;
        });
  }

  private static boolean straight(List<Point> points) {
    return points.stream().allMatch(p -> p.x() == p.y());
  }

  /** Null for the straight curve, which changes nothing. */
  private static LookupTable table(List<Point> points) {
    return straight(points) ? null : new MonotoneCurve(points).table();
  }

  private static void apply(LookupTable curve, Plane plane) {
    float[] v = plane.values();
    int w = plane.width();
    ParallelRows.each(
        w,
        plane.height(),
        (from, to) -> {
          for (int i = from * w; i < to * w; i++) {
            v[i] = curve.at(v[i]);
          }
        });
  }
}
