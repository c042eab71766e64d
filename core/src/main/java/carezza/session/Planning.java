package carezza.session;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Stream;

import org.jspecify.annotations.Nullable;

import carezza.function.Recent;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.job.JobLevel;
import carezza.mask.EvaluationContext;
import carezza.mask.Regions;
import carezza.measure.Blemish;
import carezza.measure.BlemishFinder;
import carezza.measure.PictureStatistics;
import carezza.measure.StrayHairs;
import carezza.measure.StrayHairs.Hair;
import carezza.model.BackdropLayer;
import carezza.model.Brief;
import carezza.model.Crop;
import carezza.model.FaceMap;
import carezza.model.KeptMark;
import carezza.model.Layer;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.SemanticRegion;
import carezza.model.Stage;
import carezza.plan.Finding;
import carezza.plan.FindingKind;
import carezza.plan.Knapsack;
import carezza.plan.Plan;
import carezza.plan.PlanReader;
import carezza.plan.Reading;
import carezza.record.Pace;
import carezza.render.RenderInput;
import carezza.render.Renderer;
import carezza.render.Renderer.Readiness;

/** What there is to do on a photograph at work. Safe for many threads. */
public final class Planning {

  /** Pictures whose readings are kept: those along a stack, and some edits of it. */
  private static final int MOST_KEPT = 48;

  /** Delivered pixels from which a spot with its halo is seen in full, and a line of blotches. */
  private static final double SPOT_SEEN = 6;

  private static final double BLOTCH_SEEN = 3;

  /** Pixels that a hair is wide, about, in photographs of a face. */
  private static final double HAIR_WIDTH = 2.5;

  /** Width of the finest blotches, as a share of the face. */
  private static final double BLOTCH = 1 / 75.0;

  private static final List<SemanticRegion> LOOKED_AT =
      List.of(SemanticRegion.FACE_SKIN, SemanticRegion.NECK_SKIN, SemanticRegion.TEETH);

  private final Session session;

  /** Of these regions alone: they are large, and what was read of others is not asked for again. */
  private @Nullable Regions regions;

  private final Recent<Object, Object> known = new Recent<>(MOST_KEPT);

  Planning(Session session) {
    this.session = session;
  }

  /** All that is read in one picture of the stack, as far as each stage's readings go. */
  private record Readings(List<Reading> readings, PictureStatistics figures) {}

  /**
   * Looks for all that the job names, in the photograph and in the picture as it stands.
   *
   * @throws java.util.concurrent.CancellationException if cancelled
   */
  public Plan plan(Project project, Cancellation cancellation) {
    return plan(project, Pace.TABLE, cancellation);
  }

  /**
   * As above.
   *
   * @param pace how long the retoucher takes
   */
  public Plan plan(Project project, Pace pace, Cancellation cancellation) {
    RenderInput scene = session.measured(project);
    forgetOthers(scene.regions());
    Look look = new Look(project, scene, pace, cancellation);
    List<Finding> findings = new ArrayList<>();
    List<Reading> asShot = look.asShot();
    List<Reading> now = look.now();
    for (Reading was : asShot) {
      now.stream()
          .filter(r -> r.key().equals(was.key()))
          .findFirst()
          .filter(r -> was.isOut() || r.isOut())
          .ifPresent(r -> findings.add(look.finding(was, r)));
    }
    for (Reading is : now) {
      boolean fresh = asShot.stream().noneMatch(r -> r.key().equals(is.key()));
      if (fresh && is.isOut()) {
        findings.add(look.finding(is, is));
      }
    }
    findings.sort(
        Comparator.comparing((Finding f) -> f.kind().stage())
            .thenComparing(Comparator.comparingDouble(Finding::severity).reversed()));
    double budget = budget(project.brief());
    return new Plan(
        scene.job(),
        findings,
        Knapsack.best(findings, budget),
        budget,
        look.marks(),
        unseen(scene, look.context));
  }

  /**
   * Hairs that lie loose in the settled picture.
   *
   * @throws java.util.concurrent.CancellationException if cancelled
   */
  List<Hair> strayHairs(Project project, Cancellation cancellation) {
    Look look = new Look(project, session.measured(project), Pace.TABLE, cancellation);
    return look.hairs(look.settled);
  }

