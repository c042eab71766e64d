package carezza.file;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/**
 * The files that this run has read as a photograph or as a command's input. None of them is ever written
 * to: {@link AtomicFile} refuses them, whatever name, link or spelling leads there.
 */
public final class Originals {

  /** Real paths, and the file system's own key of what lay there; an empty string where it has none. */
  private static final Map<Path, Object> HELD = new ConcurrentHashMap<>();

  private Originals() {}

  /** Keeps a file from being written to for the rest of this run; one that is not there is passed over. */
  public static void protect(Path file) {
    try {
      Path real = file.toRealPath();
      HELD.put(real, key(real));
    } catch (IOException e) {
      // What is not there, or cannot be looked at, can be read by nobody either.
      return;
    }
  }

  /** Whether writing to this path would change a file that is protected. */
  public static boolean holds(Path file) {
    try {
      Path real = file.toRealPath();
      if (HELD.containsKey(real)) {
        return true;
      }
      Object key = key(real);
      return !key.equals("")
          && HELD.entrySet().stream()
              .anyMatch(held -> held.getValue().equals(key) && sameStill(held.getKey(), real));
    } catch (IOException e) {
      return false;
    }
  }

  /** A key may have been given to another file since; only a second name of the same file counts. */
  private static boolean sameStill(Path held, Path real) {
    try {
      return Files.isSameFile(held, real);
    } catch (IOException e) {
      return false;
    }
  }

  private static Object key(Path real) throws IOException {
    Object key = Files.readAttributes(real, BasicFileAttributes.class).fileKey();
    return key == null ? "" : key;
  }
}
