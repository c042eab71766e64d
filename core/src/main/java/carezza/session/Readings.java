package carezza.session;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import org.jspecify.annotations.Nullable;

import carezza.colour.Lab;
import carezza.filter.RobustStatistics;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Level;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.kernel.LayerCoverage;
import carezza.mask.EvaluationContext;
import carezza.mask.Masks;
import carezza.measure.EndPoints;
import carezza.measure.Gauge;
import carezza.measure.GaugeReader;
import carezza.measure.SkinGauges;
import carezza.measure.fault.CastEstimate;
import carezza.measure.fault.ExposureEstimate;
import carezza.model.FrequencySeparationLayer;
import carezza.model.Layer;
import carezza.model.Mask.Quantity;
import carezza.model.Project;
import carezza.model.SemanticRegion;
import carezza.model.Stage;
import carezza.overlay.OverlayPixels;
import carezza.render.RenderInput;
import carezza.render.Renderer;
import carezza.render.Renderer.Readiness;
import carezza.set.Figures;

/** What is read of a picture at work: gauges, tones, where layers act. Safe for many threads. */
public final class Readings {

  private static final int HISTOGRAM_LONG_EDGE = 600;

  /** Share of the pixels that are darker, and lighter, than what contrast is taken between. */
  private static final double TWENTIETH = 0.05;

  private final Session session;
  private final GaugeReader reader;

  /** The finished picture as it was measured last; kept for the preview of a save. */
  private volatile @Nullable Picture measured;

  Readings(Session session, GaugeReader reader) {
    this.session = session;
    this.reader = reader;
  }

  /** All gauges at the bands of the project's job. */
  public List<Gauge> gauges(Project project, Cancellation cancellation) {
    GaugeReader.Findings findings = reader.of(session.measured(project), cancellation);
    measured = shaped(project, findings.picture(), cancellation);
    return findings.gauges();
  }

  /**
   * The gauges of one of several people, each measured as if they were alone in the picture.
   *
   * @param person a place in {@link Project#allFaces}
   */
  public List<Gauge> gauges(Project project, int person, Cancellation cancellation) {
    RenderInput scene = session.measured(project);
    return reader.of(scene, scene.regions().person(person), cancellation).gauges();
  }

  /** Names of pictures that are to be laid over this one and are not to be had. */
  public List<String> missingOverlays(Project project) {
    return OverlayPixels.missing(project.stack()).stream().map(l -> l.picture().name()).toList();
  }

  /** Gauges of the colours of skin, teeth and eyes alone. */
  List<Gauge> tones(Project project, Cancellation cancellation) {
    return reader.tones(session.measured(project), cancellation);
  }

  /** A measured picture as it is seen. */
  private Picture shaped(Project project, Picture measured, Cancellation cancellation) {
    if (project.stack().unshaped() == project.stack()) {
      return measured;
    }
    RenderInput scene = session.scene(project);
    int level = Renderer.analysisLevel(session.renderer().site(scene, 0).faceWidth());
    return session.renderer().render(scene, measured.area(), level, Readiness.EXACT, cancellation);
  }

  /** What is compared across a set, of the finished picture. */
  public Figures figures(Project project, Cancellation cancellation) {
    RenderInput scene = session.measured(project);
    Renderer renderer = session.renderer();
    EvaluationContext context =
        renderer.site(scene, Renderer.analysisLevel(renderer.site(scene, 0).faceWidth()));
    Picture finished =
        renderer.render(scene, context.whole(), context.level(), Readiness.EXACT, cancellation);
    Picture lab = Lab.of(finished);
    Lab skin = median(lab, context, SemanticRegion.FACE_SKIN);
    double[] tones = new double[lab.area().pixels()];
    for (int i = 0; i < tones.length; i++) {
      tones[i] = lab.first().values()[i];
    }
    double lightest = RobustStatistics.quantile(tones, 1 - TWENTIETH);
    double darkest = RobustStatistics.quantile(tones, TWENTIETH);
    Optional<CastEstimate> cast = CastEstimate.of(context, finished);
    return new Figures(
        Double.isNaN(skin.l()) ? null : skin,
        -ExposureEstimate.stops(
            EndPoints.of(finished), median(lab, context, SemanticRegion.SCLERA)),
        lightest - darkest,
        cast.map(CastEstimate::a).orElse(0.0),
        cast.map(CastEstimate::b).orElse(0.0),
        project.stack().size());
  }

