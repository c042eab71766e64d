package carezza.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.colour.DeltaE2000;
import carezza.colour.Lab;
import carezza.image.Plane;
import carezza.testing.Thorough;

public class EyeTestTest {

  /** Share of right answers that two down, one up settles at (Levitt 1971). */
  private static final double SETTLES = Math.sqrt(0.5);

  @DataProvider
  public Object[][] thresholds() {
    return new Object[][] {{0.03}, {0.1}, {0.4}};
  }

  /** An observer whose answers follow Weibull's curve, by chance right half of the time. */
  private static double threshold(double at, long seed) {
    Random random = new Random(seed);
    Staircase stairs = new Staircase(1, 1e-4, 10);
    while (!stairs.finished()) {
      double slope = 3.5;
      // Weibull's scale that gives 70.7 % at the threshold.
      double scale = at / Math.pow(-Math.log(2 * (1 - SETTLES)), 1 / slope);
      double right = 1 - 0.5 * Math.exp(-Math.pow(stairs.strength() / scale, slope));
      stairs.answer(random.nextDouble() < right);
    }
    return stairs.threshold();
  }

  @Test(dataProvider = "thresholds")
  public void theStaircaseFindsASimulatedObserversThreshold(double at) {
    double sum = 0;
    int runs = 400;
    for (int seed = 0; seed < runs; seed++) {
      sum += Math.log(threshold(at, seed)) / runs;
    }
    assertThat(Math.exp(sum) / at).isCloseTo(1, within(0.1));
  }

  @Test
  public void whoAlwaysSeesItComesToTheLeast() {
    Staircase stairs = new Staircase(1, 0.01, 4);
    for (int i = 0; i < 60; i++) {
      stairs.answer(true);
    }
    assertThat(stairs.strength()).isEqualTo(0.01);
    assertThat(stairs.finished()).isFalse();
    assertThat(stairs.threshold()).isNaN();
  }

  @Test
  public void twoRightGoDownOneWrongGoesUpAndTurnsCount() {
    Staircase stairs = new Staircase(1, 0.01, 4);
    stairs.answer(true);
    assertThat(stairs.strength()).isEqualTo(1);
    stairs.answer(true);
    assertThat(stairs.strength()).isEqualTo(1 / 1.6);
    stairs.answer(false);
    assertThat(stairs.strength()).isCloseTo(1, within(1e-12));
    assertThat(stairs.reversals()).isEqualTo(1);
    stairs.answer(false);
    assertThat(stairs.reversals()).isEqualTo(1);
  }

  @Test
  public void everyQualityChangesMoreTheStrongerItIsAndOnlyItsPlace() {
    for (Quality quality : Thorough.of(Quality.values())) {
      EyeTest test = new EyeTest(quality, 5);
      EyeTest.Pair pair = test.next();
      assertThat(test.next().sitter()).as("drawn by the seed").isNotNull();
      double strong = apart(pair);
      EyeTest again = new EyeTest(quality, 5);
      for (int i = 0; i < 10; i++) {
        again.staircase().answer(true);
      }
      EyeTest.Pair weak = again.next();
      assertThat(weak.sitter()).isEqualTo(pair.sitter());
      assertThat(weak.changedIsRight()).isEqualTo(pair.changedIsRight());
      assertThat(apart(weak)).as(quality.name()).isBetween(1e-4, 0.5 * strong);
      assertThat(strong).as(quality.name()).isGreaterThan(0.05);
      assertThat(pair.left().area().width()).isEqualTo(EyeTest.SIDE);
    }
  }

  @Test
  public void pointingAtTheChangedOneIsRight() {
    EyeTest test = new EyeTest(Quality.REDNESS, 6);
    EyeTest.Pair pair = test.next();
    assertThat(test.answer(pair, pair.changedIsRight())).isTrue();
    assertThat(test.answer(pair, !pair.changedIsRight())).isFalse();
    assertThat(test.staircase().answers()).isEqualTo(2);
  }

  private static double apart(EyeTest.Pair pair) {
    return DeltaE2000.mean(
        Lab.of(pair.left()), Lab.of(pair.right()), Plane.filled(pair.left().area(), 1));
  }
}
