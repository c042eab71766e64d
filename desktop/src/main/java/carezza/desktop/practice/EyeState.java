package carezza.desktop.practice;

import java.time.Duration;
import java.time.Instant;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

import org.jspecify.annotations.Nullable;

import carezza.desktop.state.Status;
import carezza.desktop.task.Lane;
import carezza.desktop.task.TaskRunner;
import carezza.practice.EyeTest;
import carezza.practice.Quality;
import carezza.record.PracticeResult;

/** A test of the eye that is under way: the pair that is shown, and the answers to it. */
public final class EyeState implements AutoCloseable {

  private final PracticeState practice;
  private final Status status;
  private final Lane making;
  private final ReadOnlyObjectWrapper<@Nullable Shown> shown = new ReadOnlyObjectWrapper<>();
  private final ReadOnlyObjectWrapper<@Nullable PracticeResult> done =
      new ReadOnlyObjectWrapper<>();
  private @Nullable EyeTest test;
  private Instant begun = Instant.EPOCH;

  public EyeState(PracticeState practice, Status status, TaskRunner tasks) {
    this.practice = practice;
    this.status = status;
    making = tasks.lane("eye test");
  }

  /** A pair, and how far the test is. */
  public record Shown(Quality quality, EyeTest.Pair pair, int answers, int reversals) {}

  public void begin(Quality quality, long seed) {
    test = new EyeTest(quality, seed);
    begun = practice.now();
    done.set(null);
    shown.set(null);
    next();
  }

  private void next() {
    EyeTest own = test;
    if (own != null) {
      making.newest(
          cancellation ->
              new Shown(
                  own.quality(),
                  own.next(),
                  own.staircase().answers(),
                  own.staircase().reversals()),
          pair -> {
            if (test == own) {
              shown.set(pair);
            }
          },
          status::fail);
    }
  }

  /** Which of the two has more of it; nothing while no pair is shown. */
  public void answer(boolean right) {
    Shown now = shown.get();
    EyeTest own = test;
    if (now == null || own == null) {
      return;
    }
    shown.set(null);
    own.answer(now.pair(), right);
    if (!own.staircase().finished()) {
      next();
      return;
    }
    PracticeResult result =
        new PracticeResult(
            practice.now(),
            PracticeResult.Kind.EYE,
            own.quality().name(),
            own.seed(),
            own.staircase().threshold(),
            own.staircase().spread(),
            Duration.between(begun, practice.now()));
    test = null;
    practice.keep(result);
    done.set(result);
  }

  /** Gives the test up. */
  public void stop() {
    test = null;
    shown.set(null);
  }

  /** What is asked now; null while the next pair is made, and where no test is under way. */
  public ReadOnlyObjectProperty<@Nullable Shown> shownProperty() {
    return shown.getReadOnlyProperty();
  }

  /** What the test came to; null while it is under way. */
  public ReadOnlyObjectProperty<@Nullable PracticeResult> doneProperty() {
    return done.getReadOnlyProperty();
  }

  public boolean isUnderWay() {
    return test != null;
  }

  @Override
  public void close() {
    making.close();
  }
}
