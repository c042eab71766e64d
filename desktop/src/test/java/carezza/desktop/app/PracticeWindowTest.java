package carezza.desktop.app;

import static org.assertj.core.api.Assertions.assertThat;

import javafx.scene.control.Labeled;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;

import org.testng.annotations.Test;

import carezza.kernel.LayerType;
import carezza.model.FrequencySeparationLayer;
import carezza.practice.Exercise;

/** From a lesson to an exercise, its result, and back to the work. */
public class PracticeWindowTest extends WindowDriver {

  private void keys(KeyCode... together) {
    robot.press(together).release(together);
    RobotHand.settle();
  }

  private String text(String query) {
    return onStage(() -> ((Labeled) node(query)).getText());
  }

  @Test
  public void anExerciseIsOpenedJudgedAndShownBesideTheTruth() throws Exception {
    onStage(
        () -> {
          view.practice().open(Exercise.FIND, 5);
          return null;
        });
    await(() -> view.practice().state().isAtWork() && picture().isExact());
    assertThat(onStage(() -> node("#practice-bar").isVisible())).isTrue();
    assertThat(onStage(() -> state().selection().layer().map(LayerType::of)))
        .contains(LayerType.HEAL);
    assertThat(text("#rail-plan .hint")).isNotNull();

    keys(KeyCode.CONTROL, KeyCode.ENTER);
    await(() -> isThere("#practice-points"));

    assertThat(text("#practice-points")).isEqualTo("0 %");
    assertThat(onStage(() -> node("#practice-bar").isVisible())).isFalse();
    await(() -> isThere("#practice-again"));
    assertThat(onStage(() -> state().document().dirtyProperty().get())).isFalse();
  }

  @Test
  public void theQuestionMarkOfALayerOpensItsPage() throws Exception {
    onStage(
        () -> {
          state().selection().select("teeth");
          return null;
        });
    clickOn("#explain-layer-teeth");
    await(() -> isThere("#practice-title"));
    assertThat(text("#practice-title")).isEqualTo("Teeth");
  }

  @Test
  public void pagesAreFoundByTheirWords() throws Exception {
    keys(KeyCode.CONTROL, KeyCode.U);
    await(() -> isThere("#practice-search"));
    onStage(
        () -> {
          ((TextField) node("#practice-search")).setText("melanin");
          return null;
        });
    RobotHand.settle();
    assertThat(onStage(() -> isThere("#page-lesson-5"))).isTrue();
    assertThat(onStage(() -> isThere("#page-lesson-1"))).isFalse();
    onStage(
        () -> {
          ((TextField) node("#practice-search")).setText("");
          return null;
        });
    keys(KeyCode.CONTROL, KeyCode.U);
    assertThat(onStage(() -> isThere("#panel"))).isTrue();
  }

  @Test
  public void theEyeIsTestedByArrowKeys() throws Exception {
    keys(KeyCode.CONTROL, KeyCode.U);
    clickOn("#page-eye-halo");
    clickOn("#eye-begin");
    await(() -> view.practice().eye().shownProperty().get() != null);
    keys(KeyCode.LEFT);
    await(
        () -> {
          var shown = view.practice().eye().shownProperty().get();
          return shown != null && shown.answers() == 1;
        });
    assertThat(onStage(() -> isThere("#eye-question"))).isTrue();
    clickOn("#eye-stop");
    assertThat(onStage(() -> view.practice().eye().isUnderWay())).isFalse();
    assertThat(onStage(() -> isThere("#eye-begin"))).isTrue();
  }

  @Test
  public void anExerciseThatIsGivenUpLeavesNothingUnsaved() throws Exception {
    onStage(
        () -> {
          view.practice().open(Exercise.TRANSITIONS, 6);
          return null;
        });
    await(() -> view.practice().state().isAtWork() && picture().isExact());
    onStage(
        () -> {
          state().selection().add(LayerType.DODGE_BURN);
          return null;
        });
    assertThat(onStage(() -> view.files().isUnsaved())).isTrue();
    onStage(
        () -> {
          view.practice().giveUp();
          return null;
        });
    assertThat(onStage(() -> view.files().isUnsaved())).isFalse();
    assertThat(onStage(() -> view.practice().state().taskProperty().get())).isNull();
    assertThat(onStage(() -> isThere("#practice-search"))).isTrue();
  }

  @Test
  public void practiceIsProposedWhereTextureIsLostUntilItIsTurnedOff() throws Exception {
    await(() -> !state().measurements().gaugesProperty().get().isEmpty());
    assertThat(onStage(() -> node("#rail-plan #practice-hint").isVisible())).isFalse();
    onStage(
        () -> {
          state().selection().add(LayerType.FREQUENCY_SEPARATION);
          state().selection().edit(null, l -> ((FrequencySeparationLayer) l).withTextureGain(0.3));
          return null;
        });
    await(() -> node("#rail-plan #practice-hint").isVisible());
    clickOn("#rail-plan #practice-hint-off");
    assertThat(onStage(() -> node("#rail-plan #practice-hint").isVisible())).isFalse();
    onStage(
        () -> {
          view.actions().get("practice-hints").run();
          return null;
        });
    assertThat(onStage(() -> node("#rail-plan #practice-hint").isVisible())).isTrue();
    clickOn("#rail-plan #practice-hint-go");
    assertThat(text("#practice-title")).isEqualTo("Heal ten spots");
  }

  @Test
  public void arrowKeysOnTheTabsShowTheViewTheyGoTo() throws Exception {
    clickOn("#view-journal");
    onStage(
        () -> {
          node("#view-journal").requestFocus();
          return null;
        });
    keys(KeyCode.RIGHT);
    await(() -> isThere("#practice-search"));
    assertThat(onStage(() -> ((ToggleButton) node("#view-practice")).isSelected())).isTrue();
  }
}
