package carezza.desktop.state;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;

import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.colour.Lab;
import carezza.desktop.task.TaskRunner;
import carezza.kernel.LayerType;
import carezza.model.ExposureLayer;
import carezza.model.LayerStack;
import carezza.model.Point;
import carezza.session.ColourAdvice.Pinned;

/** Colours that stay in sight, without a window. */
public class PinStateTest {

  private AppState state;
  private PinState pins;

  @BeforeMethod
  public void open() {
    state = AppState.with(TaskRunner.inPlace());
    pins = state.pins();
    state.document().open(Documents.with(LayerType.EXPOSURE));
  }

  private Pinned read(int place) {
    return pins.readProperty().get().get(place).orElseThrow();
  }

  @Test
  public void aPinReadsTheColourAtItsPlaceBeforeAndAfter() {
    pins.add(new Point(30, 20));
    assertThat(pins.readProperty().get()).hasSize(1);
    Lab before = read(0).settled();
    assertThat(before.chroma()).isLessThan(0.5);
    state
        .document()
        .edit(
            null,
            p ->
                p.withStack(
                    LayerStack.of(
                        new ExposureLayer(p.stack().layers().getFirst().attributes(), 1, 0))));
    assertThat(read(0).finished().l()).isGreaterThan(before.l() + 10);
  }

  @Test
  public void aPinIsFoundWithinReachAlone() {
    pins.add(new Point(10, 10));
    pins.add(new Point(40, 10));
    assertThat(pins.at(new Point(41, 11), 3)).isEqualTo(1);
    assertThat(pins.at(new Point(25, 10), 3)).isEqualTo(-1);
  }

  @Test
  public void pinsAreTakenOutAndComeBackWithAStepBack() {
    pins.add(new Point(10, 10));
    pins.add(new Point(40, 10));
    pins.remove(0);
    assertThat(state.document().project().pins()).isEqualTo(List.of(new Point(40, 10)));
    state.document().undo();
    assertThat(state.document().project().pins()).hasSize(2);
    assertThat(pins.readProperty().get()).hasSize(2);
  }

  @Test
  public void onlySoManyStayInSight() {
    for (int i = 0; i < 8; i++) {
      pins.add(new Point(5 + 6 * i, 20));
    }
    state.status().clear();
    pins.add(new Point(2, 2));
    assertThat(state.document().project().pins()).hasSize(8);
    assertThat(state.status().messageProperty().get()).contains("8");
  }

  @Test
  public void withoutPinsNothingIsRead() {
    pins.add(new Point(10, 10));
    state.document().undo();
    assertThat(pins.readProperty().get()).isEmpty();
  }
}
