package carezza.file;

import java.io.IOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFilePermissions;

/**
 * Where Carezza keeps what is its own: {@code .carezza} in the user's home, or what the system
 * property {@code carezza.home} names.
 */
public final class ApplicationFolder {

  private ApplicationFolder() {}

  public static Path path() {
    String set = System.getProperty("carezza.home");
    return set == null ? Path.of(System.getProperty("user.home"), ".carezza") : Path.of(set);
  }

  /** Makes a folder, and those above it, that nobody but its owner may look into. */
  public static void makePrivate(Path folder) throws IOException {
    if (Files.isDirectory(folder)) {
      return;
    }
    Files.createDirectories(folder);
    PosixFileAttributeView rights =
        Files.getFileAttributeView(folder, PosixFileAttributeView.class);
    if (rights != null) {
      rights.setPermissions(PosixFilePermissions.fromString("rwx------"));
    }
  }

  /**
   * Makes an empty file that nobody but its owner may look into, where there is none yet; another
   * window that makes it at the same moment is as good.
   */
  public static void makePrivateFile(Path file) throws IOException {
    if (Files.exists(file)) {
      return;
    }
    try {
      Files.createFile(file);
    } catch (FileAlreadyExistsException e) {
      return;
    }
    PosixFileAttributeView rights = Files.getFileAttributeView(file, PosixFileAttributeView.class);
    if (rights != null) {
      rights.setPermissions(PosixFilePermissions.fromString("rw-------"));
    }
  }
}
