package carezza.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.function.Function;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.image.Area;
import carezza.kernel.LayerType;
import carezza.model.Mask.Everything;
import carezza.model.Mask.Nothing;
import carezza.model.Mask.RegionMask;

public class ModelTest {

  private static final PhotoReference PHOTO =
      new PhotoReference("a.jpg", "0".repeat(64), true, 100, 80);

  private static Project project(Layer... layers) {
    return Project.begun("t", PHOTO).withStack(LayerStack.of(layers));
  }

  private static ExposureLayer exposure(double stops) {
    ExposureLayer fresh = (ExposureLayer) LayerType.EXPOSURE.fresh();
    return new ExposureLayer(fresh.attributes(), stops, 0);
  }

  @Test
  public void aStackIsGroupedByStageWhateverTheOrderOfAdding() {
    Layer curve = LayerType.CURVE.fresh();
    Layer heal = LayerType.HEAL.fresh();
    Layer balance = LayerType.WHITE_BALANCE.fresh();
    assertThat(LayerStack.EMPTY.with(curve).with(heal).with(balance).layers())
        .containsExactly(balance, heal, curve);
  }

  @Test
  public void layersOfOneStageKeepTheirOrder() {
    Layer first = LayerType.CURVE.fresh();
    Layer second = LayerType.CURVE.fresh();
    assertThat(LayerStack.of(first, second).layers()).containsExactly(first, second);
    assertThat(LayerStack.of(first, second).moved(second.attributes().id(), -1).layers())
        .containsExactly(second, first);
  }

  @Test
  public void aLayerAtTheEndOfItsStageMovesIntoTheNext() {
    Layer heal = LayerType.HEAL.fresh();
    Layer curve = LayerType.CURVE.fresh();
    String id = heal.attributes().id();
    LayerStack stack = LayerStack.of(heal, curve);
    assertThat(stack.moved(id, 1).find(id).orElseThrow().attributes().stage())
        .isEqualTo(Stage.SMOOTH);
    assertThat(stack.moved(id, -1).moved(id, -1)).isEqualTo(stack.moved(id, -1));
    LayerStack graded = stack.moved(id, Stage.GRADE, 9);
    assertThat(graded.indexOf(id)).isEqualTo(1);
    assertThat(graded.moved(id, -1).indexOf(id)).isZero();
    assertThat(graded.moved(id, -1).find(id).orElseThrow().attributes().stage())
        .isEqualTo(Stage.GRADE);
  }

  @Test
  public void aLayerIsDoubledRightAfterItself() {
    Layer first = LayerType.CURVE.fresh();
    Layer second = LayerType.CURVE.fresh();
    LayerStack stack = LayerStack.of(first, second).doubled(first.attributes().id());
    assertThat(stack.size()).isEqualTo(3);
    assertThat(stack.layers().get(0)).isEqualTo(first);
    assertThat(stack.layers().get(2)).isEqualTo(second);
    Layer copy = stack.layers().get(1);
    assertThat(copy.attributes().withId("x")).isEqualTo(first.attributes().withId("x"));
  }

  @Test
  public void twoLayersWithOneIdAreRefused() {
    Layer layer = LayerType.CURVE.fresh();
    assertThatThrownBy(() -> LayerStack.of(layer, layer))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining(layer.attributes().id());
  }

  @Test
  public void throughAStageCountsItsLayersAndThoseBelow() {
    LayerStack stack =
        LayerStack.of(
            LayerType.WHITE_BALANCE.fresh(), LayerType.HEAL.fresh(), LayerType.CURVE.fresh());
    assertThat(stack.through(Stage.SETTLE)).isEqualTo(1);
    assertThat(stack.through(Stage.EVEN)).isEqualTo(2);
    assertThat(stack.through(Stage.FINISH)).isEqualTo(3);
  }

  @DataProvider
  public Object[][] kinds() {
    LayerType[] kinds = LayerType.values();
    Object[][] rows = new Object[kinds.length][];
    for (int i = 0; i < kinds.length; i++) {
      rows[i] = new Object[] {kinds[i]};
    }
    return rows;
  }

