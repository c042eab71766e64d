package carezza.desktop.sheet;

import java.io.IOException;
import java.util.function.BiConsumer;

/** Whom a sheet is for. */
public enum SheetKind {
  CLIENT(ClientSheet::write),
  STUDIO(StudioSheet::write);

  private final BiConsumer<SheetFacts, SheetWriter> writing;

  SheetKind(BiConsumer<SheetFacts, SheetWriter> writing) {
    this.writing = writing;
  }

  /** A PDF. */
  public byte[] pdf(SheetFacts facts, Paper paper) throws IOException {
    try (SheetWriter writer = new SheetWriter(paper, facts.project().title())) {
      writing.accept(facts, writer);
      return writer.finish();
    }
  }
}
