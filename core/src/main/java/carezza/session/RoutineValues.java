package carezza.session;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;

import carezza.colour.Lab;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.job.JobLevel;
import carezza.mask.EvaluationContext;
import carezza.measure.Blemish;
import carezza.measure.EndPoints;
import carezza.measure.LightAdvisor;
import carezza.measure.fault.ExposureEstimate;
import carezza.model.FrequencySeparationLayer;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.LevelsLayer;
import carezza.model.Project;
import carezza.model.RecordValue;
import carezza.model.SemanticRegion;
import carezza.model.SkinToneEveningLayer;
import carezza.plan.FindingKind;
import carezza.routine.Routine;
import carezza.routine.Rule;

/** Measures a routine's values on the photograph at work, each on what lies below its layer. */
final class RoutineValues {

  /** Farthest that a routine lights or darkens a picture. */
  private static final double MOST_STOPS = 3;

  private final Session session;
  private final SettleTreatments settling;
  private final Routine routine;
  private final double reference;
  private final Cancellation cancellation;

  /**
   * @param reference stops that the picture is to be exposed above what its lights and eyes ask for
   */
  RoutineValues(Session session, Routine routine, double reference, Cancellation cancellation) {
    this.session = session;
    this.settling = new SettleTreatments(session);
    this.routine = routine;
    this.reference = reference;
    this.cancellation = cancellation;
  }

  /** The project, which has the layer already, with the layer's values measured. */
  Project measured(Project project, String id, Set<Rule> rules) {
    Project measured = project;
    for (Rule rule : Rule.values()) {
      if (rules.contains(rule)) {
        cancellation.check();
        measured = measured(measured, id, rule);
      }
    }
    return measured;
  }

  private Project measured(Project project, String id, Rule rule) {
    JobLevel job = JobLevel.of(project.brief());
    return switch (rule) {
      case NEUTRAL -> neutral(project, id, job);
      case LIGHT -> lit(project, id);
      case END_POINTS -> {
        Project bare = without(project, id);
        yield project.edit(id, l -> settling.opened(bare, (LevelsLayer) l, cancellation));
      }
      case BLEMISHES -> repaired(project, id, blemishes(project));
      case STRAY_HAIRS ->
          repaired(project, id, session.treatments().hairs(project, id, cancellation));
      case RADIUS -> project.edit(id, l -> ((FrequencySeparationLayer) l).withRadius(null));
      case SMOOTHING ->
          project.edit(
              id, l -> l.with(l.attributes().withAmount(job.limit("smoothing", "amount"))));
      case BLOTCHES -> project.edit(id, l -> advisor(project, id).evened());
      case SHINE -> project.edit(id, l -> advisor(project, id).shineTamed());
      case EVENING -> project.edit(id, l -> Treatments.evened((SkinToneEveningLayer) l, job));
      case BANDS -> session.treatments().reaimed(project, id, cancellation);
    };
  }

  /** A cast that the job would find is taken away; less than that is the picture's own mood. */
  private Project neutral(Project project, String id, JobLevel job) {
    Project bare = without(project, id);
    double seen = job.limit(FindingKind.CAST.key(), "above", 0);
    return settling
        .castOf(bare, cancellation)
        .filter(cast -> cast.chroma() > seen)
        .flatMap(cast -> settling.neutral(bare, cancellation))
        .map(light -> project.edit(id, l -> SettleTreatments.balanced(l, light)))
        .orElse(project);
  }

  private LightAdvisor advisor(Project project, String id) {
    return session.advice().light(project, id, cancellation);
  }

  private static Project without(Project project, String id) {
    return project.edit(id, l -> l.with(l.attributes().switched(false)));
  }

  private static Project repaired(Project project, String id, List<Patch> found) {
    return project.edit(
        id,
        l -> {
          List<Patch> all = new ArrayList<>(((HealLayer) l).patches());
          all.addAll(found);
          return ((HealLayer) l).withPatches(all);
        });
  }

  private List<Patch> blemishes(Project project) {
    return session.repairs().blemishes(project, 1, cancellation).stream()
        .filter(b -> b.kind() == Blemish.Kind.TEMPORARY && b.confidence() >= routine.likelihood())
        .map(b -> Patch.spot(b.x(), b.y(), b.radius()))
        .toList();
  }

  /**
   * Exposed as the reference is, judged by lights and whites of the eyes: never by skin, which
   * would make one person's as light as another's.
   */
  private Project lit(Project project, String id) {
    Project bare = without(project, id);
    EvaluationContext context = settling.context(bare);
    Picture settled = settling.settled(bare, context, cancellation);
    Lab eyes = Readings.median(Lab.of(settled), context, SemanticRegion.SCLERA);
    double missing = reference + ExposureEstimate.stops(EndPoints.of(settled), eyes);
    double stops = Math.clamp(missing, -MOST_STOPS, MOST_STOPS);
    return project.edit(id, l -> RecordValue.with(l, "stops", stops));
  }
}
