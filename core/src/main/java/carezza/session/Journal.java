package carezza.session;

import java.io.IOException;
import java.net.URLEncoder;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

import org.jspecify.annotations.Nullable;

import carezza.file.ApplicationFolder;
import carezza.file.AtomicFile;
import carezza.file.Reason;
import carezza.model.PhotoReference;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.project.Document;
import carezza.project.ProjectFile;

/**
 * Keeps the unsaved work of one document in one run, so that it outlives the program. The
 * photograph is written once, beside it the recipe after each change, whole or not at all: a few
 * kilobytes, whatever the picture's size, and what is kept inside of pictures laid over it. A lock
 * says that the run is alive; it dies with the process.
 */
public final class Journal implements AutoCloseable {

  static final String RECIPE = "unsaved.carezza";
  private static final String PHOTOGRAPH = "photograph-";
  private static final String LOCK = "lock";

  /** Fields of the recipe that say where the work came from and how far it was. */
  static final String NAME = "journalPhotograph";

  static final String PATH = "journalPath";
  static final String SOURCE = "journalSource";
  static final String ORIGIN = "journalOrigin";
  static final String STEPS = "journalSteps";

  private final Path folder;
  private @Nullable FileChannel channel;

  /**
   * @param folder its own; made when first needed
   */
  Journal(Path folder) {
    this.folder = folder;
  }

  Path folder() {
    return folder;
  }

  /**
   * Keeps the work as it stands in place of what was kept before.
   *
   * @param steps taken since it was saved last
   * @param preview a small JPEG of the picture
   */
  public synchronized void keep(Document document, int steps, byte[] preview) throws Problem {
    lock();
    PhotoReference photo = document.project().photograph();
    Path picture = folder.resolve(PHOTOGRAPH + photo.sha256().substring(0, 16));
    if (!Files.isRegularFile(picture)) {
      AtomicFile.replacing(picture).ownerOnly().write(out -> out.write(document.file()));
    }
    Map<String, Object> unknown = new HashMap<>(document.project().unknown());
    unknown.put(NAME, URLEncoder.encode(photo.name(), StandardCharsets.UTF_8));
    unknown.put(PATH, document.path() == null ? "" : document.path().toUri().toString());
    unknown.put(SOURCE, document.source() == null ? "" : document.source().toUri().toString());
    unknown.put(ORIGIN, document.origin() == null ? "" : document.origin().toUri().toString());
    unknown.put(STEPS, steps);
    Document recipe = document.linkedTo(picture.toAbsolutePath().normalize());
    recipe = recipe.with(recipe.project().withUnknown(unknown), null);
    ProjectFile.save(recipe, AtomicFile.replacing(folder.resolve(RECIPE)), preview);
  }

  /**
   * Takes the folder for this run.
   *
   * @throws Problem if it cannot be written
   */
  private void lock() throws Problem {
    if (channel == null && !take()) {
      throw new Problem(Kind.FILE_NOT_WRITTEN, folder, "another Carezza works there");
    }
  }

  /** Takes the folder for this run; false if another run has it. */
  synchronized boolean take() throws Problem {
    if (channel != null) {
      return true;
    }
    try {
      ApplicationFolder.makePrivate(folder);
      FileChannel opened =
          FileChannel.open(
              folder.resolve(LOCK), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
      FileLock lock = null;
      try {
        lock = opened.tryLock();
      } catch (OverlappingFileLockException e) {
        // Taken by another document of this run.
        lock = null;
      }
      if (lock == null) {
        opened.close();
        return false;
      }
      channel = opened;
      return true;
    } catch (IOException e) {
      throw new Problem(e, Kind.FILE_NOT_WRITTEN, folder, Reason.of(e));
    }
  }

  /** Lets go of the folder and leaves what lies in it. */
  synchronized void release() throws Problem {
    if (channel != null) {
      try {
        channel.close();
      } catch (IOException e) {
        throw new Problem(e, Kind.FILE_NOT_WRITTEN, folder, Reason.of(e));
      } finally {
        channel = null;
      }
    }
  }

  /** Nothing unsaved is left. */
  public synchronized void clear() throws Problem {
    delete(folder.resolve(RECIPE));
    for (Path file : files(folder)) {
      if (!file.getFileName().toString().equals(LOCK)) {
        delete(file);
      }
    }
  }

  /** Gives the folder back: gone if it holds nothing, left for another run if it holds work. */
  @Override
  public synchronized void close() throws Problem {
    if (channel != null && !Files.isRegularFile(folder.resolve(RECIPE))) {
      remove(folder);
    }
    release();
  }

  /** Deletes a folder of a journal, the recipe first: without it the rest is nothing. */
  static void remove(Path folder) throws Problem {
    delete(folder.resolve(RECIPE));
    for (Path file : files(folder)) {
      delete(file);
    }
    delete(folder);
  }

  private static List<Path> files(Path folder) throws Problem {
    if (!Files.isDirectory(folder)) {
      return List.of();
    }
    try (var files = Files.list(folder)) {
      return files.filter(Files::isRegularFile).toList();
    } catch (IOException e) {
      throw new Problem(e, Kind.FILE_UNREADABLE, folder, Reason.of(e));
    }
  }

  private static void delete(Path file) throws Problem {
    try {
      Files.deleteIfExists(file);
    } catch (IOException e) {
      throw new Problem(e, Kind.FILE_NOT_WRITTEN, file, Reason.of(e));
    }
  }
}
