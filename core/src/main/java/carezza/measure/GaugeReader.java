package carezza.measure;

import java.util.List;

import carezza.function.Recent;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.job.JobLevel;
import carezza.mask.EvaluationContext;
import carezza.mask.Regions;
import carezza.model.LayerStack;
import carezza.model.RepairArea;
import carezza.model.Stage;
import carezza.render.RenderInput;
import carezza.render.Renderer;
import carezza.render.Renderer.Readiness;

/**
 * Renders what the gauges look at, and reads them; figures of the settled picture are kept while it
 * stays as it is. Safe for many threads.
 */
public final class GaugeReader {

  /** Scenes whose readings are kept: pictures of the analysis size go with them. */
  private static final int MOST_KEPT = 4;

  /** Settled pictures whose figures are kept: of all people together, and of the one looked at. */
  private static final int MOST_SETTLED = 2;

  private final Renderer renderer;
  private final Recent<Asked, Findings> found = new Recent<>(MOST_KEPT);
  private final Recent<Settled, PictureStatistics> settled = new Recent<>(MOST_SETTLED);

  public GaugeReader(Renderer renderer) {
    this.renderer = renderer;
  }

  /**
   * @param whose regions are looked at: the scene's own, or those of one person in it
   */
  private record Asked(RenderInput scene, Regions whose) {}

  /** All that figures of a settled picture depend on. */
  private record Settled(
      LayerStack stack, Regions regions, JobLevel job, List<RepairArea> repaired) {}

  /**
   * What was read, and the finished picture it was read on, at the analysis size; not to be
   * modified.
   */
  public record Findings(List<Gauge> gauges, Picture picture) {}

  /**
   * All gauges of a scene, from its picture after Settle to its end.
   *
   * @throws java.util.concurrent.CancellationException if cancelled
   */
  public Findings of(RenderInput scene, Cancellation cancellation) {
    return of(scene, scene.regions(), cancellation);
  }

  /**
   * As above, of one of several people.
   *
   * @param whose regions of that person
   */
  public Findings of(RenderInput scene, Regions whose, Cancellation cancellation) {
    return found.of(new Asked(scene, whose), () -> read(scene, whose, cancellation));
  }

  /**
   * The gauges of colours of skin, teeth and eyes, in a fraction of the time; the others as if
   * there were nothing to measure.
   *
   * @throws java.util.concurrent.CancellationException if cancelled
   */
  public List<Gauge> tones(RenderInput scene, Cancellation cancellation) {
    EvaluationContext context = site(scene, scene.regions());
    PictureStatistics before = settled(scene, context, cancellation);
    Picture after =
        renderer.render(scene, context.whole(), context.level(), Readiness.EXACT, cancellation);
    return Gauges.read(before, PictureStatistics.tones(context, after, before), scene.job());
  }

  private EvaluationContext site(RenderInput scene, Regions whose) {
    RenderInput looked = new RenderInput(scene.stack(), whose, scene.job());
    double faceWidth = renderer.site(looked, 0).faceWidth();
    return renderer.site(looked, Renderer.analysisLevel(faceWidth));
  }

  private Findings read(RenderInput scene, Regions whose, Cancellation cancellation) {
    EvaluationContext context = site(scene, whose);
    PictureStatistics before = settled(scene, context, cancellation);
    Picture after =
        renderer.render(scene, context.whole(), context.level(), Readiness.EXACT, cancellation);
    cancellation.check();
    PictureStatistics finished =
        PictureStatistics.of(context, after, PictureStatistics.repaired(scene.stack()));
    return new Findings(Gauges.read(before, finished, scene.job()), after);
  }

  private PictureStatistics settled(
      RenderInput scene, EvaluationContext context, Cancellation cancellation) {
    RenderInput below = scene.through(scene.stack().through(Stage.SETTLE));
    List<RepairArea> repaired = PictureStatistics.repaired(scene.stack());
    return settled.of(
        new Settled(below.stack(), context.regions(), below.job(), repaired),
        () -> {
          Picture picture =
              renderer.render(
                  below, context.whole(), context.level(), Readiness.EXACT, cancellation);
          return PictureStatistics.of(context, picture, repaired);
        });
  }
}
