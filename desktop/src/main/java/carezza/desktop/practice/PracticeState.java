package carezza.desktop.practice;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

import org.jspecify.annotations.Nullable;

import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureWriter;
import carezza.desktop.journal.JournalKeeper;
import carezza.desktop.state.AppState;
import carezza.desktop.state.DocumentState;
import carezza.desktop.state.Restraint;
import carezza.desktop.state.Status;
import carezza.desktop.task.Lane;
import carezza.desktop.text.Names;
import carezza.desktop.text.Texts;
import carezza.filter.Resampling;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.kernel.LayerType;
import carezza.model.LayerStack;
import carezza.model.Project;
import carezza.practice.Exercise;
import carezza.practice.Judge;
import carezza.practice.Score;
import carezza.practice.Task;
import carezza.practice.Tasks;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.record.PracticeResult;
import carezza.session.Session;

/** The exercise that is under way on the bench, and what became of the last one. */
public final class PracticeState implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("practice");

  /** Quality of the JPEG that an exercise's photograph is kept as. */
  private static final int FINE = 97;

  private final AppState state;
  private final DocumentState document;
  private final JournalKeeper keeper;
  private final Supplier<Instant> now;
  private final Lane judging;
  private final ReadOnlyObjectWrapper<@Nullable Task> task = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<@Nullable Outcome> outcome = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<List<PracticeResult>> results =
      new ReadOnlyObjectWrapper<>(List.of());

  public PracticeState(AppState state, JournalKeeper keeper, Supplier<Instant> now) {
    this.state = state;
    this.keeper = keeper;
    this.now = now;
    document = state.document();
    judging = state.tasks().lane("practice");
  }

  /**
   * What became of an exercise.
   *
   * @param work as it was when it was called done, as small as the score's map, working space
   * @param truth what it should have been, alike
   */
  public record Outcome(Exercise exercise, Score score, Picture work, Picture truth) {}

  // --- an exercise

  /** Makes an exercise as a document; takes a few seconds, off the interface thread. */
  public static Begun make(Exercise exercise, long seed) throws Problem {
    Task made = Tasks.of(exercise, seed);
    byte[] file =
        PictureWriter.encode(
            made.photograph(),
            new PictureWriter.Settings(PictureFormat.JPEG, FINE, 8, OutputProfile.SRGB),
            exercise.name());
    Document started = ProjectFile.start(file, TEXTS.get("exercise." + exercise) + ".jpg");
    LayerStack stack =
        made.start().each(l -> l.with(l.attributes().named(Names.of(LayerType.of(l)))));
    Project project =
        Project.begun(TEXTS.get("exercise." + exercise), started.project().photograph())
            .noted(TEXTS.get("document.notes"))
            .withStack(stack);
    return new Begun(made, started.with(project, null));
  }

  /** An exercise that waits to be opened. */
  public record Begun(Task task, Document document) {}

  /** The document of an exercise is about to be put to work. */
  public void begin(Begun begun) {
    task.set(begun.task());
    outcome.set(null);
    document.restrain(
        new Restraint(
            begun.document().project().photograph().sha256(), begun.task().exercise().layers()));
  }

  /** It is at work: what it is done with is taken in hand. */
  public void begun(Begun begun) {
    LayerStack stack = begun.document().project().stack();
    if (!stack.layers().isEmpty()) {
      state.selection().select(stack.layers().getLast().attributes().id());
    }
  }

  /** The exercise that was begun last and is not done; null for none. */
  public ReadOnlyObjectProperty<@Nullable Task> taskProperty() {
    return task.getReadOnlyProperty();
  }

  /** Whether the document at work is the exercise. */
  public boolean isAtWork() {
    return task.get() != null && document.isRestrained();
  }

  /**
   * Judges the work as it stands.
   *
   * @param shown is told once it is judged, and whether the exercise was still at work
   */
  public void finish(Consumer<Boolean> shown) {
    Task own = task.get();
    if (own == null || !isAtWork()) {
      return;
    }
    Session session = document.session();
    Project project = document.current().project();
    Duration active = document.recordProperty().get().active();
    Status.Job job = state.status().begin(TEXTS.get("judging"), judging::cancel);
    judging.newest(
        cancellation -> judged(own, session, project, active, cancellation),
        found -> {
          if (task.get() == own) {
            boolean still = isAtWork();
            end();
            outcome.set(found);
            keep(
                new PracticeResult(
                    now.get(),
                    PracticeResult.Kind.EXERCISE,
                    own.exercise().name(),
                    own.seed(),
                    found.score().points(),
                    null,
                    active));
            shown.accept(still);
          }
        },
        state.status()::fail,
        job::end);
  }

  private static Outcome judged(
      Task task, Session session, Project project, Duration active, Cancellation cancellation) {
    Picture before = rendered(session, project, task.start(), cancellation);
    Picture after = rendered(session, project, project.stack(), cancellation);
    LayerStack answer = task.answer();
    Picture truth =
        answer == null ? task.truth() : rendered(session, project, answer, cancellation);
    Score score =
        Judge.score(task, before, after, truth, project.stack(), active.toMillis() / 1000.0);
    Picture work = small(after);
    Area seen = seen(task, work.area());
    return new Outcome(
        task.exercise(), cropped(score, seen), work.crop(seen), small(truth).crop(seen));
  }

  private static Picture small(Picture full) {
    return full.map(p -> Resampling.reduce(p, Score.MAP_LEVELS));
  }

  /** The face where all happens there; else the whole picture. */
  private static Area seen(Task task, Area whole) {
    boolean wide = task.exercise() == Exercise.BACKDROP || task.exercise() == Exercise.NECK;
    return wide ? whole : task.sitter().face().atLevel(Score.MAP_LEVELS).intersect(whole);
  }

  private static Score cropped(Score score, Area seen) {
    Score.Map map = score.map();
    return map == null
        ? score
        : new Score(
            score.points(),
            score.readings(),
            score.remarks(),
            new Score.Map(
                map.missed().crop(seen), map.overdone().crop(seen), map.lost().crop(seen)));
  }

  private static Picture rendered(
      Session session, Project project, LayerStack stack, Cancellation cancellation) {
    return session.renderer().renderOnce(session.scene(project.withStack(stack)), 0, cancellation);
  }

  /** Nothing of an exercise is wanted any more: it is no unsaved work. */
  public void end() {
    if (isAtWork()) {
      document.savedAs(null, document.settled());
    }
    task.set(null);
    document.restrain(null);
  }

  /** What became of the last one; null before. */
  public ReadOnlyObjectProperty<@Nullable Outcome> outcomeProperty() {
    return outcome.getReadOnlyProperty();
  }

  // --- over time

  /** Keeps a result in the journal. */
  public void keep(PracticeResult result) {
    keeper.write(journal -> journal.add(result));
    look();
  }

  /** Reads anew what was practised. */
  public void look() {
    Instant to = now.get().plusSeconds(1);
    keeper.read(journal -> journal.practised(Instant.EPOCH, to), results::set);
  }

  /** All that was practised, the oldest first. */
  public ReadOnlyObjectProperty<List<PracticeResult>> resultsProperty() {
    return results.getReadOnlyProperty();
  }

  public Instant now() {
    return now.get();
  }

  @Override
  public void close() {
    judging.close();
  }
}
