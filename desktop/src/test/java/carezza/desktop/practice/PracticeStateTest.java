package carezza.desktop.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;

import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.desktop.journal.JournalKeeper;
import carezza.desktop.journal.WorkState;
import carezza.desktop.practice.PracticeState.Outcome;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Documents;
import carezza.desktop.task.TaskRunner;
import carezza.kernel.LayerType;
import carezza.practice.Exercise;
import carezza.practice.Quality;
import carezza.practice.Remark;
import carezza.practice.Staircase;
import carezza.practice.Task;
import carezza.problem.Problem;
import carezza.record.PracticeResult;
import carezza.record.WorkClock.Moment;

/** Exercises and tests of the eye without a window. */
public class PracticeStateTest {

  private static final Instant NOW = Instant.parse("2026-11-02T10:00:00Z");

  private final List<String> said = new ArrayList<>();

  private AppState state;
  private WorkState work;
  private PracticeState practice;
  private EyeState eye;

  @BeforeMethod
  public void begin() throws IOException {
    said.clear();
    Path folder = Files.createTempDirectory("practice");
    state = AppState.with(TaskRunner.inPlace());
    JournalKeeper keeper = new JournalKeeper(folder, said::add, state.tasks());
    work =
        new WorkState(
            state,
            keeper,
            () -> new Moment(Duration.between(Instant.EPOCH, NOW).toNanos(), NOW),
            ZoneId.of("UTC"));
    practice = new PracticeState(state, keeper, () -> NOW);
    eye = new EyeState(practice, state.status(), state.tasks());
  }

  @AfterMethod
  public void end() {
    eye.close();
    practice.close();
    work.close();
    state.close();
    assertThat(said).isEmpty();
  }

  private Task exercise(Exercise exercise, long seed) throws Problem {
    PracticeState.Begun begun = PracticeState.make(exercise, seed);
    practice.begin(begun);
    state.document().open(begun.document());
    practice.begun(begun);
    return begun.task();
  }

  @Test
  public void anExerciseTakesItsToolInHandAndLeavesNoOther() throws Problem {
    exercise(Exercise.HEAL, 5);

    assertThat(practice.isAtWork()).isTrue();
    assertThat(state.selection().layer().map(LayerType::of)).contains(LayerType.HEAL);
    int layers = state.document().stack().size();
    state.selection().add(LayerType.CURVE);
    assertThat(state.document().stack().size()).isEqualTo(layers);
    assertThat(state.status().messageProperty().get()).contains("not needed in this exercise");
    state.selection().add(LayerType.HEAL);
    assertThat(state.document().stack().size()).isEqualTo(layers + 1);
    state.proposals().look();
    assertThat(state.status().messageProperty().get()).contains("your eye");
    assertThat(state.proposals().allProperty().get()).isEmpty();
  }

  @Test
  public void anExerciseThatIsDoneIsJudgedAndStandsInTheJournalAsNoPicture() throws Problem {
    exercise(Exercise.HEAL, 5);
    work.viewIs("bench", true);
    work.input();
    boolean[] shown = new boolean[1];
    practice.finish(still -> shown[0] = still);

    Outcome outcome = Objects.requireNonNull(practice.outcomeProperty().get());
    assertThat(shown[0]).isTrue();
    assertThat(outcome.score().points()).isZero();
    assertThat(outcome.score().remarks()).startsWith(Remark.UNTOUCHED);
    assertThat(practice.isAtWork()).isFalse();
    assertThat(state.document().dirtyProperty().get()).isFalse();
    assertThat(practice.resultsProperty().get())
        .extracting(PracticeResult::subject, PracticeResult::seed)
        .containsExactly(tuple("HEAL", 5L));
    assertThat(work.picture()).isNull();
  }

  @Test
  public void anotherPictureIsNotHeldBackByAnExerciseThatWaits() throws Problem {
    exercise(Exercise.RADIUS, 6);
    state.document().open(Documents.with(LayerType.CURVE));

    assertThat(practice.isAtWork()).isFalse();
    state.selection().add(LayerType.VIGNETTE);
    assertThat(state.document().stack().size()).isEqualTo(2);
    practice.finish(still -> {});
    assertThat(practice.outcomeProperty().get()).isNull();
    assertThat(practice.taskProperty().get()).isNotNull();
  }

  @Test
  public void anExerciseThatIsGivenUpHasNoResult() throws Problem {
    exercise(Exercise.HEAL, 7);
    practice.end();

    assertThat(practice.taskProperty().get()).isNull();
    assertThat(state.document().isRestrained()).isFalse();
    practice.look();
    assertThat(practice.resultsProperty().get()).isEmpty();
  }

  @Test
  public void anEyeThatSeesNothingComesToALargeThreshold() {
    eye.begin(Quality.HALO, 8);
    int answers = 0;
    while (eye.isUnderWay()) {
      EyeState.Shown shown = Objects.requireNonNull(eye.shownProperty().get());
      // Right and wrong by turns: an eye that guesses.
      eye.answer(shown.pair().changedIsRight() == (answers++ % 4 < 2));
    }

    PracticeResult result = Objects.requireNonNull(eye.doneProperty().get());
    assertThat(result.kind()).isEqualTo(PracticeResult.Kind.EYE);
    Staircase fresh = Quality.HALO.staircase();
    assertThat(result.value()).isGreaterThan(fresh.strength() / 2);
    assertThat(Objects.requireNonNull(result.spread())).isGreaterThanOrEqualTo(1);
    assertThat(practice.resultsProperty().get()).containsExactly(result);
    assertThat(PracticeWords.threshold(result)).startsWith("You see a gain of");
  }

  @Test
  public void aTestThatIsStoppedHasNoResult() {
    eye.begin(Quality.TEXTURE, 9);
    assertThat(eye.shownProperty().get()).isNotNull();
    eye.stop();

    assertThat(eye.isUnderWay()).isFalse();
    assertThat(eye.shownProperty().get()).isNull();
    eye.answer(true);
    assertThat(eye.doneProperty().get()).isNull();
  }
}
