package carezza.batch;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;

import org.testng.annotations.Test;

import carezza.problem.Problem;
import carezza.problem.Problem.Kind;

public class MemoryTurnsTest {

  @Test
  public void whatLacksMemoryIsDoneAgainAlone() throws Exception {
    MemoryTurns turns = new MemoryTurns(true);
    AtomicInteger underWay = new AtomicInteger();
    CountDownLatch begun = new CountDownLatch(3);
    List<Integer> aloneWith = new ArrayList<>();
    MemoryTurns.Work<String> other =
        again -> {
          underWay.incrementAndGet();
          begun.countDown();
          waitFor(begun);
          underWay.decrementAndGet();
          return "done";
        };
    MemoryTurns.Work<String> large =
        again -> {
          if (!again) {
            begun.countDown();
            waitFor(begun);
            throw new OutOfMemoryError("beside others");
          }
          aloneWith.add(underWay.get());
          return "done alone";
        };
    try (ExecutorService pool = Executors.newFixedThreadPool(3)) {
      Future<String> one = pool.submit(() -> turns.run(other));
      Future<String> two = pool.submit(() -> turns.run(other));
      Future<String> three = pool.submit(() -> turns.run(large));
      assertThat(one.get()).isEqualTo("done");
      assertThat(two.get()).isEqualTo("done");
      assertThat(three.get()).isEqualTo("done alone");
    }
    assertThat(aloneWith).containsExactly(0);
  }

  @Test
  public void whatIsTooLargeByItselfFailsAfterOneMoreTry() {
    AtomicInteger tries = new AtomicInteger();
    MemoryTurns.Work<String> hopeless =
        again -> {
          tries.incrementAndGet();
          throw new Problem(Kind.PICTURE_TOO_DEMANDING, "huge.tif");
        };
    assertThatThrownBy(() -> new MemoryTurns(true).run(hopeless)).isInstanceOf(Problem.class);
    assertThat(tries.get()).isEqualTo(2);
    assertThatThrownBy(() -> new MemoryTurns(false).run(hopeless)).isInstanceOf(Problem.class);
    assertThat(tries.get()).isEqualTo(3);
  }

  @Test
  public void whatFailsForAnotherReasonIsNotTriedAgain() {
    AtomicInteger tries = new AtomicInteger();
    MemoryTurns.Work<String> broken =
        again -> {
          tries.incrementAndGet();
          throw new Problem(Kind.PROGRAM_FAULT);
        };
    assertThatThrownBy(() -> new MemoryTurns(true).run(broken)).isInstanceOf(Problem.class);
    assertThat(tries.get()).isEqualTo(1);
  }

  private static void waitFor(CountDownLatch latch) {
    try {
      latch.await();
    } catch (InterruptedException e) {
      throw new IllegalStateException(e);
    }
  }
}
