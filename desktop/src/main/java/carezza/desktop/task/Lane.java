package carezza.desktop.task;

import java.time.Duration;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Consumer;

import carezza.image.Cancellation;
import carezza.image.ParallelRows;

/**
 * One thread, by name, for work off the interface thread where only the newest request counts: a
 * new request cancels the one under way and takes the place of any that waits. Made by a {@link
 * TaskRunner}.
 */
public final class Lane implements AutoCloseable {

  /** Time that is left to what must be finished. */
  private static final long FINISHING_SECONDS = 10;

  private final String name;
  private final TaskRunner runner;
  private final ExecutorService thread;
  private final boolean droppable;
  private final boolean first;
  private final AtomicLong newest = new AtomicLong();

  /** What ends the request that was made last; on the interface thread. */
  private Runnable over = () -> {};

  /**
   * @param droppable its work leaves nothing half done wherever it ends
   * @param first what rests elsewhere waits for its work, too
   */
  Lane(String name, TaskRunner runner, ExecutorService thread, boolean droppable, boolean first) {
    this.name = name;
    this.runner = runner;
    this.thread = thread;
    this.droppable = droppable;
    this.first = first;
  }

  /** Work that can tell when it is no longer wanted. */
  @FunctionalInterface
  public interface Work<T> {
    T run(Cancellation cancellation) throws Exception;
  }

  /** Work without a result. */
  @FunctionalInterface
  public interface Task {
    void run() throws Exception;
  }

  /**
   * Runs the work unless a newer request comes; hands its result over on the interface thread. Once
   * closed, nothing is wanted any more.
   */
  public <T> void newest(Work<T> work, Consumer<T> done, Consumer<Throwable> failed) {
    newest(work, done, failed, () -> {});
  }

  /**
   * As above.
   *
   * @param over runs once, on the interface thread, when nothing more will come of the request:
   *     before its result is handed over, or when it failed, was cancelled, or made way for a newer
   *     one
   */
  public <T> void newest(
      Work<T> work, Consumer<T> done, Consumer<Throwable> failed, Runnable over) {
    request(Duration.ZERO, work, done, failed, over);
  }

  /**
   * As {@link #newest}, once no newer request has come for a while and what comes first is done:
   * the hand and its picture come before what follows them.
   */
  public <T> void rested(
      Duration rest, Work<T> work, Consumer<T> done, Consumer<Throwable> failed) {
    request(rest, work, done, failed, () -> {});
  }

  private <T> void request(
      Duration rest, Work<T> work, Consumer<T> done, Consumer<Throwable> failed, Runnable ending) {
    long ticket = newest.incrementAndGet();
    endRequest();
    over = ending;
    Cancellation stale = () -> newest.get() != ticket;
    execute(() -> attempt(rest, work, stale, done, failed));
  }

  private void endRequest() {
    Runnable last = over;
    over = () -> {};
    last.run();
  }

  /**
   * Work of which each piece counts: it is done in the order it came, and nothing newer takes its
   * place.
   */
  public void inTurn(Task work, Consumer<Throwable> failed) {
    execute(
        () -> {
          try {
            work.run();
          } catch (Throwable e) {
            fail(e, failed);
          }
        });
  }

  private void execute(Runnable work) {
    try {
      thread.execute(first ? () -> runner.ahead(work) : work);
    } catch (RejectedExecutionException e) {
      // Closed meanwhile: nothing is wanted any more.
      cancel();
    }
  }

  private <T> void attempt(
      Duration rest,
      Work<T> work,
      Cancellation stale,
      Consumer<T> done,
      Consumer<Throwable> failed) {
    if (stale.cancelled()) {
      return;
    }
    try {
      if (!rest.isZero()) {
        runner.rest(rest);
        stale.check();
        if (!first) {
          runner.giveWay(stale);
        }
      }
      T result = droppable ? ParallelRows.until(stale, () -> work.run(stale)) : work.run(stale);
      runner.atHome(
          () -> {
            if (!stale.cancelled()) {
              endRequest();
              done.accept(result);
            }
          });
    } catch (CancellationException e) {
      // A newer request is already waiting.
      return;
    } catch (Throwable e) {
      fail(
          e,
          problem -> {
            if (!stale.cancelled()) {
              endRequest();
            }
            failed.accept(problem);
          });
    }
  }

  /** Nothing that goes wrong behind may leave the window waiting. */
  private void fail(Throwable e, Consumer<Throwable> failed) {
    if (e instanceof InterruptedException && thread.isShutdown()) {
      return;
    }
    Faults.log(name, e);
    runner.atHome(() -> failed.accept(e));
  }

  /** Does what is waiting, for a few seconds at most, and takes nothing more. */
  public void finish() {
    thread.shutdown();
    try {
      thread.awaitTermination(FINISHING_SECONDS, TimeUnit.SECONDS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
    runner.forget(this);
  }

  /** Gives up what is under way and what waits. */
  public void cancel() {
    newest.incrementAndGet();
    endRequest();
  }

  @Override
  public void close() {
    cancel();
    thread.shutdownNow();
    runner.forget(this);
  }
}
