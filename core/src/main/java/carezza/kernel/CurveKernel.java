package carezza.kernel;

import java.util.List;

import org.jspecify.annotations.Nullable;

import carezza.colour.MonotoneCurve;
import carezza.colour.MonotoneCurve.Point;
import carezza.function.LookupTable;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.model.CurveLayer;

/**
 * Curves: first on luma, channels in ratio, then on each channel (Fritsch and Carlson 1980), last a
 * toe that lifts black.
 */
final class CurveKernel implements LayerKernel<CurveLayer, Measurements> {

  @Override
  public Effect effect(CurveLayer layer, Measurements none, EvaluationContext context) {
    Luminance.Curve luminance =
        straight(layer.luminance())
            ? null
            : new Luminance.Curve(new MonotoneCurve(layer.luminance())::at);
    LookupTable toe = layer.matte() == 0 ? null : toe(layer.matte()).table();
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
  private static @Nullable LookupTable table(List<Point> points) {
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

  /** A curve from black raised to {@code matte}, that meets the straight line with its slope. */
  static MonotoneCurve toe(double matte) {
    return new MonotoneCurve(
        List.of(
            new MonotoneCurve.Point(0, matte),
            new MonotoneCurve.Point(1.2 * matte, 1.55 * matte),
            new MonotoneCurve.Point(
                Math.min(0.9, 3 * matte + 0.02), Math.min(0.9, 3 * matte + 0.02) + 0.02 * matte),
            new MonotoneCurve.Point(1, 1)));
  }
}
