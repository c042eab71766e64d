package carezza.kernel;

import carezza.colour.Lab;
import carezza.filter.RobustStatistics;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.mask.Masks;
import carezza.model.FaceMap;
import carezza.model.Point;
import carezza.model.ScleraLayer;
import carezza.model.SemanticRegion;

/**
 * Whites of the eyes: each eye's b* is scaled so that its median reaches the target, its a* by the
 * redness strength, so veins grow fainter but stay; L* is lifted with the shading kept. Unless
 * forced, the lift stops at the 98th percentile of the face's skin and at the job's limit.
 */
final class ScleraKernel implements LayerKernel<ScleraLayer, Measurements.Eyes> {

  private static final double SKIN_LIGHTS = 0.98;

  @Override
  public boolean measures(ScleraLayer layer) {
    return true;
  }

  @Override
  public Measurements.Eyes measure(ScleraLayer layer, Probe probe) {
    EvaluationContext context = probe.site();
    Plane skin =
        context.regions().coverage(SemanticRegion.FACE_SKIN, context.whole(), context.level());
    Area face = skin.covered();
    double[] tones =
        RobustStatistics.values(Lab.lightness(probe.input().crop(face)), skin.crop(face));
    double top = RobustStatistics.quantile(tones, SKIN_LIGHTS);
    Plane everywhere =
        Masks.render(layer.attributes().mask(), context.whole(), context, probe.input());
    Area eyes = everywhere.covered();
    Plane mask = everywhere.crop(eyes);
    Picture lab = Lab.of(probe.input().crop(eyes));
    // Both eyes together may not pass the lights of the skin either.
    double room = top - RobustStatistics.median(lab.first(), mask);
    return new Measurements.Eyes(
        eye(lab, mask, context, true, top, room), eye(lab, mask, context, false, top, room), top);
  }

  private static Measurements.Tone eye(
      Picture lab, Plane mask, EvaluationContext context, boolean left, double top, double both) {
    Plane own = side(context, mask.area(), left).times(mask);
    double room = Math.min(both, top - RobustStatistics.median(lab.first(), own));
    return Whitening.tone(
        lab,
        own,
        Double.isNaN(room)
            ? 0
            : Math.clamp(room, 0, context.job().limit("scleraLightness", "mostRise")));
  }

  private static double lift(ScleraLayer layer, Measurements.Tone own) {
    return layer.force() ? layer.lift() : Math.min(layer.lift(), own.room());
  }

  /** The darker eye is lifted by a share of the difference as well. */
  private static double balanced(
      ScleraLayer layer,
      Measurements.Tone own,
      Measurements.Tone other,
      double lights,
      double most) {
    double lift = lift(layer, own);
    if (!own.found() || !other.found() || layer.balance() == 0) {
      return lift;
    }
    double more = layer.balance() * Math.max(0, other.l() + lift(layer, other) - own.l() - lift);
    double room = layer.force() ? more : Math.clamp(lights - own.l() - lift, 0, most);
    return lift + Math.min(more, room);
  }

  /** 1 nearer to this eye than to the other; everything is left where there is no face map. */
  private static Plane side(EvaluationContext context, Area area, boolean left) {
    FaceMap faces = context.regions().faces().orElse(null);
    if (faces == null) {
      return Plane.filled(area, left ? 1 : 0);
    }
    Plane out = Plane.of(area);
    double scale = context.scale();
    for (int y = area.y(); y < area.bottom(); y++) {
      for (int x = area.x(); x < area.right(); x++) {
        Point at = new Point((x + 0.5) / scale, (y + 0.5) / scale);
        boolean nearLeft = at.distance(faces.leftPupil()) < at.distance(faces.rightPupil());
        out.values()[out.index(x, y)] = nearLeft == left ? 1 : 0;
      }
    }
    return out;
  }

  @Override
  public ScleraLayer measured(ScleraLayer full) {
    return new ScleraLayer(full.attributes(), 0, 0, 0, 0, false);
  }

  @Override
  public Effect effect(ScleraLayer layer, Measurements.Eyes eyes, EvaluationContext context) {
    double most = context.job().limit("scleraBalance", "high");
    double left = balanced(layer, eyes.left(), eyes.right(), eyes.lights(), most);
    double right = balanced(layer, eyes.right(), eyes.left(), eyes.lights(), most);
    return Effect.perPixel(
        own ->
            Whitening.edit(
                own,
                lab -> {
                  clear(layer, eyes.left(), left, lab, side(context, lab.area(), true));
                  clear(layer, eyes.right(), right, lab, side(context, lab.area(), false));
                }));
  }

  private static void clear(
      ScleraLayer layer, Measurements.Tone tone, double lift, Picture lab, Plane where) {
    if (!tone.found()) {
      return;
    }
    double yellow = tone.b() > 0 ? Whitening.factor(tone.b(), Math.max(0.5, layer.target())) : 1;
    double red = tone.a() > 0 ? 1 - layer.redness() : 1;
    Whitening.apply(lab, where, red, yellow, tone, lift);
  }
}
