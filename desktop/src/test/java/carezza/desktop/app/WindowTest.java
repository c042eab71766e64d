package carezza.desktop.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.Set;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.geometry.VerticalDirection;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Labeled;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;

import org.testng.annotations.Test;

import carezza.codec.PictureReader;
import carezza.desktop.state.Brush;
import carezza.desktop.state.Pen;
import carezza.desktop.state.ToolKind;
import carezza.image.PictureSize;
import carezza.kernel.LayerType;
import carezza.model.DodgeBurnLayer;
import carezza.model.HealLayer;
import carezza.model.Mask;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.Stage;
import carezza.model.Stroke;

/** The window, worked by a robot: open, paint, toggle, undo, playhead, save, reopen, deliver. */
public class WindowTest extends WindowDriver {

  @Test
  public void theDemoUsesEveryStage() {
    for (Stage s : Stage.values()) {
      assertThat(project().stack().layers()).anyMatch(l -> l.attributes().stage() == s);
    }
  }

  @Test
  public void aPaintedStrokeLightensThePictureAndUndoTakesItBack() throws Exception {
    clickOn("#card-sculpt");
    assertThat(onStage(() -> state().tools().tool())).isEqualTo(ToolKind.DODGE);
    Project before = project();
    onStage(
        () -> {
          state().tools().brushProperty().set(new Brush(40, 1, 0.12));
          return null;
        });
    await(() -> picture().isExact());
    int was = shownAt(727, 1050);
    stroke(690, 1050, 760, 1050);
    stroke(690, 1050, 760, 1050);
    stroke(690, 1050, 760, 1050);
    // The brush's ring is not to lie over the place.
    robot.moveTo(onScreen(200, 200));
    await(() -> picture().isExact());
    DodgeBurnLayer sculpt = (DodgeBurnLayer) layer("sculpt");
    int strokes = ((Mask.Strokes) sculpt.dodgeMask()).strokes().size();
    int first =
        ((Mask.Strokes) ((DodgeBurnLayer) before.stack().find("sculpt").get()).dodgeMask())
            .strokes()
            .size();
    assertThat(strokes).isEqualTo(first + 3);
    assertThat(brightness(shownAt(727, 1050))).isGreaterThan(brightness(was) + 3 * ROUNDING);
    for (int i = 0; i < 3; i++) {
      robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
      RobotHand.settle();
    }
    await(() -> picture().isExact());
    assertThat(project()).isEqualTo(before);
    assertThat(distance(shownAt(727, 1050), was)).isLessThanOrEqualTo(ROUNDING);
    robot
        .press(KeyCode.CONTROL, KeyCode.SHIFT)
        .type(KeyCode.Z)
        .release(KeyCode.SHIFT, KeyCode.CONTROL);
    RobotHand.settle();
    assertThat(project()).isNotEqualTo(before);
  }

  @Test
  public void aStrokeIsSeenWhileItIsStillBeingPainted() throws Exception {
    clickOn("#card-sculpt");
    robot.moveTo(onScreen(700, 1050));
    robot.press(MouseButton.PRIMARY);
    robot.moveTo(onScreen(760, 1050));
    robot.moveTo(onScreen(720, 1055));
    RobotHand.settle();
    Project during = project();
    robot.release(MouseButton.PRIMARY);
    assertThat(((DodgeBurnLayer) during.stack().find("sculpt").get()).dodgeMask())
        .isEqualTo(((DodgeBurnLayer) layer("sculpt")).dodgeMask());
  }

  @Test
  public void aRecordedPenPressesAlongTheStroke() throws Exception {
    clickOn("#card-sculpt");
    onStage(
        () -> {
          state()
              .tools()
              .penProperty()
              .set(new Pen.Recorded(new double[] {0, 1e-6}, new double[] {0.2, 0.7}));
          return null;
        });
    stroke(690, 1050, 760, 1050);
    onStage(
        () -> {
          state().tools().penProperty().set(Pen.MOUSE);
          return null;
        });
    Mask.Strokes painted = (Mask.Strokes) ((DodgeBurnLayer) layer("sculpt")).dodgeMask();
    Stroke last = painted.strokes().getLast();
    assertThat(last.size()).isGreaterThan(2);
    assertThat(last.pressure(last.size() - 1)).isEqualTo(0.7f);
  }

