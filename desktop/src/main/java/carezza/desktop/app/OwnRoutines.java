package carezza.desktop.app;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

import carezza.desktop.task.Faults;
import carezza.file.AtomicFile;
import carezza.problem.Problem;
import carezza.project.RoutineFile;
import carezza.routine.Routine;

/** The routines that are at hand: those that ship, and the retoucher's own, each a file. */
final class OwnRoutines {

  private final Path folder;

  OwnRoutines(Path home) {
    folder = home.resolve("routines");
  }

  /** All that can be read; one that cannot is passed over and logged. */
  List<Routine> all() {
    List<Routine> all = new ArrayList<>();
    RoutineFile.SHIPPED.forEach(id -> all.add(RoutineFile.shipped(id)));
    if (!Files.isDirectory(folder)) {
      return all;
    }
    try (Stream<Path> files = Files.list(folder)) {
      for (Path file :
          files.filter(f -> f.toString().endsWith(RoutineFile.ENDING)).sorted().toList()) {
        try {
          all.add(RoutineFile.read(file));
        } catch (Problem e) {
          Faults.log("routines", e);
        }
      }
    } catch (IOException e) {
      Faults.log("routines", e);
    }
    return all;
  }

  /**
   * @return what is wrong, or nothing
   */
  String keep(Routine routine) {
    String name = routine.name().replaceAll("[\\\\/:*?\"<>|\\p{Cntrl}]+", "-");
    try {
      Files.createDirectories(folder);
      AtomicFile.fresh(folder.resolve(name + RoutineFile.ENDING))
          .write(out -> out.write(RoutineFile.text(routine)));
      return "";
    } catch (Problem | IOException e) {
      return Faults.said(e);
    }
  }
}
