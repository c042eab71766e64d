package carezza.measure;

import java.util.List;

import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.mask.Site;
import carezza.model.Stage;
import carezza.render.Renderer;
import carezza.render.Renderer.Readiness;
import carezza.render.Scene;

/** Renders what the gauges look at, and reads them. */
public final class Examination {

  private Examination() {}

  /**
   * What was read, and the finished picture it was read on, at the analysis size; not to be modified.
   */
  public record Findings(List<Gauge> gauges, Picture picture) {}

  /**
   * All gauges of a scene, from its picture after Settle to its end.
   *
   * @throws java.util.concurrent.CancellationException if cancelled
   */
  public static Findings of(
      Renderer renderer, Scene scene, JobLevel job, Cancellation cancellation) {
    double faceWidth = renderer.site(scene, 0).faceWidth();
    Site site = renderer.site(scene, Renderer.analysisLevel(faceWidth));
    Area whole = site.whole();
    Scene settled = scene.through(scene.stack().through(Stage.SETTLE));
    Picture before = renderer.render(settled, whole, site.level(), Readiness.EXACT, cancellation);
    Picture after = renderer.render(scene, whole, site.level(), Readiness.EXACT, cancellation);
    cancellation.check();
    return new Findings(Gauges.read(site, before, after, scene.stack(), job), after);
  }
}
