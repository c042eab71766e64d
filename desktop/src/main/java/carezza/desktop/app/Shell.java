package carezza.desktop.app;

import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneId;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
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

import carezza.codec.OutputProfile;
import carezza.codec.PictureReader;
import carezza.desktop.action.Action;
import carezza.desktop.action.ActionMap;
import carezza.desktop.action.MenuBars;
import carezza.desktop.action.Scope;
import carezza.desktop.journal.JournalKeeper;
import carezza.desktop.journal.JournalState;
import carezza.desktop.journal.WorkState;
import carezza.desktop.layer.OverlayPanel;
import carezza.desktop.practice.EyeState;
import carezza.desktop.practice.PracticeState;
import carezza.desktop.set.SetJobs;
import carezza.desktop.set.SetState;
import carezza.desktop.sheet.SheetKind;
import carezza.desktop.state.AppState;
import carezza.desktop.state.JobSettings;
import carezza.desktop.state.Settings;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.state.ToolKind;
import carezza.desktop.state.Workspace;
import carezza.desktop.style.TextSize;
import carezza.desktop.style.Tone;
import carezza.desktop.task.Lane;
import carezza.desktop.task.TaskRunner;
import carezza.desktop.text.Language;
import carezza.desktop.text.Texts;
import carezza.desktop.variant.VariantDesk;
import carezza.desktop.view.AppView;
import carezza.desktop.view.PageEvent;
import carezza.desktop.view.bench.BenchView;
import carezza.desktop.view.deliver.DeliverView;
import carezza.desktop.view.deliver.ProposedNames;
import carezza.desktop.view.journal.JournalView;
import carezza.desktop.view.picture.PictureArea;
import carezza.desktop.view.picture.PictureView;
import carezza.desktop.view.plan.FindingPictures;
import carezza.desktop.view.plan.PlanView;
import carezza.desktop.view.practice.PracticeBar;
import carezza.desktop.view.practice.PracticeView;
import carezza.desktop.view.set.SetView;
import carezza.desktop.view.start.StartView;
import carezza.model.HealLayer;
import carezza.practice.Exercise;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.recipe.Recipe;
import carezza.record.WorkClock.Moment;
import carezza.studio.JournalEntry;
import carezza.studio.JournalFile;

/**
 * The window's content: menus and tabs at the top, the active view below, a sheet over both while
 * one is open.
 */
