package carezza.desktop.app;

import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.FutureTask;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.BooleanSupplier;
import javafx.application.Platform;

/** Drives a window from another thread. */
final class ToolkitThread {

  private static final long PATIENCE_SECONDS = 120;

  private ToolkitThread() {}

  /** Runs the work where the window lives and returns what it returns. */
  static <T> T call(Callable<T> work) {
    FutureTask<T> task = new FutureTask<>(work);
    Platform.runLater(task);
    try {
      return task.get(PATIENCE_SECONDS, TimeUnit.SECONDS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException("Interrupted", e);
    } catch (ExecutionException | TimeoutException e) {
      throw new IllegalStateException("The window did not answer", e);
    }
  }

  /** Waits until the condition, asked where the window lives, holds. */
  static void await(BooleanSupplier ready) throws InterruptedException {
    long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(PATIENCE_SECONDS);
    while (!call(ready::getAsBoolean)) {
      if (System.nanoTime() > end) {
        throw new IllegalStateException("The picture was not ready in time");
      }
      Thread.sleep(50);
    }
  }
}
