package carezza.session;

import java.util.List;
import java.util.Optional;

import carezza.colour.Lab;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.kernel.LayerCoverage;
import carezza.kernel.Measurements;
import carezza.mask.EvaluationContext;
import carezza.mask.Masks;
import carezza.measure.ColourPlot;
import carezza.measure.EndPoints;
import carezza.measure.Gauge;
import carezza.measure.Matching;
import carezza.measure.NeutralHint;
import carezza.measure.ToneHistogram;
import carezza.model.Layer;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.ScleraLayer;
import carezza.model.SemanticRegion;
import carezza.model.SkinMatchLayer;
import carezza.model.Stage;
import carezza.model.TeethLayer;
import carezza.render.RenderInput;
import carezza.render.Renderer;
import carezza.render.Renderer.Readiness;

/** What is measured of colour on a photograph at work. Safe for many threads. */
public final class ColourAdvice {

  /** Rounds in which a target is brought back into its band. */
  private static final int ROUNDS = 4;

  /** How far inside its band a target is set. */
  private static final double INSIDE = 0.4;

  private final Session session;

  ColourAdvice(Session session) {
    this.session = session;
  }

  private EvaluationContext site(RenderInput scene) {
    Renderer renderer = session.renderer();
    return renderer.site(scene, Renderer.analysisLevel(renderer.site(scene, 0).faceWidth()));
  }

  private Picture whole(RenderInput scene, EvaluationContext context, Cancellation cancellation) {
    return session
        .renderer()
        .render(scene, context.whole(), context.level(), Readiness.QUICK, cancellation);
  }

  private Picture below(
      RenderInput scene, String layer, EvaluationContext context, Cancellation cancellation) {
    return whole(scene.below(layer), context, cancellation);
  }

  /** What a layer measured on what it gets. */
  public Measurements readings(Project project, String layer, Cancellation cancellation) {
    RenderInput scene = session.scene(project);
    return session.renderer().readings(scene.upTo(layer), layer, cancellation);
  }

  /** Where black and white can be set in what a layer gets before anything clips. */
  public EndPoints endPoints(Project project, String layer, Cancellation cancellation) {
    RenderInput scene = session.scene(project);
    return EndPoints.of(below(scene, layer, site(scene), cancellation));
  }

  /** Places in what a layer gets that are likely to be neutral, the likeliest first. */
  public List<NeutralHint> neutrals(Project project, String layer, Cancellation cancellation) {
    RenderInput scene = session.scene(project);
    EvaluationContext context = site(scene);
    return NeutralHint.of(below(scene, layer, context, cancellation), context);
  }

  /** The colours that a layer gets where it acts. */
  public ColourPlot colours(Project project, String layer, Cancellation cancellation) {
    RenderInput scene = session.scene(project);
    EvaluationContext context = site(scene);
    Picture input = below(scene, layer, context, cancellation);
    Layer own = scene.stack().find(layer).orElseThrow();
    return ColourPlot.of(Lab.of(input), LayerCoverage.of(own, context.whole(), context, input));
  }

  /** How far the skin of a match lies from the one that it follows, before and after. */
  public Matching matched(Project project, String layer, Cancellation cancellation) {
    RenderInput scene = session.scene(project);
    EvaluationContext context = site(scene);
    Picture before = below(scene, layer, context, cancellation);
    Picture after = whole(scene.upTo(layer), context, cancellation);
    SkinMatchLayer own = (SkinMatchLayer) scene.stack().find(layer).orElseThrow();
    Plane off = Masks.render(own.attributes().mask(), context.whole(), context, before);
    Plane follow = Masks.render(own.follow(), context.whole(), context, before);
    return Matching.of(Lab.of(before), Lab.of(after), off, follow);
  }

  /**
   * Tones of the finished picture, or of what is shown of it.
   *
   * @param layers how many of them
   * @param region where, or null for everywhere
   */
  public ToneHistogram tones(
      Project project, int layers, SemanticRegion region, Cancellation cancellation) {
    RenderInput scene = session.scene(project);
    EvaluationContext context = site(scene);
    Picture picture = whole(scene.through(layers), context, cancellation);
    Plane where =
        region == null
            ? Plane.filled(context.whole(), 1)
            : scene.regions().coverage(region, context.whole(), context.level());
    return ToneHistogram.of(picture, where);
  }

  /** Colours of a place as settled and as finished. */
  public record Pinned(Lab settled, Lab finished) {}

  /** Mean colours about a place, over five pixels each way. */
  public Optional<Pinned> pinned(Project project, Point place, Cancellation cancellation) {
    Area area =
        Area.around(place.x() - 2.5, place.y() - 2.5, place.x() + 2.5, place.y() + 2.5)
            .intersect(session.size().area());
    if (area.isEmpty()) {
      return Optional.empty();
    }
    RenderInput scene = session.measured(project);
    RenderInput settled = scene.through(scene.stack().through(Stage.SETTLE));
    return Optional.of(
        new Pinned(mean(settled, area, cancellation), mean(scene, area, cancellation)));
  }

  private Lab mean(RenderInput scene, Area area, Cancellation cancellation) {
    Picture lab = Lab.of(session.renderer().render(scene, area, 0, Readiness.QUICK, cancellation));
    double[] sum = new double[3];
    for (int c = 0; c < 3; c++) {
      for (float v : lab.plane(c).values()) {
        sum[c] += v / area.pixels();
      }
    }
    return new Lab(sum[0], sum[1], sum[2]);
  }

  /**
   * A layer of teeth or of the whites of the eyes with its aims set so that they end inside their
   * bands, whatever the layers above it do; itself where they do already.
   */
  public Layer reaimed(Project project, String layer, Cancellation cancellation) {
    Project aimed = project;
    for (int round = 0; round < ROUNDS; round++) {
      List<Gauge> gauges = session.readings().tones(aimed, cancellation);
      Layer own = aimed.stack().find(layer).orElseThrow();
      Layer next =
          switch (own) {
            case TeethLayer l ->
                new TeethLayer(
                    l.attributes(),
                    Math.clamp(l.target() + off(gauges, "teethYellow"), 1, 20),
                    Math.clamp(l.lift() + least(gauges, "teethLightness", "teethGlow"), 0, 15),
                    l.force());
            case ScleraLayer l ->
                new ScleraLayer(
                    l.attributes(),
                    Math.clamp(l.target() + off(gauges, "scleraYellow"), -1, 15),
                    l.redness(),
                    Math.clamp(l.lift() + least(gauges, "scleraLightness", "eyeGlow"), 0, 12),
                    l.balance(),
                    l.force());
            default -> throw new IllegalArgumentException("No aims in " + own.getClass());
          };
      if (next.equals(own)) {
        return own;
      }
      aimed = aimed.edit(layer, l -> next);
    }
    return aimed.stack().find(layer).orElseThrow();
  }

  /** What brings the one that is farther above its band back inside. */
  private static double least(List<Gauge> gauges, String one, String other) {
    return Math.min(off(gauges, one), off(gauges, other));
  }

  /** What brings a gauge back inside its band; 0 where it is inside. */
  private static double off(List<Gauge> gauges, String id) {
    return gauges.stream()
        .filter(g -> g.id().equals(id))
        .findFirst()
        .map(
            g ->
                switch (g.verdict()) {
                  case BELOW -> g.requiredBand().low() + INSIDE - g.after();
                  case ABOVE -> g.requiredBand().high() - INSIDE - g.after();
                  case INSIDE, OPEN -> 0.0;
                })
        .orElse(0.0);
  }
}
