package carezza.kernel;

import carezza.image.Area;
import carezza.image.Picture;
import carezza.mask.EvaluationContext;
import carezza.model.ShapeLayer;
import carezza.shape.Deformation;
import carezza.shape.Deformations;
import carezza.shape.Warp;

/**
 * Shape: the picture sampled where each place came from. Amount and mask say how far and what the
 * hand moves; laid over what was there, a moved picture would be seen twice.
 */
final class ShapeKernel implements LayerKernel<ShapeLayer, Measurements> {

  @Override
  public boolean blends(ShapeLayer layer) {
    return false;
  }

  @Override
  public boolean idle(ShapeLayer layer) {
    return layer.keepsTheWhole() && layer.nudges().isEmpty();
  }

  @Override
  public Effect effect(ShapeLayer layer, Measurements none, EvaluationContext context) {
    Deformation deformation = Deformations.of(layer, context);
    if (deformation.isNothing()) {
      return Effect.perPixel(own -> own);
    }
    Warp warp =
        new Warp(deformation, context.scale(), context.photograph().atLevel(context.level()));
    return new Effect() {
      @Override
      public Area needed(Area out) {
        return warp.needed(out);
      }

      @Override
      public Area changedBy(Area input) {
        return warp.changedBy(input);
      }

      @Override
      public Picture render(Picture input, Area out) {
        return warp.picture(input, out);
      }
    };
  }
}
