package carezza.desktop.app;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.TextInputControl;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.stage.Stage;

import carezza.codec.OutputProfile;
import carezza.codec.PictureReader;
import carezza.desktop.control.Sheet;
import carezza.desktop.demo.Demo;
import carezza.desktop.state.BenchModel;
import carezza.desktop.state.Comparison;
import carezza.desktop.style.Icon;
import carezza.desktop.style.Tone;
import carezza.desktop.task.Lane;
import carezza.desktop.view.bench.BesidePictures;
import carezza.desktop.view.bench.CheckStrip;
import carezza.desktop.view.bench.CourseView;
import carezza.desktop.view.bench.PanelView;
import carezza.desktop.view.bench.PictureView;
import carezza.desktop.view.bench.Readouts;
import carezza.desktop.view.bench.SettledPicture;
import carezza.desktop.view.bench.SkinDrift;
import carezza.desktop.view.deliver.DeliverView;
import carezza.desktop.view.deliver.ProposedNames;
import carezza.desktop.view.start.StartView;
import carezza.file.AtomicFile;
import carezza.image.Cancellation;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.session.Journals;
import carezza.session.Journals.LeftBehind;
import carezza.session.Session;

/** The window's content: strip at the top, picture in the middle, panel right, course at the foot. */
public final class Shell extends StackPane implements Actions, AutoCloseable {

  private static final String NAME = "Carezza";

  private final BenchModel model = new BenchModel();
  private final Home home;
  private final Journals journals;
  private final Lane files = new Lane("files");
  private final Lane recovery = new Lane("recovery");
  private final Autosave autosave;
  private final PictureView picture = new PictureView(model);
  private final SettledPicture settled = new SettledPicture(model);
  private final BesidePictures beside = new BesidePictures(model);
  private final PanelView panel = new PanelView(model);
  private final CourseView course = new CourseView(model);
  private final DeliverView deliver;
  private final Readouts readouts = new Readouts(model);
  private final BorderPane frame = new BorderPane();
  private final StackPane middle = new StackPane();
  private final VBox pictureArea;
  private final ToggleButton benchTab = new ToggleButton("Bench");
  private final ToggleButton deliverTab = new ToggleButton("Deliver");
  private final Label message = new Label();
  private Sheet sheet;
  private boolean leaving;
  private final ReadOnlyStringWrapper windowTitle = new ReadOnlyStringWrapper(NAME);

  public Shell() {
    this(new Home());
  }

  Shell(Home home) {
    this.home = home;
    journals = home.journals();
    autosave = new Autosave(model, journals);
    deliver = new DeliverView(model, home.settings());
    setId("carezza");
    getStyleClass().add("carezza");
    getStylesheets().add(Shell.class.getResource("/carezza/desktop/carezza.css").toString());
    Tone.apply(this, Tone.USUAL);
    HBox pictures = new HBox(settled, picture, beside);
    HBox.setHgrow(picture, Priority.ALWAYS);
    HBox.setHgrow(settled, Priority.ALWAYS);
    settled.setPrefWidth(0);
    picture.setPrefWidth(0);
    settled.visibleProperty().bind(model.viewing().comparisonProperty().isEqualTo(Comparison.BESIDE));
    settled.managedProperty().bind(settled.visibleProperty());
    settled.styleProperty().bind(picture.styleProperty());
    settled.follow(picture);
    pictureArea = new VBox(new CheckStrip(model, beside), pictures, statusLine());
    VBox.setVgrow(pictures, Priority.ALWAYS);
    panel.setPrefWidth(292);
    panel.setMinWidth(292);
    course.setPrefHeight(138);
    course.setMinHeight(138);
    frame.setTop(strip());
    frame.setCenter(middle);
    getChildren().add(frame);
    picture.addEventHandler(PictureView.PointerEvent.MOVED, e -> readouts.read(e.place()));
    new Keys(this, model, picture, panel).install();
    showStart();
    recallDisplay();
    offerRecovery();
  }

  // --- parts

