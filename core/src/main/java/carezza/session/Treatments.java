package carezza.session;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.function.UnaryOperator;

import org.jspecify.annotations.Nullable;

import carezza.image.Cancellation;
import carezza.image.Plane;
import carezza.job.JobLevel;
import carezza.kernel.LayerType;
import carezza.mask.EvaluationContext;
import carezza.measure.StrayHairs.Hair;
import carezza.measure.fault.UnderEye;
import carezza.model.DesaturateLayer;
import carezza.model.DodgeBurnLayer;
import carezza.model.FaceMap;
import carezza.model.FrequencySeparationLayer;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.LevelsLayer;
import carezza.model.Mask;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.SemanticRegion;
import carezza.model.SkinMatchLayer;
import carezza.model.SkinToneEveningLayer;
import carezza.model.Stage;
import carezza.model.Stroke;
import carezza.plan.Finding;
import carezza.plan.FindingKind;
import carezza.render.Renderer;
import carezza.set.Figures;

/**
 * Layers that treat findings, with their values and masks as this picture needs them. Safe for many
 * threads.
 */
public final class Treatments {

  /** Part of what is dark under an eye that is lifted: a face without any looks ironed. */
  private static final double UNDER_EYE_SHARE = 0.6;

  /** Rise of L* that a dodge of one tenth makes to middle skin, about. */
  private static final double RISE_PER_TENTH = 10;

  /** Shade that is laid on what draws the eye. */
  private static final double DIMMED = 0.1;

  /** How far off its path a hair is looked for at full size, in widths of the face. */
  private static final double HAIR_REACH = 0.006;

  private static final double FEATHER = 0.25;

  private final Session session;
  private final SettleTreatments settling;

  Treatments(Session session) {
    this.session = session;
    settling = new SettleTreatments(session);
  }

  /**
   * The project with what treats a finding; the same project where nothing that Carezza has does.
   *
   * @throws java.util.concurrent.CancellationException if cancelled
   */
  public Project treated(Project project, Finding finding, Cancellation cancellation) {
    JobLevel job = JobLevel.of(project.brief());
    return switch (finding.kind()) {
      case CAST -> settling.cast(project, cancellation);
      case EXPOSURE -> SettleTreatments.exposure(project, finding.now().value());
      case RANGE -> settling.range(project, cancellation);
      case TILT -> settling.levelled(project, finding.now().value());
      case HEADROOM -> settling.headroom(project, finding.now().value());
      case BLEMISHES -> blemishes(project, finding);
      case STRAY_HAIRS -> hairs(project, cancellation);
      case TONE -> with(project, smoothing(job));
      case SHINE -> shine(project, cancellation);
      case UNDER_EYES -> underEye(project, finding, job);
      case DISTRACTIONS -> with(project, distraction(finding));
      case REDNESS, PIGMENT -> evened(project, job);
      case MATCH -> matched(project, finding.now().part());
      case BACKDROP -> backdrop(project, finding);
      case TEETH -> aimed(project, LayerType.TEETH.fresh(), cancellation);
      case SCLERA -> aimed(project, LayerType.SCLERA.fresh(), cancellation);
      case IRISES -> with(project, LayerType.IRIS.fresh());
      case SOFT_EYES ->
          with(
              project, masked(LayerType.SHARPEN.fresh(), new Mask.RegionMask(SemanticRegion.IRIS)));
      case NOISE -> with(project, LayerType.NOISE_REDUCTION.fresh());
    };
  }

  /**
   * The project with light and colour balance like those of another picture of its set; the same
   * project where they are.
   *
   * @param named gives new layers their names
   */
  public Project broughtTo(
      Project project, Figures reference, UnaryOperator<Layer> named, Cancellation cancellation) {
    return settling.broughtTo(project, reference, named, cancellation);
  }

  static Project with(Project project, Layer layer) {
    return project.withStack(project.stack().with(layer.with(layer.attributes().withFreshId())));
  }

  private static Layer masked(Layer layer, Mask mask) {
    return layer.with(layer.attributes().withMask(mask));
  }

  /** The topmost layer of a kind that acts, which can take more upon itself. */
  private static <L extends Layer> Optional<L> last(LayerStack stack, Class<L> kind) {
    return stack.layers().stream()
        .filter(Layer::acts)
        .filter(kind::isInstance)
        .map(kind::cast)
        .reduce((one, other) -> other);
  }

