package carezza.kernel;

import carezza.mask.EvaluationContext;
import carezza.model.LipsLayer;

/**
 * Lips: chroma is scaled so that its median reaches the target, hue turned, L* lifted with the
 * shading kept; lights keep their own colour. Unless forced, the change of chroma's median and the
 * lift stay within the job's limits.
 */
final class LipsKernel implements MedianKernel<LipsLayer> {

  /** L* above the median over which a light passes into white. */
  private static final float SHINE = 22;

  @Override
  public LipsLayer measured(LipsLayer full) {
    return new LipsLayer(full.attributes(), 5, 0, 0, false);
  }

  @Override
  public Effect effect(LipsLayer layer, Measurements.Tone tone, EvaluationContext context) {
    if (!tone.found()) {
      return Effect.perPixel(own -> own);
    }
    double chroma = Math.max(1, Math.hypot(tone.a(), tone.b()));
    double room = layer.force() ? 100 : context.job().limit("lips", "mostChroma");
    double target = Math.clamp(layer.target(), chroma - room, chroma + room);
    float factor = (float) (target / chroma);
    double most = layer.force() ? 100 : context.job().limit("lips", "mostLift");
    float lift = (float) Math.clamp(layer.lift(), -most, most);
    float middle = (float) Math.clamp(tone.l(), 1, 99);
    return LabPixels.effect(
        (l, a, b, i) -> {
          float colour = 1 - LabPixels.rise(l[i], middle + 6, middle + SHINE);
          Hues.turn(a, b, i, colour * (float) layer.turn(), 1 + colour * (factor - 1));
          float share = l[i] < middle ? l[i] / middle : (100 - l[i]) / (100 - middle);
          l[i] += lift * Math.clamp(share, 0, 1);
        });
  }
}
