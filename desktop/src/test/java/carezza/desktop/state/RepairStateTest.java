package carezza.desktop.state;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Set;

import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.desktop.task.TaskRunner;
import carezza.kernel.LayerType;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.HealLayer.RepairMethod;
import carezza.model.Point;

/** Repairs that are chosen and changed, without a window. */
public class RepairStateTest {

  private AppState state;
  private RepairState repairs;

  @BeforeMethod
  public void open() {
    state = AppState.with(TaskRunner.inPlace());
    repairs = state.repairs();
    state.document().open(Documents.with(LayerType.HEAL, LayerType.CURVE));
    state.selection().select("a");
    for (int x : new int[] {10, 30, 50}) {
      state.selection().edit(null, l -> ((HealLayer) l).plus(Patch.spot(x, 20, 4)));
    }
  }

  private List<Patch> patches() {
    return ((HealLayer) state.document().stack().find("a").orElseThrow()).patches();
  }

  private double x(int place) {
    return patches().get(place).area().centre().x();
  }

  @Test
  public void theTopmostRepairAtAPlaceIsFound() {
    state.selection().edit(null, l -> ((HealLayer) l).plus(Patch.spot(31, 20, 4)));
    assertThat(repairs.at(new Point(30, 20), 1)).isEqualTo(3);
    assertThat(repairs.at(new Point(10, 20), 1)).isZero();
    assertThat(repairs.at(new Point(20, 38), 1)).isEqualTo(-1);
  }

  @Test
  public void oneAloneIsTheSingleOne() {
    repairs.choose(Set.of(1));
    assertThat(repairs.single()).contains(patches().get(1));
    repairs.choose(Set.of(0, 1));
    assertThat(repairs.single()).isEmpty();
    repairs.choose(Set.of(7));
    assertThat(repairs.single()).isEmpty();
  }

  @Test
  public void anOutlineChoosesWhatItsInsideHolds() {
    repairs.chooseInside(
        List.of(new Point(20, 10), new Point(60, 10), new Point(60, 30), new Point(20, 30)));
    assertThat(repairs.chosenProperty().get()).containsExactlyInAnyOrder(1, 2);
  }

  @Test
  public void theChosenAloneAreScaledAndTheirMiddleStays() {
    repairs.choose(Set.of(0, 2));
    int before = patches().getFirst().area().bounds().width();
    assertThat(repairs.scale(2)).isTrue();
    assertThat(patches().getFirst().area().bounds().width()).isGreaterThan(before);
    assertThat(x(0)).isCloseTo(10, within(1e-9));
    assertThat(patches().get(1).area()).isEqualTo(Patch.spot(30, 20, 4).area());
  }

  @Test
  public void withoutAChoiceNothingIsScaledOrRemoved() {
    int steps = state.document().steps();
    assertThat(repairs.scale(2)).isFalse();
    assertThat(repairs.remove()).isFalse();
    assertThat(state.document().steps()).isEqualTo(steps);
  }

  @Test
  public void theChosenAreTakenOutInOneStep() {
    repairs.choose(Set.of(0, 2));
    assertThat(repairs.remove()).isTrue();
    assertThat(patches()).hasSize(1);
    assertThat(x(0)).isEqualTo(30);
    assertThat(repairs.chosenProperty().get()).isEmpty();
    state.document().undo();
    assertThat(patches()).hasSize(3);
  }

  @Test
  public void aMethodIsThatOfTheChosenAndOfThoseToCome() {
    repairs.choose(Set.of(1));
    repairs.take(RepairMethod.CLONE);
    assertThat(patches().stream().map(Patch::way))
        .containsExactly(RepairMethod.HEAL, RepairMethod.CLONE, RepairMethod.HEAL);
    assertThat(repairs.wayProperty().get()).isEqualTo(RepairMethod.CLONE);
  }

  @Test
  public void aStepBackOrAnotherLayerLetsGoOfTheChoice() {
    repairs.choose(Set.of(1));
    state.document().undo();
    assertThat(repairs.chosenProperty().get()).isEmpty();
    repairs.choose(Set.of(0));
    state.selection().select("b");
    assertThat(repairs.chosenProperty().get()).isEmpty();
  }

  @Test
  public void anotherSourceIsLookedForOnlyForOneThatTakesFromElsewhere() {
    state.status().clear();
    int steps = state.document().steps();
    repairs.another();
    assertThat(state.status().messageProperty().get()).isNotBlank();
    assertThat(state.document().steps()).isEqualTo(steps);
  }
}