  @Test(dataProvider = "kinds")
  public void aFreshLayerStandsInItsStageAndActs(LayerType kind) {
    Layer layer = kind.fresh();
    assertThat(layer.attributes().stage()).isEqualTo(kind.stage());
    assertThat(layer.acts()).isTrue();
    assertThat(LayerType.of(layer)).isEqualTo(kind);
    assertThat(layer.with(layer.attributes().switched(false)).acts()).isFalse();
    assertThat(layer.with(layer.attributes().withAmount(0)).acts()).isFalse();
  }

  @Test(dataProvider = "kinds")
  public void anotherHeadLeavesTheParametersAlone(LayerType kind) {
    Layer layer = kind.fresh();
    assertThat(layer.with(layer.attributes().named("x")).with(layer.attributes())).isEqualTo(layer);
  }

  @Test
  public void amountsPastTwiceAreRefused() {
    LayerAttributes attributes = LayerType.CURVE.fresh().attributes();
    assertThatThrownBy(() -> attributes.withAmount(2.01))
        .hasMessage("amount is 2.01 but must lie between 0.0 and 2.0");
  }

  // --- history

  @Test
  public void undoAndRedoWalkThroughEveryStep() {
    Project first = project();
    History history = new History(first);
    Project last = first;
    for (int i = 1; i <= 500; i++) {
      last = project(exposure(i / 200.0));
      history.advance(last, null);
    }
    for (int i = 0; i < 500; i++) {
      history.undo();
    }
    assertThat(history.present()).isEqualTo(first);
    assertThat(history.canUndo()).isFalse();
    for (int i = 0; i < 500; i++) {
      history.redo();
    }
    assertThat(history.present()).isEqualTo(last);
  }

  @Test
  public void aDragOfASliderIsOneStep() {
    Project start = project();
    History history = new History(start);
    history.advance(project(exposure(0.1)), "stops");
    history.advance(project(exposure(0.2)), "stops");
    history.advance(project(exposure(0.3)), "stops");
    assertThat(history.undo()).isEqualTo(start);
  }

  @Test
  public void aSettledDragIsAStepOfItsOwn() {
    History history = new History(project());
    Project one = project(exposure(0.1));
    history.advance(one, "stops");
    history.settle();
    history.advance(project(exposure(0.2)), "stops");
    assertThat(history.undo()).isEqualTo(one);
  }

  @Test
  public void aNewEditForgetsWhatWasUndone() {
    History history = new History(project());
    history.advance(project(exposure(0.1)), null);
    history.undo();
    history.advance(project(exposure(0.5)), null);
    assertThat(history.canRedo()).isFalse();
  }

  @Test
  public void amendingIsNoStep() {
    Project start = project();
    History history = new History(start);
    history.advance(project(exposure(0.1)), null);
    history.amend(project(exposure(0.11)));
    assertThat(history.undo()).isEqualTo(start);
  }

  // --- strokes and masks

  @Test
  public void aStrokesBoundsHoldItsPathAndRadius() {
    Stroke stroke = Stroke.path(List.of(new Point(10, 20), new Point(50, 25)), 6, 0.5, 1, false);
    assertThat(stroke.bounds()).isEqualTo(new Area(4, 14, 52, 17));
  }

  @Test
  public void aStrokeKeepsItsOwnCopyOfThePoints() {
    float[] points = {1, 2, 1, 0};
    Stroke stroke = new Stroke(points, 5, 0, 1, false);
    points[0] = 99;
    stroke.packed()[1] = 99;
    assertThat(stroke.x(0)).isEqualTo(1);
    assertThat(stroke.y(0)).isEqualTo(2);
  }

  @Test
  public void aStrokeWithoutPointsOrWithBrokenNumbersIsRefused() {
    assertThatThrownBy(() -> new Stroke(new float[0], 5, 0, 1, false))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> new Stroke(new float[] {1, Float.NaN, 1, 0}, 5, 0, 1, false))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  public void paintingOnPaintAddsToTheSameStrokes() {
    Mask once = new RegionMask(SemanticRegion.SKIN).painted(Stroke.dab(1, 1, 2, 0));
    Mask twice = once.painted(Stroke.dab(5, 5, 2, 0));
    assertThat(twice)
        .isInstanceOfSatisfying(Mask.Strokes.class, s -> assertThat(s.strokes()).hasSize(2));
  }

