package carezza.desktop.control;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import javafx.scene.input.KeyCode;

import org.jspecify.annotations.Nullable;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.measure.ColourPlot;
import carezza.model.SkinToneEveningLayer.Wedge;

/** A range of hues under a hand. */
public class HuePlotTest extends OnToolkit {

  private static final double SIZE = 200;

  private @Nullable Wedge wedge;
  private EditorHand hand;

  @BeforeMethod
  public void skin() {
    wedge = new Wedge(50, 30, 10, 50);
    hand =
        new EditorHand(
            new HuePlot(() -> null, () -> wedge, () -> null, next -> wedge = next, () -> {}));
  }

  private static double x(double hue, double chroma) {
    return at(chroma * Math.cos(Math.toRadians(hue)));
  }

  private static double y(double hue, double chroma) {
    return SIZE - at(chroma * Math.sin(Math.toRadians(hue)));
  }

  private static double at(double value) {
    return (value - ColourPlot.LOW) / (ColourPlot.HIGH - ColourPlot.LOW) * SIZE;
  }

  private void pull(double hue, double chroma, double toHue, double toChroma) {
    hand.pull(x(hue, chroma), y(hue, chroma), x(toHue, toChroma), y(toHue, toChroma));
  }

  @Test
  public void insideItTurns() {
    pull(50, 30, 70, 30);
    assertThat(wedge.hue()).isCloseTo(70, within(1e-6));
    assertThat(wedge.width()).isEqualTo(30);
  }

  @Test
  public void atASideItWidens() {
    pull(80, 30, 95, 30);
    assertThat(wedge.width()).isCloseTo(45, within(1e-6));
    assertThat(wedge.hue()).isEqualTo(50);
  }

  @Test
  public void atItsArcsItReachesFartherOrLess() {
    pull(50, 50, 50, 44);
    assertThat(wedge.to()).isCloseTo(44, within(1e-6));
    pull(50, 10, 50, 20);
    assertThat(wedge.from()).isCloseTo(20, within(1e-6));
    pull(50, 20, 50, 60);
    assertThat(wedge.from()).as("not past the outer arc").isCloseTo(43, within(1e-6));
  }

  @Test
  public void keysTurnAndWiden() {
    hand.key(KeyCode.LEFT);
    assertThat(wedge.hue()).isCloseTo(52, within(1e-9));
    hand.key(KeyCode.DOWN);
    assertThat(wedge.width()).isCloseTo(28, within(1e-9));
    assertThat(hand.key(KeyCode.SPACE)).isFalse();
  }

  @Test
  public void withoutARangeNothingIsTaken() {
    wedge = null;
    pull(50, 30, 70, 30);
    assertThat(hand.key(KeyCode.LEFT)).isFalse();
    assertThat(wedge).isNull();
  }

  @Test
  public void coloursAloneCannotBeFocused() {
    assertThat(HuePlot.plain(() -> null).isFocusTraversable()).isFalse();
  }

  @Test
  public void whateverAHandDoesItStaysARange() {
    Random random = new Random(19);
    KeyCode[] keys = {KeyCode.LEFT, KeyCode.RIGHT, KeyCode.UP, KeyCode.DOWN};
    for (int i = 0; i < 2000; i++) {
      double x = random.nextDouble(-60, 260);
      double y = random.nextDouble(-60, 260);
      switch (random.nextInt(4)) {
        case 0 -> hand.press(x, y);
        case 1 -> hand.drag(x, y);
        case 2 -> hand.release(x, y);
        default -> hand.key(keys[random.nextInt(keys.length)]);
      }
      assertThat(wedge.hue()).isBetween(0.0, 360.0);
      assertThat(wedge.width()).isBetween(5.0, 120.0);
      assertThat(wedge.from()).isBetween(0.0, wedge.to() - 1 + 1e-9);
      assertThat(wedge.to()).isLessThanOrEqualTo(80);
    }
  }
}
