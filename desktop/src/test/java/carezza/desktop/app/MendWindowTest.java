package carezza.desktop.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import javafx.event.EventType;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;

import org.assertj.core.data.Offset;
import org.testfx.util.WaitForAsyncUtils;
import org.testng.annotations.Test;

import carezza.desktop.state.Brush;
import carezza.desktop.state.ProposalState;
import carezza.desktop.state.RepairState;
import carezza.desktop.state.ToolKind;
import carezza.measure.Blemish;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.HealLayer.Piece;
import carezza.model.HealLayer.RepairMethod;
import carezza.model.HealLayer.Source;
import carezza.model.Mask;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.Stroke;

/** Repairs and proposals, worked on the picture and by keys. */
public class MendWindowTest extends WindowDriver {

  private static final Point HAIR_TOP = new Point(785, 700);
  private static final Point HAIR_END = new Point(774, 850);

  private RepairState mending() {
    return state().repairs();
  }

  private ProposalState proposals() {
    return state().proposals();
  }

  private List<Patch> patches() {
    return ((HealLayer) layer("spots")).patches();
  }

  private void select() {
    clickOn("#card-spots");
    onStage(
        () -> {
          mending().take(RepairMethod.HEAL);
          mending().amountProperty().set(1);
          picture().requestFocus();
          return null;
        });
  }

  private int first(Predicate<Patch> which) {
    return IntStream.range(0, patches().size())
        .filter(i -> which.test(patches().get(i)))
        .findFirst()
        .orElseThrow();
  }

  private void allHaveSources() throws Exception {
    await(
        () ->
            ((HealLayer) state().document().stack().find("spots").get())
                .patches().stream().noneMatch(Patch::open));
  }

  private void click(Point at) {
    robot.moveTo(onScreen(at.x(), at.y()));
    robot.clickOn(MouseButton.PRIMARY);
    RobotHand.settle();
  }

  /** The offscreen robot's clicks know of no keys. */
  private void clickWithControl(Point at) {
    for (EventType<MouseEvent> type :
        List.of(MouseEvent.MOUSE_PRESSED, MouseEvent.MOUSE_RELEASED)) {
      onStage(
          () -> {
            Point place = picture().toView(at);
            Point2D p = picture().localToScene(place.x(), place.y());
            picture()
                .fireEvent(
                    new MouseEvent(
                        type,
                        p.getX(),
                        p.getY(),
                        p.getX(),
                        p.getY(),
                        MouseButton.PRIMARY,
                        1,
                        false,
                        true,
                        false,
                        false,
                        true,
                        false,
                        false,
                        true,
                        false,
                        false,
                        null));
            return null;
          });
    }
    RobotHand.settle();
  }

  @Test
  public void proposalsAreWalkedWithTwoKeysAndWhatIsKeptStaysKept() throws Exception {
    select();
    clickOn("#look");
    await(() -> state().status().jobProperty().get() == null);
    List<Blemish> proposed = onStage(() -> proposals().allProperty().get());
    assertThat(proposed).hasSizeGreaterThan(1);
    int repairs = patches().size();

    key(KeyCode.N);
    Blemish first = onStage(() -> proposals().currentProperty().get());
    assertThat(first).isEqualTo(proposed.get(0));
    assertThat(onStage(() -> picture().zoom())).isGreaterThan(0.45);
    key(KeyCode.K);
    assertThat(project().kept()).hasSize(1);
    assertThat(patches()).hasSize(repairs);
    assertThat(onStage(() -> proposals().currentProperty().get())).isEqualTo(proposed.get(1));

    key(KeyCode.ENTER);
    assertThat(patches()).hasSize(repairs + 1);
    assertThat(patches().getLast().area().centre().x())
        .isCloseTo(proposed.get(1).x(), Offset.offset(1.0));

    clickOn("#look");
    await(() -> state().status().jobProperty().get() == null);
    assertThat(onStage(() -> proposals().allProperty().get()))
        .noneMatch(b -> Math.hypot(b.x() - first.x(), b.y() - first.y()) < first.radius());
  }

  @Test
  public void escapeEndsTheWalkAndWhatIsNotSeenIsNotDecided() throws Exception {
    select();
    clickOn("#look");
    await(() -> state().status().jobProperty().get() == null);
    assertThat(onStage(() -> proposals().allProperty().get())).isNotEmpty();
    int proposed = onStage(() -> proposals().allProperty().get().size());
    key(KeyCode.N);
    assertThat(onStage(() -> proposals().currentProperty().get())).isNotNull();
    key(KeyCode.ESCAPE);
    assertThat(onStage(() -> proposals().currentProperty().get())).isNull();
    key(KeyCode.N);
    clickOn("#card-grade");
    Project before = project();
    key(KeyCode.K);
    key(KeyCode.N);
    key(KeyCode.K);
    key(KeyCode.ENTER);
    assertThat(project()).isEqualTo(before);
    assertThat(onStage(() -> proposals().allProperty().get())).hasSize(proposed);
  }

