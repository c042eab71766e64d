package carezza.desktop.file;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.beans.property.ObjectProperty;
import javafx.scene.control.Label;

import org.jspecify.annotations.Nullable;

import carezza.batch.SetFolder;
import carezza.codec.PictureReader;
import carezza.codec.ScreenColour;
import carezza.desktop.demo.Demo;
import carezza.desktop.demo.DemoSet;
import carezza.desktop.dialog.RecoverySheet;
import carezza.desktop.dialog.Sheets;
import carezza.desktop.dialog.UnsavedSheet;
import carezza.desktop.picture.ViewPixels;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Coming;
import carezza.desktop.state.Status;
import carezza.desktop.state.Workspace;
import carezza.desktop.task.Lane;
import carezza.desktop.text.Texts;
import carezza.desktop.view.deliver.ProposedNames;
import carezza.desktop.view.set.SetView;
import carezza.desktop.view.start.StartView;
import carezza.file.AtomicFile;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.session.Journals;
import carezza.session.Journals.LeftBehind;
import carezza.session.Session;

/** Opens and saves documents; nothing that is not saved is left without a question. */
public final class DocumentFiles implements StartView.Opening, SetView.Opening, AutoCloseable {

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
  private final Consumer<Path> sets;
  private final Lane files;
  private final Lane recovery;

  private final Saves saves;

  /**
   * @param opened shows the document that was opened
   * @param none shows what there is without one
   * @param sets opens a folder as a set
   */
  public DocumentFiles(
      AppState state,
      Workspace workspace,
      Home home,
      FileDialogs dialogs,
      Sheets sheets,
      Runnable opened,
      Runnable none,
      Consumer<Path> sets) {
    this.state = state;
    this.workspace = workspace;
    this.home = home;
    this.dialogs = dialogs;
    this.sheets = sheets;
    this.opened = opened;
    this.none = none;
    this.sets = sets;
    journals = home.journals();
    autosave = new Autosave(state, journals);
    files = state.tasks().lane("files");
    recovery = state.tasks().lane("recovery");
    saves = new Saves(state, workspace, home, autosave, dialogs, sheets);
  }

  // --- opening

  @Override
  public void askOpen() {
    whenFree(aside -> dialogs.open().ifPresent(file -> load(file, aside)));
  }

  @Override
  public void open(Path file) {
    if (SetFolder.of(file).isPresent()) {
      sets.accept(file);
    } else {
      whenFree(aside -> load(file, aside));
    }
  }

  /** Opens another document while the one at work waits. */
  public void askOpenBeside() {
    dialogs.open().ifPresent(file -> load(file, true));
  }

  /** Goes on with the document that waits longest; the one at work waits in its place. */
  public void exchange() {
    workspace.next().ifPresent(next -> takeUp(next, true));
  }

  private void takeUp(Workspace.Waiting one, boolean aside) {
    put(
        aside,
        () -> autosave.begin(one.journal(), one.earlierSteps()),
        () -> state.document().open(one.work()));
    state.status().say(TEXTS.get("documentFiles.at-work", one.work().title()));
  }

  @Override
  public void openFinished() {
    open("The Cellist", Demo::cellist);
  }

  @Override
  public void openAsShot() {
    open("The Prompter", Demo::prompter);
  }

  @Override
  public void openDemoSet() {
    load(DemoSet.NAME, sight -> DemoSet.folder(home.folder()), sets);
  }

  @Override
  public void askSet() {
    dialogs.folder().ifPresent(sets);
  }

  /**
   * Opens a document, after asking about what is not saved.
   *
   * @param name by which its loading is shown
   */
  public void open(String name, Callable<Document> source) {
    whenFree(aside -> load(name, sight -> source.call(), document -> put(document, aside)));
  }

  /**
   * Opens what is more than a document, after asking as above.
   *
   * @param of the document in it
   * @param first is told before it is at work
   * @param then is told once it is
   */
  public <T> void open(
      String name,
      Callable<T> source,
      Function<T, Document> of,
      Consumer<T> first,
      Consumer<T> then) {
    whenFree(
        aside ->
            load(
                name,
                sight -> source.call(),
                made -> {
                  first.accept(made);
                  put(of.apply(made), aside);
                  then.accept(made);
                }));
  }

  private void load(Path file, boolean aside) {
    Optional<Workspace.Waiting> known = workspace.of(file);
    if (known.isPresent()) {
      takeUp(known.get(), aside);
      return;
    }
    load(
        PictureReader.name(file),
        sight -> ProjectFile.openOrStart(file, sight),
        document -> {
          put(document, aside);
          if (ProjectFile.isProject(file)) {
            home.remember(file);
          }
        });
  }

