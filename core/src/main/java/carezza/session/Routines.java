package carezza.session;

import java.util.List;
import java.util.function.DoubleConsumer;

import carezza.image.Cancellation;
import carezza.kernel.FaceNeeds;
import carezza.measure.Gauge;
import carezza.model.Brief;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Project;
import carezza.routine.Routine;

/** Routines on a photograph at work. Safe for many threads. */
public final class Routines {

  private final Session session;

  Routines(Session session) {
    this.session = session;
  }

  /**
   * What a routine came to.
   *
   * @param gauges all that the job judges
   * @param idle layers of the routine that do nothing here, as no face was found
   */
  public record Outcome(Project project, List<Gauge> gauges, List<Layer> idle) {

    /** Gauges that ended outside their bands. */
    public List<Gauge> outside() {
      return gauges.stream().filter(Gauge::isOutside).toList();
    }
  }

  /**
   * The project with a routine's layers, values measured on this photograph, each layer on what
   * lies below it. Layers of the same routine that are there already are replaced.
   *
   * @param reference stops that the picture is to be exposed above what its lights and eyes ask
   *     for; 0 without a reference
   * @param progress 0 … 1
   * @throws java.util.concurrent.CancellationException if cancelled
   */
  public Outcome applied(
      Project project,
      Routine routine,
      double reference,
      DoubleConsumer progress,
      Cancellation cancellation) {
    Brief brief = project.brief();
    Project begun =
        project.brief().job().equals(routine.job())
            ? project
            : project.withBrief(brief.withJob(routine.job(), brief.limits()));
    List<Layer> layers = routine.stack().layers();
    for (Layer layer : layers) {
      String id = layer.attributes().id();
      begun =
          begun.stack().find(id).isPresent() ? begun.withStack(begun.stack().without(id)) : begun;
    }
    Project before = session.faces().withFace(begun, cancellation);
    RoutineValues values = new RoutineValues(session, routine, reference, cancellation);
    Project done = before;
    for (int i = 0; i < layers.size(); i++) {
      cancellation.check();
      progress.accept((i + 0.5) / (layers.size() + 2));
      String id = layers.get(i).attributes().id();
      done = done.withStack(done.stack().with(layers.get(i)));
      if (done.faces() != null || !FaceNeeds.needsFace(layers.get(i))) {
        done = values.measured(done, id, routine.rules(id));
      }
    }
    done = grouped(done, routine.stack());
    if (routine.tuned() && done.faces() != null) {
      done = new DraftTuning(session, before).tuned(done, cancellation);
    }
    progress.accept((layers.size() + 1.0) / (layers.size() + 2));
    done = session.repairs().withSources(done, cancellation);
    List<Gauge> gauges = session.readings().gauges(done, cancellation);
    List<Layer> idle =
        done.faces() == null ? FaceNeeds.idleWithoutFace(routine.stack()) : List.of();
    progress.accept(1);
    return new Outcome(done, gauges, idle);
  }

  /** A layer belongs to no group before that group is there. */
  private static Project grouped(Project project, LayerStack as) {
    return project.withStack(
        new LayerStack(
            project.stack().layers().stream()
                .map(
                    l ->
                        as.find(l.attributes().id())
                            .map(own -> l.with(l.attributes().inGroup(own.attributes().group())))
                            .orElse(l))
                .toList()));
  }
}