  @Test
  public void aSearchIsStoppedByEscape() throws Exception {
    select();
    onStage(
        () -> {
          proposals().sensitivityProperty().set(1.1);
          proposals().look();
          return null;
        });
    key(KeyCode.ESCAPE);
    assertThat(onStage(() -> state().status().messageProperty().get())).startsWith("Stopped");
    WaitForAsyncUtils.sleep(3, TimeUnit.SECONDS);
    assertThat(onStage(() -> state().status().messageProperty().get())).startsWith("Stopped");
    onStage(
        () -> {
          proposals().sensitivityProperty().set(1);
          return null;
        });
  }

  @Test
  public void undoingForgetsWhichRepairsWereChosen() {
    select();
    key(KeyCode.R);
    click(patches().getFirst().area().centre());
    clickOn("#way-reduce");
    assertThat(patches().getFirst().way()).isEqualTo(RepairMethod.REDUCE);
    clickOn("#undo");
    assertThat(onStage(() -> mending().chosenProperty().get())).isEmpty();
    assertThat(patches().getFirst().way()).isEqualTo(RepairMethod.HEAL);
  }

  @Test
  public void allThatPassAreHealedAtOnceAndMarksAreLeft() throws Exception {
    select();
    onStage(
        () -> {
          state().selection().edit(null, l -> ((HealLayer) l).withPatches(List.of()));
          return null;
        });
    clickOn("#look");
    await(() -> state().status().jobProperty().get() == null);
    List<Blemish> proposed = onStage(() -> proposals().allProperty().get());
    clickOn("#accept-all");
    long passing = proposed.stream().filter(b -> b.kind() == Blemish.Kind.TEMPORARY).count();
    assertThat(patches()).hasSize((int) passing);
    assertThat(onStage(() -> proposals().allProperty().get()))
        .allMatch(b -> b.kind() == Blemish.Kind.MARK);
    allHaveSources();
  }

  @Test
  public void rednessNeedsNoSourceUntilAnotherPlaceIsAskedFor() throws Exception {
    select();
    allHaveSources();
    key(KeyCode.R);
    int red = first(p -> p.sources().equals(List.of(Source.OWN)));
    click(patches().get(red).area().centre());
    assertThat(onStage(() -> mending().chosenProperty().get())).containsExactly(red);
    assertThat(
            robot
                .lookup((Node n) -> n instanceof Label l && l.getText().contains("Only redness"))
                .tryQuery())
        .isPresent();
    clickOn("#mirror-source");
    assertThat(patches().get(red).sources()).containsExactly(Source.OWN);
    assertThat(state().status().messageProperty().get()).contains("its own texture");
    key(KeyCode.T);
    await(
        () ->
            ((HealLayer) state().document().stack().find("spots").get())
                .patches().get(red).pieces().stream().allMatch(Piece::takesFromElsewhere));
    clickOn("#undo");
    assertThat(patches().get(red).sources()).containsExactly(Source.OWN);
  }

  @Test
  public void aRepairIsChosenItsSourceDraggedExchangedAndItIsTakenOut() throws Exception {
    select();
    allHaveSources();
    key(KeyCode.R);
    assertThat(onStage(() -> state().tools().tool())).isEqualTo(ToolKind.REPAIR);
    int held = first(p -> p.pieces().getFirst().takesFromElsewhere());
    Patch patch = patches().get(held);
    click(patch.area().centre());
    assertThat(onStage(() -> mending().chosenProperty().get())).containsExactly(held);

    Source was = patch.sources().getFirst();
    Point from = patch.area().centre().plus(was.dx(), was.dy());
    stroke(from.x(), from.y(), from.x() + 40, from.y() + 30);
    Source dragged = patches().get(held).sources().getFirst();
    assertThat(dragged.dx() - was.dx()).isBetween(34.0, 46.0);
    assertThat(dragged.dy() - was.dy()).isBetween(24.0, 36.0);

    key(KeyCode.T);
    await(
        () ->
            !((HealLayer) state().document().stack().find("spots").get())
                .patches()
                .get(held)
                .sources()
                .getFirst()
                .equals(dragged));

    Point centre = patches().get(held).area().centre();
    stroke(centre.x(), centre.y(), centre.x() - 30, centre.y());
    assertThat(centre.x() - patches().get(held).area().centre().x()).isBetween(24.0, 36.0);

    int repairs = patches().size();
    key(KeyCode.DELETE);
    assertThat(patches()).hasSize(repairs - 1);
    clickOn("#undo");
    assertThat(patches()).hasSize(repairs);
  }

  @Test
  public void severalAreChosenByAnOutlineAndWeakenedTogether() {
    select();
    key(KeyCode.R);
    robot.moveTo(onScreen(150, 450));
    robot.press(MouseButton.PRIMARY);
    for (double[] p : new double[][] {{1400, 450}, {1400, 1800}, {150, 1800}, {150, 500}}) {
      robot.moveTo(onScreen(p[0], p[1]));
    }
    robot.release(MouseButton.PRIMARY);
    RobotHand.settle();
    assertThat(onStage(() -> mending().chosenProperty().get())).hasSize(patches().size());
    Slider amount = node("#repair-amount");
    onStage(
        () -> {
          amount.setValue(40);
          return null;
        });
    assertThat(patches()).allMatch(p -> Math.abs(p.amount() - 0.4) < 1e-9);
    clickOn("#way-reduce");
    assertThat(patches()).allMatch(p -> p.way() == RepairMethod.REDUCE && p.sources().isEmpty());
  }