  private HBox strip() {
    Label name = new Label("Carezza");
    name.getStyleClass().add("brand");
    Label title = new Label();
    title.setId("title");
    title.getStyleClass().add("project-title");
    Runnable retitle =
        () -> {
          String words =
              model.isEmpty()
                  ? ""
                  : model.projectProperty().get().title()
                      + (model.dirtyProperty().get() ? "  – not saved" : "");
          title.setText(words);
          windowTitle.set(words.isEmpty() ? NAME : words + " – " + NAME);
        };
    model.projectProperty().addListener((o, was, is) -> retitle.run());
    model.dirtyProperty().addListener((o, was, is) -> retitle.run());
    ToggleGroup views = new ToggleGroup();
    benchTab.setToggleGroup(views);
    deliverTab.setToggleGroup(views);
    benchTab.setId("view-bench");
    deliverTab.setId("view-deliver");
    benchTab.setTooltip(new Tooltip("Work on the picture"));
    deliverTab.setTooltip(new Tooltip("Write the finished picture (Ctrl + D)"));
    benchTab.setOnAction(e -> showBench());
    deliverTab.setOnAction(e -> showDeliver());
    Button undo = button("undo", Icon.BACK, "Undo (Ctrl + Z)", model::undo);
    Button redo = button("redo", Icon.FORTH, "Redo (Ctrl + Shift + Z)", model::redo);
    undo.disableProperty().bind(model.undoableProperty().not());
    redo.disableProperty().bind(model.redoableProperty().not());
    Button open = text("open", "Open", "Open a photograph or a project (Ctrl + O)", this::askOpen);
    Button save = text("save", "Save", "Save the project (Ctrl + S)", this::save);
    Button saveAs =
        text("save-as", "Save as …", "Save under another name (Ctrl + Shift + S)", this::askSave);
    Slider tone = new Slider(Tone.DARKEST, Tone.LIGHTEST, Tone.USUAL);
    tone.setId("tone");
    tone.setPrefWidth(90);
    tone.setTooltip(new Tooltip("Grey of the surround, darker to lighter"));
    tone.valueProperty().addListener((o, was, is) -> Tone.apply(this, is.doubleValue()));
    Button screen =
        text("screen-button", "Screen", "The profile of the display", this::showScreen);
    Button keys = text("keys-button", "Keys", "All keys (F1)", this::showKeys);
    HBox strip =
        new HBox(
            8,
            name,
            title,
            spring(),
            benchTab,
            deliverTab,
            spring(),
            undo,
            redo,
            open,
            save,
            saveAs,
            tone,
            screen,
            keys);
    strip.getStyleClass().add("strip");
    strip.setAlignment(Pos.CENTER_LEFT);
    strip.setPadding(new Insets(5, 12, 5, 12));
    return strip;
  }

  private static Button button(String id, Icon icon, String tip, Runnable action) {
    Button button = new Button();
    button.setGraphic(icon.node());
    button.setAccessibleText(tip);
    return dressed(button, id, tip, action);
  }

  private static Button text(String id, String words, String tip, Runnable action) {
    return dressed(new Button(words), id, tip, action);
  }

  private static Button dressed(Button button, String id, String tip, Runnable action) {
    button.setId(id);
    button.setTooltip(new Tooltip(tip));
    button.setFocusTraversable(false);
    button.setOnAction(e -> action.run());
    return button;
  }

  private HBox statusLine() {
    message.setId("message");
    message.textProperty().bind(model.messageProperty());
    message.setMinWidth(0);
    Label state = new Label();
    state.getStyleClass().add("readouts");
    Runnable words =
        () -> {
          int shown = model.viewing().shownLayers();
          int all = model.stack().size();
          state.setText(
              shown == 0
                  ? "as shot"
                  : shown == all ? "finished picture" : "after layer " + shown + " of " + all);
        };
    model.playheadProperty().addListener((o, was, is) -> words.run());
    model.viewing().asShotProperty().addListener((o, was, is) -> words.run());
    model.projectProperty().addListener((o, was, is) -> words.run());
    HBox line = new HBox(14, state, drift(), message, spring(), readouts);
    line.getStyleClass().add("status");
    line.setAlignment(Pos.CENTER_LEFT);
    line.setPadding(new Insets(3, 12, 3, 12));
    return line;
  }

  /** How far the skin has moved from what it is: always in sight. */
  private Label drift() {
    Label drift = new Label();
    drift.setId("skin-drift");
    drift.getStyleClass().add("readouts");
    drift.setMinWidth(Region.USE_PREF_SIZE);
    drift.setTooltip(
        new Tooltip(
            "Median of the face's skin, finished less settled: lightness within 2.5 L* and hue"
                + " within 4° are the person's own"));
    model
        .gaugesProperty()
        .addListener(
            (o, was, is) -> drift.setText(SkinDrift.of(is).map(SkinDrift::words).orElse("")));
    return drift;
  }

  private static Region spring() {
    Region spring = new Region();
    HBox.setHgrow(spring, Priority.ALWAYS);
    return spring;
  }

