package carezza.desktop.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;

import org.testng.annotations.Test;

import carezza.desktop.state.ToolKind;
import carezza.desktop.text.MaskWords;
import carezza.model.FaceMap;
import carezza.model.Mask;
import carezza.model.MaskParts;
import carezza.model.MaskParts.Join;
import carezza.model.Point;
import carezza.model.SemanticRegion;
import carezza.model.Stroke;

/** Masks and face maps, worked on the picture and in the panel. */
public class MaskWindowTest extends WindowDriver {

  private static final Mask LIPS = new Mask.RegionMask(SemanticRegion.LIPS);

  private Mask mask(String id) {
    return layer(id).attributes().mask();
  }

  private MaskParts parts(String id) {
    return MaskParts.of(mask(id));
  }

  /** A layer whose mask is as given, with its mask page open. */
  private void begin(String id, Mask mask) {
    clickOn("#card-" + id);
    clickOn("#page-where");
    onStage(
        () -> {
          state().selection().edit(null, l -> l.with(l.attributes().withMask(mask)));
          return null;
        });
    RobotHand.settle();
  }

  /** Picks an entry of the menu that adds to the mask. */
  private void add(String item) {
    onStage(
        () -> {
          MenuButton menu = node("#mask-add");
          find(menu.getItems(), item).fire();
          return null;
        });
    RobotHand.settle();
  }

  private static MenuItem find(List<MenuItem> items, String id) {
    for (MenuItem item : items) {
      if (id.equals(item.getId())) {
        return item;
      }
      if (item instanceof Menu menu) {
        MenuItem found = find(menu.getItems(), id);
        if (found != null) {
          return found;
        }
      }
    }
    return null;
  }

  private void focusPicture() {
    onStage(
        () -> {
          picture().requestFocus();
          return null;
        });
  }

  @Test
  public void partsAreAddedSwitchedJoinedAndTakenOut() {
    begin("grade", new Mask.RegionMask(SemanticRegion.FACE_SKIN));
    onStage(
        () -> {
          state().part().add(Join.MINUS, LIPS);
          return null;
        });
    RobotHand.settle();
    assertThat(MaskWords.of(mask("grade"))).isEqualTo("skin of the face, minus lips");
    clickOn("#part-on-1");
    assertThat(MaskWords.of(mask("grade"))).isEqualTo("skin of the face");
    assertThat(parts("grade").parts()).hasSize(2);
    clickOn("#part-on-1");
    clickOn("#part-join-1");
    assertThat(parts("grade").parts().get(1).join()).isEqualTo(Join.WITHIN);
    clickOn("#part-out-0");
    assertThat(mask("grade")).isEqualTo(LIPS);
  }

  @Test
  public void anOvalIsMovedAndWidenedByItsHandles() {
    begin("grade", new Mask.Everything());
    add("add-oval");
    assertThat(onStage(() -> state().tools().tool())).isEqualTo(ToolKind.PART);
    Mask.Ellipse fresh = (Mask.Ellipse) mask("grade");
    stroke(fresh.x(), fresh.y(), fresh.x() + 100, fresh.y() - 60);
    Mask.Ellipse moved = (Mask.Ellipse) mask("grade");
    assertThat(moved.x() - fresh.x()).isBetween(94.0, 106.0);
    assertThat(moved.y() - fresh.y()).isBetween(-66.0, -54.0);
    assertThat(moved.radiusX()).isEqualTo(fresh.radiusX());
    stroke(moved.x() + moved.radiusX(), moved.y(), moved.x() + moved.radiusX() + 80, moved.y());
    Mask.Ellipse widened = (Mask.Ellipse) mask("grade");
    assertThat(widened.radiusX() - moved.radiusX()).isBetween(72.0, 88.0);
    clickOn("#undo");
    assertThat(mask("grade")).isEqualTo(moved);
  }

  @Test
  public void aGradientIsTurnedByItsEnds() {
    begin("grade", new Mask.Everything());
    add("add-gradient");
    Mask.Gradient fresh = (Mask.Gradient) mask("grade");
    stroke(fresh.to().x(), fresh.to().y(), fresh.to().x() + 90, fresh.to().y() - 50);
    Mask.Gradient turned = (Mask.Gradient) mask("grade");
    assertThat(turned.from()).isEqualTo(fresh.from());
    assertThat(turned.to().x() - fresh.to().x()).isBetween(84.0, 96.0);
  }