  /** Minutes to spend: as agreed on, or the most that the job usually takes. */
  public static double budget(Brief brief) {
    return brief.minutes() > 0 ? brief.minutes() : JobLevel.of(brief).limit("minutes", "high");
  }

  private static List<SemanticRegion> unseen(RenderInput scene, EvaluationContext context) {
    return LOOKED_AT.stream()
        .filter(
            r -> scene.regions().coverage(r, context.whole(), context.level()).covered().isEmpty())
        .toList();
  }

  /** One look at a project. */
  private final class Look {
    private final Project project;
    private final RenderInput scene;
    private final Pace pace;
    private final Cancellation cancellation;
    private final EvaluationContext context;
    private final JobLevel job;
    private final int settled;
    private final int mended;

    Look(Project project, RenderInput scene, Pace pace, Cancellation cancellation) {
      this.project = project;
      this.pace = pace;
      this.scene = scene;
      this.cancellation = cancellation;
      Renderer renderer = session.renderer();
      context = renderer.site(scene, Renderer.analysisLevel(renderer.site(scene, 0).faceWidth()));
      job = scene.job();
      settled = scene.stack().through(Stage.SETTLE);
      mended = scene.stack().through(Stage.MEND);
    }

    List<Reading> asShot() {
      List<Reading> all = new ArrayList<>(settle(0, null));
      blemishes(settled).ifPresent(all::add);
      strayHairs(settled).ifPresent(all::add);
      all.addAll(finish(settled).readings());
      return all;
    }

    List<Reading> now() {
      List<Reading> all = new ArrayList<>(settle(settled, project.crop()));
      blemishes(mended).ifPresent(all::add);
      strayHairs(mended).ifPresent(all::add);
      all.addAll(finish(scene.stack().size()).readings());
      return all;
    }

    List<Blemish> marks() {
      return proposals().stream().filter(b -> b.kind() == Blemish.Kind.MARK).toList();
    }

    /**
     * @param frame what is delivered; as shot it is the whole photograph, or null
     */
    private List<Reading> settle(int layers, @Nullable Crop frame) {
      return remembered(
          List.of("settled", scene.through(layers), Optional.ofNullable(frame)),
          () -> reader(layers).settled(frame));
    }

    private Readings finish(int layers) {
      boolean first = layers <= settled;
      return remembered(
          List.of("finished", scene.through(layers), settled),
          () -> {
            PlanReader reader = reader(layers);
            List<Reading> found =
                first
                    ? reader.finished(null, List.of())
                    : reader.finished(finish(settled).figures(), finish(settled).readings());
            return new Readings(found, reader.figures());
          });
    }

    private Optional<Reading> blemishes(int layers) {
      if (project.faces() == null || !job.has(FindingKind.BLEMISHES.key())) {
        return Optional.empty();
      }
      PlanReader asShot = new PlanReader(context, picture(settled), List.of(), null);
      Reading were = asShot.blemishes(proposals());
      return Optional.of(
          layers == settled
              ? were
              : new PlanReader(context, picture(layers), List.of(), null)
                  .blemishesLeft(were, asShot));
    }

    private Optional<Reading> strayHairs(int layers) {
      if (project.faces() == null || !job.has(FindingKind.STRAY_HAIRS.key())) {
        return Optional.empty();
      }
      return Optional.of(
          new PlanReader(context, picture(layers), List.of(), null).strayHairs(hairs(layers)));
    }

    List<Hair> hairs(int layers) {
      FaceMap face = project.faceMap().orElseThrow();
      return remembered(
          List.of("hairs", scene.through(layers), settled),
          () -> {
            // None comes by an edit, so those of the settled picture are followed.
            List<Hair> known = layers == settled ? null : hairs(settled);
            Picture about =
                session
                    .renderer()
                    .render(
                        scene.through(layers),
                        StrayHairs.around(face, session.size()),
                        StrayHairs.level(face),
                        Readiness.EXACT,
                        cancellation);
            return known == null
                ? StrayHairs.find(about, scene.regions())
                : StrayHairs.left(known, about, face);
          });
    }

    private List<Blemish> proposals() {
      return session.repairs().blemishes(project, 1, cancellation);
    }

    private Picture picture(int layers) {
      return session
          .renderer()
          .render(
              scene.through(layers),
              context.whole(),
              context.level(),
              Readiness.EXACT,
              cancellation);
    }

