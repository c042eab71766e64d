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

import carezza.colour.Lab;

/** Stops of a gradient under a hand. */
public class StopStripTest extends OnToolkit {

  private static final double WIDTH = 256;
  private static final double HEIGHT = 79;
  private static final int MOST = 8;

  private List<Double> positions;
  private IntegerProperty chosen;
  private StopStrip strip;
  private EditorHand hand;

  private final class Kept implements StopStrip.Stops {
    @Override
    public List<Double> positions() {
      return positions;
    }

    @Override
    public Lab colour(double position) {
      return new Lab(100 * position, 0, 0);
    }

    @Override
    public void add(double position) {
      List<Double> more = new ArrayList<>(positions);
      more.add(position);
      more.sort(null);
      positions = more;
    }

    @Override
    public void move(int stop, double position) {
      List<Double> moved = new ArrayList<>(positions);
      moved.set(stop, position);
      positions = moved;
    }

    @Override
    public void drop(int stop) {
      List<Double> left = new ArrayList<>(positions);
      left.remove(stop);
      positions = left;
    }

    @Override
    public int most() {
      return MOST;
    }
  }

  @BeforeMethod
  public void threeStops() {
    positions = List.of(0.0, 0.5, 1.0);
    chosen = new SimpleIntegerProperty();
    StopStrip.Stops kept = new Kept();
    strip = new StopStrip(() -> kept, chosen, () -> {});
    hand = new EditorHand(strip);
  }

  @Test
  public void aPressOnAMarkChoosesIt() {
    hand.press(WIDTH / 2 + 3, HEIGHT - 4);
    assertThat(chosen.get()).isEqualTo(1);
    assertThat(positions).hasSize(3);
  }

  @Test
  public void aPressBetweenMarksAddsOneAndHoldsIt() {
    hand.press(0.25 * WIDTH, HEIGHT - 4);
    assertThat(positions).hasSize(4);
    assertThat(chosen.get()).isEqualTo(1);
    hand.drag(0.3 * WIDTH, HEIGHT - 4);
    assertThat(positions.get(1)).isCloseTo(0.3, within(1e-9));
  }

  @Test
  public void aMarkDoesNotPassItsNeighbour() {
    hand.pull(WIDTH / 2, HEIGHT - 4, 2 * WIDTH, HEIGHT - 4);
    assertThat(positions.get(1)).isCloseTo(1 - StopStrip.GAP, within(1e-9));
  }

  @Test
  public void aMarkThatIsDraggedOffIsGoneOnceTheHandLetsGo() {
    hand.press(WIDTH / 2, HEIGHT - 4);
    hand.drag(WIDTH / 2, HEIGHT + 60);
    assertThat(positions).hasSize(3);
    hand.release(WIDTH / 2, HEIGHT + 60);
    assertThat(positions).containsExactly(0.0, 1.0);
  }

  @Test
  public void aMarkThatComesBackIsKept() {
    hand.press(WIDTH / 2, HEIGHT - 4);
    hand.drag(WIDTH / 2, -60);
    hand.drag(WIDTH / 2, HEIGHT - 4);
    hand.release(WIDTH / 2, HEIGHT - 4);
    assertThat(positions).hasSize(3);
  }

  @Test
  public void theLastTwoCannotBeDropped() {
    positions = List.of(0.2, 0.8);
    hand.pull(0.2 * WIDTH, HEIGHT - 4, 0.2 * WIDTH, HEIGHT + 60);
    assertThat(hand.key(KeyCode.DELETE)).isTrue();
    assertThat(positions).hasSize(2);
  }

  @Test
  public void keysChooseMoveAddAndDrop() {
    hand.key(KeyCode.RIGHT);
    assertThat(chosen.get()).isEqualTo(1);
    hand.withShift(KeyCode.RIGHT);
    assertThat(positions.get(1)).isCloseTo(0.51, within(1e-9));
    hand.key(KeyCode.INSERT);
    assertThat(positions).hasSize(4);
    assertThat(positions.get(2)).isCloseTo(0.755, within(1e-9));
    hand.key(KeyCode.DELETE);
    assertThat(positions).hasSize(3);
  }

  @Test
  public void noMoreStopsThanThereMayBe() {
    for (int i = 1; i < 40; i++) {
      hand.press(i * WIDTH / 40, HEIGHT - 4);
      hand.release(i * WIDTH / 40, HEIGHT - 4);
      hand.key(KeyCode.INSERT);
    }
    assertThat(positions).hasSize(MOST);
  }

  @Test
  public void withoutStopsNothingHappens() {
    EditorHand idle = new EditorHand(new StopStrip(() -> null, chosen, () -> {}));
    idle.pull(20, 20, 40, 20);
    assertThat(idle.key(KeyCode.RIGHT)).isFalse();
    assertThat(chosen.get()).isZero();
  }

  @Test
  public void whateverAHandDoesStopsStayInOrder() {
    Random random = new Random(7);
    KeyCode[] keys = {KeyCode.LEFT, KeyCode.RIGHT, KeyCode.DELETE, KeyCode.INSERT};
    for (int i = 0; i < 3000; i++) {
      double x = random.nextDouble(-40, WIDTH + 40);
      double y = random.nextDouble(-60, HEIGHT + 60);
      switch (random.nextInt(6)) {
        case 0, 1 -> hand.press(x, y);
        case 2, 3 -> hand.drag(x, y);
        case 4 -> hand.release(x, y);
        default -> {
          if (random.nextBoolean()) {
            hand.withShift(keys[random.nextInt(2)]);
          } else {
            hand.key(keys[random.nextInt(keys.length)]);
          }
        }
      }
      assertThat(positions.size()).isBetween(2, MOST);
      assertThat(positions).isSorted();
      assertThat(positions).allMatch(p -> p >= 0 && p <= 1);
      assertThat(chosen.get()).isBetween(0, positions.size() - 1);
    }
    strip.show(new double[] {0.1, 0.9, 0});
  }
}
