package carezza.kernel;

import carezza.model.LipsLayer;

/**
 * Lips: chroma is scaled so that its median reaches the target, hue turned, L* lifted with the shading
 * kept; lights keep their own colour. Unless forced, chroma's median changes by no more than
 * {@value #MOST_CHROMA} and the lift stays within {@value #MOST_LIFT}.
 */
final class LipsKernel {

  private static final double MOST_CHROMA = 12;
  private static final double MOST_LIFT = 4;

  /** L* above the median over which a light passes into white. */
  private static final float SHINE = 22;

  private LipsKernel() {}

  static Effect effect(LipsLayer layer, Measurements.Tone tone) {
    if (!tone.found()) {
      return Effect.perPixel(own -> own);
    }
    double chroma = Math.max(1, Math.hypot(tone.a(), tone.b()));
    double room = layer.force() ? 100 : MOST_CHROMA;
    double target = Math.clamp(layer.target(), chroma - room, chroma + room);
    float factor = (float) (target / chroma);
    double most = layer.force() ? 100 : MOST_LIFT;
    float lift = (float) Math.clamp(layer.lift(), -most, most);
    float middle = (float) Math.clamp(tone.l(), 1, 99);
    return LabPixels.effect(
        (l, a, b, i) -> {
          float colour = 1 - LabPixels.rise(l[i], middle + 6, middle + SHINE);
          HueBandsKernel.turned(
              a, b, i, colour * (float) layer.turn(), 1 + colour * (factor - 1));
          float share = l[i] < middle ? l[i] / middle : (100 - l[i]) / (100 - middle);
          l[i] += lift * Math.clamp(share, 0, 1);
        });
  }
}
