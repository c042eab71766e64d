package carezza.desktop.app;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.TimeUnit;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.ScrollPane;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.layout.Pane;
import javafx.stage.Stage;

import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.BeforeMethod;

import carezza.desktop.demo.Demo;
import carezza.desktop.file.FileDialogs;
import carezza.desktop.file.Home;
import carezza.desktop.state.AppState;
import carezza.desktop.state.ToolKind;
import carezza.desktop.style.Look;
import carezza.desktop.view.picture.PictureView;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Point;
import carezza.model.Project;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.session.Session;

/** The window with the demo in it, and a robot that works it. */
public abstract class WindowDriver {

  private static final int PATIENCE_SECONDS = 120;

  /** Levels of 255 a channel may differ by where a tile was computed within another area. */
  protected static final int ROUNDING = 2;

  /**
   * As if another window had the demo open all the while: what one class of tests found out about
   * the photograph, the next need not find again.
   */
  private static Session elsewhere;

  protected RobotHand robot;
  protected Path folder;
  private Stage stage;
  protected Shell view;

  @BeforeClass
  public void startToolkit() throws Exception {
    folder = Files.createTempDirectory("carezza-window-test");
    System.setProperty("carezza.home", folder.resolve("home").toString());
    stage = FxToolkit.registerPrimaryStage();
    robot = new RobotHand();
  }

  @BeforeClass(dependsOnMethods = "startToolkit")
  public void showWindow() {
    onStage(
        () -> {
          Look.load();
          view = new Shell(new Home(), dialogs);
          view.navigation().showStart();
          stage.setScene(new Scene(view, 1280, 800));
          // The offscreen platform forgets the window's place when it reports the wheel.
          stage.setX(0);
          stage.setY(0);
          stage.show();
          return null;
        });
  }

  private Project opened;

  /**
   * The demo as it was opened: what the test before did is undone, or else the demo is opened anew.
   */
  @BeforeMethod
  public void openDemo() throws Exception {
    if (opened != null && onStage(this::undone)) {
      await(() -> picture().isExact());
      return;
    }
    onStage(
        () -> {
          view.navigation().showStart();
          return null;
        });
    Project before = project();
    open("The Understudy", WindowDriver::demo);
    await(() -> !state().document().isEmpty() && state().document().project() != before);
    opened = project();
    await(() -> picture().isExact());
    elsewhere = state().document().session();
  }

  /** Without its layers of the last stage that take longest, as no test asks for them. */
  private static Document demo() throws Problem {
    Document whole = Demo.understudy();
    LayerStack stack = whole.project().stack().without("far").without("crisp").without("grain");
    return whole.with(whole.project().withStack(stack), null);
  }

  private boolean undone() {
    while (state().document().undoableProperty().get()) {
      state().document().undo();
    }
    if (!opened.equals(state().document().project())
        || state().document().pathProperty().get() != null) {
      return false;
    }
    view.sheets().close();
    view.navigation().showBench();
    state().selection().select(null);
    state().tools().toolProperty().set(ToolKind.HAND);
    state().view().asItIs();
    state().plan().focusProperty().set(null);
    picture().fit();
    return true;
  }

  @AfterClass(alwaysRun = true)
  public void tidy() throws Exception {
    onStage(
        () -> {
          view.close();
          stage.setScene(new Scene(new Pane()));
          return null;
        });
    // Test classes live until the last of them has run; the pictures of each must not.
    view = null;
    opened = null;
    FxToolkit.cleanupStages();
    System.clearProperty("carezza.home");
    try (var files = Files.walk(folder)) {
      for (Path p : files.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(p);
      }
    }
  }

  // --- driving

  protected static <T> T onStage(Callable<T> work) {
    return RobotHand.onStage(work);
  }

  protected static void await(Callable<Boolean> condition) throws Exception {
    WaitForAsyncUtils.waitFor(PATIENCE_SECONDS, TimeUnit.SECONDS, () -> onStage(condition));
    RobotHand.settle();
  }

  protected final AppState state() {
    return view.state();
  }

  protected final PictureView picture() {
    return view.picture();
  }

  protected final Project project() {
    return onStage(() -> state().document().project());
  }

  protected final <T extends Node> T node(String query) {
    return robot.lookup(query).query();
  }

  protected final void clickOn(String query) {
    bringIntoSight(query);
    robot.clickOn(query);
    RobotHand.settle();
  }

  /** Scrolls to a node, as a hand would. */
  protected final void bringIntoSight(String query) {
    RobotHand.settle();
    onStage(
        () -> {
          bringIntoSight(node(query));
          return null;
        });
    RobotHand.settle();
  }