  // --- views

  public BenchModel model() {
    return model;
  }

  public PictureView picture() {
    return picture;
  }

  /** The first view: demos, recent projects, open. */
  public void showStart() {
    frame.setRight(null);
    frame.setBottom(null);
    middle.getChildren().setAll(new StartView(this, home));
    benchTab.setDisable(model.isEmpty());
    deliverTab.setDisable(model.isEmpty());
  }

  public void showBench() {
    frame.setRight(panel);
    frame.setBottom(course);
    middle.getChildren().setAll(pictureArea);
    benchTab.setDisable(false);
    deliverTab.setDisable(false);
    benchTab.setSelected(true);
    picture.requestFocus();
  }

  public void showDeliver() {
    if (model.isEmpty()) {
      return;
    }
    model.playheadProperty().set(model.stack().size());
    deliver.propose();
    frame.setRight(deliver);
    frame.setBottom(null);
    middle.getChildren().setAll(pictureArea);
    deliverTab.setSelected(true);
    deliver.takeFocus();
  }

  boolean isDelivering() {
    return frame.getRight() == deliver;
  }

  void toggleDeliver() {
    if (isDelivering()) {
      showBench();
    } else {
      showDeliver();
    }
  }

  public void showKeys() {
    showSheet(new KeySheet());
  }

  // --- the display

  private static final String DISPLAY = "display.profile";

  private void showScreen() {
    showSheet(
        new ScreenSheet(home.settings().get(DISPLAY, ""), this::useDisplay, this::closeSheet));
  }

  /** Shows the picture through a display's profile, or none; what is wrong with it, or nothing. */
  private String useDisplay(Path file) {
    try {
      OutputProfile display = file == null ? null : OutputProfile.of(file);
      if (display != null && display.inks()) {
        return PictureReader.name(file) + " is the profile of a press, not of a display.";
      }
      model
          .viewing()
          .screenProperty()
          .set(model.viewing().screenProperty().get().on(display));
      home.settings().set(DISPLAY, file == null ? "" : file.toAbsolutePath().toString());
      return "";
    } catch (Problem e) {
      return e.getMessage();
    }
  }

  private void recallDisplay() {
    String known = home.settings().get(DISPLAY, "");
    if (!known.isEmpty()) {
      String problem = useDisplay(Path.of(known));
      if (!problem.isEmpty()) {
        model.messageProperty().set(problem);
      }
    }
  }

  private void showSheet(Node content) {
    closeSheet();
    sheet = new Sheet(content, this::closeSheet);
    getChildren().add(sheet);
    // What is behind takes neither keys nor the focus.
    frame.setDisable(true);
    sheet.takeFocus();
  }

  /** What the window is called: the document's name, whether it is saved, the application's. */
  ReadOnlyStringProperty windowTitleProperty() {
    return windowTitle.getReadOnlyProperty();
  }

  /** Whether a sheet lies over the window; it then has all keys. */
  boolean hasSheet() {
    return sheet != null;
  }

  /** Closes the sheet that is open; false if there was none. */
  boolean closeSheet() {
    if (sheet == null) {
      return false;
    }
    getChildren().remove(sheet);
    sheet = null;
    frame.setDisable(false);
    picture.requestFocus();
    return true;
  }

  boolean typing() {
    return getScene() != null && getScene().getFocusOwner() instanceof TextInputControl;
  }

  // --- files

  @Override
  public void askOpen() {
    showSheet(
        new PathSheet(
            "Open a photograph or a project",
            "Open",
            null,
            false,
            file -> {
              closeSheet();
              open(file);
            }));
  }

  @Override
  public void open(Path file) {
    whenSafe(
        () ->
            load(
                () -> ProjectFile.openOrStart(file),
                document -> {
                  put(document);
                  if (ProjectFile.isProject(file)) {
                    home.remember(file);
                  }
                }));
  }

  @Override
  public void openUnderstudy() {
    whenSafe(() -> load(Demo::understudy, this::put));
  }

  @Override
  public void openApothecary() {
    whenSafe(() -> load(Demo::apothecary, this::put));
  }

  // --- unsaved work

  /** Does what would take the document's place, once its unsaved work is saved or given up. */
  void whenSafe(Runnable next) {
    if (model.isEmpty() || !model.dirtyProperty().get()) {
      next.run();
      return;
    }
    showSheet(
        new UnsavedSheet(
            model.projectProperty().get().title(),
            () -> {
              closeSheet();
              save(next);
            },
            () -> {
              closeSheet();
              autosave.giveUp();
              next.run();
            },
            this::closeSheet));
  }

