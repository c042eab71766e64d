package carezza.desktop.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import javafx.geometry.BoundingBox;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.image.ImageView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;

import org.testng.annotations.Test;

import carezza.colour.Lab;
import carezza.desktop.demo.Demo;
import carezza.desktop.state.Brush;
import carezza.desktop.state.ToolKind;
import carezza.kernel.LayerType;
import carezza.model.ColourBalanceLayer;
import carezza.model.DodgeBurnLayer;
import carezza.model.GradientMapLayer;
import carezza.model.Lens;
import carezza.model.Mask;
import carezza.model.OverlayLayer;
import carezza.model.OverlayPicture;
import carezza.model.PaintLayer;
import carezza.model.Point;
import carezza.model.SemanticRegion;
import carezza.model.ShapeLayer;
import carezza.model.ShapeLayer.Hand;
import carezza.model.SharpenLayer;
import carezza.model.SkinToneEveningLayer;
import carezza.model.Stroke;
import carezza.model.Tint;
import carezza.model.VignetteLayer;

/** Shape, sharpening by parts: the last stage worked in the window. */
public class FinishWindowTest extends WindowDriver {

  private <T> T selected(Class<T> type) {
    return onStage(() -> type.cast(state().selection().layer().orElseThrow()));
  }

  private void add(LayerType kind) throws Exception {
    onStage(
        () -> {
          state().selection().add(kind);
          return null;
        });
    RobotHand.settle();
    await(() -> picture().isExact());
  }

  private void takeBrush(double radius) {
    onStage(
        () -> {
          state().tools().brushProperty().set(new Brush(radius, 0.5, 1));
          return null;
        });
  }

  @Test
  public void aPushTakesTheFaceAlongAndUndoBringsItBack() throws Exception {
    Point pupil = project().faces().leftPupil();
    add(LayerType.SHAPE);
    assertThat(onStage(() -> state().tools().tool())).isEqualTo(ToolKind.PUSH);
    takeBrush(150);
    int before = shownAt(pupil.x(), pupil.y());
    stroke(pupil.x(), pupil.y(), pupil.x() + 16, pupil.y());
    await(() -> picture().isExact());

    ShapeLayer shape = selected(ShapeLayer.class);
    assertThat(shape.nudges()).hasSize(1);
    assertThat(shape.nudges().getFirst().hand()).isEqualTo(Hand.PUSH);
    await(() -> ((Label) node("#strain")).getText().contains("%"));
    Point seen = onStage(() -> picture().toView(pupil));
    Point still = onStage(() -> picture().toView(new Point(pupil.x() - 400, pupil.y())));
    double zoom = onStage(() -> picture().zoom());
    assertThat((seen.x() - still.x()) / zoom).isGreaterThan(404);
    // The same skin is found again where it is seen now.
    assertThat(Math.abs((shownAt(pupil.x(), pupil.y()) & 255) - (before & 255))).isLessThan(14);

    onStage(
        () -> {
          state().document().undo();
          return null;
        });
    await(() -> picture().isExact());
    assertThat(selected(ShapeLayer.class).nudges()).isEmpty();
  }

  @Test
  public void aStrokeBelowTheShapeLiesOnTheSkinThatIsUnderTheHand() throws Exception {
    Point cheek = new Point(620, 1130);
    add(LayerType.SHAPE);
    takeBrush(260);
    stroke(cheek.x(), cheek.y(), cheek.x() + 30, cheek.y());
    await(() -> picture().isExact());
    Point seen = onStage(() -> picture().toView(cheek));
    Point still = onStage(() -> picture().toView(new Point(cheek.x(), cheek.y() - 700)));
    assertThat((seen.x() - still.x()) / onStage(() -> picture().zoom())).isGreaterThan(4);

    clickOn("#card-sculpt");
    takeBrush(20);
    stroke(cheek.x(), cheek.y(), cheek.x() + 30, cheek.y());
    DodgeBurnLayer sculpt = (DodgeBurnLayer) layer("sculpt");
    Stroke painted = ((Mask.Strokes) sculpt.dodgeMask()).strokes().getLast();
    assertThat((double) painted.x(0)).isCloseTo(cheek.x(), within(2.5));
    assertThat((double) painted.y(0)).isCloseTo(cheek.y(), within(2.5));
  }

  @Test
  public void shapeIsOneLayerAndHoldsWhatIsToStay() throws Exception {
    add(LayerType.SHAPE);
    add(LayerType.SHAPE);
    assertThat(project().stack().layers().stream().filter(ShapeLayer.class::isInstance).count())
        .isOne();
    clickOn("#hold-iris");
    assertThat(selected(ShapeLayer.class).held()).containsExactly(SemanticRegion.IRIS);
    clickOn("#hold-iris");
    assertThat(selected(ShapeLayer.class).held()).isEmpty();
  }

