package carezza.session;

import java.io.IOException;
import java.net.URI;
import java.net.URLDecoder;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

import carezza.codec.SafeFile;
import carezza.model.PhotoReference;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.project.ProjectFile;
import carezza.project.Retouch;

/**
 * Keeps unsaved work so that it outlives the program. The photograph is written once, beside it the
 * recipe after each change, whole or not at all: a few kilobytes, whatever the picture's size.
 */
public final class Journal {

  private static final String RECIPE = "unsaved.carezza";
  private static final String PHOTOGRAPH = "photograph-";

  /** Fields of the recipe that say where the work came from. */
  private static final String NAME = "journalPhotograph";

  private static final String PATH = "journalPath";
  private static final String SOURCE = "journalSource";

  private final Path folder;

  /**
   * @param folder its own; made when first needed
   */
  public Journal(Path folder) {
    this.folder = folder;
  }

  /** Keeps the work as it stands; earlier work in the journal is replaced. */
  public synchronized void keep(Retouch retouch) throws Problem {
    PhotoReference photo = retouch.project().photograph();
    Path picture = folder.resolve(PHOTOGRAPH + photo.sha256().substring(0, 16));
    try {
      Files.createDirectories(folder);
    } catch (IOException e) {
      throw new Problem(e, Kind.FILE_NOT_WRITTEN, folder, e.getMessage());
    }
    if (!Files.isRegularFile(picture)) {
      SafeFile.write(picture, out -> out.write(retouch.file()));
    }
    Map<String, Object> unknown = new HashMap<>(retouch.project().unknown());
    unknown.put(NAME, URLEncoder.encode(photo.name(), StandardCharsets.UTF_8));
    unknown.put(PATH, retouch.path() == null ? "" : retouch.path().toUri().toString());
    unknown.put(SOURCE, retouch.source() == null ? "" : retouch.source().toUri().toString());
    Retouch recipe = retouch.linkedTo(picture.toAbsolutePath().normalize());
    recipe = recipe.with(recipe.project().withUnknown(unknown), null);
    ProjectFile.save(recipe, folder.resolve(RECIPE), new byte[0]);
    removeOthers(picture);
  }

  private void removeOthers(Path picture) throws Problem {
    for (Path file : files()) {
      String name = file.getFileName().toString();
      if (name.startsWith(PHOTOGRAPH) && !file.equals(picture)) {
        delete(file);
      }
    }
  }

  /** Whether an earlier run left work behind. */
  public boolean holdsWork() {
    return Files.isRegularFile(folder.resolve(RECIPE));
  }

  /** The work that was left behind, as if it had just been done and not saved. */
  public Optional<Retouch> leftBehind() throws Problem {
    if (!holdsWork()) {
      return Optional.empty();
    }
    Retouch kept = ProjectFile.open(folder.resolve(RECIPE));
    Map<String, Object> unknown = new HashMap<>(kept.project().unknown());
    String name = URLDecoder.decode(words(unknown.remove(NAME)), StandardCharsets.UTF_8);
    String path = words(unknown.remove(PATH));
    String source = words(unknown.remove(SOURCE));
    Path linked = source.isEmpty() ? null : Path.of(URI.create(source));
    // A linked photograph that is gone meanwhile is embedded, as the journal has it.
    Retouch found =
        linked != null && Files.isRegularFile(linked)
            ? kept.linkedTo(linked)
            : kept.linkedTo(null).named(name);
    return Optional.of(
        found.with(
            found.project().withUnknown(unknown),
            path.isEmpty() ? null : Path.of(URI.create(path))));
  }

  /** A field as read from a file is a node of JSON; what stands in it needs no escapes but quotes. */
  private static String words(Object field) {
    return field == null ? "" : field.toString().replace("\"", "");
  }

  /** Nothing unsaved is left. */
  public synchronized void clear() throws Problem {
    for (Path file : files()) {
      delete(file);
    }
  }

  private List<Path> files() throws Problem {
    if (!Files.isDirectory(folder)) {
      return List.of();
    }
    try (var files = Files.list(folder)) {
      return files.filter(Files::isRegularFile).toList();
    } catch (IOException e) {
      throw new Problem(e, Kind.FILE_UNREADABLE, folder, e.getMessage());
    }
  }

  private static void delete(Path file) throws Problem {
    try {
      Files.deleteIfExists(file);
    } catch (IOException e) {
      throw new Problem(e, Kind.FILE_NOT_WRITTEN, file, e.getMessage());
    }
  }
}
