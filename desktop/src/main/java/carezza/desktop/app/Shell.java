package carezza.desktop.app;

import java.nio.file.Path;
import java.time.ZoneId;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.function.Function;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.scene.control.Label;
import javafx.scene.input.InputEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.stage.Stage;

import org.jspecify.annotations.Nullable;

import carezza.desktop.action.Action;
import carezza.desktop.action.ActionMap;
import carezza.desktop.action.MenuBars;
import carezza.desktop.dialog.CommandSheet;
import carezza.desktop.dialog.RecipeSheet;
import carezza.desktop.dialog.RoutineSheet;
import carezza.desktop.dialog.Sheets;
import carezza.desktop.dialog.StepsSheet;
import carezza.desktop.dialog.VariantsSheet;
import carezza.desktop.file.DocumentFiles;
import carezza.desktop.file.FileDialogs;
import carezza.desktop.file.FileWrites;
import carezza.desktop.file.Home;
import carezza.desktop.file.OverlayFiles;
import carezza.desktop.file.SystemFileDialogs;
import carezza.desktop.journal.JournalKeeper;
import carezza.desktop.journal.WorkState;
import carezza.desktop.layer.OverlayPanel;
import carezza.desktop.state.AppState;
import carezza.desktop.state.JobSettings;
import carezza.desktop.state.Settings;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.state.Workspace;
import carezza.desktop.style.TextSize;
import carezza.desktop.style.Tone;
import carezza.desktop.task.TaskRunner;
import carezza.desktop.text.Texts;
import carezza.desktop.variant.VariantDesk;
import carezza.desktop.view.AppView;
import carezza.desktop.view.PageEvent;
import carezza.desktop.view.bench.BenchView;
import carezza.desktop.view.deliver.DeliverView;
import carezza.desktop.view.journal.JournalView;
import carezza.desktop.view.picture.ComingView;
import carezza.desktop.view.picture.PictureArea;
import carezza.desktop.view.picture.PictureView;
import carezza.desktop.view.plan.FindingPictures;
import carezza.desktop.view.plan.PlanView;
import carezza.desktop.view.practice.PracticeBar;
import carezza.desktop.view.set.SetView;
import carezza.desktop.view.start.StartView;
import carezza.project.Document;
import carezza.recipe.Recipe;
import carezza.record.WorkClock.Moment;

/**
 * The window's content: menus and tabs at the top, the active view below, a sheet over both while
 * one is open.
 */