  @Test
  public void theMaskIsShownInThreeWays() throws Exception {
    clickOn("#card-sculpt");
    onStage(
        () -> {
          state().view().maskShownProperty().set(true);
          picture().requestFocus();
          return null;
        });
    await(() -> picture().isExact());
    Set<Integer> seen = new HashSet<>();
    for (int i = 0; i < 3; i++) {
      // Far outside of what is painted: grey, the picture itself, black.
      seen.add(shownAt(300, 300));
      robot.type(KeyCode.V);
      RobotHand.settle();
      await(() -> picture().isExact());
    }
    onStage(
        () -> {
          state().view().maskShownProperty().set(false);
          return null;
        });
    assertThat(seen).hasSize(3);
  }

  @Test
  public void switchingALayerOffChangesThePictureAndBack() throws Exception {
    int was = shownAt(727, 1330);
    clickOn("#switch-teeth");
    await(() -> picture().isExact());
    assertThat(layer("teeth").attributes().on()).isFalse();
    assertThat(distance(shownAt(727, 1330), was)).isGreaterThan(ROUNDING);
    clickOn("#switch-teeth");
    await(() -> picture().isExact());
    assertThat(distance(shownAt(727, 1330), was)).isLessThanOrEqualTo(ROUNDING);
  }

  @Test
  public void thePlayheadShowsThePictureAsItStood() throws Exception {
    int finished = shownAt(727, 1330);
    Node photograph = robot.lookup(".start-card").query();
    Bounds first = onStage(() -> photograph.localToScreen(photograph.getBoundsInLocal()));
    Bounds rail = onStage(() -> node("#rail").localToScreen(node("#rail").getBoundsInLocal()));
    // A long course reaches beyond the window.
    Bounds seen = onStage(() -> view.localToScreen(view.getBoundsInLocal()));
    double end = Math.min(rail.getMaxX(), seen.getMaxX()) - 6;
    robot.moveTo(end, rail.getCenterY());
    robot.press(MouseButton.PRIMARY);
    robot.moveTo((rail.getMinX() + end) / 2, rail.getCenterY());
    robot.moveTo(first.getMaxX(), rail.getCenterY());
    robot.release(MouseButton.PRIMARY);
    await(() -> picture().isExact());
    assertThat(onStage(() -> state().view().shownLayers())).isZero();
    assertThat(distance(shownAt(727, 1330), finished)).isGreaterThan(ROUNDING);
    assertThat(project()).isEqualTo(onStage(() -> state().document().current().project()));
  }

  @Test
  public void theHeldKeyShowsThePictureAsShot() throws Exception {
    int finished = shownAt(727, 1330);
    onStage(
        () -> {
          picture().requestFocus();
          return null;
        });
    robot.press(KeyCode.A);
    await(() -> picture().isExact());
    assertThat(distance(shownAt(727, 1330), finished)).isGreaterThan(ROUNDING);
    robot.release(KeyCode.A);
    await(() -> picture().isExact());
    assertThat(distance(shownAt(727, 1330), finished)).isLessThanOrEqualTo(ROUNDING);
  }

  @Test
  public void aClickOnABlemishHealsItFromASourceThatIsFound() throws Exception {
    clickOn("#card-spots");
    int repairs = ((HealLayer) layer("spots")).patches().size();
    robot.moveTo(onScreen(540, 1200));
    robot.clickOn(MouseButton.PRIMARY);
    await(
        () ->
            ((HealLayer) state().document().stack().find("spots").get())
                .patches().stream().noneMatch(HealLayer.Patch::open));
    assertThat(((HealLayer) layer("spots")).patches()).hasSize(repairs + 1);
  }

