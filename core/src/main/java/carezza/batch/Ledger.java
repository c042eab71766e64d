package carezza.batch;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;

import carezza.file.AtomicFile;
import carezza.file.Originals;
import carezza.file.Reason;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.project.BatchFile;
import carezza.routine.BatchEntry;

/**
 * What a batch has begun and done, kept in a folder beside its files, so that one that was killed
 * goes on where it was. A run with another routine or recipe has another folder.
 */
final class Ledger {

  private static final String PREFIX = ".carezza-batch-";

  private final Path folder;

  /**
   * @param run what the run is made of; any text
   */
  Ledger(Path out, byte[] run) {
    folder = out.resolve(PREFIX + Originals.sha256(run).substring(0, 12));
  }

  private Path file(int number, String sha256, String ending) {
    return folder.resolve("%04d-%s.%s".formatted(number, sha256.substring(0, 12), ending));
  }

  /** What became of a photograph, if it was done and all its files are still there. */
  Optional<BatchEntry> done(int number, String sha256) {
    try {
      BatchEntry entry = BatchFile.read(Files.readAllBytes(file(number, sha256, "done")));
      boolean whole = entry.files().stream().allMatch(f -> Files.exists(Path.of(f)));
      return whole ? Optional.of(entry) : Optional.empty();
    } catch (IOException | IllegalArgumentException e) {
      return Optional.empty();
    }
  }

  /** Whether a run before began it: files that are there are this batch's own. */
  boolean begun(int number, String sha256) {
    return Files.exists(file(number, sha256, "begun"));
  }

  void begin(int number, String sha256) throws Problem {
    try {
      Files.createDirectories(folder);
    } catch (IOException e) {
      throw new Problem(e, Kind.FILE_NOT_WRITTEN, folder, Reason.of(e));
    }
    AtomicFile.replacing(file(number, sha256, "begun")).write(out -> {});
  }

  void finish(String sha256, BatchEntry entry) throws Problem {
    AtomicFile.replacing(file(entry.number(), sha256, "done"))
        .write(out -> out.write(BatchFile.text(entry)));
  }
}