public final class Shell extends StackPane implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("app");

  private static final String NAME = "Carezza";
  private static final String HINTS = "practice.hints";
  private static final String HINTS_OFF = "off";
  private static final String RAIL = "rail";
  private static final String RAIL_FOLDED = "folded";

  private final AppState state = AppState.with(TaskRunner.ofToolkit());
  private final Subscriptions subscriptions = new Subscriptions();
  private final Workspace workspace = new Workspace();
  private final VariantDesk variants = new VariantDesk(state.document(), state.view());
  private final BorderPane frame = new BorderPane();
  private final Home home;
  private final Settings settings;
  private final WorkState work;
  private final Navigation navigation;
  private final Sheets sheets;
  private final Appearance appearance;
  private final DocumentFiles files;
  private final FileWrites writes;
  private final PracticeDesk practice;
  private final RecordDesk records;
  private final SetDesk sets;
  private final PictureArea area;
  private final FindingPictures findingPictures;
  private final BenchView bench;
  private final ActionMap actions;
  private final TopStrip strip;
  private final PracticeBar practiceBar;
  private final ComingView coming;
  private final ReadOnlyStringWrapper windowTitle = new ReadOnlyStringWrapper(NAME);
  private boolean leaving;

  public Shell() {
    this(new Home(), null);
  }

  /**
   * @param dialogs asks for files; null for the system's own windows
   */
  Shell(Home home, @Nullable FileDialogs dialogs) {
    this.home = home;
    settings = home.settings();
    JournalKeeper keeper = new JournalKeeper(home.folder(), this::tell, state.tasks());
    work = new WorkState(state, keeper, Moment::now, ZoneId.systemDefault());
    // Before anything takes it: whatever a hand does is work.
    addEventFilter(InputEvent.ANY, e -> work.input());
    setId("carezza");
    getStyleClass().add("carezza");
    TextSize.apply(this, "/carezza/desktop/carezza.css");
    Tone.apply(this, Tone.USUAL);
    navigation = new Navigation(state, work, frame);
    sheets = new Sheets(this, frame, navigation::takeFocus);
    appearance = new Appearance(state, settings, sheets);
    FileDialogs ask =
        dialogs == null ? new SystemFileDialogs(() -> getScene().getWindow()) : dialogs;
    files =
        new DocumentFiles(
            state,
            workspace,
            home,
            ask,
            sheets,
            navigation::showBench,
            navigation::showStart,
            this::openSet);
    writes = new FileWrites(state, ask, sheets);
    OverlayFiles overlays = new OverlayFiles(state, ask);
    addEventHandler(OverlayPanel.FILE_WANTED, e -> overlays.ask());
    practice = new PracticeDesk(state, keeper, files, navigation);
    addEventHandler(PageEvent.PAGE, e -> practice.show(e.page()));
    records = new RecordDesk(state, keeper, sheets, writes);
    sets = new SetDesk(state, workspace, home.folder());
    area = new PictureArea(state, settings);
    findingPictures = new FindingPictures(state);
    bench = new BenchView(state, area, findingPictures);
    recallSettings();
    PlanView planView = new PlanView(state, findingPictures);
    List<AppView> views = views(planView);
    navigation.among(views);
    actions = AppActions.of(state, this);
    actions.passing(navigation::goTo);
    bench.use(actions);
    planView.use(actions);
    area.picture()
        .use(
            MenuBars.context(
                actions,
                "zoom",
                "compare",
                "mirror",
                "mask-view",
                "paint-mask",
                "layer-on",
                "frame"));
    actions.recall(id -> settings.get("key." + id));
    strip =
        new TopStrip(
            state,
            workspace,
            actions,
            views,
            navigation.activeProperty(),
            navigation::show,
            grey -> Tone.apply(this, grey));
    practiceBar = new PracticeBar(state, practice.state(), actions);
    frame.setTop(new VBox(strip, practiceBar));
    strip
        .titleProperty()
        .subscribe(words -> windowTitle.set(words.isEmpty() ? NAME : words + " – " + NAME));
    frame.setCenter(opening());
    coming = new ComingView(state, area.picture());
    getChildren().addAll(frame, coming);
    new KeyDispatch(
            this,
            actions,
            navigation::scopes,
            this::isCovered,
            this::uncover,
            navigation::takeFocus)
        .install();
    appearance.recall();
    files.offerRecovery();
  }

  // --- parts

  private List<AppView> views(PlanView plan) {
    return List.of(
        new StartView(files, home::recent, state.status()),
        plan,
        bench,
        new SetView(
            sets.set(),
            sets.jobs(),
            state.status(),
            files,
            file -> sets.pin(file, navigation::showBench)),
        new DeliverView(state, work, area, settings, sets.recipes(this::showRecipe)),
        new JournalView(state, work, records.journal(), records, records::showSheet),
        practice.view());
  }

  private void recallSettings() {
    state.plan().keepNumbersIn(new JobSettings(settings));
    if (RAIL_FOLDED.equals(settings.get(RAIL, ""))) {
      bench.turnRail();
    }
    BooleanProperty hints = state.view().practiceHintsProperty();
    hints.set(!HINTS_OFF.equals(settings.get(HINTS, "")));
    hints.subscribe((was, is) -> settings.set(HINTS, is ? "" : HINTS_OFF));
  }

  /** What is said before there is any view. */
  private Label opening() {
    Label words = new Label();
    words.setId("opening");
    subscriptions.on(
        state.status().jobProperty(), job -> words.setText(job == null ? "" : job.words() + " …"));
    return words;
  }

  private boolean isCovered() {
    return sheets.isOpen() || coming.isShown();
  }

  private void uncover() {
    if (!sheets.close()) {
      state.status().stop();
    }
  }

  // --- what actions do

  /** Folds the plan beside the bench away, or unfolds it; remembered. */
  void turnRail() {
    bench.turnRail();
    settings.set(RAIL, bench.railShown() ? "" : RAIL_FOLDED);
  }

  /** Opens a folder as a set and shows it. */
  private void openSet(Path folder) {
    sets.set().open(folder, () -> navigation.show(Navigation.SET));
  }

  /** Makes a routine of the stack at work. */
  void makeRoutine() {
    sheets.show(new RoutineSheet(state.document().project(), sets.routines()::keep, sheets::close));
  }

  /** Makes a recipe of another, or changes one. */
  private void showRecipe(Recipe from, String name, Function<Recipe, String> keep) {
    sheets.show(new RecipeSheet(from, name, keep, sheets::close));
  }

  /** Lays the layer in hand on the pictures of the set that are in hand there. */
  void copyLayerToSet() {
    String selected = state.selection().selected();
    state.document().stack().find(selected).ifPresent(sets.jobs()::copy);
  }

  /** Writes the pictures of the set on pages. */
  void writeContactSheet() {
    sets.contactSheet(writes);
  }

  void showCommands() {
    sheets.show(
        new CommandSheet(
            actions,
            action -> {
              sheets.close();
              action.run();
            },
            this::keepKey));
  }

  private void keepKey(Action action) {
    var key = action.keyProperty().get();
    settings.set("key." + action.id(), key == null ? "" : key.getName());
  }

  void showVariants() {
    sheets.show(new VariantsSheet(state.document(), variants, sheets::close));
  }

  void showSteps() {
    sheets.show(new StepsSheet(state.document()));
  }

  void turnFullScreen() {
    if (getScene().getWindow() instanceof Stage window) {
      window.setFullScreen(!window.isFullScreen());
    }
  }

  /** What has to be read; a sheet that is open is left as it is. */
  private void tell(String said) {
    if (sheets.isOpen()) {
      state.status().say(said);
    } else {
      files.problem(said);
    }
  }

  // --- what others use

  public AppState state() {
    return state;
  }

  public PictureView picture() {
    return area.picture();
  }

  Navigation navigation() {
    return navigation;
  }

  Appearance appearance() {
    return appearance;
  }

  BenchView bench() {
    return bench;
  }

  Workspace workspace() {
    return workspace;
  }

  VariantDesk variants() {
    return variants;
  }

  SetDesk sets() {
    return sets;
  }

  PracticeDesk practice() {
    return practice;
  }

  RecordDesk records() {
    return records;
  }

  DocumentFiles files() {
    return files;
  }

  Settings settings() {
    return settings;
  }

  ActionMap actions() {
    return actions;
  }

  Sheets sheets() {
    return sheets;
  }

  public void open(Path file) {
    files.open(file);
  }

  /**
   * Opens a document, after asking about what is not saved.
   *
   * @param name by which its loading is shown
   */
  public void open(String name, Callable<Document> source) {
    files.open(name, source);
  }

  /** Puts a document to work and shows it. */
  public void put(Document document) {
    files.put(document);
  }

  /** What the window is called: the document's name, whether it is saved, the application's. */
  ReadOnlyStringProperty windowTitleProperty() {
    return windowTitle.getReadOnlyProperty();
  }

  /** The window is looked at or away from: nobody works on what is behind. */
  public void follow(ReadOnlyBooleanProperty focused) {
    subscriptions.on(
        focused,
        is -> {
          if (!is) {
            work.rest();
          }
        });
  }

  // --- leaving

  /** Leaves the document for the first view, after asking. */
  void leave() {
    files.whenSafe(navigation::showStart);
  }

  /** Ends the window, after asking. */
  void quit() {
    if (getScene() != null && getScene().getWindow() instanceof Stage window) {
      files.whenAllSafe(
          () -> {
            leaving = true;
            window.close();
          });
    }
  }

  /** Whether the window may close now; it asks if not. */
  boolean mayClose() {
    if (leaving || !files.isUnsaved()) {
      return true;
    }
    quit();
    return false;
  }

  @Override
  public void close() {
    if (leaving) {
      files.giveUp();
    }
    files.close();
    subscriptions.close();
    strip.close();
    navigation.close();
    practiceBar.close();
    practice.close();
    sets.close();
    coming.close();
    area.close();
    findingPictures.close();
    work.close();
    records.close();
    writes.close();
    state.close();
  }
}
