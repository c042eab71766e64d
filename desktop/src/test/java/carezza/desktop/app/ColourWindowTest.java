package carezza.desktop.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;

import org.testfx.util.WaitForAsyncUtils;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.codec.OutputProfile;
import carezza.codec.PictureReader;
import carezza.colour.BlendMode;
import carezza.colour.MonotoneCurve;
import carezza.desktop.state.Comparison;
import carezza.desktop.state.ToolKind;
import carezza.image.PictureSize;
import carezza.kernel.LayerType;
import carezza.model.ColourPaintLayer;
import carezza.model.Crop;
import carezza.model.CurveLayer;
import carezza.model.HueShiftLayer;
import carezza.model.Layer;
import carezza.model.LevelsLayer;
import carezza.model.NeutralPointsLayer;
import carezza.model.RecordValue;
import carezza.model.SkinMatchLayer;
import carezza.model.SkinToneEveningLayer;
import carezza.model.Stage;
import carezza.model.TeethLayer;

/** Layers of colour, frame, pins and comparisons, worked in the window. */
public class ColourWindowTest extends WindowDriver {

  /** On the cheek, where skin is even. */
  private static final double X = 620;

  private static final double Y = 1130;

  private void fire(String query) {
    onStage(
        () -> {
          ((ButtonBase) node(query)).fire();
          return null;
        });
    RobotHand.settle();
  }

  private void slide(String query, double value) {
    onStage(
        () -> {
          ((Slider) node(query)).setValue(value);
          return null;
        });
    RobotHand.settle();
  }

  private void tool(ToolKind tool) {
    onStage(
        () -> {
          state().tools().toolProperty().set(tool);
          return null;
        });
  }

  private Layer add(LayerType kind) {
    onStage(
        () -> {
          state().selection().add(kind);
          return null;
        });
    return selected();
  }

  private Layer selected() {
    return onStage(() -> state().selection().layer().orElseThrow());
  }

  private void clickAt(double x, double y) {
    robot.moveTo(onScreen(x, y));
    robot.clickOn(MouseButton.PRIMARY);
    RobotHand.settle();
  }

  private String words(String query) {
    return onStage(() -> ((Label) node(query)).getText());
  }

  // --- every kind has a panel that works

  @DataProvider
  public Object[][] sliders() {
    return new Object[][] {
      {LayerType.LEVELS, "shadows", 1.0},
      {LayerType.LOCAL_CONTRAST, "contrast", 60},
      {LayerType.SKIN_DEPTH, "strength", 90},
      {LayerType.DESATURATE, "share", 80},
      {LayerType.COLOUR_BALANCE, "shadows-strength", 25},
      {LayerType.GRADIENT_MAP, "stop-chroma", 70},
      {LayerType.MONOCHROME, "mono-orange", 30},
      {LayerType.SATURATION, "saturation", -90},
      {LayerType.HUE_BANDS, "family-orange-lightness", 20},
      {LayerType.IRIS, "contrast", 100},
      {LayerType.CATCHLIGHT, "gain", 100},
      {LayerType.LIPS, "target", 50}
    };
  }

  @Test(dataProvider = "sliders")
  public void aSliderOfANewLayerChangesItAndIsOneUndo(LayerType kind, String id, double value) {
    Layer fresh = add(kind);
    slide("#" + id, value);
    Layer changed = selected();
    assertThat(changed).isNotEqualTo(fresh);
    assertThat(changed.attributes()).isEqualTo(fresh.attributes());
    clickOn("#undo");
    assertThat(selected()).isEqualTo(fresh);
  }

  @Test
  public void aMonoMixTakesTheColourOffThePicture() throws Exception {
    add(LayerType.MONOCHROME);
    await(() -> picture().isExact());
    int argb = shownAt(X, Y);
    assertThat(Math.abs((argb >> 16 & 255) - (argb & 255))).isLessThanOrEqualTo(3);
  }

  @Test
  public void aBlendModeIsChosenForTheLayer() {
    clickOn("#card-grade");
    onStage(
        () -> {
          ComboBox<BlendMode> modes = node("#blend");
          modes.setValue(BlendMode.LUMINOSITY);
          return null;
        });
    RobotHand.settle();
    assertThat(layer("grade").attributes().blend()).isEqualTo(BlendMode.LUMINOSITY);
  }

  // --- settle

  @Test
  public void pointsAreSetAndDraggedAndTakenOut() {
    add(LayerType.NEUTRAL_POINTS);
    assertThat(onStage(() -> state().tools().tool())).isEqualTo(ToolKind.PICK_MIDDLE);
    clickAt(300, 400);
    NeutralPointsLayer set = (NeutralPointsLayer) selected();
    assertThat(set.midtone().x()).isCloseTo(300, within(4.0));
    stroke(300, 400, 1300, 400);
    assertThat(((NeutralPointsLayer) selected()).midtone().x()).isCloseTo(1300, within(4.0));
    fire("#drop-point");
    assertThat(((NeutralPointsLayer) selected()).midtone()).isNull();
  }