  @Test
  public void aSliderMovesTheAmountInOneUndo() throws Exception {
    clickOn("#card-grade");
    Project before = project();
    Slider amount = node("#amount");
    onStage(
        () -> {
          amount.requestFocus();
          return null;
        });
    robot.type(KeyCode.RIGHT).type(KeyCode.RIGHT);
    RobotHand.settle();
    assertThat(layer("grade").attributes().amount())
        .isGreaterThan(before.stack().find("grade").get().attributes().amount());
  }

  @Test
  public void theWheelZoomsAtThePointer() {
    robot.moveTo(onScreen(600, 900));
    Point2D before = onScreen(600, 900);
    double zoom = onStage(() -> picture().zoom());
    robot.scroll(3, VerticalDirection.UP);
    RobotHand.settle();
    assertThat(onStage(() -> picture().zoom())).isNotEqualTo(zoom);
    assertThat(onScreen(600, 900).distance(before)).isLessThan(1.5);
  }

  @Test
  public void closeUpTheWholePictureStaysInSightAndAClickGoesElsewhere() throws Exception {
    assertThat(node("#arms-length").isVisible()).isFalse();
    onStage(
        () -> {
          picture().lookAt(new Point(727, 1050), 1);
          return null;
        });
    await(() -> node("#arms-length").isVisible());
    Bounds small =
        onStage(() -> node("#arms-length").localToScreen(node("#arms-length").getBoundsInLocal()));
    robot.moveTo(small.getMinX() + small.getWidth() / 2, small.getMinY() + small.getHeight() / 4);
    robot.clickOn(MouseButton.PRIMARY);
    RobotHand.settle();
    Point2D there = onScreen(800, 500);
    Bounds view = onStage(() -> picture().localToScreen(picture().getBoundsInLocal()));
    assertThat(there.getX()).isBetween(view.getCenterX() - 25, view.getCenterX() + 25);
    assertThat(there.getY()).isBetween(view.getCenterY() - 25, view.getCenterY() + 25);
    assertThat(project()).isEqualTo(onStage(() -> state().document().current().project()));
  }

  @Test
  public void gaugesAreReadBehindAndShown() throws Exception {
    await(() -> !state().measurements().gaugesProperty().get().isEmpty());
    RobotHand.settle();
    assertThat(robot.lookup("#gauge-textureKept").tryQuery()).isPresent();
    assertThat(robot.lookup("#gauge-teethYellow").tryQuery()).isPresent();
  }

  @Test
  public void savedAndOpenedAgainItIsTheSameProject() throws Exception {
    clickOn("#switch-fall");
    Project before = project();
    Path file = folder.resolve("again.carezza");
    save(file);
    assertThat(file).isRegularFile();
    clickOn("#undo");
    assertThat(project()).isNotEqualTo(before);
    robot.press(KeyCode.CONTROL).type(KeyCode.O).release(KeyCode.CONTROL);
    RobotHand.settle();
    answer(file);
    giveUpUnsaved();
    await(() -> file.equals(state().document().pathProperty().get()));
    await(() -> project().equals(before));
    assertThat(onStage(() -> state().document().dirtyProperty().get())).isFalse();
  }

  @Test
  public void aBrokenFileLeavesTheOpenProjectAlone() throws Exception {
    Project before = project();
    Path broken = folder.resolve("broken.carezza");
    Files.write(broken, new byte[] {80, 75, 3, 4, 0, 0});
    onStage(
        () -> {
          view.open(broken);
          return null;
        });
    await(() -> state().status().messageProperty().get().contains("broken.carezza"));
    assertThat(project()).isEqualTo(before);
    assertThat(((Labeled) node("#message")).getText()).endsWith(".");
    clickOn("#switch-teeth");
    assertThat(project()).isNotEqualTo(before);
  }

  @Test
  public void theDeliveredFileHasTheSizeAskedFor() throws Exception {
    clickOn("#view-deliver");
    Path file = folder.resolve("delivered.png");
    onStage(
        () -> {
          ((TextField) node("#deliver-path")).setText(file.toString());
          ((ComboBox<?>) node("#deliver-edge")).getSelectionModel().select(3);
          return null;
        });
    clickOn("#deliver-write");
    await(() -> ((Labeled) node("#deliver-outcome")).getText().startsWith("Written"));
    assertThat(PictureReader.read(file).size()).isEqualTo(new PictureSize(864, 1080));
    // What was pressed has the focus again, and nothing that a key would turn unseen.
    assertThat(onStage(() -> view.getScene().getFocusOwner().getId())).isEqualTo("deliver-write");
    clickOn("#view-bench");
    assertThat(robot.lookup("#course").tryQuery()).isPresent();
  }

