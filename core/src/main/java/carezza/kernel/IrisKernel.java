package carezza.kernel;

import carezza.colour.Lab;
import carezza.filter.GaussianBlur;
import carezza.image.Area;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.model.IrisLayer;

/**
 * Irises and the lights in them. Local contrast grows about the lightness around; middle tones are
 * lifted, so pupil, rim and catchlights stay as they are. Catchlights are what lies far above the
 * iris' median; they go a share of the way to white, so where there is none none is made.
 */
final class IrisKernel implements MedianKernel<IrisLayer> {

  /** Sigma of what counts as around, as a share of the face width. */
  private static final double AROUND = 1 / 70.0;

  /**
   * L* above the median from which a place is a light in the eye, and from which it is all light.
   */
  static final float LIGHT_FROM = 18;

  static final float LIGHT = 34;

  @Override
  public IrisLayer measured(IrisLayer full) {
    return new IrisLayer(full.attributes(), 0, 0, 0, false);
  }

  @Override
  public Effect effect(IrisLayer layer, Measurements.Tone tone, EvaluationContext context) {
    if (!tone.found()) {
      return Effect.perPixel(own -> own);
    }
    double sigma = Math.max(0.5, context.faceWidth() * AROUND);
    float gain =
        (float)
            (layer.force()
                ? layer.contrast()
                : Math.min(context.job().limit("iris", "mostContrast"), layer.contrast()));
    float lift =
        (float)
            (layer.force()
                ? layer.lift()
                : Math.min(context.job().limit("iris", "mostLift"), layer.lift()));
    float chroma = (float) layer.chroma();
    float middle = (float) Math.clamp(tone.l(), 5, 95);
    return Effect.reaching(
        GaussianBlur.reach(sigma),
        (input, out) -> {
          Area read = out.grow(GaussianBlur.reach(sigma)).intersect(input.area());
          Plane around = GaussianBlur.blur(Lab.lightness(input.crop(read)), sigma).crop(out);
          return LabPixels.changed(
              input.crop(out),
              (l, a, b, i) -> {
                float light = 1 - LabPixels.rise(l[i], middle + LIGHT_FROM, middle + LIGHT);
                // Full at the median, nothing in the pupil's dark.
                float tones = LabPixels.rise(l[i], 0.35f * middle, middle);
                l[i] += light * (gain * (l[i] - around.values()[i]) + lift * tones);
                a[i] *= 1 + light * chroma;
                b[i] *= 1 + light * chroma;
              });
        });
  }
}