public final class Shell extends StackPane implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("app");

  private static final String NAME = "Carezza";
  private static final String DISPLAY = "display.profile";
  private static final String HINTS = "practice.hints";
  private static final String HINTS_OFF = "off";
  private static final String RAIL = "rail";
  private static final String RAIL_FOLDED = "folded";

  private final AppState state = AppState.with(TaskRunner.ofToolkit());
  private final Subscriptions subscriptions = new Subscriptions();
  private final JournalKeeper keeper;
  private final WorkState work;
  private final JournalState journal;
  private final PracticeState practice;
  private final EyeState eye;
  private final PracticeView practiceView;
  private final PracticeBar practiceBar;
  private final SetDesk sets;
  private final FileWrites writes;
  private final Lane sheetLane;
  private final Home home;
  private final Settings settings;
  private final BorderPane frame = new BorderPane();
  private final Sheets sheets;
  private final DocumentFiles files;
  private final PictureArea area;
  private final FindingPictures findingPictures;
  private final BenchView bench;
  private final List<AppView> views;
  private final TopStrip strip;
  private final ActionMap actions;
  private final Workspace workspace = new Workspace();
  private final VariantDesk variants = new VariantDesk(state.document(), state.view());
  private final ReadOnlyStringWrapper windowTitle = new ReadOnlyStringWrapper(NAME);
  private @Nullable AppView active;
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
    keeper = new JournalKeeper(home.folder(), this::tell, state.tasks());
    work = new WorkState(state, keeper, Moment::now, ZoneId.systemDefault());
    journal = new JournalState(keeper, Instant::now, ZoneId.systemDefault());
    practice = new PracticeState(state, keeper, Instant::now);
    eye = new EyeState(practice, state.status(), state.tasks());
    sets = new SetDesk(state, workspace, home.folder());
    // Before anything takes it: whatever a hand does is work.
    addEventFilter(InputEvent.ANY, e -> work.input());
    setId("carezza");
    getStyleClass().add("carezza");
    TextSize.apply(this, "/carezza/desktop/carezza.css");
    Tone.apply(this, Tone.USUAL);
    sheets = new Sheets(this, frame, this::focusView);
    FileDialogs ask =
        dialogs == null ? new SystemFileDialogs(() -> getScene().getWindow()) : dialogs;
    files =
        new DocumentFiles(
            state, workspace, home, ask, sheets, this::showBench, this::showStart, this::openSet);
    writes = new FileWrites(state, ask, sheets);
    OverlayFiles overlays = new OverlayFiles(state, ask);
    addEventHandler(OverlayPanel.FILE_WANTED, e -> overlays.ask());
    sheetLane = state.tasks().droppable("sheets");
    area = new PictureArea(state, settings);
    state.plan().keepNumbersIn(new JobSettings(settings));
    findingPictures = new FindingPictures(state);
    bench = new BenchView(state, area, findingPictures);
    if (RAIL_FOLDED.equals(settings.get(RAIL, ""))) {
      bench.turnRail();
    }
    BooleanProperty hints = state.view().practiceHintsProperty();
    hints.set(!HINTS_OFF.equals(settings.get(HINTS, "")));
    hints.subscribe((was, is) -> settings.set(HINTS, is ? "" : HINTS_OFF));
    PlanView planView = new PlanView(state, findingPictures);
    practiceView = new PracticeView(state, practice, eye, this::openExercise);
    addEventHandler(PageEvent.PAGE, e -> showPractice(e.page()));
    views =
        List.of(
            new StartView(files, home::recent, state.status()),
            planView,
            bench,
            new SetView(
                sets.set(),
                sets.jobs(),
                state.status(),
                files,
                file -> sets.pin(file, this::showBench)),
            new DeliverView(state, work, area, settings, sets.recipes(this::showRecipe)),
            new JournalView(state, work, journal, journalFiles(), this::showSheet),
            practiceView);
    actions = AppActions.of(state, this);
    actions.passing(this::goTo);
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
        new TopStrip(state, workspace, actions, views, this::show, grey -> Tone.apply(this, grey));
    practiceBar = new PracticeBar(state, practice, actions);
    frame.setTop(new VBox(strip, practiceBar));
    strip
        .titleProperty()
        .subscribe(words -> windowTitle.set(words.isEmpty() ? NAME : words + " – " + NAME));
    frame.setCenter(opening());
    getChildren().add(frame);
    new KeyDispatch(this, actions, this::scopes, sheets::isOpen, sheets::close, this::focusView)
        .install();
    recallDisplay();
    files.offerRecovery();
  }

  // --- parts

  /** What is said before there is any view. */
  private Label opening() {
    Label words = new Label();
    words.setId("opening");
    subscriptions.on(
        state.status().jobProperty(), job -> words.setText(job == null ? "" : job.words() + " …"));
    return words;
  }

  // --- views

  private void show(AppView view) {
    if (view.needsDocument() && state.document().isEmpty()) {
      return;
    }
    if (active != null && active != view) {
      active.deactivate();
    }
    active = view;
    work.viewIs(view.id(), view.needsDocument());
    frame.setCenter(view.node());
    // What a scroll pane holds is in the scene, and can have the focus, once the pane has its skin.
    view.node().applyCss();
    strip.mark(view);
    view.activate();
  }

  AppView view(String id) {
    return views.stream().filter(v -> v.id().equals(id)).findFirst().orElseThrow();
  }

  /** The first view: demos, recent projects, open. */
  public void showStart() {
    show(view("start"));
  }

  public void showBench() {
    show(bench);
  }

  public void showDeliver() {
    show(view("deliver"));
  }

  void togglePlan() {
    show(active == view("plan") ? bench : view("plan"));
  }

  /** Folds the plan beside the bench away, or unfolds it; remembered. */
  void turnRail() {
    bench.turnRail();
    settings.set(RAIL, bench.railShown() ? "" : RAIL_FOLDED);
  }

  void toggleDeliver() {
    show(active == view("deliver") ? bench : view("deliver"));
  }

  void askSet() {
    files.askSet();
  }

  /** Opens a folder as a set and shows it. */
  private void openSet(Path folder) {
    sets.set().open(folder, () -> show(view("set")));
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

  void toggleSet() {
    toggle("set");
  }

  void togglePractice() {
    toggle("practice");
  }

  /** Opens a page of practice. */
  private void showPractice(String page) {
    practiceView.open(page);
    show(practiceView);
  }

  /** Puts an exercise on the bench, after asking about what is not saved. */
  void openExercise(Exercise exercise, long seed) {
    files.open(
        TEXTS.get("shell.exercise"),
        () -> PracticeState.make(exercise, seed),
        PracticeState.Begun::document,
        practice::begin,
        practice::begun);
  }

  /** Judges the exercise at work, and shows what became of it. */
  void finishExercise() {
    practice.finish(
        still -> {
          if (still) {
            files.giveUp();
          }
          practiceView.showOutcome();
          show(practiceView);
        });
  }

  void giveExerciseUp() {
    practice.end();
    files.giveUp();
    show(practiceView);
  }

  PracticeState practice() {
    return practice;
  }

  EyeState eye() {
    return eye;
  }

  void toggleJournal() {
    toggle("journal");
  }

  private void toggle(String id) {
    AppView own = view(id);
    if (active != own) {
      show(own);
    } else if (state.document().isEmpty()) {
      showStart();
    } else {
      showBench();
    }
  }

  /** Shows what would be written about the document at work. */
  void showSheet(SheetKind kind) {
    sheets.show(
        new SheetPreview(
            state,
            sheetLane,
            kind,
            (whom, pdf) -> {
              sheets.close();
              Path folder = ProposedNames.folder(state.document().current());
              String name = TEXTS.get("shell.sheet." + whom, state.document().project().title());
              writes.ask(ProposedNames.free(folder, name, ".pdf"), cancellation -> pdf);
            },
            sheets::close));
  }

  /** What has to be read; a sheet that is open is left as it is. */
  private void tell(String said) {
    if (sheets.isOpen()) {
      state.status().say(said);
    } else {
      files.problem(said);
    }
  }

  /** The journal for other programs, by default in the user's home. */
  private JournalView.Exports journalFiles() {
    Path home = Path.of(System.getProperty("user.home"));
    return new JournalView.Exports() {
      @Override
      public void csv() {
        shown()
            .ifPresent(
                found ->
                    writes.ask(
                        ProposedNames.free(home, TEXTS.get("shell.journal"), ".csv"),
                        c -> JournalFile.csv(found, ZoneId.systemDefault())));
      }

      @Override
      public void json() {
        shown()
            .ifPresent(
                found ->
                    writes.ask(
                        ProposedNames.free(home, TEXTS.get("shell.journal"), ".json"),
                        c -> JournalFile.json(found)));
      }
    };
  }

  private Optional<List<JournalEntry>> shown() {
    return Optional.ofNullable(journal.contentsProperty().get())
        .map(JournalState.Contents::entries);
  }

  /** Puts the focus where the view that is shown has it. */
  private void focusView() {
    if (active != null) {
      active.takeFocus();
    }
  }

  /**
   * From the narrowest thing that is going on to the widest: work under way, the tool in hand, the
   * view.
   */
  void back() {
    if (state.status().stop()) {
      return;
    }
    if (active != bench) {
      if (state.document().isEmpty()) {
        showStart();
      } else {
        showBench();
      }
    } else if (state.plan().focusProperty().get() != null) {
      state.plan().focusProperty().set(null);
    } else if (state.proposals().currentProperty().get() != null) {
      state.proposals().leave();
    } else {
      state.tools().toolProperty().set(ToolKind.HAND);
    }
  }

  /** Goes to the bench for what is done there alone; whether there is what a scope needs. */
  private boolean goTo(Scope scope) {
    if (scope == Scope.APPLICATION) {
      return true;
    }
    if (state.document().isEmpty()) {
      state.status().say(TEXTS.get("shell.open-a-picture-first"));
      return false;
    }
    if ((scope == Scope.BENCH || scope == Scope.REPAIRS) && active != bench) {
      showBench();
    }
    return true;
  }

  /** The scopes of keys that are at hand, the widest first. */
  private List<Scope> scopes() {
    Set<Scope> at = EnumSet.of(Scope.APPLICATION);
    if (active != null && !state.document().isEmpty() && active.scope() != Scope.APPLICATION) {
      at.add(Scope.DOCUMENT);
      if (active.scope() != Scope.DOCUMENT) {
        at.add(Scope.WORK);
      }
      if (active.scope() == Scope.BENCH) {
        at.add(Scope.BENCH);
        if (state.selection().layer(HealLayer.class).isPresent()) {
          at.add(Scope.REPAIRS);
        }
      }
    }
    return List.copyOf(at);
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

  void showVariants() {
    sheets.show(new VariantsSheet(state.document(), variants, sheets::close));
  }

  VariantDesk variants() {
    return variants;
  }

  void showSteps() {
    sheets.show(new StepsSheet(state.document()));
  }

  private void keepKey(Action action) {
    var key = action.keyProperty().get();
    settings.set("key." + action.id(), key == null ? "" : key.getName());
  }

  void turnFullScreen() {
    if (getScene().getWindow() instanceof Stage window) {
      window.setFullScreen(!window.isFullScreen());
    }
  }

  // --- the display

  void showScreen() {
    sheets.show(new ScreenSheet(settings.get(DISPLAY, ""), this::useDisplay, sheets::close));
  }

  /** Larger text from the next start on, or the usual again. */
  void turnTextSize() {
    int chosen = TextSize.next();
    settings.set(TextSize.SETTING, Integer.toString(chosen));
    state.status().say(TEXTS.get("shell.text-size", chosen));
  }

  /** Another language from the next start on: what is on the screen is not said anew. */
  void turnLanguage() {
    Language chosen = Language.now().next();
    settings.set(Language.SETTING, chosen.tag());
    state.status().say(TEXTS.get("shell.language"));
  }

  /** Shows the picture through a display's profile, or none; what is wrong with it, or nothing. */
  private String useDisplay(Path file) {
    try {
      OutputProfile display = file == null ? null : OutputProfile.of(file);
      if (display != null && display.inks()) {
        return TEXTS.get("shell.is-the-profile-of-a-press", PictureReader.name(file));
      }
      state.view().screenProperty().set(state.view().screenProperty().get().on(display));
      settings.set(DISPLAY, file == null ? "" : file.toAbsolutePath().toString());
      return "";
    } catch (Problem e) {
      return e.getMessage();
    }
  }

  private void recallDisplay() {
    String known = settings.get(DISPLAY, "");
    if (!known.isEmpty()) {
      String problem = useDisplay(Path.of(known));
      if (!problem.isEmpty()) {
        state.status().say(problem);
      }
    }
  }

  // --- what others use

  public AppState state() {
    return state;
  }

  public PictureView picture() {
    return area.picture();
  }

  BenchView bench() {
    return bench;
  }

  Workspace workspace() {
    return workspace;
  }

  SetState set() {
    return sets.set();
  }

  SetJobs setJobs() {
    return sets.jobs();
  }

  JournalState journal() {
    return journal;
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
    files.whenSafe(this::showStart);
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
    views.forEach(AppView::close);
    practiceBar.close();
    eye.close();
    practice.close();
    sets.close();
    area.close();
    findingPictures.close();
    work.close();
    sheetLane.close();
    writes.close();
    state.close();
  }
}
