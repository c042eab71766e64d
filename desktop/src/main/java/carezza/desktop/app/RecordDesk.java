package carezza.desktop.app;

import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;

import carezza.desktop.dialog.SheetPreview;
import carezza.desktop.dialog.Sheets;
import carezza.desktop.file.FileWrites;
import carezza.desktop.journal.JournalKeeper;
import carezza.desktop.journal.JournalState;
import carezza.desktop.sheet.SheetKind;
import carezza.desktop.state.AppState;
import carezza.desktop.task.Lane;
import carezza.desktop.text.Texts;
import carezza.desktop.view.deliver.ProposedNames;
import carezza.desktop.view.journal.JournalView;
import carezza.studio.JournalEntry;
import carezza.studio.JournalFile;

/**
 * What is kept of the work as files: sheets for client and studio, the journal for other programs.
 */
final class RecordDesk implements JournalView.Exports, AutoCloseable {

  private static final Texts TEXTS = Texts.of("app");

  private final AppState state;
  private final Sheets sheets;
  private final FileWrites writes;
  private final JournalState journal;
  private final Lane lane;

  RecordDesk(AppState state, JournalKeeper keeper, Sheets sheets, FileWrites writes) {
    this.state = state;
    this.sheets = sheets;
    this.writes = writes;
    journal = new JournalState(keeper, Instant::now, ZoneId.systemDefault());
    lane = state.tasks().droppable("sheets");
  }

  JournalState journal() {
    return journal;
  }

  /** Shows what would be written about the document at work. */
  void showSheet(SheetKind kind) {
    sheets.show(
        new SheetPreview(
            state,
            lane,
            kind,
            (whom, pdf) -> {
              sheets.close();
              Path folder = ProposedNames.folder(state.document().current());
              String name =
                  TEXTS.get("recordDesk.sheet." + whom, state.document().project().title());
              writes.ask(ProposedNames.free(folder, name, ".pdf"), cancellation -> pdf);
            },
            sheets::close));
  }

  @Override
  public void csv() {
    found()
        .ifPresent(
            entries ->
                writes.ask(
                    proposal(".csv"), c -> JournalFile.csv(entries, ZoneId.systemDefault())));
  }

  @Override
  public void json() {
    found().ifPresent(entries -> writes.ask(proposal(".json"), c -> JournalFile.json(entries)));
  }

  /** By default in the user's home. */
  private static Path proposal(String ending) {
    Path home = Path.of(System.getProperty("user.home"));
    return ProposedNames.free(home, TEXTS.get("recordDesk.journal"), ending);
  }

  private Optional<List<JournalEntry>> found() {
    return Optional.ofNullable(journal.contentsProperty().get())
        .map(JournalState.Contents::entries);
  }

  @Override
  public void close() {
    lane.close();
  }
}
