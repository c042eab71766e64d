package carezza.desktop.control;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import javafx.scene.input.KeyCode;

import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.colour.MonotoneCurve.Point;

/** Points of a curve under a hand. */
public class CurveEditorTest extends OnToolkit {

  private static final double SIZE = 220;

  private List<Point> points;
  private int settled;
  private EditorHand hand;

  @BeforeMethod
  public void straight() {
    points = List.of(new Point(0, 0), new Point(1, 1));
    settled = 0;
    hand = new EditorHand(new CurveEditor(() -> points, next -> points = next, () -> settled++));
  }

  private static double x(double tone) {
    return tone * SIZE;
  }

  private static double y(double tone) {
    return (1 - tone) * SIZE;
  }

  @Test
  public void aPressOnTheCurveSetsAPointThere() {
    hand.press(x(0.25), y(0.8));
    assertThat(points).hasSize(3);
    assertThat(points.get(1).x()).isCloseTo(0.25, within(1e-9));
    assertThat(points.get(1).y())
        .as("on the curve, wherever it was pressed")
        .isCloseTo(0.25, within(1e-6));
  }

  @Test
  public void aPointFollowsTheHandAndIsSettledWhenItLetsGo() {
    hand.press(x(0.5), y(0.5));
    hand.drag(x(0.5), y(0.7));
    assertThat(points.get(1).y()).isCloseTo(0.7, within(1e-9));
    assertThat(settled).isZero();
    hand.release(x(0.5), y(0.7));
    assertThat(settled).isEqualTo(1);
  }

  @Test
  public void aPointStaysBetweenItsNeighbours() {
    hand.pull(x(0.5), y(0.5), x(0.5), y(0.6));
    hand.pull(x(0.25), y(points.get(0).y()), x(0.9), y(0.9));
    assertThat(points).hasSize(4);
    assertThat(points.get(1).x()).isLessThan(points.get(2).x());
    assertThat(points.get(1).y()).isLessThanOrEqualTo(points.get(2).y());
  }

  @Test
  public void aDoublePressTakesAPointAwayButLeavesTwo() {
    hand.pull(x(0.5), y(0.5), x(0.5), y(0.7));
    hand.doublePress(x(0.5), y(0.7));
    assertThat(points).hasSize(2);
    hand.doublePress(x(0), y(0));
    assertThat(points).hasSize(2);
  }

  @Test
  public void keysChooseAPointBendItAndTakeItOut() {
    hand.pull(x(0.5), y(0.5), x(0.5), y(0.5));
    assertThat(hand.key(KeyCode.RIGHT)).isTrue();
    assertThat(hand.key(KeyCode.UP)).isTrue();
    assertThat(points.get(1).y()).isCloseTo(0.51, within(1e-9));
    hand.key(KeyCode.DOWN);
    hand.key(KeyCode.DOWN);
    assertThat(points.get(1).y()).isCloseTo(0.49, within(1e-9));
    hand.key(KeyCode.DELETE);
    assertThat(points).hasSize(2);
  }

  @Test
  public void whatMeansNothingHereGoesOn() {
    assertThat(hand.key(KeyCode.F1)).isFalse();
    assertThat(hand.key(KeyCode.ESCAPE)).isFalse();
  }

  @Test
  public void whateverAHandDoesTheCurveRisesWithinTheSquare() {
    Random random = new Random(11);
    KeyCode[] keys = {KeyCode.LEFT, KeyCode.RIGHT, KeyCode.UP, KeyCode.DOWN, KeyCode.DELETE};
    for (int i = 0; i < 3000; i++) {
      double x = random.nextDouble(-40, SIZE + 40);
      double y = random.nextDouble(-40, SIZE + 40);
      switch (random.nextInt(5)) {
        case 0 -> hand.press(x, y);
        case 1, 2 -> hand.drag(x, y);
        case 3 -> hand.release(x, y);
        default -> hand.key(keys[random.nextInt(keys.length)]);
      }
      assertThat(points.size()).isGreaterThanOrEqualTo(2);
      for (int k = 0; k < points.size(); k++) {
        assertThat(points.get(k).x()).isBetween(0.0, 1.0);
        assertThat(points.get(k).y()).isBetween(0.0, 1.0);
        if (k > 0) {
          assertThat(points.get(k).x()).isGreaterThan(points.get(k - 1).x());
          assertThat(points.get(k).y()).isGreaterThanOrEqualTo(points.get(k - 1).y());
        }
      }
    }
  }
}
