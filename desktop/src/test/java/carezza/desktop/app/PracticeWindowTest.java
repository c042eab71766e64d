package carezza.desktop.app;

import static org.assertj.core.api.Assertions.assertThat;

import javafx.scene.control.Labeled;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;

import org.testfx.util.WaitForAsyncUtils;
import org.testng.annotations.Test;

import carezza.kernel.LayerType;
import carezza.practice.Exercise;

/** From a lesson to an exercise, its result, and back to the work. */
public class PracticeWindowTest extends WindowDriver {

  private void keys(KeyCode... together) {
    robot.press(together).release(together);
    WaitForAsyncUtils.waitForFxEvents();
  }

  private String text(String query) {
    return onStage(() -> ((Labeled) node(query)).getText());
  }

  @Test
  public void anExerciseIsOpenedJudgedAndShownBesideTheTruth() throws Exception {
    onStage(
        () -> {
          view.openExercise(Exercise.FIND, 5);
          return null;
        });
    await(() -> view.practice().isAtWork() && picture().isExact());
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
    WaitForAsyncUtils.waitForFxEvents();
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
    await(() -> view.eye().shownProperty().get() != null);
    keys(KeyCode.LEFT);
    await(
        () -> {
          var shown = view.eye().shownProperty().get();
          return shown != null && shown.answers() == 1;
        });
    assertThat(onStage(() -> isThere("#eye-question"))).isTrue();
    clickOn("#eye-stop");
    assertThat(onStage(() -> view.eye().isUnderWay())).isFalse();
    assertThat(onStage(() -> isThere("#eye-begin"))).isTrue();
  }
}
