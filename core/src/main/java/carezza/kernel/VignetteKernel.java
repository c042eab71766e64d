package carezza.kernel;

import carezza.colour.Transfer;
import carezza.function.LookupTable;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.mask.EvaluationContext;
import carezza.model.FaceMap;
import carezza.model.Point;
import carezza.model.VignetteLayer;

/**
 * Vignette: linear light times 2^(stops x s). Distances are shares of the picture's half diagonal,
 * in ovals of the same area as their circles. Of a ring, s rises by the cubic step from the radius
 * over the falloff. Of a lamp at height h over the place, light is 1 / (1 + (d/h)²), the inverse
 * square of the way to it, in stops scaled so that s is 1 at one half diagonal.
 */
final class VignetteKernel implements LayerKernel<VignetteLayer, Measurements> {

  /** Half diagonals within which places differ; a ring is over by then. */
  private static final double FARTHEST = 4;

  /** Steps for each half diagonal that light is tabled in. */
  private static final int STEPS = 1024;

  /** Half diagonals that a lamp is away at least. */
  private static final double NEAREST = 0.05;

  @Override
  public Effect effect(VignetteLayer layer, Measurements none, EvaluationContext context) {
    Area whole = context.whole();
    double half = Math.hypot(whole.width(), whole.height()) / 2;
    Point middle = middle(layer, context);
    LookupTable factor =
        new LookupTable(d -> Math.pow(2, layer.stops() * share(layer, d)), 0, FARTHEST, STEPS);
    LookupTable root =
        new LookupTable(
            d -> Math.pow(2, layer.stops() * share(layer, d) * Transfer.ROOT), 0, FARTHEST, STEPS);
    double wider = Math.sqrt(layer.breadth());
    float across = (float) (1 / (half * wider));
    float down = (float) (wider / half);
    return Effect.perPixel(own -> shade(own, factor, root, middle, across, down));
  }

  /** In pixels of the level. */
  private static Point middle(VignetteLayer layer, EvaluationContext context) {
    if (layer.centre() != null) {
      return layer.centre().scaled(context.scale());
    }
    return context
        .regions()
        .faces()
        .map(FaceMap::oval)
        .map(o -> new Point(o.x(), o.y()).scaled(context.scale()))
        .orElse(new Point(context.whole().width() / 2.0, context.whole().height() / 2.0));
  }

  private static double share(VignetteLayer layer, double d) {
    return switch (layer.law()) {
      case RING -> {
        double t = Math.clamp((d - layer.radius()) / layer.falloff(), 0, 1);
        yield t * t * (3 - 2 * t);
      }
      case LAMP -> {
        double h = Math.max(NEAREST, layer.radius());
        yield Math.log1p(d * d / (h * h)) / Math.log1p(1 / (h * h));
      }
    };
  }

  /**
   * @param factor on light by distance in half diagonals
   * @param root the factor to the power {@link Transfer#ROOT}
   * @param across share of the half diagonal for a pixel
   */
  private static Picture shade(
      Picture own, LookupTable factor, LookupTable root, Point middle, float across, float down) {
    float x0 = (float) middle.x();
    float y0 = (float) middle.y();
    Area area = own.area();
    return Luminance.times(
        own,
        (row, factors, roots) -> {
          float dy = (area.y() + row / area.width() + 0.5f - y0) * down;
          for (int x = 0; x < area.width(); x++) {
            float dx = (area.x() + x + 0.5f - x0) * across;
            float d = (float) Math.sqrt(dx * dx + dy * dy);
            factors[x] = factor.at(d);
            roots[x] = root.at(d);
          }
        });
  }
}
