package carezza.desktop.state;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;

import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.desktop.task.TaskRunner;
import carezza.kernel.LayerType;
import carezza.model.ExposureLayer;
import carezza.model.Project;
import carezza.model.Stage;
import carezza.plan.Finding;
import carezza.plan.FindingKind;

/** The plan of a grey picture, which is found to be dark, without a window. */
public class PlanStateTest {

  private AppState state;
  private PlanState plan;

  @BeforeMethod
  public void open() {
    state = AppState.with(TaskRunner.inPlace());
    plan = state.plan();
    state.document().open(Documents.with());
  }

  private void see() {
    state.document().beSeen(state.document().session());
  }

  private Finding exposure() {
    return plan.planProperty().get().findings().stream()
        .filter(f -> f.kind() == FindingKind.EXPOSURE)
        .findFirst()
        .orElseThrow();
  }

  @Test
  public void nothingIsLookedForBeforeThePictureWasSeen() {
    assertThat(plan.planProperty().get()).isNull();
    see();
    assertThat(exposure().isOpen()).isTrue();
    assertThat(plan.underWayProperty().get()).isFalse();
  }

  @Test
  public void acceptingAddsALayerNamedByWhatItTreatsAsOneStep() {
    see();
    int steps = state.document().steps();
    plan.accept(List.of(exposure()));

    assertThat(state.document().steps()).isEqualTo(steps + 1);
    assertThat(state.document().stack().layers()).singleElement().isInstanceOf(ExposureLayer.class);
    assertThat(state.selection().layer(ExposureLayer.class)).isPresent();
    assertThat(state.selection().layer().orElseThrow().attributes().name()).isEqualTo("Exposure");
    assertThat(exposure().state()).isEqualTo(Finding.State.TREATED);
  }

  @Test
  public void undoOpensTheFindingAgain() {
    see();
    plan.accept(List.of(exposure()));
    state.document().undo();

    assertThat(exposure().state()).isEqualTo(Finding.State.OPEN);
  }

  @Test
  public void aStageIsTreatedAsAWholeAndOthersAreNot() {
    see();
    plan.accept(Stage.MEND);
    assertThat(state.document().stack().layers()).isEmpty();
    plan.accept(Stage.SETTLE);
    assertThat(state.document().stack().layers()).isNotEmpty();
  }

  @Test
  public void aDraftIsLookedAtBeforeItIsTaken() {
    see();
    plan.look(plan.planProperty().get().proposed());

    assertThat(state.document().stack().layers()).isEmpty();
    assertThat(plan.draftProperty().get().project().stack().layers()).isNotEmpty();

    plan.draft();
    assertThat(state.document().stack().layers()).isNotEmpty();
    assertThat(plan.draftProperty().get()).isNull();
  }

  @Test
  public void aDraftOfAnotherStateOfThePictureIsForgotten() {
    see();
    plan.look(plan.planProperty().get().proposed());
    state.selection().add(LayerType.CURVE);

    assertThat(plan.draftProperty().get()).isNull();
  }

  @Test
  public void aDraftThatIsPutAwayChangesNothing() {
    see();
    int steps = state.document().steps();
    plan.look(plan.planProperty().get().proposed());
    plan.dropDraft();

    assertThat(plan.draftProperty().get()).isNull();
    assertThat(state.document().steps()).isEqualTo(steps);
  }

  @Test
  public void whatIsLeftIsLeftUntilItIsTakenUp() {
    see();
    plan.leave(exposure(), "low key");
    assertThat(exposure().state()).isEqualTo(Finding.State.LEFT);
    assertThat(exposure().reason()).isEqualTo("low key");
    plan.takeUp(exposure());
    assertThat(exposure().state()).isEqualTo(Finding.State.OPEN);
  }

  @Test
  public void theJobTheSizeAndTheMinutesBelongToTheProject() {
    see();
    plan.chooseJob("event");
    plan.deliverAt(1080);
    plan.spend(4);

    assertThat(state.document().project().brief().job()).isEqualTo("event");
    assertThat(state.document().project().brief().longEdge()).isEqualTo(1080);
    assertThat(plan.planProperty().get().budget()).isEqualTo(4);
    assertThat(plan.planProperty().get().job().id()).isEqualTo("event");
    assertThat(state.document().dirtyProperty().get()).isTrue();
  }

  @Test
  public void choosingTheJobThatItHasIsNoStep() {
    see();
    int steps = state.document().steps();
    plan.chooseJob("portrait");
    plan.deliverAt(0);

    assertThat(state.document().steps()).isEqualTo(steps);
  }

  @Test
  public void theFindingThatIsLookedAtStaysSoWhenThePlanIsMadeAnew() {
    see();
    plan.focusProperty().set(exposure());
    plan.spend(7);

    assertThat(plan.focusProperty().get().key()).isEqualTo("exposure");
  }

  @Test
  public void anotherDocumentHasAPlanOfItsOwn() {
    see();
    plan.focusProperty().set(exposure());
    state.document().open(Documents.with());

    assertThat(plan.planProperty().get()).isNull();
    assertThat(plan.focusProperty().get()).isNull();
  }

  @Test
  public void aDragOfTheMinutesIsOneStep() {
    see();
    int steps = state.document().steps();
    plan.spend(3);
    plan.spend(5);
    plan.spend(8);
    state.document().settle();
    plan.spend(9);

    assertThat(state.document().steps()).isEqualTo(steps + 2);
  }

  @Test
  public void aFindingThatIsLookedAtTwiceIsLookedAwayFrom() {
    see();
    plan.turnFocus(exposure());
    assertThat(plan.focusProperty().get()).isNotNull();
    plan.turnFocus(exposure());
    assertThat(plan.focusProperty().get()).isNull();
  }

  @Test
  public void nothingIsRingedOnceItIsTreated() {
    see();
    plan.turnFocus(exposure());
    plan.accept(List.of(exposure()));

    assertThat(plan.focusProperty().get()).isNull();
  }

  @Test
  public void stepsOfTheBriefAreNamedByWhatWasAgreedOn() {
    see();
    plan.chooseJob("event");
    plan.leave(exposure(), "low key");
    plan.deliverAt(1080);

    List<Project> course = state.document().course();
    List<String> names = new ArrayList<>();
    for (int i = 1; i < course.size(); i++) {
      names.add(StepNames.of(course.get(i - 1), course.get(i)));
    }
    assertThat(names)
        .containsExactly("Job: Event", "A finding left as it is", "Size and minutes of the plan");
  }
}
