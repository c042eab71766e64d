package carezza.desktop.app;

import java.nio.file.Files;
import java.nio.file.Path;

import carezza.project.Retouch;

/** Names that are proposed for files: beside the photograph, and never those of anything that is there. */
final class ProposedNames {

  private ProposedNames() {}

  /** Where a document's files belong: beside its photograph, or its project, or else at home. */
  static Path folder(Retouch retouch) {
    if (retouch.origin() != null && retouch.origin().getParent() != null) {
      return retouch.origin().getParent();
    }
    return retouch.path() != null && retouch.path().getParent() != null
        ? retouch.path().getParent()
        : Path.of(System.getProperty("user.home"));
  }

  /** The name with this ending, or with the first number that makes it new. */
  static Path free(Path folder, String name, String ending) {
    String plain = name.replaceAll("[\\\\/:*?\"<>|\\p{Cntrl}]", "").strip();
    String base = plain.isEmpty() ? "portrait" : plain;
    Path proposal = folder.resolve(base + ending);
    for (int n = 2; Files.exists(proposal); n++) {
      proposal = folder.resolve(base + " " + n + ending);
    }
    return proposal;
  }
}
