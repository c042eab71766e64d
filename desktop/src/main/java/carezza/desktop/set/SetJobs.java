package carezza.desktop.set;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.function.DoubleConsumer;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.collections.FXCollections;
import javafx.collections.ObservableMap;

import carezza.batch.SetFolder;
import carezza.batch.SetWork;
import carezza.client.DropBox;
import carezza.desktop.state.Status;
import carezza.desktop.task.Faults;
import carezza.desktop.task.Lane;
import carezza.desktop.task.TaskRunner;
import carezza.desktop.text.Texts;
import carezza.image.Cancellation;
import carezza.model.Layer;
import carezza.recipe.Recipe;
import carezza.routine.Routine;
import carezza.routine.RoutineMaker;
import carezza.set.Figures;
import carezza.set.Member;
import carezza.set.Member.State;
import carezza.set.PictureSet;

/**
 * What is done to many members of the set behind, one after the other; one that fails stops none.
 */
public final class SetJobs implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("set");

  private final SetState set;
  private final Status status;
  private final TaskRunner tasks;
  private final Predicate<Path> open;
  private final Lane working;
  private final Lane shelving;
  private final Supplier<List<Routine>> routinesAtHand;
  private final Supplier<List<Recipe>> recipesAtHand;
  private final SetAnswers answers;
  private final ReadOnlyObjectWrapper<List<Routine>> routines =
      new ReadOnlyObjectWrapper<>(List.of());
  private final ReadOnlyObjectWrapper<List<Recipe>> recipes =
      new ReadOnlyObjectWrapper<>(List.of());
  private final ObservableMap<String, SetOutcome> outcomes = FXCollections.observableHashMap();

  /**
   * @param routines reads those that are at hand
   * @param recipes reads those that are at hand
   * @param open whether a file is open in the window: what is at work there is not changed behind
   *     it
   */
  public SetJobs(
      SetState set,
      Status status,
      TaskRunner tasks,
      Supplier<List<Routine>> routines,
      Supplier<List<Recipe>> recipes,
      Predicate<Path> open) {
    this.set = set;
    this.status = status;
    this.tasks = tasks;
    this.open = open;
    this.routinesAtHand = routines;
    this.recipesAtHand = recipes;
    answers = new SetAnswers(set, status, tasks);
    set.folderProperty().subscribe((was, is) -> answers.forget());
    working = tasks.lane("set work");
    set.onFailure((member, said) -> outcomes.put(member.photograph(), SetOutcome.failed(said)));
    shelving = tasks.lane("set shelf");
  }

  /** What became of members in this run, by photograph. */
  public ObservableMap<String, SetOutcome> outcomes() {
    return outcomes;
  }

  /** Routines that can be laid on, as they were read last. */
  public ReadOnlyObjectProperty<List<Routine>> routinesProperty() {
    return routines.getReadOnlyProperty();
  }

  public ReadOnlyObjectProperty<List<Recipe>> recipesProperty() {
    return recipes.getReadOnlyProperty();
  }

  private record Shelf(List<Routine> routines, List<Recipe> recipes) {}

  /** Reads routines and recipes anew. */
  public void lookAtShelf() {
    shelving.newest(
        cancellation -> new Shelf(routinesAtHand.get(), recipesAtHand.get()),
        shelf -> {
          routines.set(shelf.routines());
          recipes.set(shelf.recipes());
        },
        status::fail);
  }

  private interface Piece {
    SetOutcome of(
        SetWork work, Member member, int number, DoubleConsumer progress, Cancellation cancellation)
        throws Exception;
  }

  /** Lays a routine on the members in hand, exposed like the reference if there is one. */
  public void apply(Routine routine) {
    double light = set.reference().map(Figures::stops).orElse(0.0);
    String of = Optional.ofNullable(set.setProperty().get()).map(PictureSet::reference).orElse("");
    each(
        TEXTS.get("applying", routine.name()),
        untouched(set.inHand()),
        (work, member, number, progress, cancellation) -> {
          SetWork.Done done =
              work.apply(
                  member,
                  routine,
                  member.photograph().equals(of) ? 0 : light,
                  progress,
                  cancellation);
          return new SetOutcome(done.member(), routine.name(), done.outside(), done.measured(), "");
        });
  }

  /**
   * Lays a layer of the picture at work on the members in hand, as it is. What of it lies at a
   * place of that picture alone stays behind.
   */
  public void copy(Layer layer) {
    Layer alone = RoutineMaker.alone(layer);
    String name = layer.attributes().name();
    if (alone == null) {
      status.say(TEXTS.get("copy-placed", name));
      return;
    }
    each(
        TEXTS.get("applying", name),
        untouched(set.inHand()),
        (work, member, number, progress, cancellation) ->
            SetOutcome.of(work.copied(member, alone, cancellation)));
  }

  /**
   * Brings light and balance of the members in hand to those of the reference.
   *
   * @param named gives new layers their names
   */
  public void bring(UnaryOperator<Layer> named) {
    Optional<Figures> reference = set.reference();
    if (reference.isEmpty()) {
      status.say(TEXTS.get("no-reference"));
      return;
    }
    each(
        TEXTS.get("bringing"),
        untouched(set.inHand()),
        (work, member, number, progress, cancellation) ->
            SetOutcome.of(work.broughtTo(reference.get(), member, named, cancellation)));
  }

  /** Plans the members in hand. */
  public void plan() {
    each(
        TEXTS.get("planning"),
        set.inHand(),
        (work, member, number, progress, cancellation) ->
            SetOutcome.of(work.planned(member, cancellation)));
  }

  /** What the client says. */
  public SetAnswers answers() {
    return answers;
  }

  /** As {@link #deliver}, and copies go into the drop-box beside the set. */
  public void send(Recipe recipe) {
    DropBox box = SetAnswers.box(set.folderProperty().get());
    if (box != null) {
      deliver(
          TEXTS.get("sending", recipe.name()),
          (work, member, number, progress, cancellation) ->
              SetOutcome.of(work.sent(member, number, recipe, box, cancellation)));
    }
  }

  /** Delivers all that are finished, and those that were delivered before and are in hand. */
  public void deliver(Recipe recipe) {
    deliver(
        TEXTS.get("delivering", recipe.name()),
        (work, member, number, progress, cancellation) ->
            SetOutcome.of(work.delivered(member, number, recipe, cancellation)));
  }

  private void deliver(String words, Piece piece) {
    PictureSet now = set.setProperty().get();
    if (now == null) {
      return;
    }
    List<Member> finished =
        now.members().stream()
            .filter(
                m ->
                    m.state() == State.FINISHED
                        || m.state() == State.DELIVERED && set.inHand().contains(m))
            .toList();
    if (finished.isEmpty()) {
      status.say(TEXTS.get("none-finished"));
      return;
    }
    each(words, finished, piece);
  }

  /** Without those that are open in the window, which is said of each. */
  private List<Member> untouched(List<Member> members) {
    SetFolder folder = set.folderProperty().get();
    if (folder == null) {
      return List.of();
    }
    return members.stream()
        .filter(
            m -> {
              boolean isOpen = open.test(folder.path(m.file()));
              if (isOpen) {
                outcomes.put(
                    m.photograph(), SetOutcome.failed(TEXTS.get("open-on-the-bench", m.title())));
                status.say(TEXTS.get("open-on-the-bench", m.title()));
              }
              return !isOpen;
            })
        .toList();
  }

  private void each(String words, List<Member> members, Piece piece) {
    SetFolder folder = set.folderProperty().get();
    PictureSet now = set.setProperty().get();
    if (folder == null || now == null || members.isEmpty()) {
      return;
    }
    SetWork work = new SetWork(folder);
    Status.Job job = status.begin(words, working::cancel).saying(TEXTS.get("stopped"));
    working.newest(
        cancellation -> {
          int failed = 0;
          for (int i = 0; i < members.size(); i++) {
            cancellation.check();
            int before = i;
            DoubleConsumer progress =
                p -> tasks.atHome(() -> job.progress((before + p) / members.size()));
            progress.accept(0);
            Member member = members.get(i);
            SetOutcome outcome = one(piece, work, member, now.members(), progress, cancellation);
            failed += outcome.problem().isEmpty() ? 0 : 1;
            tasks.atHome(() -> came(member, outcome));
          }
          return failed;
        },
        failed -> {
          status.say(
              failed == 0
                  ? TEXTS.get("done", members.size())
                  : TEXTS.get("done-but", members.size() - failed, failed));
          set.look();
        },
        status::fail,
        job::end);
  }

  private static SetOutcome one(
      Piece piece,
      SetWork work,
      Member member,
      List<Member> all,
      DoubleConsumer progress,
      Cancellation cancellation) {
    try {
      return piece.of(work, member, all.indexOf(member) + 1, progress, cancellation);
    } catch (CancellationException e) {
      throw e;
    } catch (Exception e) {
      Faults.log("set work", e);
      return SetOutcome.failed(Faults.said(e));
    }
  }

  private void came(Member member, SetOutcome outcome) {
    outcomes.put(member.photograph(), outcome);
    Member changed = outcome.member();
    if (changed != null) {
      set.edit(member.photograph(), now -> now.doneAs(changed));
    }
  }

  @Override
  public void close() {
    working.close();
    answers.close();
    shelving.close();
  }
}
