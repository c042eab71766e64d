package carezza.kernel;

import carezza.colour.Lab;
import carezza.filter.RobustStatistics;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.mask.Masks;
import carezza.model.SemanticRegion;
import carezza.model.TeethLayer;

/**
 * Teeth: b* is scaled so that its median reaches the target, but never below a quarter of the
 * person's own, a* by the root of that factor; L* is lifted with the shading kept. Unless forced,
 * the lift stops 3 above the whites of the eyes and at 8.
 */
final class TeethKernel implements LayerKernel<TeethLayer, Measurements.Tone> {

  @Override
  public boolean measures(TeethLayer layer) {
    return true;
  }

  @Override
  public Measurements.Tone measure(TeethLayer layer, Probe probe) {
    EvaluationContext context = probe.site();
    Plane everywhere =
        Masks.render(layer.attributes().mask(), context.whole(), context, probe.input());
    Plane eyes =
        context.regions().coverage(SemanticRegion.SCLERA, context.whole(), context.level());
    Area box = everywhere.covered().union(eyes.covered());
    Picture lab = Lab.of(probe.input().crop(box));
    Plane teeth = everywhere.crop(box);
    Plane sclera = eyes.crop(box);
    double top =
        RobustStatistics.median(lab.first(), sclera)
            + context.job().limit("teethLightness", "aboveSclera");
    double room = top - RobustStatistics.median(lab.first(), teeth);
    double most = context.job().limit("teethLightness", "mostRise");
    return Whitening.tone(lab, teeth, Double.isNaN(room) ? most : Math.clamp(room, 0, most));
  }

  @Override
  public TeethLayer measured(TeethLayer full) {
    return new TeethLayer(full.attributes(), 1, 0, false);
  }

  @Override
  public Effect effect(TeethLayer layer, Measurements.Tone tone, EvaluationContext context) {
    double least = context.job().limit("teethYellow", "ownShare") * tone.b();
    double yellow = tone.b() > 0 ? Whitening.factor(tone.b(), Math.max(layer.target(), least)) : 1;
    double lift = layer.force() ? layer.lift() : Math.min(layer.lift(), tone.room());
    return Effect.perPixel(
        own ->
            tone.found()
                ? Whitening.edit(
                    own,
                    lab ->
                        Whitening.apply(
                            lab,
                            Plane.filled(lab.area(), 1),
                            Math.sqrt(yellow),
                            yellow,
                            tone,
                            lift))
                : own);
  }
}
