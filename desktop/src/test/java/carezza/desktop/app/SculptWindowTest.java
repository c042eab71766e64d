package carezza.desktop.app;

import static org.assertj.core.api.Assertions.assertThat;

import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;

import org.testng.annotations.Test;

import carezza.desktop.state.Brush;
import carezza.desktop.text.Names;
import carezza.measure.CheckView;
import carezza.model.DodgeBurnLayer;
import carezza.model.DodgeBurnLayer.Method;
import carezza.model.FrequencySeparationLayer;
import carezza.model.Mask;

/** Light and shade, ways of seeing, and advice, worked in the window. */
public class SculptWindowTest extends WindowDriver {

  /** On the cheek, where skin is even. */
  private static final double X = 620;

  private static final double Y = 1130;

  private DodgeBurnLayer sculpt() {
    return (DodgeBurnLayer) layer("sculpt");
  }

  private void reach(String query) {
    onStage(
        () -> {
          Node node = node(query);
          ((ButtonBase) node).fire();
          return null;
        });
    RobotHand.settle();
  }

  private static boolean grey(int argb) {
    int r = argb >> 16 & 255;
    int g = argb >> 8 & 255;
    int b = argb & 255;
    return Math.abs(r - g) <= 3 && Math.abs(g - b) <= 3;
  }

  @Test
  public void aKeyShowsLightAloneAndSaysWhatToLookFor() throws Exception {
    assertThat(grey(shownAt(X, Y))).isFalse();
    key(KeyCode.F2);
    await(() -> picture().isExact());
    assertThat(grey(shownAt(X, Y))).isTrue();
    assertThat(((Label) node("#check-hint")).getText()).isEqualTo(Names.hint(CheckView.LIGHT));
    key(KeyCode.F2);
    await(() -> picture().isExact());
    assertThat(grey(shownAt(X, Y))).isFalse();
  }

  @Test
  public void aStrokePaintedInACheckViewShowsThere() throws Exception {
    clickOn("#card-sculpt");
    onStage(
        () -> {
          state().tools().brushProperty().set(new Brush(90, 0.5, 1));
          state().view().checkProperty().set(CheckView.LIGHT);
          return null;
        });
    await(() -> picture().isExact());
    int before = shownAt(X, Y);
    stroke(X - 60, Y, X + 60, Y);
    await(() -> picture().isExact());
    int after = shownAt(X, Y);
    assertThat(grey(after)).isTrue();
    assertThat(brightness(after)).isGreaterThan(brightness(before) + 9);
  }

  @Test
  public void aGaugeShowsItsMapOnThePicture() throws Exception {
    await(() -> !state().measurements().gaugesProperty().get().isEmpty());
    await(() -> view.lookup("#gauge-textureKept") != null);
    clickOn("#gauge-textureKept");
    assertThat(onStage(() -> state().view().checkProperty().get())).isEqualTo(CheckView.TEXTURE);
  }

  @Test
  public void aViewIsKeptBesideThePictureAndPutAway() {
    clickOn("#all-ways");
    reach("#keep-beside-hue");
    reach("#favourite-hue");
    assertThat(isThere("#check-hue")).isTrue();
    reach("#favourite-hue");
    assertThat(isThere("#check-hue")).isFalse();
    reach("#way-grain");
    assertThat(onStage(() -> state().view().checkProperty().get())).isEqualTo(CheckView.GRAIN);
    assertThat(isThere("#way-grain")).isFalse();
    assertThat(view.lookup("#beside-hue")).isNotNull();
    clickOn("#beside-hue .part-out");
    assertThat(view.lookup("#beside-hue")).isNull();
  }

  @Test
  public void heldTheColumnOfAStageShowsThePictureWithoutIt() throws Exception {
    int with = shownAt(900, 500);
    Node name = node("#stage-finish");
    Point2D at = onStage(() -> name.localToScreen(4, 4));
    robot.moveTo(at);
    robot.press(MouseButton.PRIMARY);
    await(() -> picture().isExact());
    int without = shownAt(40, 40);
    robot.release(MouseButton.PRIMARY);
    await(() -> picture().isExact());
    assertThat(brightness(without)).isGreaterThan(brightness(shownAt(40, 40)) + 6);
    assertThat(distance(shownAt(900, 500), with)).isLessThanOrEqualTo(ROUNDING);
  }

