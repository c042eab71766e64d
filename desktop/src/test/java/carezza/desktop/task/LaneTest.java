package carezza.desktop.task;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;

import org.testng.annotations.Test;

/** Lanes for work off the interface thread. */
public class LaneTest {

  private static final long PATIENCE_SECONDS = 20;

  @Test
  public void onlyTheNewestRequestIsAnswered() throws Exception {
    LinkedBlockingQueue<String> answers = new LinkedBlockingQueue<>();
    try (TaskRunner runner = TaskRunner.answering(Runnable::run)) {
      Lane lane = runner.lane("test");
      CountDownLatch begun = new CountDownLatch(1);
      CountDownLatch go = new CountDownLatch(1);
      lane.newest(
          cancellation -> {
            begun.countDown();
            go.await();
            return "first";
          },
          answers::add,
          e -> answers.add("failed"));
      assertThat(begun.await(PATIENCE_SECONDS, TimeUnit.SECONDS)).isTrue();
      lane.newest(cancellation -> "second", answers::add, e -> answers.add("failed"));
      lane.newest(cancellation -> "third", answers::add, e -> answers.add("failed"));
      go.countDown();
      assertThat(answers.poll(PATIENCE_SECONDS, TimeUnit.SECONDS)).isEqualTo("third");
      assertThat(answers).isEmpty();
    }
  }

  @Test
  public void workInTurnIsDoneInTheOrderItCame() throws Exception {
    List<Integer> done = new ArrayList<>();
    TaskRunner runner = TaskRunner.answering(Runnable::run);
    Lane lane = runner.lane("test");
    for (int i = 0; i < 20; i++) {
      int each = i;
      lane.inTurn(() -> done.add(each), e -> done.add(-1));
    }
    lane.finish();
    assertThat(done).hasSize(20).isSorted();
  }

  @Test
  public void whatRestsWaitsForWhatComesFirst() throws Exception {
    LinkedBlockingQueue<String> done = new LinkedBlockingQueue<>();
    try (TaskRunner runner = TaskRunner.answering(Runnable::run)) {
      CountDownLatch begun = new CountDownLatch(1);
      CountDownLatch go = new CountDownLatch(1);
      runner
          .first("picture", false)
          .newest(
              cancellation -> {
                begun.countDown();
                go.await();
                return "picture";
              },
              done::add,
              e -> done.add("failed"));
      assertThat(begun.await(PATIENCE_SECONDS, TimeUnit.SECONDS)).isTrue();
      Duration little = Duration.ofMillis(1);
      runner
          .lane("numbers")
          .rested(little, cancellation -> "numbers", done::add, e -> done.add("failed"));
      assertThat(done.poll(200, TimeUnit.MILLISECONDS)).isNull();
      go.countDown();
      assertThat(done.poll(PATIENCE_SECONDS, TimeUnit.SECONDS)).isEqualTo("picture");
      assertThat(done.poll(PATIENCE_SECONDS, TimeUnit.SECONDS)).isEqualTo("numbers");
    }
  }

  @Test
  public void whatComesFirstHoldsNothingUpForEver() throws Exception {
    LinkedBlockingQueue<String> done = new LinkedBlockingQueue<>();
    try (TaskRunner runner = TaskRunner.answering(Runnable::run)) {
      CountDownLatch go = new CountDownLatch(1);
      runner
          .first("picture", false)
          .newest(
              cancellation -> {
                go.await();
                return "picture";
              },
              done::add,
              e -> done.add("failed"));
      runner
          .lane("numbers")
          .rested(
              Duration.ofMillis(1), cancellation -> "numbers", done::add, e -> done.add("failed"));
      assertThat(done.poll(PATIENCE_SECONDS, TimeUnit.SECONDS)).isEqualTo("numbers");
      go.countDown();
    }
  }

  @Test
  public void whateverGoesWrongIsTold() {
    AtomicReference<Throwable> told = new AtomicReference<>();
    Lane lane = TaskRunner.inPlace().lane("test");
    lane.newest(
        cancellation -> {
          throw new StackOverflowError();
        },
        x -> {},
        told::set);
    assertThat(told.get()).isInstanceOf(StackOverflowError.class);
    lane.inTurn(
        () -> {
          throw new IOException("full");
        },
        told::set);
    assertThat(told.get()).hasMessage("full");
  }

  @Test
  public void aClosedLaneTakesNothingMore() {
    List<String> answers = new ArrayList<>();
    TaskRunner runner = TaskRunner.inPlace();
    Lane lane = runner.lane("test");
    runner.close();
    lane.newest(cancellation -> "late", answers::add, e -> answers.add("failed"));
    lane.rested(Duration.ofMillis(1), cancellation -> "later", answers::add, e -> {});
    assertThat(answers).isEmpty();
  }
}