  @Test
  public void whatIsDeliveredIsOnlyLookedAtAndTheBenchHasItsToolAgain() {
    key(KeyCode.DIGIT2);
    assertThat(onStage(() -> state().tools().tool())).isEqualTo(ToolKind.HEAL);
    Project before = project();
    clickOn("#view-deliver");
    stroke(700, 900, 760, 940);
    assertThat(project()).isEqualTo(before);
    assertThat(onStage(() -> state().view().marksShownProperty().get())).isFalse();
    clickOn("#view-bench");
    assertThat(onStage(() -> state().tools().tool())).isEqualTo(ToolKind.HEAL);
    assertThat(onStage(() -> state().view().marksShownProperty().get())).isTrue();
  }

  @Test
  public void aLayerIsAddedToItsStageAndRemovedByKey() {
    int layers = project().stack().size();
    clickOn("#add-grade");
    clickOn("#add-curve");
    assertThat(project().stack().size()).isEqualTo(layers + 1);
    onStage(
        () -> {
          picture().requestFocus();
          return null;
        });
    robot.type(KeyCode.DELETE);
    RobotHand.settle();
    assertThat(project().stack().size()).isEqualTo(layers);
  }

  @Test
  public void theFaceOfAPhotographWithoutAMapIsFoundByItself() throws Exception {
    openThePhotographWithoutAMap();
    Project found = project();
    assertThat(found.faces().outlines()).isNotNull();
    // It is part of the photograph as opened: nothing to undo.
    assertThat(onStage(() -> state().document().undoableProperty().get())).isFalse();
    Point pupil = misplacedPupilIsFoundAgain();
    clickOn("#undo");
    assertThat(project().faces().leftPupil().distance(pupil)).isBetween(29.0, 31.0);
  }

  @Test
  public void theFaceMapMovesByItsHandles() throws Exception {
    onStage(
        () -> {
          state().selection().select(null);
          return null;
        });
    clickOn("#face-map");
    Point was = project().faces().leftPupil();
    stroke(was.x(), was.y(), was.x() + 40, was.y() + 20);
    Point is = project().faces().leftPupil();
    assertThat(is.x() - was.x()).isBetween(30.0, 50.0);
    assertThat(is.y() - was.y()).isBetween(12.0, 28.0);
  }

  @Test
  public void theSheetOfKeysOpensAndClosesByKey() {
    onStage(
        () -> {
          picture().requestFocus();
          return null;
        });
    robot.type(KeyCode.F1);
    RobotHand.settle();
    assertThat(isThere("#commands")).isTrue();
    robot.type(KeyCode.ESCAPE);
    RobotHand.settle();
    assertThat(isThere("#commands")).isFalse();
  }

  @Test
  public void whatIsThereStaysWhereItIsWhenALayerComesAndGoes() throws Exception {
    Node card = node("#card-sculpt");
    double tab = node("#view-deliver").localToScene(0, 0).getX();
    onStage(
        () -> {
          state().selection().add(LayerType.CURVE);
          return null;
        });
    RobotHand.settle();
    String added = onStage(() -> state().selection().selected());
    assertThat(isThere("#card-" + added)).isTrue();
    Node same = node("#card-sculpt");
    assertThat(same).isSameAs(card);
    // The title says that it is not saved, and is longer.
    assertThat(node("#view-deliver").localToScene(0, 0).getX()).isEqualTo(tab);

    onStage(
        () -> {
          state().document().undo();
          return null;
        });
    RobotHand.settle();
    assertThat(isThere("#card-" + added)).isFalse();
    same = node("#card-sculpt");
    assertThat(same).isSameAs(card);
  }
}
