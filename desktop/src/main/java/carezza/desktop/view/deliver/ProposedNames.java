package carezza.desktop.view.deliver;

import java.nio.file.Files;
import java.nio.file.Path;

import carezza.project.Document;

/**
 * Names that are proposed for files: beside the photograph, and never those of anything that is
 * there.
 */
public final class ProposedNames {

  private ProposedNames() {}

  /** Where a document's files belong: beside its photograph, or its project, or else at home. */
  public static Path folder(Document document) {
    if (document.origin() != null && document.origin().getParent() != null) {
      return document.origin().getParent();
    }
    return document.path() != null && document.path().getParent() != null
        ? document.path().getParent()
        : Path.of(System.getProperty("user.home"));
  }

  /** The name with this ending, or with the first number that makes it new. */
  public static Path free(Path folder, String name, String ending) {
    String plain = name.replaceAll("[\\\\/:*?\"<>|\\p{Cntrl}]", "").strip();
    String base = plain.isEmpty() ? "portrait" : plain;
    Path proposal = folder.resolve(base + ending);
    for (int n = 2; Files.exists(proposal); n++) {
      proposal = folder.resolve(base + " " + n + ending);
    }
    return proposal;
  }
}