  @Test
  public void clonesShareTheShiftOfTheFirstUnlessEachBeginsAnew() {
    select();
    clickOn("#way-clone");
    clickWithControl(new Point(600, 1100));
    int repairs = patches().size();
    stroke(700, 1100, 740, 1100);
    stroke(700, 1200, 740, 1200);
    assertThat(patches()).hasSize(repairs + 2);
    Source first = patches().get(repairs).sources().getFirst();
    assertThat(first.dx()).isBetween(-106.0, -94.0);
    assertThat(patches().get(repairs + 1).sources()).containsExactly(first);
    assertThat(patches().getLast().way()).isEqualTo(RepairMethod.CLONE);
    clickOn("#clone-aligned");
    stroke(700, 1300, 740, 1300);
    Source own = patches().getLast().sources().getFirst();
    Stroke last = (Stroke) patches().getLast().area();
    assertThat(own).isNotEqualTo(first);
    assertThat(last.x(0) + own.dx()).isBetween(594.0, 606.0);
    assertThat(last.y(0) + own.dy()).isBetween(1094.0, 1106.0);
    clickOn("#clone-aligned");
  }

  @Test
  public void anOutlineIsTransplantedAndItsSourceTurnedByItsHandle() {
    select();
    clickOn("#tool-transplant");
    robot.moveTo(onScreen(560, 1120));
    robot.press(MouseButton.PRIMARY);
    for (double[] p : new double[][] {{660, 1120}, {660, 1220}, {560, 1220}, {560, 1140}}) {
      robot.moveTo(onScreen(p[0], p[1]));
    }
    robot.release(MouseButton.PRIMARY);
    RobotHand.settle();
    Patch patch = patches().getLast();
    assertThat(patch.area()).isInstanceOf(Mask.Polygon.class);
    Source was = patch.sources().getFirst();
    Point centre = patch.area().centre().plus(was.dx(), was.dy());
    double r = 1.4 * patch.area().radius();
    stroke(centre.x() + r, centre.y(), centre.x(), centre.y() + r);
    Source turned = patches().getLast().sources().getFirst();
    assertThat(turned.angle()).isBetween(80.0, 100.0);
    assertThat(turned.scale()).isBetween(0.85, 1.15);
    clickOn("#mirror-source");
    assertThat(patches().getLast().sources().getFirst().mirrored()).isTrue();
  }

  @Test
  public void aLongStrokeIsHealedInPiecesEachWithItsSource() throws Exception {
    select();
    Project before = project();
    stroke(520, 1000, 700, 1180);
    allHaveSources();
    Patch scar = patches().getLast();
    assertThat(((Stroke) scar.area()).length()).isGreaterThan(200);
    assertThat(scar.sources()).hasSizeGreaterThan(1);
    assertThat(scar.pieces()).hasSameSizeAs(scar.sources());
    clickOn("#undo");
    assertThat(project()).isEqualTo(before);
  }

  /** The demo's sitter has a hair that hangs across the forehead there. */
  @Test
  public void aStrokeAlongAHairHealsTheHairAlone() throws Exception {
    select();
    clickOn("#tool-hair");
    onStage(
        () -> {
          state().tools().brushProperty().set(new Brush(16, 0.35, 1));
          return null;
        });
    int repairs = patches().size();
    stroke(HAIR_TOP.x() + 4, HAIR_TOP.y(), HAIR_END.x() - 4, HAIR_END.y());
    await(
        () ->
            ((HealLayer) state().document().stack().find("spots").get()).patches().size()
                == repairs + 1);
    Stroke hair = (Stroke) patches().getLast().area();
    assertThat(hair.radius()).isLessThan(6);
    allHaveSources();
    stroke(200, 400, 260, 400);
    await(() -> state().status().messageProperty().get().startsWith("No hair"));
    assertThat(patches()).hasSize(repairs + 1);
  }

  @Test
  public void theBrushTakesTheWidthOfTheSpotUnderThePointer() throws Exception {
    select();
    clickOn("#look");
    await(() -> state().status().jobProperty().get() == null);
    Blemish spot = onStage(() -> proposals().allProperty().get().getFirst());
    key(KeyCode.ESCAPE);
    onStage(
        () -> {
          state().tools().toolProperty().set(ToolKind.HEAL);
          return null;
        });
    robot.moveTo(onScreen(spot.x(), spot.y()));
    await(
        () -> {
          picture().hand().takeHint();
          double radius = state().tools().brush().radius();
          return radius > spot.radius() && radius < 2 * spot.radius();
        });
  }
}
