package carezza.desktop.control;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.scene.input.KeyCode;

import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Tints on the plane of a* and b* under a hand. */
public class TintPlotTest extends OnToolkit {

  private static final double MIDDLE = 100;
  private static final double REACH = 85;
  private static final double MOST = 30;

  private final List<TintPlot.Handle> handles = new ArrayList<>();
  private IntegerProperty chosen;
  private EditorHand hand;

  @BeforeMethod
  public void threeTints() {
    handles.clear();
    handles.add(new TintPlot.Handle("shadows", 25, 0, 0));
    handles.add(new TintPlot.Handle("middle", 50, 0, 0));
    handles.add(new TintPlot.Handle("lights", 75, 90, 15));
    chosen = new SimpleIntegerProperty();
    hand =
        new EditorHand(
            new TintPlot(
                MOST,
                () -> handles,
                chosen,
                (i, hue, chroma) -> {
                  TintPlot.Handle was = handles.get(i);
                  handles.set(i, new TintPlot.Handle(was.name(), was.lightness(), hue, chroma));
                },
                () -> {}));
  }

  @Test
  public void whereItIsPressedTheChosenTintGoes() {
    hand.press(MIDDLE + REACH / 3, MIDDLE);
    assertThat(handles.get(0).hue()).isCloseTo(0, within(1e-9));
    assertThat(handles.get(0).chroma()).isCloseTo(10, within(1e-9));
    hand.drag(MIDDLE - REACH / 3, MIDDLE);
    assertThat(handles.get(0).hue()).isCloseTo(180, within(1e-9));
  }

  @Test
  public void upIsYellow() {
    hand.press(MIDDLE + 60, MIDDLE);
    hand.drag(MIDDLE, MIDDLE - 60);
    assertThat(handles.get(0).hue()).isCloseTo(90, within(1e-9));
  }

  @Test
  public void aPressOnAnotherTintChoosesItAndLeavesItThere() {
    hand.press(MIDDLE, MIDDLE - REACH / 2);
    assertThat(chosen.get()).isEqualTo(2);
    assertThat(handles.get(2).chroma()).isEqualTo(15);
  }

  @Test
  public void ofSeveralInOnePlaceTheChosenOneIsTaken() {
    chosen.set(1);
    hand.pull(MIDDLE, MIDDLE, MIDDLE + REACH, MIDDLE);
    assertThat(handles.get(1).chroma()).isCloseTo(MOST, within(1e-9));
    assertThat(handles.get(0).chroma()).isZero();
  }

  @Test
  public void keysTurnStrengthenAndTakeBack() {
    chosen.set(2);
    hand.key(KeyCode.LEFT);
    assertThat(handles.get(2).hue()).isCloseTo(92, within(1e-9));
    hand.key(KeyCode.UP);
    assertThat(handles.get(2).chroma()).isCloseTo(15.5, within(1e-9));
    hand.key(KeyCode.DELETE);
    assertThat(handles.get(2).chroma()).isZero();
    hand.key(KeyCode.SPACE);
    assertThat(chosen.get()).isZero();
  }

  @Test
  public void withoutTintsNothingIsTaken() {
    handles.clear();
    hand.pull(20, 20, 60, 60);
    assertThat(hand.key(KeyCode.UP)).isFalse();
    assertThat(handles).isEmpty();
  }

  @Test
  public void whateverAHandDoesNoTintIsStrongerThanTheRim() {
    Random random = new Random(17);
    KeyCode[] keys = {
      KeyCode.LEFT, KeyCode.RIGHT, KeyCode.UP, KeyCode.DOWN, KeyCode.SPACE, KeyCode.DELETE
    };
    for (int i = 0; i < 2000; i++) {
      double x = random.nextDouble(-60, 260);
      double y = random.nextDouble(-60, 260);
      switch (random.nextInt(4)) {
        case 0 -> hand.press(x, y);
        case 1 -> hand.drag(x, y);
        case 2 -> hand.release(x, y);
        default -> hand.key(keys[random.nextInt(keys.length)]);
      }
      for (TintPlot.Handle handle : handles) {
        assertThat(handle.chroma()).isBetween(0.0, MOST);
        assertThat(handle.hue()).isBetween(0.0, 360.0);
      }
    }
  }
}
