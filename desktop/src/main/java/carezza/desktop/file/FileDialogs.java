package carezza.desktop.file;

import java.nio.file.Path;
import java.util.Optional;

/** Asks for files. */
public interface FileDialogs {

  /** Which photograph or project to open; nothing if it was called off. */
  Optional<Path> open();

  /** Which folder to open as a set; nothing if it was called off. */
  Optional<Path> folder();

  /**
   * Where to save a project or write another file; nothing if it was called off.
   *
   * @param proposal folder and name to begin with; its ending says what is written
   */
  Optional<Path> save(Path proposal);
}
