package carezza.desktop.app;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.function.Consumer;
import javafx.scene.control.Label;

import carezza.codec.PictureReader;
import carezza.desktop.demo.Demo;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Status;
import carezza.desktop.state.Workspace;
import carezza.desktop.task.Lane;
import carezza.desktop.text.Texts;
import carezza.desktop.view.deliver.ProposedNames;
import carezza.desktop.view.start.StartView;
import carezza.file.AtomicFile;
import carezza.image.Cancellation;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.session.Journals;
import carezza.session.Journals.LeftBehind;
import carezza.session.Session;

/** Opens and saves documents; nothing that is not saved is left without a question. */
final class DocumentFiles implements StartView.Opening, AutoCloseable {

  private static final Texts TEXTS = Texts.of("app");

  private final AppState state;
  private final Workspace workspace;
  private final Home home;
  private final Journals journals;
  private final Autosave autosave;
  private final FileDialogs dialogs;
  private final Sheets sheets;
  private final Runnable opened;
  private final Runnable none;
  private final Lane files;
  private final Lane recovery;

  /** Whether the document at work is to wait when another takes its place. */
  private boolean keeping;

  /**
   * @param opened shows the document that was opened
   * @param none shows what there is without one
   */
  DocumentFiles(
      AppState state,
      Workspace workspace,
      Home home,
      FileDialogs dialogs,
      Sheets sheets,
      Runnable opened,
      Runnable none) {
    this.state = state;
    this.workspace = workspace;
    this.home = home;
    this.dialogs = dialogs;
    this.sheets = sheets;
    this.opened = opened;
    this.none = none;
    journals = home.journals();
    autosave = new Autosave(state, journals);
    files = state.tasks().lane("files");
    recovery = state.tasks().lane("recovery");
  }

  // --- opening

  @Override
  public void askOpen() {
    whenFree(() -> dialogs.open().ifPresent(this::load));
  }

  @Override
  public void open(Path file) {
    whenFree(() -> load(file));
  }

  /** Opens another document while the one at work waits. */
  void askOpenBeside() {
    dialogs
        .open()
        .ifPresent(
            file -> {
              keeping = true;
              load(file);
            });
  }

  /** Goes on with the document that waits longest; the one at work waits in its place. */
  void exchange() {
    workspace
        .next()
        .ifPresent(
            next -> {
              keeping = !state.document().isEmpty();
              takeUp(next);
            });
  }

  private void takeUp(Workspace.Waiting one) {
    put(
        () -> autosave.begin(one.journal(), one.earlierSteps()),
        () -> state.document().open(one.work()));
    state.status().say(TEXTS.get("documentFiles.at-work", one.work().title()));
  }

  @Override
  public void openUnderstudy() {
    open("The Understudy", Demo::understudy);
  }

  @Override
  public void openApothecary() {
    open("The Apothecary", Demo::apothecary);
  }

  /**
   * Opens a document, after asking about what is not saved.
   *
   * @param name by which its loading is shown
   */
  void open(String name, Callable<Document> source) {
    whenFree(() -> load(name, source, this::put));
  }

  private void load(Path file) {
    Optional<Workspace.Waiting> known = workspace.of(file);
    if (known.isPresent()) {
      takeUp(known.get());
      return;
    }
    load(
        PictureReader.name(file),
        () -> ProjectFile.openOrStart(file),
        document -> {
          put(document);
          if (ProjectFile.isProject(file)) {
            home.remember(file);
          }
        });
  }

  /** Opens in the background; if that fails, what is at work stays untouched. */
  private <T> void load(String name, Callable<T> source, Consumer<T> then) {
    Status.Job job = state.status().begin(TEXTS.get("documentFiles.opening", name), files::cancel);
    files.newest(
        cancellation -> source.call(),
        then,
        e -> {
          keeping = false;
          state.status().fail(e);
          if (state.document().isEmpty()) {
            none.run();
            problem(state.status().messageProperty().get());
          }
        },
        job::end);
  }

  private void problem(String said) {
    Label words = new Label(said);
    words.setWrapText(true);
    words.setMaxWidth(520);
    words.setId("problem");
    sheets.show(words);
  }

  /** Puts a document to work and shows it. */
  void put(Document document) {
    put(document, autosave::begin);
  }

