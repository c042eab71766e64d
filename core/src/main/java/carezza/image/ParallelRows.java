package carezza.image;

import java.util.stream.IntStream;

/** Splits work over the rows of a plane among the processors. */
public final class ParallelRows {

  /** Below this many pixels the hand-over costs more than it brings. */
  private static final int WORTH_SPLITTING = 1 << 16;

  /** Asked once: where processors are counted out to a program, asking takes its time. */
  private static final int PARTS = Runtime.getRuntime().availableProcessors();

  /** Bound while work must not wait for other work that shares the processors. */
  private static final ScopedValue<Boolean> ALONE = ScopedValue.newInstance();

  /** Bound while work may be given up between two bands of rows. */
  private static final ScopedValue<Cancellation> UNTIL = ScopedValue.newInstance();

  private ParallelRows() {}

  /**
   * Runs work on this thread only. Split work is handed to threads that others use too, and may
   * wait there behind what takes long; what must be shown at once had better not.
   */
  public static <T, X extends Throwable> T alone(ScopedValue.CallableOp<T, X> work) throws X {
    return ScopedValue.where(ALONE, true).call(work);
  }

  /**
   * Runs work that ends at the next rows once it is cancelled, wherever it is.
   *
   * @throws java.util.concurrent.CancellationException if cancelled
   */
  public static <T, X extends Throwable> T until(
      Cancellation cancellation, ScopedValue.CallableOp<T, X> work) throws X {
    return ScopedValue.where(UNTIL, cancellation).call(work);
  }

  /** Work on the rows {@code from} (inclusive) to {@code to} (exclusive). */
  @FunctionalInterface
  public interface Band {
    void run(int from, int to);
  }

  /** Runs {@code band} over all rows, split in bands when there are pixels enough. */
  public static void each(int width, int height, Band band) {
    Cancellation cancellation = UNTIL.orElse(Cancellation.NONE);
    cancellation.check();
    if (ALONE.isBound()
        || PARTS == 1
        || (long) width * height < WORTH_SPLITTING
        || height < PARTS) {
      band.run(0, height);
      return;
    }
    int bands = PARTS * 4;
    IntStream.range(0, bands)
        .parallel()
        .forEach(
            i -> {
              cancellation.check();
              band.run((int) ((long) height * i / bands), (int) ((long) height * (i + 1) / bands));
            });
  }
}