  private static Project blemishes(Project project, Finding finding) {
    List<Patch> patches =
        finding.now().spots().stream().map(b -> Patch.spot(b.x(), b.y(), b.radius())).toList();
    return with(project, ((HealLayer) LayerType.HEAL.fresh()).withPatches(patches));
  }

  /**
   * A repair along each hair, as the hand that draws along it would make; none where none shows.
   */
  private Project hairs(Project project, Cancellation cancellation) {
    Project begun = with(project, LayerType.HEAL.fresh());
    String id = added(project, begun);
    List<Patch> patches = hairs(begun, id, cancellation);
    return patches.isEmpty() ? project : begun.edit(id, l -> ((HealLayer) l).withPatches(patches));
  }

  /** Repairs along loose hairs, for a layer. */
  List<Patch> hairs(Project project, String id, Cancellation cancellation) {
    double reach = HAIR_REACH * project.faceMap().orElseThrow().faceWidth();
    List<Patch> patches = new ArrayList<>();
    for (Hair hair : session.planning().strayHairs(project, cancellation)) {
      Stroke along = Stroke.path(hair.path(), reach, 0.4, 1, false);
      session
          .repairs()
          .hair(project, id, along, cancellation)
          .ifPresent(found -> patches.add(new Patch(found, null)));
    }
    return patches;
  }

  static Layer smoothing(JobLevel job) {
    Layer fresh = LayerType.FREQUENCY_SEPARATION.fresh();
    return fresh.with(fresh.attributes().withAmount(job.limit("smoothing", "amount")));
  }

  private Project shine(Project project, Cancellation cancellation) {
    Project begun = with(project, LayerType.DODGE_BURN.fresh());
    String id = added(project, begun);
    DodgeBurnLayer tamed = session.advice().light(begun, id, cancellation).shineTamed();
    return begun.edit(id, l -> tamed);
  }

  /** The layer that one project has and another has not. */
  static String added(Project before, Project after) {
    return after.stack().layers().stream()
        .map(l -> l.attributes().id())
        .filter(id -> before.stack().find(id).isEmpty())
        .findFirst()
        .orElseThrow();
  }

  private static Project underEye(Project project, Finding finding, JobLevel job) {
    FaceMap face = project.faces();
    if (face == null) {
      return project;
    }
    boolean left = finding.now().part().equals("left");
    Mask under =
        new Mask.And(new Mask.RegionMask(SemanticRegion.FACE_SKIN), UnderEye.treated(face, left));
    double share = job.limit(FindingKind.UNDER_EYES.key(), "amount", UNDER_EYE_SHARE);
    DodgeBurnLayer fresh = (DodgeBurnLayer) LayerType.DODGE_BURN.fresh();
    double rise = Math.clamp(-finding.now().value() * share / RISE_PER_TENTH / 10, 0.01, 0.12);
    return with(
        project,
        new DodgeBurnLayer(
            fresh.attributes(),
            fresh.method(),
            rise,
            fresh.burn(),
            under,
            new Mask.Nothing(),
            fresh.keepColour(),
            null,
            null));
  }

  private static Layer distraction(Finding finding) {
    Point at = Objects.requireNonNull(finding.now().place());
    double radius = 1.3 * finding.now().radius();
    Mask here =
        new Mask.Minus(
            new Mask.Ellipse(at.x(), at.y(), radius, radius, 0, 0.5),
            new Mask.RegionMask(SemanticRegion.SKIN));
    if (finding.now().part().startsWith("colourful")) {
      DesaturateLayer fresh = (DesaturateLayer) LayerType.DESATURATE.fresh();
      return masked(new DesaturateLayer(fresh.attributes(), 0.6, fresh.hold(), fresh.mix()), here);
    }
    DodgeBurnLayer fresh = (DodgeBurnLayer) LayerType.DODGE_BURN.fresh();
    return new DodgeBurnLayer(
        fresh.attributes(),
        fresh.method(),
        fresh.dodge(),
        DIMMED,
        new Mask.Nothing(),
        new Mask.Feather(here, FEATHER * radius),
        fresh.keepColour(),
        null,
        null);
  }

