package carezza.desktop.task;

import java.util.concurrent.Callable;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Consumer;
import javafx.application.Platform;

import carezza.image.Cancellation;
import carezza.image.ParallelRows;

/**
 * One thread for work off the interface thread where only the newest request counts: a new request
 * cancels the one under way and takes the place of any that waits.
 */
public final class Lane implements AutoCloseable {

  /** Rest after which the thread is given back, so that one that is forgotten holds nothing. */
  private static final long IDLE_SECONDS = 10;

  private final ExecutorService thread;
  private final AtomicLong newest = new AtomicLong();

  private final boolean droppable;

  public Lane(String name) {
    this(name, false);
  }

  /** For work that leaves nothing half done wherever it ends: it ends at once when cancelled. */
  public static Lane droppable(String name) {
    return new Lane(name, true);
  }

  private Lane(String name, boolean droppable) {
    this.droppable = droppable;
    ThreadPoolExecutor one =
        new ThreadPoolExecutor(
            1,
            1,
            IDLE_SECONDS,
            TimeUnit.SECONDS,
            new LinkedBlockingQueue<>(),
            work -> Thread.ofPlatform().name(name).daemon().unstarted(work));
    one.allowCoreThreadTimeOut(true);
    thread = one;
  }

  /** Work that can tell when it is no longer wanted. */
  @FunctionalInterface
  public interface Work<T> {
    T run(Cancellation cancellation) throws Exception;
  }

  /**
   * Runs the work unless a newer request comes; hands its result over on the interface thread. Once closed,
   * nothing is wanted any more.
   */
  public <T> void newest(Work<T> work, Consumer<T> done, Consumer<Exception> failed) {
    if (thread.isShutdown()) {
      return;
    }
    long ticket = newest.incrementAndGet();
    Cancellation stale = () -> newest.get() != ticket;
    thread.execute(() -> attempt(
            () -> droppable ? ParallelRows.until(stale, () -> work.run(stale)) : work.run(stale),
            stale, done, failed));
  }

  /** Work of which each piece counts: it is done in the order it came, and nothing newer takes its place. */
  public void inTurn(Task work, Consumer<Exception> failed) {
    if (!thread.isShutdown()) {
      thread.execute(
          () -> {
            try {
              work.run();
            } catch (Exception e) {
              Platform.runLater(() -> failed.accept(e));
            } catch (Throwable e) {
              Platform.runLater(() -> failed.accept(Faults.problem(e)));
            }
          });
    }
  }

  /** Work without a result. */
  @FunctionalInterface
  public interface Task {
    void run() throws Exception;
  }

  /** Does what is waiting, for a few seconds at most, and takes nothing more. */
  public void finish() {
    thread.shutdown();
    try {
      thread.awaitTermination(IDLE_SECONDS, TimeUnit.SECONDS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  /** Gives up what is under way and what waits. */
  public void cancel() {
    newest.incrementAndGet();
  }

  private static <T> void attempt(
      Callable<T> work, Cancellation stale, Consumer<T> done, Consumer<Exception> failed) {
    if (stale.cancelled()) {
      return;
    }
    try {
      T result = work.call();
      Platform.runLater(
          () -> {
            if (!stale.cancelled()) {
              done.accept(result);
            }
          });
    } catch (CancellationException e) {
      // A newer request is already waiting.
      return;
    } catch (Exception e) {
      Platform.runLater(() -> failed.accept(e));
    } catch (Throwable e) {
      // Nothing that goes wrong behind may leave the window waiting.
      Platform.runLater(() -> failed.accept(Faults.problem(e)));
    }
  }

  @Override
  public void close() {
    cancel();
    thread.shutdownNow();
  }
}
