package carezza.desktop.file;

import java.nio.file.Files;
import java.nio.file.Path;

import carezza.codec.PictureReader;
import carezza.desktop.dialog.ReplaceSheet;
import carezza.desktop.dialog.Sheets;
import carezza.desktop.state.AppState;
import carezza.desktop.state.DocumentState;
import carezza.desktop.state.Status;
import carezza.desktop.state.Workspace;
import carezza.desktop.task.Lane;
import carezza.desktop.text.Texts;
import carezza.desktop.view.deliver.ProposedNames;
import carezza.file.AtomicFile;
import carezza.image.Cancellation;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.session.Session;

/**
 * Saves the document at work. It may be put aside while it is being written: what is saved is told
 * to the document that was, wherever it is by then.
 */
final class Saves implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("app");

  private final AppState state;
  private final Workspace workspace;
  private final Home home;
  private final Autosave autosave;
  private final FileDialogs dialogs;
  private final Sheets sheets;
  private final Lane writing;

  Saves(
      AppState state,
      Workspace workspace,
      Home home,
      Autosave autosave,
      FileDialogs dialogs,
      Sheets sheets) {
    this.state = state;
    this.workspace = workspace;
    this.home = home;
    this.autosave = autosave;
    this.dialogs = dialogs;
    this.sheets = sheets;
    writing = state.tasks().lane("saving");
  }

  void save() {
    save(() -> {});
  }

  /**
   * @param next once it is saved
   */
  void save(Runnable next) {
    Path path = state.document().pathProperty().get();
    if (path == null) {
      ask(next);
    } else {
      write(path, next);
    }
  }

  /** Asks for a file to save to. */
  void ask() {
    ask(() -> {});
  }

  private void ask(Runnable next) {
    Path known = state.document().pathProperty().get();
    Document current = state.document().current();
    Path proposal =
        known != null
            ? known
            : ProposedNames.free(
                ProposedNames.folder(current), current.project().title(), ProjectFile.ENDING);
    dialogs
        .save(proposal)
        .map(
            file ->
                ProjectFile.isProject(file)
                    ? file
                    : file.resolveSibling(PictureReader.name(file) + ProjectFile.ENDING))
        .ifPresent(file -> replace(file, next));
  }

  /** Asks before another file is replaced; the project's own is written anew. */
  private void replace(Path file, Runnable next) {
    if (!Files.exists(file) || file.equals(state.document().pathProperty().get())) {
      write(file, next);
      return;
    }
    sheets.show(
        new ReplaceSheet(
            file,
            () -> {
              sheets.close();
              write(file, next);
            },
            sheets::close));
  }

  private void write(Path file, Runnable next) {
    DocumentState.Work work = state.document().work();
    Document document = state.document().current();
    Session session = state.document().session();
    Status.Job job =
        state.status().begin(TEXTS.get("documentFiles.saving", file.getFileName()), null);
    writing.newest(
        cancellation -> {
          session.store().save(document, AtomicFile.replacing(file), Cancellation.NONE);
          return file;
        },
        done -> {
          if (session == state.document().session()) {
            state.document().savedAs(done, document.project());
            autosave.saved();
          } else {
            workspace.saved(work, done, document.project()).ifPresent(autosave::saved);
          }
          home.remember(done);
          state.status().say(saved(done, document));
          next.run();
        },
        state.status()::fail,
        job::end);
  }

  private static String saved(Path file, Document document) {
    return document.source() == null
        ? TEXTS.get("documentFiles.saved", file.getFileName())
        : TEXTS.get(
            "documentFiles.saved-it-links-to-so-keep",
            file.getFileName(),
            document.source().getFileName());
  }

  @Override
  public void close() {
    writing.finish();
  }
}
