package carezza.benchmarks;

import java.util.concurrent.Callable;
import java.util.concurrent.FutureTask;
import javafx.application.Platform;

/** The interface thread, asked from another. */
final class Toolkit {

  private Toolkit() {}

  /** Does something there and waits for what it gives. */
  static <T> T on(Callable<T> work) throws Exception {
    FutureTask<T> task = new FutureTask<>(work);
    Platform.runLater(task);
    return task.get();
  }
}
