package carezza.desktop.state;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;

import org.jspecify.annotations.Nullable;

import carezza.desktop.task.Lane;
import carezza.desktop.task.TaskRunner;
import carezza.desktop.text.PlanWords;
import carezza.desktop.text.Texts;
import carezza.image.Cancellation;
import carezza.job.JobLevel;
import carezza.model.Brief;
import carezza.model.Layer;
import carezza.model.Project;
import carezza.model.Promise;
import carezza.model.Stage;
import carezza.plan.Finding;
import carezza.plan.Plan;
import carezza.record.Pace;
import carezza.session.Promises.Broken;
import carezza.session.Session;
import carezza.session.Treatments;

/**
 * What there is to do on the picture at work: found behind the scenes once it is on the screen,
 * followed when the hand rests.
 */
public final class PlanState implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("plan");

  /** Pause in the work after which the plan is made anew: the gauges come first. */
  private static final Duration REST = Duration.ofMillis(500);

  private final DocumentState document;
  private final SelectionController selection;
  private final Status status;
  private final TaskRunner tasks;
  private final Lane looking;
  private final Lane drafting;
  private final ReadOnlyObjectWrapper<Plan> plan = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<Draft> draft = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<List<Broken>> broken = new ReadOnlyObjectWrapper<>(List.of());
  private final ReadOnlyBooleanWrapper underWay = new ReadOnlyBooleanWrapper();
  private final ObjectProperty<Finding> focus = new SimpleObjectProperty<>();
  private JobSettings studio = JobSettings.forgetful();
  private Pace pace = Pace.TABLE;

  public PlanState(
      DocumentState document, SelectionController selection, Status status, TaskRunner tasks) {
    this.document = document;
    this.selection = selection;
    this.status = status;
    this.tasks = tasks;
    looking = tasks.droppable("plan");
    drafting = tasks.droppable("draft");
    document
        .sessionProperty()
        .subscribe(
            (was, is) -> {
              looking.cancel();
              drafting.cancel();
              plan.set(null);
              broken.set(List.of());
              draft.set(null);
              focus.set(null);
            });
    document.projectProperty().subscribe((was, is) -> looking.cancel());
    document.commitsProperty().subscribe((was, is) -> look());
    document.seenProperty().subscribe((was, is) -> look());
  }

  /**
   * A draft that was made and not taken yet.
   *
   * @param of the project that it was made for
   * @param project that project with the layers of the draft
   */
  public record Draft(Project of, Project project) {}

  private record Looked(Plan plan, List<Broken> broken) {}

  private void look() {
    if (!document.seenProperty().get()) {
      return;
    }
    if (document.isRestrained()) {
      // An exercise is looked through by the eye.
      plan.set(null);
      return;
    }
    if (draft.get() != null && !draft.get().of().equals(document.settled())) {
      draft.set(null);
    }
    Project asked = document.project();
    Session here = document.session();
    Pace own = pace;
    underWay.set(true);
    looking.rested(
        REST,
        cancellation ->
            new Looked(
                here.planning().plan(asked, own, cancellation),
                here.promises().broken(asked, cancellation)),
        found -> {
          underWay.set(false);
          broken.set(found.broken());
          plan.set(found.plan());
          focus.set(same(focus.get()).orElse(null));
        },
        e -> {
          underWay.set(false);
          status.fail(e);
        });
  }

  /** How long the retoucher takes, from now on. */
  public void paceIs(Pace known) {
    pace = known;
    look();
  }

  private Optional<Finding> same(Finding earlier) {
    return earlier == null
        ? Optional.empty()
        : plan.get().findings().stream().filter(f -> f.key().equals(earlier.key())).findFirst();
  }

  /** As made last; null before there is one. */
  public ReadOnlyObjectProperty<Plan> planProperty() {
    return plan.getReadOnlyProperty();
  }

  /** Promises that are not kept, as looked at last. */
  public ReadOnlyObjectProperty<List<Broken>> brokenProperty() {
    return broken.getReadOnlyProperty();
  }

  /** Whether a newer plan is being made. */
  public ReadOnlyBooleanProperty underWayProperty() {
    return underWay.getReadOnlyProperty();
  }

  /** A draft to be looked at, or null. */
  public ReadOnlyObjectProperty<Draft> draftProperty() {
    return draft.getReadOnlyProperty();
  }

  /** Looks at a finding, or away from it where it is the one that is looked at. */
  public void turnFocus(Finding finding) {
    Finding now = focus.get();
    focus.set(now != null && now.key().equals(finding.key()) ? null : finding);
  }

  /** The finding that is looked at, which the picture flies to; or null. */
  public ObjectProperty<Finding> focusProperty() {
    return focus;
  }

  // --- taking up

  /** Makes a draft of all that is proposed, to be looked at. */
  public void look(List<Finding> findings) {
    work(findings, (asked, drafted) -> draft.set(new Draft(asked, drafted)));
  }

  /** Takes the draft as one step; makes it first where there is none. */
  public void draft() {
    Draft made = draft.get();
    if (made != null && made.of().equals(document.settled())) {
      take(made.project());
    } else if (plan.get() != null) {
      accept(plan.get().proposed());
    }
  }

  /** Treats these findings, as one step. */
  public void accept(List<Finding> findings) {
    work(findings, (asked, drafted) -> take(drafted));
  }

  /** Treats what is open in a stage, as one step. */
  public void accept(Stage stage) {
    if (plan.get() != null) {
      accept(
          plan.get().open().stream()
              .filter(f -> f.kind().stage() == stage && f.minutes() > 0)
              .toList());
    }
  }

  private interface Done {
    void with(Project asked, Project drafted);
  }

  private void work(List<Finding> findings, Done done) {
    if (findings.isEmpty() || document.isEmpty()) {
      return;
    }
    Project asked = document.settled();
    Session here = document.session();
    drafting.cancel();
    Status.Job job = status.begin(TEXTS.get("state.drafting"), drafting::cancel);
    drafting.newest(
        cancellation ->
            // One finding is one layer, as it is; only a whole draft is tuned.
            findings.size() == 1
                ? treated(here, asked, findings.getFirst(), cancellation)
                : here.treatments().draft(asked, findings, guide(job), cancellation),
        drafted -> {
          if (here != document.session() || !asked.equals(document.settled())) {
            status.say(TEXTS.get("state.changed"));
          } else if (drafted.equals(asked)) {
            status.say(TEXTS.get("state.nothing-treats"));
          } else {
            done.with(asked, drafted);
          }
        },
        status::fail,
        job::end);
  }

  private static Project treated(
      Session session, Project project, Finding finding, Cancellation cancellation) {
    Project treated = session.treatments().treated(project, finding, cancellation);
    for (Layer layer : treated.stack().layers()) {
      if (project.stack().find(layer.attributes().id()).isEmpty()) {
        treated = treated.edit(layer.attributes().id(), l -> PlanWords.named(l, finding));
      }
    }
    return treated;
  }

  private Treatments.Guide guide(Status.Job job) {
    return new Treatments.Guide() {
      @Override
      public void at(int done, int all) {
        tasks.atHome(() -> job.progress((double) done / all));
      }

      @Override
      public Layer named(Layer layer, @Nullable Finding finding) {
        return PlanWords.named(layer, finding);
      }
    };
  }

  private void take(Project drafted) {
    draft.set(null);
    focus.set(null);
    String last =
        drafted.stack().layers().stream()
            .map(l -> l.attributes().id())
            .filter(id -> document.stack().find(id).isEmpty())
            .reduce((one, other) -> other)
            .orElse(null);
    selection.take(drafted, last);
  }

  /** Puts the draft away. */
  public void dropDraft() {
    draft.set(null);
  }

  // --- the brief

  /** Leaves a finding as it is. */
  public void leave(Finding finding, String reason) {
    brief(b -> b.leaving(finding.key(), reason));
  }

  /** Takes a finding up again that was left as it is. */
  public void takeUp(Finding finding) {
    brief(b -> b.leaving(finding.key(), null));
  }

  /** Something more that must not be touched. */
  public void promise(Promise promise) {
    brief(b -> b.promising(promise));
  }

  /** Takes a promise back. */
  public void release(Promise promise) {
    brief(b -> b.without(promise));
  }

  /** Another job, with the retoucher's own numbers for it. */
  public void chooseJob(String id) {
    brief(b -> b.job().equals(id) ? b : b.withJob(id, studio.get(id)));
  }

  /**
   * Changes a number of the job, for this project and, as the retoucher's own, for those that
   * choose the job later.
   *
   * @param value null to put it back to the job's
   */
  public void setLimit(String name, @Nullable Double value) {
    Brief brief = document.settled().brief();
    Map<String, Double> limits = new TreeMap<>(brief.limits());
    if (value == null || value.equals(JobLevel.of(brief.job()).numbers().get(name))) {
      limits.remove(name);
    } else {
      limits.put(name, value);
    }
    studio.set(brief.job(), limits);
    brief(b -> b.withJob(b.job(), limits));
  }

  /** Puts all numbers of the job back. */
  public void resetLimits() {
    studio.set(document.settled().brief().job(), Map.of());
    brief(b -> b.withJob(b.job(), Map.of()));
  }

  /** Where the retoucher's own numbers are kept; without it they are forgotten. */
  public void keepNumbersIn(JobSettings kept) {
    studio = kept;
  }

  /**
   * @param pixels of the delivered picture's longer side; 0 for all there are
   */
  public void deliverAt(int pixels) {
    brief(b -> b.withLongEdge(pixels));
  }

  /**
   * @param minutes there are; 0 for those of the job
   */
  public void spend(double minutes) {
    brief("plan-minutes", b -> b.withMinutes(minutes));
  }

  private void brief(UnaryOperator<Brief> change) {
    brief(null, change);
  }

  private void brief(@Nullable String label, UnaryOperator<Brief> change) {
    if (!document.isEmpty()) {
      Brief changed = change.apply(document.settled().brief());
      if (!changed.equals(document.settled().brief())) {
        document.edit(label, p -> p.withBrief(changed));
      }
    }
  }

  @Override
  public void close() {
    looking.close();
    drafting.close();
  }
}
