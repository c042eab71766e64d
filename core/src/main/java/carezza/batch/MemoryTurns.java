package carezza.batch;

import java.util.concurrent.locks.Lock;
import java.util.concurrent.locks.ReadWriteLock;
import java.util.concurrent.locks.ReentrantReadWriteLock;

import carezza.problem.Problem;
import carezza.problem.Problem.Kind;

/**
 * Lets several pieces of work go on at once. One that memory is too small for beside the others is
 * done again while no other is under way: the same picture alone may fit.
 */
final class MemoryTurns {

  /** Fair, so that one that waits to be alone is not passed for ever. */
  private final ReadWriteLock turns = new ReentrantReadWriteLock(true);

  private final boolean several;

  /**
   * @param several whether more than one may go on at once
   */
  MemoryTurns(boolean several) {
    this.several = several;
  }

  /** One piece of work. */
  @FunctionalInterface
  interface Work<T> {

    /**
     * @param again whether it was begun before
     */
    T run(boolean again) throws Problem;
  }

  /**
   * Does a piece of work, twice if it must.
   *
   * @throws OutOfMemoryError if memory is too small for it alone
   */
  <T> T run(Work<T> work) throws Problem {
    try {
      return with(turns.readLock(), work, false);
    } catch (Problem e) {
      if (!several || e.kind() != Kind.PICTURE_TOO_DEMANDING) {
        throw e;
      }
    } catch (OutOfMemoryError e) {
      if (!several) {
        throw e;
      }
    }
    return with(turns.writeLock(), work, true);
  }

  private static <T> T with(Lock lock, Work<T> work, boolean again) throws Problem {
    lock.lock();
    try {
      return work.run(again);
    } finally {
      lock.unlock();
    }
  }
}
