package carezza.desktop.tool;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Set;

import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.desktop.state.AppState;
import carezza.desktop.state.Brush;
import carezza.desktop.state.Documents;
import carezza.desktop.state.Pen;
import carezza.desktop.state.ToolKind;
import carezza.desktop.task.TaskRunner;
import carezza.kernel.LayerType;
import carezza.model.DodgeBurnLayer;
import carezza.model.FrequencySeparationLayer;
import carezza.model.HealLayer;
import carezza.model.Mask;
import carezza.model.NeutralPointsLayer;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.Stroke;

/** What presses, drags and releases make of a document, without a window. */
public class ToolsTest {

  private AppState state;
  private Tools tools;

  @BeforeMethod
  public void open() {
    state = AppState.with(TaskRunner.inPlace());
    tools = new Tools(state);
    state
        .document()
        .open(
            Documents.with(
                LayerType.NEUTRAL_POINTS,
                LayerType.HEAL,
                LayerType.FREQUENCY_SEPARATION,
                LayerType.DODGE_BURN));
  }

  private void take(String layer, ToolKind kind) {
    state.selection().select(layer);
    state.tools().toolProperty().set(kind);
    state.tools().brushProperty().set(new Brush(5, 0.5, 0.5));
  }

  private void press(double x, double y) {
    press(x, y, false, false);
  }

  private void press(double x, double y, boolean shift, boolean shortcut) {
    tools.inHand().press(new Tool.Press(new Point(x, y), shift, shortcut, 2));
  }

  private void drag(double x, double y) {
    tools.inHand().drag(new Point(x, y));
  }

  private void release(double x, double y) {
    tools.inHand().release(new Point(x, y));
  }

  private void around() {
    press(10, 10);
    drag(30, 10);
    drag(30, 30);
    drag(10, 30);
    release(10, 30);
  }

  private Project project() {
    return state.document().project();
  }

  private <L> L layer(String id, Class<L> type) {
    return type.cast(project().stack().find(id).orElseThrow());
  }

  @Test
  public void everyKindOfToolHasItsClass() {
    for (ToolKind kind : ToolKind.values()) {
      state.tools().toolProperty().set(kind);
      assertThat(tools.inHand().kind()).isEqualTo(kind);
    }
  }

  @Test
  public void lightIsSeenWhileItIsPaintedAndOneStepOnceItIs() {
    take("d", ToolKind.DODGE);
    press(10, 10);
    drag(20, 10);
    assertThat(layer("d", DodgeBurnLayer.class).dodgeMask()).isInstanceOf(Mask.Strokes.class);
    assertThat(state.document().steps()).isZero();
    drag(30, 10);
    release(30, 10);
    assertThat(state.document().steps()).isEqualTo(1);
    Mask.Strokes light = (Mask.Strokes) layer("d", DodgeBurnLayer.class).dodgeMask();
    assertThat(light.strokes()).hasSize(1);
    assertThat(light.strokes().getFirst().size()).isEqualTo(3);
    assertThat(layer("d", DodgeBurnLayer.class).burnMask()).isInstanceOf(Mask.Nothing.class);
  }

  @Test
  public void shiftTurnsLightToShade() {
    take("d", ToolKind.DODGE);
    press(10, 10, true, false);
    release(10, 10);
    assertThat(layer("d", DodgeBurnLayer.class).burnMask()).isInstanceOf(Mask.Strokes.class);
    assertThat(layer("d", DodgeBurnLayer.class).dodgeMask()).isInstanceOf(Mask.Nothing.class);
  }

  @Test
  public void aStrokeBegunWithAToolThatIsPutDownIsForgotten() {
    take("d", ToolKind.DODGE);
    press(10, 10);
    state.tools().toolProperty().set(ToolKind.HAND);
    release(10, 10);
    assertThat(state.document().steps()).isZero();
  }

  @Test
  public void pointsNearerThanATwelfthOfTheBrushDoNotCount() {
    long[] now = {0};
    state.tools().brushProperty().set(new Brush(100, 0.5, 0.5));
    state.tools().penProperty().set(new Pen.Recorded(new double[] {0, 1}, new double[] {0, 1}));
    StrokePath path = new StrokePath(state.tools(), StrokePath.SPACING, () -> now[0]);
    path.begin(new Point(0, 0));
    assertThat(path.goTo(new Point(11, 0))).isFalse();
    now[0] = 500_000_000;
    assertThat(path.goTo(new Point(13, 0))).isTrue();
    Stroke stroke = path.stroke();
    assertThat(stroke.size()).isEqualTo(2);
    assertThat((double) stroke.pressure(1)).isCloseTo(0.5, within(1e-6));
  }

