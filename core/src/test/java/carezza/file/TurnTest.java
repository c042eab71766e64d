package carezza.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIOException;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collections;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;

import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

public class TurnTest {

  private Path folder;

  @BeforeMethod
  public void makeFolder() throws IOException {
    folder = Files.createTempDirectory("turn");
  }

  @Test
  public void onlyOneHasItAtATime() throws Exception {
    AtomicInteger inside = new AtomicInteger();
    Callable<Integer> most =
        () -> {
          int seen = 0;
          for (int i = 0; i < 200; i++) {
            try (Turn _ = Turn.take(folder.resolve("turn"))) {
              seen = Math.max(seen, inside.incrementAndGet());
              Thread.onSpinWait();
              inside.decrementAndGet();
            }
          }
          return seen;
        };
    try (ExecutorService hands = Executors.newFixedThreadPool(4)) {
      for (Future<Integer> hand : hands.invokeAll(Collections.nCopies(4, most))) {
        assertThat(hand.get()).isOne();
      }
    }
  }

  @Test
  public void whoCannotTakeItLeavesItToTheNext() throws Exception {
    assertThatIOException().isThrownBy(() -> Turn.take(folder.resolve("nowhere/turn")));
    try (ExecutorService hand = Executors.newSingleThreadExecutor()) {
      Callable<Boolean> next =
          () -> {
            try (Turn _ = Turn.take(folder.resolve("turn"))) {
              return Files.exists(folder.resolve("turn"));
            }
          };
      assertThat(hand.submit(next).get()).isTrue();
    }
  }
}
