package carezza.desktop.file;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Stream;

import carezza.desktop.task.Faults;
import carezza.file.AtomicFile;
import carezza.problem.Problem;
import carezza.project.RecipeFile;
import carezza.project.RoutineFile;
import carezza.recipe.Recipe;
import carezza.routine.Routine;

/**
 * Routines, or recipes, that are at hand: those that ship, and the retoucher's own, each a file.
 *
 * @param <T> what a file holds
 */
public final class OwnFiles<T> {

  private final Path folder;
  private final String ending;
  private final Supplier<List<T>> shipped;
  private final Reader<T> reader;
  private final Writer<T> writer;
  private final Function<T, String> name;

  private interface Reader<T> {
    T read(Path file) throws Problem;
  }

  private interface Writer<T> {
    void write(T one, AtomicFile file) throws Problem;
  }

  private OwnFiles(
      Path folder,
      String ending,
      Supplier<List<T>> shipped,
      Reader<T> reader,
      Writer<T> writer,
      Function<T, String> name) {
    this.folder = folder;
    this.ending = ending;
    this.shipped = shipped;
    this.reader = reader;
    this.writer = writer;
    this.name = name;
  }

  public static OwnFiles<Routine> routines(Path home) {
    return new OwnFiles<>(
        home.resolve("routines"),
        RoutineFile.ENDING,
        () -> RoutineFile.SHIPPED.stream().map(RoutineFile::shipped).toList(),
        RoutineFile::read,
        (routine, file) -> file.write(out -> out.write(RoutineFile.text(routine))),
        Routine::name);
  }

  public static OwnFiles<Recipe> recipes(Path home) {
    return new OwnFiles<>(
        home.resolve("recipes"),
        RecipeFile.ENDING,
        () -> RecipeFile.SHIPPED.stream().map(RecipeFile::shipped).toList(),
        RecipeFile::read,
        RecipeFile::write,
        Recipe::name);
  }

  /** All that can be read; one that cannot is passed over and logged. */
  public List<T> all() {
    List<T> all = new ArrayList<>(shipped.get());
    if (!Files.isDirectory(folder)) {
      return all;
    }
    try (Stream<Path> files = Files.list(folder)) {
      for (Path file : files.filter(f -> f.toString().endsWith(ending)).sorted().toList()) {
        try {
          all.add(reader.read(file));
        } catch (Problem e) {
          Faults.log(ending, e);
        }
      }
    } catch (IOException e) {
      Faults.log(ending, e);
    }
    return all;
  }

  /**
   * Keeps a new one.
   *
   * @return what is wrong, or nothing
   */
  public String keep(T one) {
    return keep(one, false);
  }

  /**
   * @param replaces the one that has its name
   * @return what is wrong, or nothing
   */
  public String keep(T one, boolean replaces) {
    try {
      Files.createDirectories(folder);
      writer.write(one, AtomicFile.of(file(one), replaces));
      return "";
    } catch (Problem | IOException e) {
      return Faults.said(e);
    }
  }

  /** Whether it is the retoucher's own and not one that ships. */
  public boolean isOwn(T one) {
    return Files.exists(file(one));
  }

  /** Takes one of the retoucher's own away. */
  public void remove(T one) {
    try {
      Files.deleteIfExists(file(one));
    } catch (IOException e) {
      Faults.log(ending, e);
    }
  }

  private Path file(T one) {
    String plain = name.apply(one).replaceAll("[\\\\/:*?\"<>|\\p{Cntrl}]+", "-");
    return folder.resolve(plain + ending);
  }
}