  /** What is opened. */
  @FunctionalInterface
  private interface Source<T> {

    /**
     * @param sight sees a large photograph small before it is whole
     */
    T read(Consumer<Picture> sight) throws Exception;
  }

  /** Opens in the background; if that fails, what is at work stays untouched. */
  private <T> void load(String name, Source<T> source, Consumer<T> then) {
    ObjectProperty<@Nullable Coming> coming = state.view().comingProperty();
    coming.set(null);
    Status.Job job =
        state
            .status()
            .begin(
                TEXTS.get("documentFiles.opening", name),
                () -> {
                  files.cancel();
                  coming.set(null);
                });
    ScreenColour screen = state.view().screenProperty().get();
    files.newest(
        cancellation ->
            source.read(
                small -> {
                  Coming seen = new Coming(ViewPixels.of(small, screen));
                  state
                      .tasks()
                      .atHome(
                          () -> {
                            if (job.isUnderWay()) {
                              coming.set(seen);
                            }
                          });
                }),
        then,
        e -> {
          coming.set(null);
          state.status().fail(e);
          if (state.document().isEmpty()) {
            none.run();
            problem(state.status().messageProperty().get());
          }
        },
        job::end);
  }

  /** Says what has to be read. */
  public void problem(String said) {
    Label words = new Label(said);
    words.setWrapText(true);
    words.setMaxWidth(520);
    words.setId("problem");
    sheets.show(words);
  }

  /** Puts a document to work and shows it. */
  public void put(Document document) {
    put(document, false);
  }

  private void put(Document document, boolean aside) {
    put(aside, autosave::begin, () -> state.document().open(document));
  }

  /**
   * @param aside whether the document at work is to wait; what was done to it while the other was
   *     being read makes it wait as well
   */
  private void put(boolean aside, Runnable journal, Runnable open) {
    if (!(sheets.content() instanceof RecoverySheet)) {
      // What was left behind is still to be decided on, whatever is opened meanwhile.
      sheets.close();
    }
    boolean waits = aside && !state.document().isEmpty() || autosave.isToBeKept();
    if (waits && workspace.hasRoom()) {
      int earlier = autosave.earlierSteps();
      workspace.add(
          new Workspace.Waiting(
              state.document().work(), Objects.requireNonNull(autosave.putAside()), earlier));
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
  public boolean isUnsaved() {
    return isPresentUnsaved() || workspace.all().stream().anyMatch(w -> w.work().isUnsaved());
  }

  /** Does what ends everything, once all unsaved work is saved or given up. */
  public void whenAllSafe(Runnable next) {
    whenSafe(
        () ->
            workspace
                .nextUnsaved()
                .ifPresentOrElse(
                    one -> {
                      takeUp(one, false);
                      whenAllSafe(next);
                    },
                    next));
  }

  /**
   * Opens what takes the document's place, once it is saved, given up or put aside.
   *
   * @param next is told whether it waits
   */
  private void whenFree(Consumer<Boolean> next) {
    ask(
        () -> next.accept(false),
        workspace.hasRoom()
            ? () -> {
              sheets.close();
              next.accept(true);
            }
            : null);
  }

  /** Does what would take the document's place, once its unsaved work is saved or given up. */
  public void whenSafe(Runnable next) {
    ask(next, null);
  }

  /**
   * @param aside keeps the document open while another is at work; null where that cannot be
   */
  private void ask(Runnable next, @Nullable Runnable aside) {
    if (!isPresentUnsaved()) {
      next.run();
      return;
    }
    sheets.show(
        new UnsavedSheet(
            state.document().project().title(),
            () -> {
              sheets.close();
              saves.save(next);
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
  public void giveUp() {
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
        aside ->
            load(
                work.title(),
                sight -> journals.takeUp(work),
                taken -> {
                  put(
                      aside,
                      () -> autosave.begin(taken.journal(), taken.steps()),
                      () -> state.document().open(taken.document()));
                  state.document().markUnsaved();
                }));
  }

  private void discard(LeftBehind work) {
    recovery.inTurn(() -> journals.discard(work), state.status()::fail);
  }

  // --- saving

  public void save() {
    saves.save();
  }

  public void askSave() {
    saves.ask();
  }

  @Override
  public void close() {
    workspace.all().forEach(waiting -> autosave.letGo(waiting.journal()));
    autosave.close();
    saves.close();
    files.close();
    recovery.close();
  }
}