  @Test
  public void theEndsAreFoundWhereTheFirstPixelsClip() throws Exception {
    add(LayerType.LEVELS);
    fire("#find-ends");
    await(() -> ((LevelsLayer) state().selection().layer().orElseThrow()).white() != 1);
    LevelsLayer found = (LevelsLayer) selected();
    assertThat(found.black()).isBetween(-0.01, 0.2);
    assertThat(found.white()).isBetween(0.6, 1.1);
  }

  @Test
  public void theLowKeyBaseIsAPairInOneStep() {
    int before = project().stack().size();
    onStage(
        () -> {
          ((ButtonBase) view.lookup("#add-settle")).fire();
          return null;
        });
    clickOn("#add-low-key");
    assertThat(project().stack().size()).isEqualTo(before + 2);
    clickOn("#undo");
    assertThat(project().stack().size()).isEqualTo(before);
  }

  // --- even

  @Test
  public void aMatchSaysHowFarApartTheSkinsAre() throws Exception {
    Layer match = add(LayerType.SKIN_MATCH);
    await(() -> ((Label) view.lookup("#matched")).getText().contains("ΔE00"));
    assertThat(words("#matched")).matches("(?s).*ΔE00 \\d.\\d → \\d.\\d.*");
    fire("#off-ears");
    assertThat(selected().attributes().mask()).isNotEqualTo(match.attributes().mask());
    fire("#follow-neck_skin");
    assertThat(((SkinMatchLayer) selected()).follow())
        .isNotEqualTo(((SkinMatchLayer) match).follow());
  }

  @Test
  public void theFacesOwnToneIsTaken() throws Exception {
    clickOn("#card-even");
    fire("#no-tone");
    assertThat(((SkinToneEveningLayer) layer("even")).target()).isNull();
    WaitForAsyncUtils.waitFor(
        30,
        TimeUnit.SECONDS,
        () -> {
          fire("#own-tone");
          return ((SkinToneEveningLayer) layer("even")).target() != null;
        });
    assertThat(((SkinToneEveningLayer) layer("even")).target().hue()).isBetween(40.0, 70.0);
  }

  @Test
  public void aRegionIsLeftOutByItsName() {
    clickOn("#card-even");
    var mask = layer("even").attributes().mask();
    fire("#without-lips");
    assertThat(layer("even").attributes().mask()).isNotEqualTo(mask);
    fire("#without-lips");
    assertThat(layer("even").attributes().mask()).isEqualTo(mask);
  }

  @Test
  public void pickedColourIsPaintedOn() throws Exception {
    ColourPaintLayer fresh = (ColourPaintLayer) add(LayerType.COLOUR_PAINT);
    tool(ToolKind.PICK_TONE);
    clickAt(X, Y);
    await(
        () ->
            !fresh
                .tone()
                .equals(((ColourPaintLayer) state().selection().layer().orElseThrow()).tone()));
    tool(ToolKind.MASK);
    await(() -> picture().isExact());
    int before = shownAt(1300, 500);
    for (int i = 0; i < 3; i++) {
      stroke(1250, 500, 1350, 500);
    }
    await(() -> picture().isExact());
    assertThat(distance(before, shownAt(1300, 500))).isGreaterThan(8);
  }

  // --- grade

  @Test
  public void aDragOnThePictureBendsTheCurveThere() throws Exception {
    clickOn("#card-grade");
    CurveLayer before = (CurveLayer) layer("grade");
    tool(ToolKind.CURVE);
    Point2D at = onScreen(X, Y);
    robot.moveTo(at);
    robot.press(MouseButton.PRIMARY);
    WaitForAsyncUtils.waitFor(
        30,
        TimeUnit.SECONDS,
        () -> {
          robot.moveBy(0, -4);
          RobotHand.settle();
          return !layer("grade").equals(before);
        });
    robot.release(MouseButton.PRIMARY);
    CurveLayer bent = (CurveLayer) layer("grade");
    double tone = 0.6;
    assertThat(new MonotoneCurve(bent.luminance()).at(tone))
        .isGreaterThan(new MonotoneCurve(before.luminance()).at(tone));
  }

  @Test
  public void aPickedHueIsTheMiddleOfTheRange() throws Exception {
    add(LayerType.HUE_SHIFT);
    tool(ToolKind.PICK_HUE);
    clickAt(X, Y);
    await(() -> ((HueShiftLayer) state().selection().layer().orElseThrow()).hue() < 90);
    assertThat(((HueShiftLayer) selected()).hue()).isBetween(30.0, 75.0);
  }

  // --- brighten

