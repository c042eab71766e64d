package carezza.file;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.concurrent.locks.ReentrantLock;

/**
 * One window after the other: what is done between taking a turn and closing it no other window of
 * this user does at the same time, in this program or another. A program that ends gives its turn
 * back.
 */
public final class Turn implements AutoCloseable {

  /** Locks on files are a program's, so its own threads need one besides. */
  private static final ReentrantLock WITHIN = new ReentrantLock();

  private final FileChannel channel;

  private Turn(FileChannel channel) {
    this.channel = channel;
  }

  /**
   * Waits until nobody else has it.
   *
   * @param file an empty file that stands for the turn; it is made where there is none and stays
   * @throws IOException if it cannot be made or locked
   */
  public static Turn take(Path file) throws IOException {
    WITHIN.lock();
    try {
      ApplicationFolder.makePrivateFile(file);
      FileChannel channel = FileChannel.open(file, StandardOpenOption.WRITE);
      try {
        channel.lock();
        return new Turn(channel);
      } catch (IOException | RuntimeException e) {
        channel.close();
        throw e;
      }
    } catch (IOException | RuntimeException e) {
      WITHIN.unlock();
      throw e;
    }
  }

  /** Gives it to the next. */
  @Override
  public void close() throws IOException {
    try {
      channel.close();
    } finally {
      WITHIN.unlock();
    }
  }
}