  @Test
  public void aClickHealsASpotAndControlSetsWhereClonesComeFrom() {
    take("b", ToolKind.HEAL);
    press(20, 20, false, true);
    release(20, 20);
    assertThat(layer("b", HealLayer.class).patches()).isEmpty();
    assertThat(state.repairs().cloneFrom()).contains(new Point(20, 20));
    press(30, 20);
    release(30, 20);
    assertThat(layer("b", HealLayer.class).patches()).hasSize(1);
  }

  @Test
  public void aRepairInHandIsMadeLarger() {
    take("b", ToolKind.HEAL);
    press(30, 20);
    release(30, 20);
    state.tools().toolProperty().set(ToolKind.REPAIR);
    state.repairs().choose(Set.of(0));
    double before = layer("b", HealLayer.class).patches().getFirst().area().radius();
    assertThat(state.repairs().scale(1.5)).isTrue();
    assertThat(layer("b", HealLayer.class).patches().getFirst().area().radius())
        .isCloseTo(1.5 * before, within(1e-9));
    state.repairs().choose(Set.of());
    assertThat(state.repairs().scale(1.5)).isFalse();
  }

  @Test
  public void anOutlineIsTransplantedAndTakenInHand() {
    take("b", ToolKind.TRANSPLANT);
    around();
    assertThat(layer("b", HealLayer.class).patches().getFirst().area())
        .isInstanceOf(Mask.Polygon.class);
    assertThat(state.tools().tool()).isEqualTo(ToolKind.REPAIR);
    assertThat(state.repairs().chosenProperty().get()).containsExactly(0);
  }

  @Test
  public void aPlaceIsEvenedByAnOutlineAndByAStroke() {
    take("c", ToolKind.EVEN_AREA);
    around();
    take("c", ToolKind.EVEN_STROKE);
    press(10, 10);
    drag(20, 10);
    release(20, 10);
    List<FrequencySeparationLayer.LowBandArea> areas =
        layer("c", FrequencySeparationLayer.class).areas();
    assertThat(areas).hasSize(2);
    assertThat(areas.get(1).strength()).isEqualTo(0.5);
  }

  @Test
  public void anOutlineJoinsTheMaskByADragOrByItsCorners() {
    take("d", ToolKind.OUTLINE);
    around();
    assertThat(state.document().steps()).isEqualTo(1);
    take("d", ToolKind.OUTLINE);
    for (double[] corner : new double[][] {{5, 5}, {25, 5}, {25, 25}, {5, 6}}) {
      press(corner[0], corner[1]);
      release(corner[0], corner[1]);
    }
    assertThat(state.document().steps()).isEqualTo(2);
    assertThat(state.tools().tool()).isEqualTo(ToolKind.PART);
  }

  @Test
  public void aNeutralPointIsSetWhereItIsPressedAndDraggedOn() {
    take("a", ToolKind.PICK_DARK);
    press(10, 10);
    release(10, 10);
    assertThat(layer("a", NeutralPointsLayer.class).shadow()).isEqualTo(new Point(10, 10));
    press(10, 10);
    drag(14, 12);
    release(14, 12);
    assertThat(layer("a", NeutralPointsLayer.class).shadow()).isEqualTo(new Point(14, 12));
  }

  @Test
  public void pinsAreSetMovedAndTakenOut() {
    take(null, ToolKind.PIN);
    press(10, 10);
    release(10, 10);
    assertThat(project().pins()).containsExactly(new Point(10, 10));
    press(10, 10);
    drag(40, 30);
    release(40, 30);
    assertThat(project().pins()).containsExactly(new Point(40, 30));
    press(40, 30);
    release(40, 30);
    assertThat(project().pins()).isEmpty();
  }

  @Test
  public void aLineThatIsDrawnIsLevel() {
    take(null, ToolKind.LEVEL);
    press(10, 10);
    drag(30, 12);
    drag(50, 14);
    release(50, 14);
    assertThat(Math.abs(project().crop().angle()))
        .isCloseTo(Math.toDegrees(Math.atan2(4, 40)), within(1e-6));
    assertThat(state.tools().tool()).isEqualTo(ToolKind.FRAME);
  }

  @Test
  public void aFaceIsPlacedByABoxAndFourClicks() {
    state.selection().placeFace();
    press(10, 5);
    release(40, 38);
    for (double[] at : new double[][] {{18, 18}, {32, 18}, {20, 30}, {30, 30}}) {
      press(at[0], at[1]);
      release(at[0], at[1]);
    }
    assertThat(project().allFaces()).hasSize(1);
    assertThat(state.tools().tool()).isEqualTo(ToolKind.FACE);
  }
}