  /** Scrolls as a hand would, if what is to be clicked lies below what can be seen. */
  private static void bringIntoSight(Node node) {
    for (Node at = node.getParent(); at != null; at = at.getParent()) {
      if (at instanceof ScrollPane pane
          && pane.getVbarPolicy() != ScrollPane.ScrollBarPolicy.NEVER) {
        Node content = pane.getContent();
        double room = content.getLayoutBounds().getHeight() - pane.getViewportBounds().getHeight();
        Bounds place = content.sceneToLocal(node.localToScene(node.getBoundsInLocal()));
        double top = pane.getVvalue() * room;
        if (room > 0
            && (place.getMinY() < top
                || place.getMaxY() > top + pane.getViewportBounds().getHeight())) {
          double middle = place.getCenterY() - pane.getViewportBounds().getHeight() / 2;
          pane.setVvalue(Math.clamp(middle / room, 0, 1));
        }
        return;
      }
    }
  }

  /** A key pressed with the picture in focus. */
  protected final void key(KeyCode code) {
    onStage(
        () -> {
          picture().requestFocus();
          return null;
        });
    robot.type(code);
    RobotHand.settle();
  }

  protected final Point2D onScreen(double x, double y) {
    return onStage(
        () -> {
          Point place = picture().toView(new Point(x, y));
          return picture().localToScreen(place.x(), place.y());
        });
  }

  protected final void stroke(double fromX, double fromY, double toX, double toY) {
    robot.moveTo(onScreen(fromX, fromY));
    robot.press(MouseButton.PRIMARY);
    for (int i = 1; i <= 6; i++) {
      double t = i / 6.0;
      robot.moveTo(onScreen(fromX + t * (toX - fromX), fromY + t * (toY - fromY)));
    }
    robot.release(MouseButton.PRIMARY);
    RobotHand.settle();
  }

  protected final int shownAt(double x, double y) {
    Point2D at = onScreen(x, y);
    return onStage(
        () -> {
          WritableImage image = view.getScene().snapshot(null);
          Point2D local = view.screenToLocal(at);
          return image.getPixelReader().getArgb((int) local.getX(), (int) local.getY());
        });
  }

  /** The largest difference of a channel. */
  protected static int distance(int argb, int other) {
    int largest = 0;
    for (int shift = 0; shift <= 16; shift += 8) {
      largest = Math.max(largest, Math.abs((argb >> shift & 255) - (other >> shift & 255)));
    }
    return largest;
  }

  protected static int brightness(int argb) {
    return (argb >> 16 & 255) + (argb >> 8 & 255) + (argb & 255);
  }

  protected final Layer layer(String id) {
    return project().stack().find(id).orElseThrow();
  }

  protected final void save(Path file) throws Exception {
    answer(file);
    robot
        .press(KeyCode.CONTROL, KeyCode.SHIFT)
        .type(KeyCode.S)
        .release(KeyCode.SHIFT, KeyCode.CONTROL);
    RobotHand.settle();
    await(() -> !state().document().dirtyProperty().get());
  }

  /** The other demo, whose face is found when it is opened. */
  protected final void openThePhotographWithoutAMap() throws Exception {
    onStage(
        () -> {
          view.navigation().showStart();
          return null;
        });
    open("The Apothecary", Demo::apothecary);
    await(() -> "The Apothecary".equals(state().document().project().title()));
    await(() -> state().document().project().faces() != null);
  }

  /** Opens a document in the place of the one before. */
  protected final void open(String name, Callable<Document> source) throws Exception {
    onStage(
        () -> {
          view.open(name, source);
          return null;
        });
    RobotHand.settle();
    giveUpUnsaved();
  }

  /** What the test before did is nobody's work. */
  protected final void giveUpUnsaved() {
    if (isThere("#unsaved-leave")) {
      clickOn("#unsaved-leave");
    }
  }

  protected final boolean isThere(String query) {
    return robot.lookup(query).tryQuery().isPresent();
  }

  /** What the window that asks for a file answers next. */
  protected final void answer(Path file) {
    answered = file;
  }

  private Path answered;

  private final FileDialogs dialogs =
      new FileDialogs() {
        @Override
        public Optional<Path> open() {
          return Optional.ofNullable(answered);
        }

        @Override
        public Optional<Path> folder() {
          return Optional.ofNullable(answered);
        }

        @Override
        public Optional<Path> save(Path proposal) {
          proposed = proposal;
          return Optional.ofNullable(answered);
        }
      };

  /** What was proposed when a file to save in was asked for last. */
  protected Path proposed;

  /** As if a network had been wrong: moved, but not marked as put right by hand. */
  protected final Point misplacedPupilIsFoundAgain() throws Exception {
    Point pupil = project().faces().leftPupil();
    onStage(
        () -> {
          state()
              .document()
              .edit(null, p -> p.withFaces(p.faces().withLeftPupil(pupil.plus(30, 0))));
          return null;
        });
    clickOn("#find-face");
    await(() -> state().document().project().faces().leftPupil().distance(pupil) < 3);
    return pupil;
  }
}