  @Test
  public void aLineIsDrawnAsAHairAndTakesTheToneOfOne() throws Exception {
    Point pupil = project().faces().leftPupil();
    add(LayerType.PAINT);
    assertThat(onStage(() -> state().tools().tool())).isEqualTo(ToolKind.PAINT);
    stroke(620, 1130, 700, 1150);
    PaintLayer drawn = selected(PaintLayer.class);
    Stroke line = drawn.strokes().getFirst();
    int last = line.size() - 1;
    assertThat(line.pressure(last)).isLessThan(0.2f);
    assertThat(line.pressure(last / 3)).isGreaterThan(0.5f);

    clickOn("#tool-pick_hair");
    robot.moveTo(onScreen(pupil.x(), pupil.y()));
    robot.clickOn(MouseButton.PRIMARY);
    await(() -> selected(PaintLayer.class).lightness() != drawn.lightness());
    assertThat(onStage(() -> state().tools().tool())).isEqualTo(ToolKind.PAINT);
  }

  @Test
  public void aPictureIsLaidMovedAndTakenFromAFile() throws Exception {
    add(LayerType.OVERLAY);
    OverlayLayer begun = selected(OverlayLayer.class);
    stroke(620, 1130, 780, 1130);
    assertThat(selected(OverlayLayer.class).x()).isCloseTo(begun.x() + 160.0 / 1600, within(0.01));

    Path file = folder.resolve("laid.jpg");
    Files.write(file, Demo.prompter().file());
    answer(file);
    clickOn("#overlay-file");
    await(() -> selected(OverlayLayer.class).picture().shipped() == null);
    await(() -> ((Label) node("#overlay-there")).getText().contains("laid.jpg"));
    assertThat(selected(OverlayLayer.class).picture().bytes()).isNotNull();
  }

  /** A line of words that comes below the picture makes it lower; the next frame may take long. */
  @Test
  public void anotherSizeNeverEmptiesThePicture() throws Exception {
    await(() -> picture().isExact());
    int[] skin =
        onStage(
            () -> {
              Point face = picture().toView(project().faces().leftPupil().plus(0, 180));
              int before = pixel(face);
              picture().resize(picture().getWidth(), picture().getHeight() - 24);
              picture().layout();
              return new int[] {before, pixel(face)};
            });
    assertThat(skin[1]).isEqualTo(skin[0]);
  }

  private int pixel(Point at) {
    return picture().snapshot(null, null).getPixelReader().getArgb((int) at.x(), (int) at.y());
  }

  @Test
  public void theLightIsFullestWhereItIsPut() throws Exception {
    add(LayerType.VIGNETTE);
    assertThat(onStage(() -> state().tools().tool())).isEqualTo(ToolKind.PLACE_LIGHT);
    stroke(620, 1130, 700, 1000);
    Point centre = selected(VignetteLayer.class).centre();
    assertThat(centre.x()).isCloseTo(700, within(6.0));
    assertThat(centre.y()).isCloseTo(1000, within(6.0));
    clickOn("#light-at-face");
    assertThat(selected(VignetteLayer.class).centre()).isNull();

    assertThat(robot.lookup("#falloff").tryQuery()).isPresent();
    onStage(
        () -> {
          state().selection().edit(null, l -> ((VignetteLayer) l).by(VignetteLayer.Law.LAMP));
          return null;
        });
    await(() -> robot.lookup("#falloff").tryQuery().isEmpty());
  }

  @Test
  public void stopsAreAddedMovedAndDroppedOnTheStripAndColouredOnThePlot() throws Exception {
    add(LayerType.GRADIENT_MAP);
    int before = selected(GradientMapLayer.class).stops().size();
    dragged(onControl("#stops", 64, 55), 24, 0);
    List<GradientMapLayer.Stop> more = selected(GradientMapLayer.class).stops();
    assertThat(more).hasSize(before + 1);
    assertThat(more.get(1).position()).isCloseTo(88 / 256.0, within(0.02));

    dragged(onControl("#tint-plot", 155, 100), 5, 0);
    SkinToneEveningLayer.Target colour = selected(GradientMapLayer.class).stops().get(1).colour();
    assertThat(Lab.hueDistance(colour.hue(), 0)).isLessThan(4);
    assertThat(colour.chroma()).isBetween(35.0, 48.0);

    dragged(onControl("#stops", 88, 72), 0, 0);
    robot.type(KeyCode.DELETE);
    RobotHand.settle();
    assertThat(selected(GradientMapLayer.class).stops()).hasSize(before);
  }

  @Test
  public void tintsStandAgainstOneAnotherOnOnePlot() throws Exception {
    add(LayerType.COLOUR_BALANCE);
    clickOn("#tint-highlights");
    dragged(onControl("#tint-plot", 100, 65), 0, -5);
    Tint lights = selected(ColourBalanceLayer.class).highlights();
    assertThat(lights.hue()).isCloseTo(90, within(3.0));
    assertThat(lights.strength()).isBetween(10.0, 18.0);
    assertThat(selected(ColourBalanceLayer.class).shadows()).isEqualTo(Tint.NONE);
  }