  @Test
  public void theProposalEvensBlotchesAndIsOneStep() throws Exception {
    clickOn("#card-sculpt");
    DodgeBurnLayer before = sculpt();
    reach("#even-blotches");
    await(() -> !state().document().stack().find("sculpt").get().equals(before));
    assertThat(((Mask.Strokes) sculpt().dodgeMask()).base())
        .isInstanceOfAny(Mask.And.class, Mask.Minus.class);
    assertThat(((Mask.Strokes) sculpt().dodgeMask()).strokes())
        .isEqualTo(((Mask.Strokes) before.dodgeMask()).strokes());
    onStage(
        () -> {
          state().document().undo();
          return null;
        });
    assertThat(sculpt()).isEqualTo(before);
  }

  @Test
  public void aSecondProposalOpensALayerOfItsOwn() throws Exception {
    clickOn("#card-sculpt");
    DodgeBurnLayer begun = sculpt();
    reach("#even-blotches");
    await(() -> !sculpt().equals(begun));
    DodgeBurnLayer evened = sculpt();
    int layers = project().stack().size();
    reach("#tame-shine");
    await(() -> state().document().stack().size() == layers + 1);
    assertThat(sculpt()).isEqualTo(evened);
    DodgeBurnLayer second =
        onStage(() -> state().selection().layer(DodgeBurnLayer.class).orElseThrow());
    assertThat(second.attributes().name()).isEqualTo("Shine tamed");
    assertThat(second.dodgeMask()).isInstanceOf(Mask.Nothing.class);
    assertThat(second.burnMask()).isNotInstanceOf(Mask.Nothing.class);
  }

  @Test
  public void theRangePairBeginsWithItsTones() {
    clickOn("#card-sculpt");
    onStage(
        () -> {
          view.lookupAll(".toggle-button").stream()
              .map(ToggleButton.class::cast)
              .filter(b -> b.getText().equals("Ranges"))
              .findFirst()
              .orElseThrow()
              .fire();
          return null;
        });
    assertThat(sculpt().method()).isEqualTo(Method.RANGES);
    assertThat(sculpt().lights()).isEqualTo(DodgeBurnLayer.LIGHT_TONES);
  }

  @Test
  public void aKeyTakesTheAdvisedRadius() throws Exception {
    clickOn("#card-smooth");
    onStage(
        () -> {
          state().selection().edit(null, l -> ((FrequencySeparationLayer) l).withRadius(40.0));
          return null;
        });
    await(() -> ((Label) node("#advice")).getText().contains("too large"));
    key(KeyCode.I);
    assertThat(((FrequencySeparationLayer) layer("smooth")).radius()).isNull();
    await(() -> ((Label) node("#advice")).getText().contains("follows the advice"));
  }

  @Test
  public void aPushedLayerIsAdvisedAnAmountThatAKeyTakes() throws Exception {
    clickOn("#card-smooth");
    reach("#push-test");
    await(() -> node("#push-take").isVisible());
    assertThat(view.lookup("#push-toneBlotch")).isNotNull();
    String said = onStage(() -> ((Button) node("#push-take")).getText());
    reach("#advised");
    assertThat(layer("smooth").attributes().amount()).isEqualTo(1);
    key(KeyCode.I);
    assertThat(said)
        .isEqualTo("Take %.0f %%".formatted(100 * layer("smooth").attributes().amount()));
  }

  @Test
  public void aStrokeOnTheMirroredPictureLiesWhereItWasPainted() throws Exception {
    clickOn("#card-sculpt");
    key(KeyCode.X);
    int before = ((Mask.Strokes) sculpt().dodgeMask()).strokes().size();
    stroke(X - 40, Y, X + 40, Y);
    var strokes = ((Mask.Strokes) sculpt().dodgeMask()).strokes();
    assertThat(strokes).hasSize(before + 1);
    assertThat((double) strokes.getLast().x(0)).isBetween(X - 46, X - 34);
  }

  @Test
  public void escapeStopsAProposalAndNothingIsChanged() throws Exception {
    clickOn("#card-sculpt");
    DodgeBurnLayer before = sculpt();
    reach("#even-blotches");
    key(KeyCode.ESCAPE);
    assertThat(onStage(() -> state().status().messageProperty().get())).startsWith("Stopped");
    await(() -> picture().isExact());
    assertThat(sculpt()).isEqualTo(before);
  }
}
