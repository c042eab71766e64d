package carezza.desktop.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Locale;
import java.util.Set;
import javafx.event.ActionEvent;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;

import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.model.Promise;
import carezza.model.SemanticRegion;
import carezza.plan.Finding;
import carezza.plan.FindingKind;
import carezza.plan.Plan;

/** The plan beside the bench and as a view of its own. */
public class PlanWindowTest extends WindowDriver {

  @BeforeMethod(dependsOnMethods = "openDemo")
  public void awaitPlan() throws Exception {
    await(() -> plan() != null && !state().plan().underWayProperty().get());
  }

  private Plan plan() {
    return state().plan().planProperty().get();
  }

  private boolean there(String query) {
    return onStage(() -> !robot.lookup(query).queryAll().isEmpty());
  }

  private Set<Node> all(String query) {
    return onStage(() -> robot.lookup(query).queryAll());
  }

  private void keys(KeyCode... together) {
    robot.press(together).release(together);
    RobotHand.settle();
  }

  private void toPlan() {
    keys(KeyCode.CONTROL, KeyCode.L);
    assertThat(there("#plan")).isTrue();
  }

  @Test
  public void theRailShowsWhatTheDemoTreatedAndWhatIsOpen() {
    assertThat(there("#rail-plan #finding-blemishes")).isTrue();
    assertThat(there("#rail-plan #accept-blemishes")).isFalse();
    Finding open = onStage(() -> plan().open().getFirst());
    assertThat(all("#rail-plan .finding")).hasSize(onStage(() -> plan().findings().size()));
    assertThat(onStage(() -> node("#open-" + stage(open)).isVisible())).isTrue();
  }

  private static String stage(Finding finding) {
    return finding.kind().stage().name().toLowerCase(Locale.ROOT);
  }

  @Test
  public void aFindingThatIsClickedIsFlownTo() {
    double fitted = onStage(() -> picture().zoom());
    clickOn("#rail-plan #finding-teeth");

    assertThat(onStage(() -> picture().zoom())).isGreaterThan(fitted);
    assertThat(onStage(() -> state().plan().focusProperty().get().kind()))
        .isEqualTo(FindingKind.TEETH);
  }

  private void turnTeethOff() throws Exception {
    onStage(
        () -> {
          state().selection().turnLayer("teeth");
          return null;
        });
    await(
        () ->
            !state().plan().underWayProperty().get()
                && plan().open().stream().anyMatch(f -> f.kind() == FindingKind.TEETH));
  }

  @Test
  public void aLayerThatIsTakenOutOpensItsFindingAgain() throws Exception {
    turnTeethOff();
    assertThat(there("#rail-plan #accept-teeth")).isTrue();
  }

  @Test
  public void aKeyFoldsTheRailAndUnfoldsIt() {
    keys(KeyCode.ALT, KeyCode.DIGIT3);
    assertThat(there("#rail-plan")).isFalse();
    keys(KeyCode.ALT, KeyCode.DIGIT3);
    assertThat(there("#rail-plan")).isTrue();
  }

  @Test
  public void anotherJobIsChosenWithItsOwnMinutesAndScope() throws Exception {
    toPlan();
    clickOn("#job-event");
    await(() -> plan().job().id().equals("event") && !state().plan().underWayProperty().get());

    assertThat(onStage(() -> plan().budget())).isEqualTo(3);
    assertThat(project().brief().job()).isEqualTo("event");
    assertThat(onStage(() -> plan().findings())).noneMatch(f -> f.kind() == FindingKind.REDNESS);
    keys(KeyCode.CONTROL, KeyCode.L);
    assertThat(there("#rail-plan")).isTrue();
  }

  @Test
  public void aDraftIsSeenAndPutAway() throws Exception {
    turnTeethOff();
    int layers = project().stack().size();
    toPlan();
    clickOn("#plan-see");
    await(() -> state().plan().draftProperty().get() != null);
    assertThat(project().stack().size()).isEqualTo(layers);
    clickOn("#plan-drop");
    assertThat(onStage(() -> state().plan().draftProperty().get())).isNull();
    assertThat(project().stack().size()).isEqualTo(layers);
  }