  @Test
  public void aBackdropSaysHowMuchOfTheBorderIsThere() throws Exception {
    add(LayerType.BACKDROP);
    await(() -> ((Label) node("#border-share")).getText().contains("%"));
    assertThat(((Label) node("#border-share")).getText()).startsWith("Along the border 100 %");
  }

  @Test
  public void aLineThatFollowsNoEdgeIsSaidAndLeavesTheLens() throws Exception {
    add(LayerType.SHAPE);
    onStage(
        () -> {
          state().tools().toolProperty().set(ToolKind.LENS_LINE);
          return null;
        });
    stroke(150, 150, 450, 170);
    await(() -> state().status().messageProperty().get().contains("No edge"));
    assertThat(selected(ShapeLayer.class).lens()).isEqualTo(Lens.NONE);
  }

  /** A place of a control on the screen; brings it in sight first. */
  private Point2D onControl(String id, double x, double y) {
    bringIntoSight(id);
    return onStage(() -> node(id).localToScreen(x, y));
  }

  private void dragged(Point2D from, double dx, double dy) {
    robot.moveTo(from);
    robot.press(MouseButton.PRIMARY);
    robot.moveTo(from.add(dx / 2, dy / 2));
    robot.moveTo(from.add(dx, dy));
    robot.release(MouseButton.PRIMARY);
    RobotHand.settle();
  }

  /** Panels that read behind give back what they read on when another one comes. */
  @Test
  public void panelsLeaveNothingBehind() throws Exception {
    add(LayerType.SHARPEN);
    String sharpening = onStage(() -> state().selection().selected());
    add(LayerType.OVERLAY);
    String overlay = onStage(() -> state().selection().selected());
    int before = onStage(() -> state().tasks().lanes());
    for (int i = 0; i < 10; i++) {
      onStage(
          () -> {
            state().selection().select(sharpening);
            state().selection().select(overlay);
            return null;
          });
    }
    assertThat(onStage(() -> state().tasks().lanes())).isEqualTo(before);
  }

  @Test
  public void aMissingPictureIsSaidOnTheBenchAndBeforeItLeaves() throws Exception {
    add(LayerType.OVERLAY);
    OverlayPicture gone = OverlayPicture.of("gone.png", "0".repeat(64), "/nowhere/gone.png", null);
    onStage(
        () -> {
          state().selection().edit(null, l -> ((OverlayLayer) l).with(gone));
          return null;
        });
    await(() -> ((Label) node("#overlay-there")).getText().contains("gone.png"));
    await(() -> state().measurements().missingProperty().get().equals(List.of("gone.png")));
    onStage(
        () -> {
          view.navigation().show(Navigation.DELIVER);
          return null;
        });
    await(
        () ->
            view.lookupAll(".label").stream()
                .map(Label.class::cast)
                .anyMatch(l -> l.getText().startsWith("gone.png is missing")));
  }

  @Test
  public void sharpeningHasABandForEachPartAndSaysHowFarItOvershoots() throws Exception {
    add(LayerType.SHARPEN);
    clickOn("#band-add");
    await(() -> view.lookup("#band-where-1") != null);
    onStage(
        () -> {
          ComboBox<?> where = (ComboBox<?>) node("#band-where-1");
          where.getSelectionModel().select(2);
          where.fireEvent(new javafx.event.ActionEvent());
          return null;
        });
    SharpenLayer layer = selected(SharpenLayer.class);
    assertThat(layer.bands()).hasSize(2);
    assertThat(layer.bands().get(0).mask()).isNull();
    assertThat(layer.bands().get(1).mask()).isNotNull();
    await(() -> ((Label) node("#halo")).getText().matches(".*\\d\\.\\d L\\*.*"));
    clickOn("#band-out-1");
    assertThat(selected(SharpenLayer.class).bands()).isEqualTo(List.of(layer.bands().getFirst()));
  }

  @Test
  public void canvasBeyondThePhotographIsSeenAsItWillBeDelivered() throws Exception {
    Callable<Boolean> drawn = () -> ((ImageView) node("#canvas-beyond")).getImage() != null;
    onStage(
        () -> {
          picture().fit();
          return null;
        });
    await(() -> picture().isExact());
    double zoom = onStage(() -> picture().zoom());
    assertThat(drawn.call()).isFalse();

    onStage(
        () -> {
          state().crop().grow(0.1);
          return null;
        });
    await(drawn);
    await(() -> picture().isExact());
    assertThat(onStage(() -> picture().zoom())).as("all of it is in the view").isLessThan(zoom);
    // Beside the top left corner the backdrop goes on.
    assertThat(distance(shownAt(-40, 60), shownAt(12, 60))).isLessThan(16);

    onStage(
        () -> {
          state().crop().inside();
          return null;
        });
    await(() -> !drawn.call());
    await(() -> picture().isExact());
    assertThat(onStage(() -> picture().zoom())).isCloseTo(zoom, within(1e-9));
  }
}
