package carezza.render;

import java.util.HashSet;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.function.Supplier;

import carezza.image.Cancellation;

/** Lets one thread at a time do work under a key; others wait for it, while they are wanted. */
final class OneAtATime {

  /** After which one that waits looks whether it is still wanted. */
  private static final long LOOK_UP_MILLIS = 40;

  private final Set<Object> underWay = new HashSet<>();

  /**
   * @throws CancellationException if cancelled while it waits, or by the work
   */
  <T> T run(Object key, Cancellation cancellation, Supplier<T> work) {
    synchronized (underWay) {
      while (!underWay.add(key)) {
        cancellation.check();
        try {
          underWay.wait(LOOK_UP_MILLIS);
        } catch (InterruptedException e) {
          Thread.currentThread().interrupt();
          throw (CancellationException) new CancellationException().initCause(e);
        }
      }
    }
    try {
      return work.get();
    } finally {
      synchronized (underWay) {
        underWay.remove(key);
        underWay.notifyAll();
      }
    }
  }
}