  /** Both pigments are evened by one layer, as what is taken of one shows the other. */
  static Project evened(Project project, JobLevel job) {
    if (last(project.stack(), SkinToneEveningLayer.class).isPresent()) {
      return project;
    }
    return with(project, evened((SkinToneEveningLayer) LayerType.SKIN_TONE_EVENING.fresh(), job));
  }

  /** The layer with the strengths that suit a job. */
  static SkinToneEveningLayer evened(SkinToneEveningLayer layer, JobLevel job) {
    return new SkinToneEveningLayer(
        layer.attributes(),
        job.evening("redness"),
        job.evening("pigment"),
        layer.target(),
        layer.hue(),
        layer.chroma(),
        layer.lightness(),
        layer.range(),
        layer.force());
  }

  /** Another's face is brought to the first one's; a part of the body to the faces. */
  static Project matched(Project project, String part) {
    SkinMatchLayer fresh = (SkinMatchLayer) LayerType.SKIN_MATCH.fresh();
    Mask where;
    Mask follow = fresh.follow();
    if (part.startsWith("face")) {
      List<FaceMap> faces = project.allFaces();
      where = skin(faces.get(Integer.parseInt(part.substring(4)) - 1));
      follow = skin(faces.getFirst());
    } else {
      where = new Mask.RegionMask(SemanticRegion.valueOf(part.toUpperCase(Locale.ROOT)));
    }
    return with(
        project,
        new SkinMatchLayer(
            fresh.attributes().withMask(where), follow, fresh.colour(), fresh.lightness()));
  }

  private static Mask skin(FaceMap face) {
    return new Mask.RegionMask(SemanticRegion.FACE_SKIN, face.oval().middle());
  }

  private Project backdrop(Project project, Finding finding) {
    if (!finding.now().part().equals("across")) {
      return with(project, LayerType.BACKDROP.fresh());
    }
    Mask backdrop = new Mask.RegionMask(SemanticRegion.BACKDROP);
    FrequencySeparationLayer fresh =
        (FrequencySeparationLayer) LayerType.FREQUENCY_SEPARATION.fresh();
    double face = settling.context(project).faceWidth() / settling.context(project).scale();
    FrequencySeparationLayer even =
        new FrequencySeparationLayer(
            fresh.attributes().withMask(backdrop),
            Math.clamp(face / 12, 1, 500),
            fresh.split(),
            fresh.textureGain(),
            0,
            0,
            fresh.edgeGuard(),
            List.of());
    return with(project, even);
  }

  private Project aimed(Project project, Layer fresh, Cancellation cancellation) {
    Project begun = with(project, fresh);
    return reaimed(begun, added(project, begun), cancellation);
  }

  Project reaimed(Project project, String id, Cancellation cancellation) {
    Layer aimed = session.colour().reaimed(project, id, cancellation);
    return project.edit(id, l -> aimed);
  }

  /** Goes along with a draft. */
  public interface Guide {

    /**
     * Told how far it is.
     *
     * @param done findings that are treated
     * @param all findings that are to be
     */
    default void at(int done, int all) {}

    /**
     * A layer that has come, as it is to be called.
     *
     * @param finding that it treats, or null where the job asks for it
     */
    default Layer named(Layer layer, @Nullable Finding finding) {
      return layer;
    }
  }

  /**
   * All of these findings treated, from the lowest stage up, then tuned so that gauges end inside
   * their bands.
   *
   * @throws java.util.concurrent.CancellationException if cancelled
   */
  public Project draft(
      Project project, List<Finding> findings, Guide guide, Cancellation cancellation) {
    List<Finding> inOrder = new ArrayList<>(findings);
    inOrder.sort(
        Comparator.comparing((Finding f) -> f.kind().stage()).thenComparing(Finding::kind));
    Project drafted = project;
    int done = 0;
    for (Finding finding : inOrder) {
      cancellation.check();
      drafted = named(drafted, treated(drafted, finding, cancellation), guide, finding);
      guide.at(++done, inOrder.size() + 1);
    }
    Project tuned = new DraftTuning(session, project).tuned(drafted, cancellation);
    return named(drafted, tuned, guide, null);
  }

  private static Project named(
      Project before, Project after, Guide guide, @Nullable Finding finding) {
    Project named = after;
    for (Layer layer : after.stack().layers()) {
      if (before.stack().find(layer.attributes().id()).isEmpty()) {
        named = named.edit(layer.attributes().id(), l -> guide.named(l, finding));
      }
    }
    return named;
  }
}
