package carezza.desktop.control;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import javafx.scene.input.KeyCode;

import org.jspecify.annotations.Nullable;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.model.Mask.Quantity;
import carezza.model.Mask.Range;

/** A range under a hand. */
public class TrapezoidEditorTest extends OnToolkit {

  private static final double WIDTH = 256;
  private static final double TOP = 8;
  private static final double BASE = 84;

  private @Nullable Range range;
  private @Nullable Quantity asked;
  private TrapezoidEditor editor;
  private EditorHand hand;

  @BeforeMethod
  public void middleTones() {
    range = new Range(Quantity.LIGHTNESS, 20, 40, 60, 80);
    asked = null;
    editor =
        new TrapezoidEditor(
            () -> range, change -> range = change.apply(range), () -> {}, (q, then) -> asked = q);
    hand = new EditorHand(editor);
  }

  private static double x(double lightness) {
    return lightness / Quantity.LIGHTNESS.span() * WIDTH;
  }

  @Test
  public void aCornerIsDraggedAlone() {
    hand.pull(x(40), TOP, x(30), TOP);
    assertThat(range.full()).isCloseTo(30, within(1e-9));
    assertThat(range.start()).isEqualTo(20);
    assertThat(range.fullEnd()).isEqualTo(60);
  }

  @Test
  public void aCornerPushesThoseInItsWay() {
    hand.pull(x(20), BASE, x(70), BASE);
    assertThat(range.start()).isCloseTo(70, within(1e-9));
    assertThat(range.full()).isCloseTo(70, within(1e-9));
    assertThat(range.fullEnd()).isCloseTo(70, within(1e-9));
    assertThat(range.end()).isEqualTo(80);
  }

  @Test
  public void betweenTheCornersTheWholeMoves() {
    hand.pull(x(50), 46, x(55), 46);
    assertThat(new double[] {range.start(), range.full(), range.fullEnd(), range.end()})
        .containsExactly(new double[] {25, 45, 65, 85}, within(1e-9));
  }

  @Test
  public void theWholeStopsAtTheEndOfTheTones() {
    hand.pull(x(50), 46, x(500), 46);
    assertThat(range.end()).isCloseTo(100, within(1e-9));
    assertThat(range.start()).isCloseTo(40, within(1e-9));
  }

  @Test
  public void keysChooseACornerAndMoveIt() {
    hand.key(KeyCode.UP);
    hand.key(KeyCode.LEFT);
    assertThat(range.start()).isCloseTo(19, within(1e-9));
    hand.key(KeyCode.DOWN);
    hand.key(KeyCode.RIGHT);
    assertThat(range).as("all of it").isEqualTo(new Range(Quantity.LIGHTNESS, 20, 41, 61, 81));
    assertThat(hand.key(KeyCode.ENTER)).isFalse();
  }

  @Test
  public void itsHistogramIsAskedForAndARangeThatIsGoneShowsNothing() {
    editor.refresh();
    assertThat(asked).isEqualTo(Quantity.LIGHTNESS);
    range = null;
    asked = null;
    editor.refresh();
    editor.show(new double[TrapezoidEditor.BINS]);
    assertThat(asked).isNull();
    assertThat(hand.key(KeyCode.LEFT)).isFalse();
    hand.pull(x(40), TOP, x(30), TOP);
    assertThat(range).isNull();
  }

  @Test
  public void whateverAHandDoesCornersStayInOrderWithinTheTones() {
    Random random = new Random(13);
    KeyCode[] keys = {KeyCode.LEFT, KeyCode.RIGHT, KeyCode.UP, KeyCode.DOWN};
    for (int i = 0; i < 3000; i++) {
      double x = random.nextDouble(-60, WIDTH + 60);
      double y = random.nextDouble(-20, 110);
      switch (random.nextInt(5)) {
        case 0, 1 -> hand.press(x, y);
        case 2 -> hand.drag(x, y);
        case 3 -> hand.release(x, y);
        default -> hand.key(keys[random.nextInt(keys.length)]);
      }
      assertThat(new double[] {0, range.start(), range.full(), range.fullEnd(), range.end(), 100})
          .isSorted();
    }
  }
}
