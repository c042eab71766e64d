package carezza.image;

import java.util.concurrent.CancellationException;

/** Asked now and then by long work whether its result is still wanted. */
@FunctionalInterface
public interface Cancellation {

  /** Never cancelled. */
  Cancellation NONE = () -> false;

  boolean cancelled();

  /**
   * @throws CancellationException if the work is no longer wanted
   */
  default void check() {
    if (cancelled()) {
      throw new CancellationException();
    }
  }
}