  @Test
  public void aRangeIsDraggedOverItsHistogram() {
    begin("grade", new Mask.Everything());
    add("add-range-LIGHTNESS");
    Mask.Range whole = (Mask.Range) mask("grade");
    bringIntoSight("#range");
    Bounds box = onStage(() -> node("#range").localToScreen(node("#range").getBoundsInLocal()));
    double left = box.getMinX() + whole.start() / 100 * box.getWidth();
    // The lower left point, dragged to the right, pushes the upper one along.
    robot.moveTo(left + 1, box.getMaxY() - 12);
    robot.press(MouseButton.PRIMARY);
    robot.moveTo(left + 60, box.getMaxY() - 12);
    robot.moveTo(left + 101, box.getMaxY() - 12);
    robot.release(MouseButton.PRIMARY);
    RobotHand.settle();
    Mask.Range dragged = (Mask.Range) mask("grade");
    assertThat(dragged.start() - whole.start()).isBetween(36.0, 42.0);
    assertThat(dragged.full()).isGreaterThanOrEqualTo(dragged.start());
    assertThat(dragged.end()).isEqualTo(whole.end());
    clickOn("#undo");
    assertThat(mask("grade")).isEqualTo(whole);
  }

  @Test
  public void anOutlineIsDrawnByADragAndByClicks() {
    begin("grade", new Mask.Everything());
    clickOn("#tool-outline");
    robot.moveTo(onScreen(500, 900));
    robot.press(MouseButton.PRIMARY);
    for (double[] p : new double[][] {{700, 900}, {700, 1100}, {500, 1100}, {500, 950}}) {
      robot.moveTo(onScreen(p[0], p[1]));
    }
    robot.release(MouseButton.PRIMARY);
    RobotHand.settle();
    assertThat(((Mask.Polygon) mask("grade")).points()).hasSizeGreaterThanOrEqualTo(4);

    begin("grade", new Mask.Everything());
    clickOn("#tool-outline");
    for (double[] p : new double[][] {{500, 900}, {800, 900}, {650, 1200}, {500, 900}}) {
      robot.moveTo(onScreen(p[0], p[1]));
      robot.clickOn(MouseButton.PRIMARY);
      RobotHand.settle();
    }
    List<Point> corners = ((Mask.Polygon) mask("grade")).points();
    assertThat(corners).hasSize(3);
    assertThat(corners.get(1).distance(new Point(800, 900))).isLessThan(6);
  }

  @Test
  public void theBrushThatStaysInsideEdgesPaintsSuchStrokes() {
    begin("grade", new Mask.Nothing());
    clickOn("#tool-mask");
    focusPicture();
    robot.type(KeyCode.E);
    RobotHand.settle();
    stroke(560, 1150, 640, 1180);
    robot.type(KeyCode.E);
    stroke(560, 1250, 640, 1280);
    List<Stroke> strokes = ((Mask.Strokes) mask("grade")).strokes();
    assertThat(strokes).hasSize(2);
    assertThat(strokes.get(0).edge()).isPositive();
    assertThat(strokes.get(1).edge()).isZero();
  }

  @Test
  public void aMaskIsShownNoLongerThanItsPageAndNotWhatIsDelivered() {
    begin("teeth", LIPS);
    onStage(
        () -> {
          state().view().maskShownProperty().set(true);
          return null;
        });
    clickOn("#page-what");
    assertThat(onStage(() -> state().view().maskShownProperty().get())).isFalse();
    begin("teeth", LIPS);
    onStage(
        () -> {
          state().view().maskShownProperty().set(true);
          return null;
        });
    clickOn("#view-deliver");
    assertThat(onStage(() -> state().view().maskShownProperty().get())).isFalse();
    clickOn("#view-bench");
  }

  @Test
  public void aMaskIsCopiedOrFollowed() {
    begin("grade", new Mask.Everything());
    add("copy-teeth");
    assertThat(mask("grade")).isEqualTo(mask("teeth"));
    add("link-eyes");
    assertThat(mask("grade")).isEqualTo(new Mask.LinkedMask("eyes"));
    clickOn("#part-0");
    clickOn("#unlink");
    assertThat(mask("grade")).isEqualTo(mask("eyes"));
  }

  @Test
  public void theQuantityOfARangeIsChosen() {
    begin("grade", new Mask.Range(Mask.Quantity.LIGHTNESS, 40, 50, 90, 100));
    clickOn("#part-0");
    onStage(
        () -> {
          ComboBox<Mask.Quantity> box = node("#range-quantity");
          box.setValue(Mask.Quantity.CHROMA);
          return null;
        });
    assertThat(((Mask.Range) mask("grade")).quantity()).isEqualTo(Mask.Quantity.CHROMA);
  }