  @Test
  public void aNumberOfTheJobIsChangedAndPutBack() {
    toPlan();
    clickOn("#plan-numbers");
    onStage(
        () -> {
          field("limit-textureKept.high").setText("150");
          field("limit-textureKept.high").fireEvent(new ActionEvent());
          return null;
        });
    assertThat(project().brief().limits()).containsEntry("textureKept.high", 150.0);
    clickOn("#plan-numbers-back");
    assertThat(project().brief().limits()).isEmpty();
    clickOn("#plan-numbers");
  }

  @Test
  public void aPromiseThatALayerBreaksIsSaidOnItsPanel() throws Exception {
    toPlan();
    clickOn("#promise-more");
    onStage(
        () -> {
          node("#promise-words").requestFocus();
          ((TextField) node("#promise-words")).setText("the teeth stay");
          ComboBox<Promise.Rule> rule = node("#promise-rule");
          rule.setValue(Promise.Rule.UNCHANGED);
          ComboBox<SemanticRegion> region = node("#promise-region");
          region.setValue(SemanticRegion.TEETH);
          return null;
        });
    clickOn("#promise-add");
    assertThat(project().brief().promises()).singleElement();
    await(() -> !state().plan().brokenProperty().get().isEmpty());
    String layer = onStage(() -> state().plan().brokenProperty().get().getFirst().layer());
    keys(KeyCode.CONTROL, KeyCode.L);
    onStage(
        () -> {
          state().selection().select(layer);
          return null;
        });
    assertThat(
            all("#panel .label").stream()
                .map(n -> onStage(() -> ((Label) n).getText()))
                .anyMatch(t -> t != null && t.contains("the teeth stay")))
        .isTrue();
  }

  @Test
  public void escapeGoesBackToTheBench() {
    toPlan();
    keys(KeyCode.ESCAPE);
    assertThat(there("#rail-plan")).isTrue();
  }

  @Test
  public void theFindingThatIsLookedAtIsLookedAwayFromByEscape() {
    clickOn("#rail-plan #finding-teeth");
    keys(KeyCode.ESCAPE);

    assertThat(onStage(() -> state().plan().focusProperty().get())).isNull();
    assertThat(there("#rail-plan")).isTrue();
  }

  @Test
  public void aRowKeepsTheFocusWhenThePlanIsMadeAnew() throws Exception {
    onStage(
        () -> {
          node("#rail-plan #finding-redness").requestFocus();
          return null;
        });
    Plan before = plan();
    turnTeethOff();
    await(() -> plan() != before);

    assertThat(onStage(() -> view.getScene().getFocusOwner().getId())).isEqualTo("finding-redness");
  }

  @Test
  public void theNextNumberIsInHandAfterTab() {
    toPlan();
    clickOn("#plan-numbers");
    onStage(
        () -> {
          field("limit-textureKept.low").requestFocus();
          field("limit-textureKept.low").setText("70");
          return null;
        });
    keys(KeyCode.TAB);

    assertThat(project().brief().limits()).containsEntry("textureKept.low", 70.0);
    assertThat(onStage(() -> view.getScene().getFocusOwner().getId()))
        .isIn("limit-back-textureKept.low", "limit-textureKept.high");
    clickOn("#plan-numbers-back");
    clickOn("#plan-numbers");
  }

  private TextField field(String id) {
    return robot.lookup("#job-numbers .text-field").queryAll().stream()
        .filter(n -> id.equals(n.getId()))
        .map(TextField.class::cast)
        .findFirst()
        .orElseThrow();
  }

  @Test
  public void theKeyThatDraftsIsOfNoUseInTheDelivery() {
    int layers = project().stack().size();
    keys(KeyCode.CONTROL, KeyCode.D);
    onStage(
        () -> {
          // Not in a field, where it is a letter.
          node("#deliver-bits").requestFocus();
          return null;
        });
    keys(KeyCode.SHIFT, KeyCode.P);

    assertThat(project().stack().size()).isEqualTo(layers);
    assertThat(onStage(() -> state().status().jobProperty().get())).isNull();
    keys(KeyCode.CONTROL, KeyCode.D);
  }
}
