package carezza.session;

import java.util.List;
import java.util.Locale;
import java.util.Map;

import carezza.image.Cancellation;
import carezza.job.Band;
import carezza.job.JobLevel;
import carezza.kernel.LayerType;
import carezza.measure.Gauge;
import carezza.model.DodgeBurnLayer;
import carezza.model.FrequencySeparationLayer;
import carezza.model.Layer;
import carezza.model.Project;
import carezza.model.ScleraLayer;
import carezza.model.SemanticRegion;
import carezza.model.SkinMatchLayer;
import carezza.model.SkinToneEveningLayer;
import carezza.model.TeethLayer;

/**
 * Brings the gauges of a draft inside their bands: adds what the job asks of every picture, sets
 * amounts of drafted layers, and aims teeth and eyes anew.
 */
final class DraftTuning {

  /** Rounds of measuring and setting. */
  private static final int ROUNDS = 4;

  /** Share of a band that a reading is brought inside it. */
  private static final double LITTLE_INSIDE = 0.15;

  private static final double LEAST = 0.1;
  private static final double MOST = 1.6;

  /** Share of the difference between the eyes that is taken where it became too large. */
  private static final double BALANCE = 0.7;

  /** Kinds of layer that answer for a gauge; the first that was drafted is set. */
  private static final Map<String, List<Class<? extends Layer>>> ANSWERS =
      Map.of(
          "rednessBlotch", List.of(SkinToneEveningLayer.class),
          "pigmentBlotch", List.of(SkinToneEveningLayer.class),
          "skinHue", List.of(SkinToneEveningLayer.class),
          "textureKept", List.of(FrequencySeparationLayer.class),
          "toneBlotch", List.of(FrequencySeparationLayer.class),
          "formKept", List.of(DodgeBurnLayer.class, FrequencySeparationLayer.class),
          "skinLightness", List.of(DodgeBurnLayer.class),
          "eyeGlow", List.of(DodgeBurnLayer.class),
          "neckMatch", List.of(SkinMatchLayer.class));

  private final Session session;
  private final Project before;

  /**
   * @param before whose layers are not to be touched
   */
  DraftTuning(Session session, Project before) {
    this.session = session;
    this.before = before;
  }

  Project tuned(Project drafted, Cancellation cancellation) {
    Project tuned = drafted;
    for (int round = 0; round < ROUNDS; round++) {
      cancellation.check();
      Project next = tuned;
      for (Gauge gauge : session.readings().gauges(tuned, cancellation)) {
        if (gauge.isOutside()) {
          next = answered(next, gauge);
        }
      }
      next = aimed(next, cancellation);
      if (next.equals(tuned)) {
        break;
      }
      tuned = next;
    }
    return eased(tuned, cancellation);
  }

  /**
   * With no more smoothing than the band of tone asks for: beyond that it flattens what is the
   * face's own.
   */
  private Project eased(Project tuned, Cancellation cancellation) {
    List<String> smoothing =
        drafted(tuned).stream()
            .filter(FrequencySeparationLayer.class::isInstance)
            .map(l -> l.attributes().id())
            .toList();
    Gauge with = tone(tuned, cancellation);
    if (smoothing.isEmpty() || with.verdict() != Gauge.Verdict.INSIDE) {
      return tuned;
    }
    Project without = tuned;
    for (String id : smoothing) {
      without = without.edit(id, l -> l.with(l.attributes().withAmount(0)));
    }
    double bare = tone(without, cancellation).after();
    Band band = with.requiredBand();
    double width = band.high() - band.low();
    double aim = band.high() - LITTLE_INSIDE * width;
    double share = Math.clamp((bare - aim) / Math.max(1e-9, bare - with.after()), 0, 1);
    return changed(tuned, FrequencySeparationLayer.class, share);
  }

  private Gauge tone(Project project, Cancellation cancellation) {
    return session.readings().gauges(project, cancellation).stream()
        .filter(g -> g.id().equals("toneBlotch"))
        .findFirst()
        .orElseThrow();
  }

  private Project answered(Project project, Gauge gauge) {
    for (Class<? extends Layer> kind : ANSWERS.getOrDefault(gauge.id(), List.of())) {
      if (drafted(project).stream().anyMatch(kind::isInstance)) {
        return changed(project, kind, factor(gauge));
      }
    }
    JobLevel job = JobLevel.of(project.brief());
    boolean above = gauge.verdict() == Gauge.Verdict.ABOVE;
    return switch (gauge.id()) {
      case "rednessBlotch", "pigmentBlotch" -> above ? Treatments.evened(project, job) : project;
      case "toneBlotch" ->
          above && !has(project, LayerType.FREQUENCY_SEPARATION)
              ? Treatments.with(project, Treatments.smoothing(job))
              : project;
      case "neckMatch" ->
          Treatments.matched(project, SemanticRegion.NECK_SKIN.name().toLowerCase(Locale.ROOT));
      case "scleraBalance" -> balanced(project);
      default -> project;
    };
  }

  private static boolean has(Project project, LayerType type) {
    return project.stack().layers().stream().anyMatch(l -> l.acts() && type.record().isInstance(l));
  }

  private List<Layer> drafted(Project project) {
    return project.stack().layers().stream()
        .filter(l -> before.stack().find(l.attributes().id()).isEmpty())
        .toList();
  }

  private Project balanced(Project project) {
    Project balanced = project;
    for (Layer layer : drafted(project)) {
      if (layer instanceof ScleraLayer s && s.balance() < BALANCE) {
        ScleraLayer even =
            new ScleraLayer(s.attributes(), s.target(), s.redness(), s.lift(), BALANCE, s.force());
        balanced = balanced.edit(s.attributes().id(), l -> even);
      }
    }
    return balanced;
  }

  private Project aimed(Project project, Cancellation cancellation) {
    Project aimed = project;
    for (Layer layer : drafted(project)) {
      if (layer instanceof TeethLayer || layer instanceof ScleraLayer) {
        aimed = session.treatments().reaimed(aimed, layer.attributes().id(), cancellation);
      }
    }
    return aimed;
  }

  /** What brings the change of a gauge to the nearer end of its band, a little inside. */
  private static double factor(Gauge gauge) {
    Band band = gauge.requiredBand();
    double moved = gauge.after() - gauge.before();
    double width = band.high() - band.low();
    double inside = Double.isInfinite(width) ? 0.1 * Math.abs(moved) : LITTLE_INSIDE * width;
    double aim =
        gauge.verdict() == Gauge.Verdict.ABOVE ? band.high() - inside : band.low() + inside;
    double wanted = aim - gauge.before();
    return Math.abs(moved) < 1e-9 ? 1 : Math.clamp(wanted / moved, 0.2, 2);
  }

  private Project changed(Project project, Class<? extends Layer> kind, double factor) {
    Project changed = project;
    for (Layer layer : drafted(project)) {
      if (kind.isInstance(layer)) {
        double amount = Math.clamp(layer.attributes().amount() * factor, LEAST, MOST);
        changed =
            changed.edit(layer.attributes().id(), l -> l.with(l.attributes().withAmount(amount)));
      }
    }
    return changed;
  }
}
