package carezza.desktop.command;

import java.nio.file.Path;

import carezza.file.Originals;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.project.ProjectFile.StackFile;

/** Files that a command works from: read, and from then on never written to by it. */
final class Inputs {

  private Inputs() {}

  /** A project, or a project begun on a photograph. */
  static Document retouch(Path file) throws Problem {
    Originals.protect(file);
    return ProjectFile.openOrStart(file);
  }

  static Document project(Path file) throws Problem {
    Originals.protect(file);
    return ProjectFile.open(file);
  }

  static Document photograph(Path file) throws Problem {
    return ProjectFile.start(file);
  }

  static StackFile stack(Path file) throws Problem {
    Originals.protect(file);
    return ProjectFile.readStack(file);
  }
}