  @Test
  public void masksThatMeanNothingAreRefused() {
    assertThatThrownBy(() -> new Mask.Polygon(List.of(new Point(0, 0), new Point(1, 1)), 0))
        .hasMessageContaining("three points");
    assertThatThrownBy(() -> new Mask.Gradient(new Point(3, 3), new Point(3, 3)))
        .hasMessageContaining("two different points");
    assertThatThrownBy(() -> new Mask.Range(Mask.Quantity.HUE, 5, 4, 6, 7))
        .hasMessageContaining("start");
  }

  @Test
  public void aFaceMapWhosePupilsCoincideIsRefused() {
    Point p = new Point(10, 10);
    FaceMap guess = FaceMap.guess(800, 1000);
    assertThatThrownBy(() -> new FaceMap(guess.oval(), p, p, guess.leftMouth(), guess.rightMouth()))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  public void theGuessedFaceMapLiesInThePicture() {
    FaceMap guess = FaceMap.guess(800, 1000);
    assertThat(guess.oval().x() + guess.oval().radiusX()).isLessThan(800);
    assertThat(guess.oval().y() + guess.oval().radiusY()).isLessThan(1000);
    assertThat(guess.mouthCentre().y()).isGreaterThan(guess.leftPupil().y());
  }

  private static FaceMap outlined() {
    Function<Point, List<Point>> square =
        m -> List.of(m.plus(-9, -4), m.plus(9, -4), m.plus(9, 4), m.plus(-9, 4));
    Point left = new Point(100, 100);
    Point right = new Point(200, 110);
    FaceOutlines outlines =
        new FaceOutlines(
            List.of(new Point(110, 200), new Point(150, 190), new Point(190, 200)),
            List.of(new Point(120, 200), new Point(150, 196), new Point(180, 200)),
            square.apply(left),
            square.apply(right),
            square.apply(left.plus(0, -30)),
            square.apply(right.plus(0, -30)),
            square.apply(new Point(150, 150)),
            new FaceOutlines.Circle(left, 6),
            new FaceOutlines.Circle(right, 6));
    return new FaceMap(
        new FaceMap.FaceOval(150, 150, 80, 100, 0),
        left,
        right,
        new Point(110, 200),
        new Point(190, 200),
        outlines);
  }

  @Test
  public void outlinesMoveWithTheirPointsAndOnlyThose() {
    FaceMap was = outlined();
    FaceMap eye = was.withLeftPupil(new Point(105, 98));
    assertThat(eye.outlines().leftIris().middle()).isEqualTo(new Point(105, 98));
    assertThat(eye.outlines().leftEye().getFirst()).isEqualTo(new Point(96, 94));
    assertThat(eye.outlines().rightEye()).isEqualTo(was.outlines().rightEye());
    assertThat(eye.outlines().outerLips()).isEqualTo(was.outlines().outerLips());
    // Turned by a right angle and stretched to half: the corners land on the corners.
    FaceMap mouth = was.withMouth(new Point(150, 180), new Point(150, 220));
    assertThat(mouth.outlines().outerLips().getFirst().distance(new Point(150, 180)))
        .isLessThan(1e-9);
    assertThat(mouth.outlines().outerLips().getLast().distance(new Point(150, 220)))
        .isLessThan(1e-9);
    assertThat(mouth.outlines().outerLips().get(1).distance(new Point(155, 200))).isLessThan(1e-9);
    FaceMap back = mouth.withMouth(was.leftMouth(), was.rightMouth());
    for (int i = 0; i < 3; i++) {
      assertThat(back.outlines().innerLips().get(i).distance(was.outlines().innerLips().get(i)))
          .isLessThan(1e-9);
    }
    FaceMap byHand =
        new FaceMap(
            was.oval(), was.leftPupil(), was.rightPupil(), was.leftMouth(), was.rightMouth());
    assertThat(byHand.withRightPupil(new Point(210, 110)).outlines()).isNull();
  }
}
