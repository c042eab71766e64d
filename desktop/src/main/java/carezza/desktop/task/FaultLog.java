package carezza.desktop.task;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.logging.FileHandler;
import java.util.logging.Handler;
import java.util.logging.Level;
import java.util.logging.Logger;
import java.util.logging.SimpleFormatter;

import org.jspecify.annotations.Nullable;

import carezza.file.ApplicationFolder;

/** The platform's log, in files that take turns in the application's folder. */
public final class FaultLog {

  private static final int MOST_BYTES = 1_000_000;
  private static final int FILES = 4;

  private static volatile @Nullable Path current;

  private FaultLog() {}

  /**
   * Sends what is logged to a file instead of standard error.
   *
   * @param folder made if it is not there; where it takes no file, the log stays on standard error
   */
  public static void into(Path folder) {
    Logger root = Logger.getLogger("");
    try {
      ApplicationFolder.makePrivate(folder);
      Path pattern = folder.resolve("carezza-%g.log");
      FileHandler handler = new FileHandler(pattern.toString(), MOST_BYTES, FILES, true);
      handler.setEncoding("UTF-8");
      handler.setFormatter(new SimpleFormatter());
      handler.setLevel(Level.INFO);
      for (Handler other : root.getHandlers()) {
        root.removeHandler(other);
        other.close();
      }
      root.addHandler(handler);
      current = folder.resolve("carezza-0.log");
    } catch (IOException e) {
      root.log(Level.WARNING, "No log can be kept in " + folder, e);
    }
  }

  /** The file that is written to, if there is one. */
  static Optional<Path> file() {
    return Optional.ofNullable(current);
  }
}
