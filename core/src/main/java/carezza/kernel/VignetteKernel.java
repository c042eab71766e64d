package carezza.kernel;

import carezza.colour.Transfer;
import carezza.function.LookupTable;
import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.mask.EvaluationContext;
import carezza.model.FaceMap;
import carezza.model.VignetteLayer;

/**
 * Vignette: linear light times 2^(stops x s), s rising by the cubic step from the radius over the
 * falloff, distances from the face as a share of the picture's half diagonal.
 */
final class VignetteKernel implements LayerKernel<VignetteLayer, Measurements> {

  /** Half diagonals that any place can be away from a face inside the picture. */
  private static final double FARTHEST = 2;

  private static final LookupTable POWER = new LookupTable(s -> Math.pow(2, s), -4, 4, 512);
  private static final LookupTable ROOT =
      new LookupTable(s -> Math.pow(2, s * Transfer.ROOT), -4, 4, 512);

  @Override
  public Effect effect(VignetteLayer layer, Measurements none, EvaluationContext context) {
    Area whole = context.whole();
    double half = Math.hypot(whole.width(), whole.height()) / 2;
    double cx = context.regions().faces().map(FaceMap::oval).map(o -> o.x()).orElse(-1.0);
    double cy = context.regions().faces().map(FaceMap::oval).map(o -> o.y()).orElse(-1.0);
    double x0 = cx < 0 ? whole.width() / 2.0 : cx * context.scale();
    double y0 = cy < 0 ? whole.height() / 2.0 : cy * context.scale();
    LookupTable stops =
        new LookupTable(
            d -> {
              double t = Math.clamp((d - layer.radius()) / layer.falloff(), 0, 1);
              return layer.stops() * t * t * (3 - 2 * t);
            },
            0,
            FARTHEST,
            1024);
    return Effect.perPixel(own -> shade(own, stops, (float) x0, (float) y0, (float) (1 / half)));
  }

  private static Picture shade(Picture own, LookupTable stops, float x0, float y0, float scale) {
    Picture out = Picture.of(own.area());
    Area area = own.area();
    ParallelRows.each(
        area.width(),
        area.height(),
        (from, to) -> {
          float[] factors = new float[area.width()];
          float[] roots = new float[area.width()];
          for (int y = from; y < to; y++) {
            float dy = area.y() + y + 0.5f - y0;
            for (int x = 0; x < area.width(); x++) {
              float dx = area.x() + x + 0.5f - x0;
              float s = stops.at((float) Math.sqrt(dx * dx + dy * dy) * scale);
              factors[x] = POWER.at(s);
              roots[x] = ROOT.at(s);
            }
            for (int c = 0; c < 3; c++) {
              float[] v = own.plane(c).values();
              float[] u = out.plane(c).values();
              int row = y * area.width();
              for (int x = 0; x < area.width(); x++) {
                u[row + x] = Transfer.times(v[row + x], factors[x], roots[x]);
              }
            }
          }
        });
    return out;
  }
}
