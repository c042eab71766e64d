package carezza.desktop.task;

import java.time.Duration;
import java.util.List;
import java.util.concurrent.AbstractExecutorService;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.application.Platform;

/** Hands out lanes for work off the interface thread, and ends them all together. */
public final class TaskRunner implements AutoCloseable {

  /** Rest after which a thread is given back, so that a lane that is forgotten holds nothing. */
  private static final long IDLE_SECONDS = 10;

  private final Function<String, ExecutorService> threads;
  private final Consumer<Runnable> home;
  private final Rest rest;
  private final List<Lane> lanes = new CopyOnWriteArrayList<>();

  @FunctionalInterface
  private interface Rest {
    void of(Duration time) throws InterruptedException;
  }

  private TaskRunner(
      Function<String, ExecutorService> threads, Consumer<Runnable> home, Rest rest) {
    this.threads = threads;
    this.home = home;
    this.rest = rest;
  }

  /** With threads of its own, and results on the toolkit's thread. */
  public static TaskRunner ofToolkit() {
    return answering(Platform::runLater);
  }

  /**
   * With threads of its own.
   *
   * @param home runs what is done with results
   */
  public static TaskRunner answering(Consumer<Runnable> home) {
    return new TaskRunner(TaskRunner::thread, home, Thread::sleep);
  }

  /**
   * Does everything at once, in place and without a rest: what follows from a change can be asked
   * right after it.
   */
  public static TaskRunner inPlace() {
    return new TaskRunner(name -> new InPlace(), Runnable::run, time -> {});
  }

  private static ExecutorService thread(String name) {
    ThreadPoolExecutor one =
        new ThreadPoolExecutor(
            1,
            1,
            IDLE_SECONDS,
            TimeUnit.SECONDS,
            new LinkedBlockingQueue<>(),
            work -> Thread.ofPlatform().name(name).daemon().unstarted(work));
    one.allowCoreThreadTimeOut(true);
    return one;
  }

  /** A lane whose work ends where it looks at its cancellation. */
  public Lane lane(String name) {
    return lane(name, false);
  }

  /** For work that leaves nothing half done wherever it ends: it ends at once when cancelled. */
  public Lane droppable(String name) {
    return lane(name, true);
  }

  private Lane lane(String name, boolean droppable) {
    Lane lane = new Lane(name, this, threads.apply(name), droppable);
    lanes.add(lane);
    return lane;
  }

  /** Lanes that were handed out and not given back. */
  public int lanes() {
    return lanes.size();
  }

  /** Runs on the interface thread. */
  public void atHome(Runnable work) {
    home.accept(work);
  }

  void rest(Duration time) throws InterruptedException {
    rest.of(time);
  }

  void forget(Lane lane) {
    lanes.remove(lane);
  }

  /** Gives up all that is under way. */
  @Override
  public void close() {
    lanes.forEach(Lane::close);
  }

  private static final class InPlace extends AbstractExecutorService {
    private boolean shut;

    @Override
    public void execute(Runnable work) {
      if (!shut) {
        work.run();
      }
    }

    @Override
    public void shutdown() {
      shut = true;
    }

    @Override
    public List<Runnable> shutdownNow() {
      shut = true;
      return List.of();
    }

    @Override
    public boolean isShutdown() {
      return shut;
    }

    @Override
    public boolean isTerminated() {
      return shut;
    }

    @Override
    public boolean awaitTermination(long timeout, TimeUnit unit) {
      return shut;
    }
  }
}