  private void put(Document document, Runnable journal) {
    put(journal, () -> state.document().open(document));
  }

  private void put(Runnable journal, Runnable open) {
    if (!(sheets.content() instanceof RecoverySheet)) {
      // What was left behind is still to be decided on, whatever is opened meanwhile.
      sheets.close();
    }
    if (keeping) {
      keeping = false;
      int earlier = autosave.earlierSteps();
      workspace.add(new Workspace.Waiting(state.document().work(), autosave.putAside(), earlier));
    }
    journal.run();
    open.run();
    opened.run();
  }

  // --- unsaved work

  private boolean isPresentUnsaved() {
    return !state.document().isEmpty() && state.document().dirtyProperty().get();
  }

  /** Whether any work is not saved, what waits included. */
  boolean isUnsaved() {
    return isPresentUnsaved() || workspace.all().stream().anyMatch(w -> w.work().isUnsaved());
  }

  /** Does what ends everything, once all unsaved work is saved or given up. */
  void whenAllSafe(Runnable next) {
    whenSafe(
        () ->
            workspace
                .nextUnsaved()
                .ifPresentOrElse(
                    one -> {
                      takeUp(one);
                      whenAllSafe(next);
                    },
                    next));
  }

  /** Opens what takes the document's place, once it is saved, given up or put aside. */
  private void whenFree(Runnable next) {
    keeping = false;
    ask(
        next,
        workspace.hasRoom()
            ? () -> {
              sheets.close();
              keeping = true;
              next.run();
            }
            : null);
  }

  /** Does what would take the document's place, once its unsaved work is saved or given up. */
  void whenSafe(Runnable next) {
    ask(next, null);
  }

  /**
   * @param aside keeps the document open while another is at work; null where that cannot be
   */
  private void ask(Runnable next, Runnable aside) {
    if (!isPresentUnsaved()) {
      next.run();
      return;
    }
    sheets.show(
        new UnsavedSheet(
            state.document().project().title(),
            () -> {
              sheets.close();
              save(next);
            },
            () -> {
              sheets.close();
              autosave.giveUp();
              next.run();
            },
            aside,
            sheets::close));
  }

  /** The work is not wanted any more. */
  void giveUp() {
    autosave.giveUp();
  }

  @Override
  public void offerRecovery() {
    recovery.newest(
        cancellation -> new Found(journals.expire(), journals.leftBehind()),
        found -> {
          if (!found.expired().isEmpty()) {
            state
                .status()
                .say(
                    TEXTS.get(
                        "documentFiles.unsaved-work-that-waited-for-30",
                        String.join(", ", found.expired())));
          }
          if (!found.works().isEmpty()) {
            sheets.show(
                new RecoverySheet(found.works(), this::takeUp, this::discard, sheets::close));
          }
        },
        state.status()::fail);
  }

  private record Found(List<String> expired, List<LeftBehind> works) {}

  private void takeUp(LeftBehind work) {
    sheets.close();
    whenFree(
        () ->
            load(
                work.title(),
                () -> journals.takeUp(work),
                taken -> {
                  put(taken.document(), () -> autosave.begin(taken.journal(), taken.steps()));
                  state.document().markUnsaved();
                }));
  }

  private void discard(LeftBehind work) {
    recovery.inTurn(() -> journals.discard(work), state.status()::fail);
  }

  // --- saving

  void save() {
    save(() -> {});
  }

  private void save(Runnable next) {
    Path path = state.document().pathProperty().get();
    if (path == null) {
      askSave(next);
    } else {
      write(path, next);
    }
  }

  void askSave() {
    askSave(() -> {});
  }

  private void askSave(Runnable next) {
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
    Document document = state.document().current();
    Session session = state.document().session();
    Status.Job job =
        state.status().begin(TEXTS.get("documentFiles.saving", file.getFileName()), null);
    files.newest(
        cancellation -> {
          session.store().save(document, AtomicFile.replacing(file), Cancellation.NONE);
          return file;
        },
        done -> {
          state.document().savedAs(done, document.project());
          home.remember(done);
          autosave.saved();
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
    workspace.all().forEach(waiting -> autosave.letGo(waiting.journal()));
    autosave.close();
    files.close();
    recovery.close();
  }
}