  /** NaN where the region is not to be seen. */
  static Lab median(Picture lab, EvaluationContext context, SemanticRegion region) {
    return SkinGauges.median(
        lab, context.regions().coverage(region, context.whole(), context.level()));
  }

  GaugeReader reader() {
    return reader;
  }

  /**
   * How often each value of a quantity comes in a layer's input, over the whole picture.
   *
   * @param bins from 0 to the quantity's span
   * @return shares of the pixels; hues count by their chroma, as greys have none
   */
  public double[] histogram(
      Project project, String layer, Quantity quantity, int bins, Cancellation cancellation) {
    RenderInput scene = session.scene(project);
    int level =
        Level.forZoom(Math.min(1, (double) HISTOGRAM_LONG_EDGE / session.size().longEdge()));
    Picture input =
        session
            .renderer()
            .render(
                scene.through(Math.max(0, scene.stack().indexOf(layer))),
                session.size().atLevel(level).area(),
                level,
                Readiness.QUICK,
                cancellation);
    float[] values = Masks.quantity(quantity, input).values();
    float[] weights =
        quantity == Quantity.HUE ? Masks.quantity(Quantity.CHROMA, input).values() : null;
    double[] shares = new double[bins];
    double sum = 0;
    for (int i = 0; i < values.length; i++) {
      double weight = weights == null ? 1 : weights[i];
      shares[Math.clamp((int) (values[i] / quantity.span() * bins), 0, bins - 1)] += weight;
      sum += weight;
    }
    for (int i = 0; i < bins; i++) {
      shares[i] /= Math.max(1e-9, sum);
    }
    return shares;
  }

  /** Where a layer acts, small: coverage over the picture with its long edge at most this. */
  public Plane thumbnail(Project project, String layer, int longEdge, Cancellation cancellation) {
    RenderInput scene = session.scene(project);
    int index = scene.stack().indexOf(layer);
    int level = 0;
    while (level < Level.COARSEST && session.size().atLevel(level).longEdge() > longEdge) {
      level++;
    }
    EvaluationContext context = session.renderer().site(scene, level);
    Picture input =
        session
            .renderer()
            .render(scene.through(index), context.whole(), level, Readiness.QUICK, cancellation);
    return LayerCoverage.of(scene.stack().layers().get(index), context.whole(), context, input);
  }

  /** An area of a level as stage Settle leaves it; what gauges and check views compare with. */
  public Picture settled(Project project, Area area, int level, Cancellation cancellation) {
    RenderInput scene = session.scene(project);
    return session
        .renderer()
        .render(
            scene.through(scene.stack().through(Stage.SETTLE)),
            area,
            level,
            Readiness.QUICK,
            cancellation);
  }

  /** Sigma of every separation that acts, by layer, in photograph pixels: as set, or as advised. */
  public Map<String, Double> separationRadii(Project project, Cancellation cancellation) {
    Map<String, Double> radii = new HashMap<>();
    RenderInput scene = session.scene(project);
    for (Layer layer : project.stack().layers()) {
      if (layer instanceof FrequencySeparationLayer && layer.acts()) {
        String id = layer.attributes().id();
        RenderInput below = scene.upTo(id);
        FrequencySeparationLayer found =
            (FrequencySeparationLayer) session.renderer().resolved(below, id, cancellation);
        radii.put(id, found.radius());
      }
    }
    return radii;
  }

  /** The finished picture as it was measured last, or null. */
  @Nullable Picture measured() {
    return measured;
  }
}