  /** Ends the window, after asking. */
  void quit() {
    if (getScene() != null && getScene().getWindow() instanceof Stage window) {
      whenSafe(
          () -> {
            leaving = true;
            window.close();
          });
    }
  }

  /** Whether the window may close now; it asks if not. */
  boolean mayClose() {
    if (leaving || model.isEmpty() || !model.dirtyProperty().get()) {
      return true;
    }
    quit();
    return false;
  }

  @Override
  public void offerRecovery() {
    recovery.newest(
        cancellation -> new Found(journals.expire(), journals.leftBehind()),
        found -> {
          if (!found.expired().isEmpty()) {
            model
                .messageProperty()
                .set(
                    "Unsaved work that waited for 30 days was thrown away: "
                        + String.join(", ", found.expired()));
          }
          if (!found.works().isEmpty()) {
            showSheet(
                new RecoverySheet(found.works(), this::takeUp, this::discard, this::closeSheet));
          }
        },
        model::fail);
  }

  private record Found(List<String> expired, List<LeftBehind> works) {}

  private void takeUp(LeftBehind work) {
    closeSheet();
    whenSafe(
        () ->
            load(
                () -> journals.takeUp(work),
                taken -> {
                  put(taken.retouch(), () -> autosave.begin(taken.journal(), taken.steps()));
                  model.markUnsaved();
                }));
  }

  private void discard(LeftBehind work) {
    recovery.inTurn(() -> journals.discard(work), model::fail);
  }

  // --- opening and saving

  /** Opens in the background; if that fails, what is on the bench stays untouched. */
  private <T> void load(Callable<T> source, Consumer<T> opened) {
    model.messageProperty().set("Opening …");
    files.newest(
        cancellation -> source.call(),
        opened,
        e -> {
          model.fail(e);
          if (model.isEmpty()) {
            Label words = new Label(message.getText());
            words.setWrapText(true);
            words.setMaxWidth(520);
            words.setId("problem");
            showSheet(words);
          }
        });
  }

  /** Puts a retouch on the bench and shows it. */
  public void put(Document document) {
    put(document, autosave::begin);
  }

  private void put(Document document, Runnable journal) {
    if (sheet != null && !(sheet.content() instanceof RecoverySheet)) {
      // What was left behind is still to be decided on, whatever is opened meanwhile.
      closeSheet();
    }
    journal.run();
    model.put(document);
    showBench();
    picture.fit();
  }

  void save() {
    save(() -> {});
  }

  private void save(Runnable next) {
    Path path = model.pathProperty().get();
    if (model.isEmpty()) {
      return;
    }
    if (path == null) {
      askSave(next);
    } else {
      save(path, next);
    }
  }

  void askSave() {
    askSave(() -> {});
  }

  private void askSave(Runnable next) {
    if (model.isEmpty()) {
      return;
    }
    Path known = model.pathProperty().get();
    Path proposal =
        known != null
            ? known
            : ProposedNames.free(
                ProposedNames.folder(model.retouch()),
                model.projectProperty().get().title(),
                ProjectFile.ENDING);
    showSheet(
        new PathSheet(
            "Save the project",
            "Save",
            proposal,
            true,
            file -> {
              closeSheet();
              save(
                  ProjectFile.isProject(file)
                      ? file
                      : file.resolveSibling(PictureReader.name(file) + ProjectFile.ENDING),
                  next);
            }));
  }

  /** Asks before another file is replaced; the project's own is written anew. */
  private void save(Path file, Runnable next) {
    if (Files.exists(file) && !file.equals(model.pathProperty().get())) {
      showSheet(
          new ReplaceSheet(
              file,
              () -> {
                closeSheet();
                write(file, next);
              },
              this::closeSheet));
      return;
    }
    write(file, next);
  }

  private void write(Path file, Runnable next) {
    Document document = model.retouch();
    Session session = model.session();
    model.messageProperty().set("Saving …");
    files.newest(
        cancellation -> {
          session.save(document, AtomicFile.replacing(file), Cancellation.NONE);
          return file;
        },
        done -> {
          model.savedAs(done, document.project());
          home.remember(done);
          autosave.saved();
          next.run();
        },
        model::fail);
  }

  @Override
  public void close() {
    if (leaving) {
      autosave.giveUp();
    }
    autosave.close();
    files.close();
    recovery.close();
    picture.close();
    settled.close();
    beside.close();
    readouts.close();
    deliver.close();
    course.close();
    model.close();
  }
}