    private PlanReader reader(int layers) {
      cancellation.check();
      return new PlanReader(
          context,
          picture(layers),
          PictureStatistics.repaired(scene.stack()),
          BackdropLayer.in(scene.stack()).map(BackdropLayer::wanted).orElse(null));
    }

    Finding finding(Reading was, Reading is) {
      String reason = project.brief().left().get(is.key());
      String undoneBy = is.isOut() && reason == null ? undoneBy(was, is) : null;
      Finding.State state =
          reason != null
              ? Finding.State.LEFT
              : !is.isOut()
                  ? Finding.State.TREATED
                  : undoneBy != null ? Finding.State.BACK : Finding.State.OPEN;
      Reading worse = is.isOut() ? is : was;
      double visible = visible(worse);
      boolean seen = visible >= Finding.SEEN || job.limit("pixels", "count", 0) > 0;
      double minutes =
          seen
              ? job.limit(is.kind().key(), "minutes", 0)
                  + job.limit(is.kind().key(), "each", 0) * worse.spots().size()
              : 0;
      return new Finding(
          was,
          is,
          state,
          undoneBy,
          reason,
          worse.excess() * visible,
          visible,
          minutes * pace.factor(is.kind()),
          minutes);
    }

    /**
     * The layer that took a reading out of its band, where it was inside as shot or after what
     * treats it; null where it never was inside.
     */
    private @Nullable String undoneBy(Reading was, Reading is) {
      List<Layer> layers = scene.stack().layers();
      int from = is.kind().readAfter() == Stage.SETTLE ? 0 : settled;
      int to =
          switch (is.kind().readAfter()) {
            case SETTLE -> settled;
            case MEND -> mended;
            default -> layers.size();
          };
      int inside = was.isOut() ? lastTreating(is, layers.subList(0, to)) + 1 : from;
      if (inside <= from && was.isOut() || inside >= to || inside > from && outAfter(inside, is)) {
        return null;
      }
      int outside = to;
      while (outside - inside > 1) {
        int middle = (inside + outside) / 2;
        if (outAfter(middle, is)) {
          outside = middle;
        } else {
          inside = middle;
        }
      }
      return layers.get(outside - 1).attributes().id();
    }

    private static int lastTreating(Reading is, List<Layer> layers) {
      int last = -1;
      for (int i = 0; i < layers.size(); i++) {
        last = is.kind().isTreatedBy(layers.get(i).getClass()) ? i : last;
      }
      return last;
    }

    private boolean outAfter(int layers, Reading is) {
      List<Reading> there =
          switch (is.kind().readAfter()) {
            case SETTLE -> settle(layers, project.crop());
            case MEND ->
                Stream.of(blemishes(layers), strayHairs(layers)).flatMap(Optional::stream).toList();
            default -> finish(layers).readings();
          };
      return there.stream().filter(r -> r.key().equals(is.key())).anyMatch(Reading::isOut);
    }

    /** Share of it that is seen at the delivered size. */
    private double visible(Reading reading) {
      PictureSize size = session.size();
      double longest =
          project.crop() == null
              ? size.longEdge()
              : Math.max(project.crop().width(), project.crop().height());
      int delivered = project.brief().longEdge();
      double scale = delivered == 0 ? 1 : Math.min(1, delivered / longest);
      return switch (reading.kind()) {
        case BLEMISHES ->
            reading.spots().stream()
                .mapToDouble(b -> Math.min(1, 2 * b.radius() * scale / SPOT_SEEN))
                .average()
                .orElse(0);
        case TONE ->
            Math.min(1, BLOTCH * context.faceWidth() / context.scale() * scale / BLOTCH_SEEN);
        case STRAY_HAIRS -> Math.min(1, HAIR_WIDTH * scale);
        case SOFT_EYES, NOISE -> scale;
        default -> 1;
      };
    }
  }

  private synchronized void forgetOthers(Regions now) {
    if (regions != now) {
      regions = now;
      known.clear();
    }
  }

  /** What was read of the same picture before, or is read now. */
  @SuppressWarnings("unchecked")
  private <T> T remembered(Object key, Supplier<T> work) {
    return (T) known.of(key, (Supplier<Object>) work);
  }
}
