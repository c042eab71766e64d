package carezza.desktop.command;

import java.nio.file.Path;

import picocli.CommandLine.Option;

import carezza.file.AtomicFile;
import carezza.problem.Problem;

/** What commands that write files have in common: nothing is replaced unless that is said. */
final class Writing {

  @Option(
      names = "--force",
      description = "Replaces files that are there already; never a photograph or another input.")
  private boolean force;

  boolean replaces() {
    return force;
  }

  /** A file to write to. */
  AtomicFile to(Path file) {
    return AtomicFile.of(file, force);
  }

  /**
   * Standard output, or a file.
   *
   * @param place - for standard output
   */
  void text(String place, byte[] text) throws Problem {
    if (place.equals(STANDARD)) {
      System.out.writeBytes(text);
      System.out.println();
    } else {
      to(Path.of(place)).write(out -> out.write(text));
    }
  }

  /** Looks beforehand whether {@link #text} may write there. */
  void check(String place) throws Problem {
    if (!place.equals(STANDARD)) {
      to(Path.of(place)).check();
    }
  }

  private static final String STANDARD = "-";
}