  /**
   * A grade that pushes the teeth out of their band: their layer says so and offers to aim anew.
   */
  @Test
  public void teethThatALaterLayerPushesOutAreAimedAnew() throws Exception {
    Layer cold = RecordValue.with(LayerType.SATURATION.fresh(), "saturation", 0.9);
    onStage(
        () -> {
          Layer late = RecordValue.with(cold, "skin", 0.0);
          state()
              .document()
              .edit(
                  null,
                  p ->
                      p.withStack(
                          p.stack().with(late.with(late.attributes().withStage(Stage.FINISH)))));
          state().selection().select("teeth");
          return null;
        });
    await(() -> view.lookup("#re-aim").isVisible());
    assertThat(words("#stack-end")).contains("Teeth");
    double before = ((TeethLayer) layer("teeth")).target();
    fire("#re-aim");
    await(
        () ->
            ((TeethLayer) state().document().stack().find("teeth").orElseThrow()).target()
                != before);
    await(() -> !view.lookup("#re-aim").isVisible());
  }

  @Test
  public void skinDriftIsAlwaysInSight() throws Exception {
    await(() -> ((Label) view.lookup("#skin-drift")).getText().startsWith("skin L*"));
    onStage(
        () -> {
          state().selection().select("light");
          state().selection().edit(null, l -> l.with(l.attributes().withStage(Stage.FINISH)));
          state().selection().edit(null, l -> RecordValue.with(l, "stops", 1.0));
          return null;
        });
    await(() -> ((Label) view.lookup("#skin-drift")).getText().contains("no longer"));
  }

  // --- frame, pins, tones

  @Test
  public void theFrameIsCutAndLevelledAndDelivered() throws Exception {
    Path file = Files.createTempDirectory(folder, "frame").resolve("cut.jpg");
    fire("#ratio-1-1");
    Crop square = project().crop();
    assertThat(square.width()).isEqualTo(square.height());
    tool(ToolKind.LEVEL);
    stroke(300, 1000, 1300, 1050);
    Crop level = project().crop();
    assertThat(level.angle()).isCloseTo(Math.toDegrees(Math.atan2(50, 1000)), within(0.3));
    clickOn("#view-deliver");
    onStage(
        () -> {
          ((TextField) node("#deliver-path")).setText(file.toString());
          return null;
        });
    clickOn("#deliver-write");
    await(() -> Files.exists(file));
    PictureSize size = PictureReader.read(file).size();
    assertThat(size).isEqualTo(level.size(1));
  }

  @Test
  public void aSideOfTheFrameIsDraggedAndTheFrameDropped() {
    tool(ToolKind.FRAME);
    stroke(1600, 1000, 1400, 1000);
    Crop cut = project().crop();
    assertThat(cut.width()).isCloseTo(1400, within(12.0));
    assertThat(cut.x()).isCloseTo(700, within(6.0));
    fire("#no-frame");
    assertThat(project().crop()).isNull();
  }

  @Test
  public void pinsShowTheirColoursAndGoAway() throws Exception {
    tool(ToolKind.PIN);
    clickAt(X, Y);
    assertThat(project().pins()).hasSize(1);
    await(() -> ((Label) view.lookup("#pins")).getText().contains("ITA"));
    clickAt(X, Y);
    assertThat(project().pins()).isEmpty();
  }

  // --- comparisons

  @Test
  public void aWipeShowsTheSettledPictureLeftOfItsLine() throws Exception {
    // A blemish of the photograph, which is healed in the finished picture.
    int finished = shownAt(459, 1259);
    key(KeyCode.C);
    assertThat(onStage(() -> state().view().comparisonProperty().get())).isEqualTo(Comparison.WIPE);
    Node wipe = node("#wipe");
    assertThat(onStage(wipe::isVisible)).isTrue();
    WaitForAsyncUtils.waitFor(
        30, TimeUnit.SECONDS, () -> distance(finished, shownAt(459, 1259)) > 8);
    key(KeyCode.C);
    assertThat(onStage(() -> state().view().comparisonProperty().get()))
        .isEqualTo(Comparison.BESIDE);
    key(KeyCode.C);
    key(KeyCode.C);
    assertThat(onStage(() -> state().view().comparisonProperty().get())).isEqualTo(Comparison.NONE);
    await(() -> picture().isExact());
    assertThat(distance(finished, shownAt(459, 1259))).isLessThanOrEqualTo(ROUNDING);
  }

  /** Before anything is written: what of the picture the file's colour space does not hold. */
  @Test
  public void theDeliverySaysWhatItsColoursBecome() throws Exception {
    onStage(
        () -> {
          view.navigation().show(Navigation.DELIVER);
          return null;
        });
    Label said = robot.lookup("#deliver-colours").query();
    await(() -> !said.getText().isEmpty());
    assertThat(said.getText()).doesNotContain("ink");
    ComboBox<OutputProfile> profile = robot.lookup("#deliver-profile").query();
    onStage(
        () -> {
          profile.setValue(OutputProfile.COATED);
          return null;
        });
    await(() -> said.getText().contains("Most ink at a place"));
    onStage(
        () -> {
          profile.setValue(OutputProfile.SRGB);
          return null;
        });
    await(() -> !said.getText().contains("ink"));
  }
}
