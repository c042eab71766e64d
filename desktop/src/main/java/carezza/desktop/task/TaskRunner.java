package carezza.desktop.task;

import java.time.Duration;
import java.util.List;
import java.util.concurrent.AbstractExecutorService;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.application.Platform;

import carezza.image.Cancellation;

/** Hands out lanes for work off the interface thread, and ends them all together. */
public final class TaskRunner implements AutoCloseable {

  /** Rest after which a thread is given back, so that a lane that is forgotten holds nothing. */
  private static final long IDLE_SECONDS = 10;

  /** How often work that rests looks whether it may begin. */
  private static final Duration BETWEEN_LOOKS = Duration.ofMillis(20);

  /** Looks in a row that find nothing first: a coarse picture is followed by a finer one. */
  private static final int QUIET_LOOKS = 2;

  /** What rests waits no longer than these: a second and a half. */
  private static final int MOST_LOOKS = 75;

  private final Function<String, ExecutorService> threads;
  private final Consumer<Runnable> home;
  private final Rest rest;
  private final List<Lane> lanes = new CopyOnWriteArrayList<>();
  private final AtomicInteger ahead = new AtomicInteger();

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
    return lane(name, false, false);
  }

  /** For work that leaves nothing half done wherever it ends: it ends at once when cancelled. */
  public Lane droppable(String name) {
    return lane(name, true, false);
  }

  /**
   * For what a hand waits for: what rests on other lanes waits for its work, too.
   *
   * @param droppable its work leaves nothing half done wherever it ends
   */
  public Lane first(String name, boolean droppable) {
    return lane(name, droppable, true);
  }

  private Lane lane(String name, boolean droppable, boolean first) {
    Lane lane = new Lane(name, this, threads.apply(name), droppable, first);
    lanes.add(lane);
    return lane;
  }

  /** Runs work that others give way to. */
  void ahead(Runnable work) {
    ahead.incrementAndGet();
    try {
      work.run();
    } finally {
      ahead.decrementAndGet();
    }
  }

  /** Waits until nothing that comes first is under way, or it has taken long. */
  void giveWay(Cancellation stale) throws InterruptedException {
    int quiet = 0;
    for (int look = 0; look < MOST_LOOKS && quiet < QUIET_LOOKS; look++) {
      quiet = ahead.get() == 0 ? quiet + 1 : 0;
      rest.of(BETWEEN_LOOKS);
      stale.check();
    }
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