  @Test
  public void aCardShowsWhereItsLayerActs() throws Exception {
    await(() -> thumbnail("teeth") != null);
    Image shown = onStage(() -> thumbnail("teeth"));
    await(() -> thumbnail("grade") == null);
    begin("grade", LIPS);
    await(() -> thumbnail("grade") != null);
    assertThat(onStage(() -> thumbnail("grade").getWidth())).isEqualTo(shown.getWidth());
  }

  private Image thumbnail(String id) {
    Node card = node("#card-" + id);
    return card.lookupAll("#thumb-" + id).stream()
        .map(n -> ((ImageView) n).getImage())
        .filter(i -> i != null)
        .findFirst()
        .orElse(null);
  }

  // --- the face

  private void atTheFace(String button) {
    onStage(
        () -> {
          state().selection().select(null);
          return null;
        });
    clickOn(button);
  }

  @Test
  public void aCorrectionIsKeptWhenTheFaceIsFoundAgain() throws Exception {
    openThePhotographWithoutAMap();
    atTheFace("#face-map");
    FaceMap found = project().faces();
    List<Point> lips = found.outlines().outerLips();
    Point edge = lips.get(lips.size() / 4);
    stroke(edge.x(), edge.y(), edge.x(), edge.y() - 30);
    FaceMap corrected = project().faces();
    assertThat(corrected.corrected()).containsExactly(FaceMap.Part.MOUTH);
    assertThat(corrected.outlines().outerLips()).isNotEqualTo(lips);
    misplacedPupilIsFoundAgain();
    assertThat(project().faces().outlines().outerLips())
        .isEqualTo(corrected.outlines().outerLips());
  }

  /** A second person is made of the one there is, beside her. */
  @Test
  public void anAreaIsEverybodysOrOnePersons() {
    begin("teeth", LIPS);
    clickOn("#part-0");
    assertThat(isThere("#mask-region")).isTrue();
    assertThat(node("#mask-person").isVisible()).as("there is one person").isFalse();
    FaceMap face = project().faces();
    FaceMap other =
        new FaceMap(
            new FaceMap.FaceOval(face.oval().x() + 600, 700, 150, 200, 0),
            new Point(face.oval().x() + 540, 660),
            new Point(face.oval().x() + 660, 660),
            new Point(face.oval().x() + 550, 820),
            new Point(face.oval().x() + 650, 820));
    onStage(
        () -> {
          state().document().edit(null, p -> p.withAllFaces(List.of(face, other)));
          return null;
        });
    RobotHand.settle();
    ComboBox<Integer> whose = node("#mask-person");
    assertThat(whose.isVisible()).isTrue();
    assertThat(whose.getItems()).containsExactly(-1, 0, 1);
    assertThat(whose.getValue()).isEqualTo(-1);
    onStage(
        () -> {
          whose.setValue(1);
          return null;
        });
    Point middle = other.oval().middle();
    assertThat(mask("teeth")).isEqualTo(new Mask.RegionMask(SemanticRegion.LIPS, middle));
    onStage(
        () -> {
          whose.setValue(-1);
          return null;
        });
    assertThat(mask("teeth")).isEqualTo(LIPS);
  }

  @Test
  public void fiveClicksPlaceAFace() {
    onStage(
        () -> {
          state().document().edit(null, p -> p.withAllFaces(List.of()));
          return null;
        });
    atTheFace("#place-face");
    double[][] clicks = {
      {430, 500}, {1020, 1500}, {850, 950}, {600, 950}, {830, 1330}, {620, 1330}
    };
    robot.moveTo(onScreen(clicks[0][0], clicks[0][1]));
    robot.press(MouseButton.PRIMARY);
    robot.moveTo(onScreen(700, 1000));
    robot.moveTo(onScreen(clicks[1][0], clicks[1][1]));
    robot.release(MouseButton.PRIMARY);
    for (int i = 2; i < clicks.length; i++) {
      robot.moveTo(onScreen(clicks[i][0], clicks[i][1]));
      robot.clickOn(MouseButton.PRIMARY);
      RobotHand.settle();
    }
    FaceMap placed = project().faces();
    assertThat(placed.leftPupil().distance(new Point(600, 950))).isLessThan(6);
    assertThat(placed.rightMouth().distance(new Point(830, 1330))).isLessThan(6);
    assertThat(placed.oval().radiusX()).isBetween(285.0, 305.0);
    assertThat(placed.corrected()).containsExactlyInAnyOrder(FaceMap.Part.values());
  }
}
