package carezza.file;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/**
 * The files that this run has read as a photograph or as a command's input. None of them is ever
 * written to: {@link AtomicFile} refuses them, whatever name, link or spelling leads there. A
 * photograph that was read out of a project is known by its content, so that the file it once came
 * from is kept, too.
 */
public final class Originals {

  /**
   * Real paths, and the file system's own key of what lay there; an empty string where it has none.
   */
  private static final Map<Path, Object> HELD = new ConcurrentHashMap<>();

  /** Hashes of photographs by their length in bytes. */
  private static final Map<Long, Set<String>> CONTENTS = new ConcurrentHashMap<>();

  private Originals() {}

  /**
   * Keeps every file with this content from being written to.
   *
   * @param sha256 in hexadecimal digits
   */
  public static void protect(long length, String sha256) {
    CONTENTS.computeIfAbsent(length, l -> ConcurrentHashMap.newKeySet()).add(sha256);
  }

  /** SHA-256 in hexadecimal digits. */
  public static String sha256(byte[] bytes) {
    try {
      return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("Every Java has SHA-256", e);
    }
  }

  /**
   * Keeps a file from being written to for the rest of this run; one that is not there is passed
   * over.
   */
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
      Set<String> alike = CONTENTS.getOrDefault(Files.size(real), Set.of());
      if (!alike.isEmpty() && alike.contains(sha256(Files.readAllBytes(real)))) {
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

  /**
   * A key may have been given to another file since; only a second name of the same file counts.
   */
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
