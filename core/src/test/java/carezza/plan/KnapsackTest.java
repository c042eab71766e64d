package carezza.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.job.Band;

public class KnapsackTest {

  static Finding finding(String part, double severity, double minutes, Finding.State state) {
    Reading reading = new Reading(FindingKind.MATCH, part, 3, new Band(0, 1.5), null, 0, List.of());
    return new Finding(reading, reading, state, null, null, severity, 1, minutes, minutes);
  }

  private static Finding open(String part, double severity, double minutes) {
    return finding(part, severity, minutes, Finding.State.OPEN);
  }

  @Test
  public void theMostSevereThatFitsIsNotTheBestThatFits() {
    Finding large = open("large", 5, 2);
    Finding one = open("one", 3, 1);
    Finding two = open("two", 3, 1);

    assertThat(Knapsack.best(List.of(large, one, two), 2)).containsExactly(one, two);
  }

  @Test
  public void whatIsDoneOrLeftOrCostsNothingIsNotProposed() {
    assertThat(
            Knapsack.best(
                List.of(
                    finding("a", 9, 1, Finding.State.TREATED),
                    finding("b", 9, 1, Finding.State.LEFT),
                    open("c", 9, 0)),
                10))
        .isEmpty();
  }

  @Test
  public void whatCameBackIsProposedAgain() {
    Finding back = finding("a", 1, 1, Finding.State.BACK);

    assertThat(Knapsack.best(List.of(back), 1)).containsExactly(back);
  }

  @Test
  public void withoutTimeNothingIsProposed() {
    assertThat(Knapsack.best(List.of(open("a", 1, 0.5)), 0)).isEmpty();
  }

  @DataProvider
  public Object[][] seeds() {
    return new Object[][] {{1L}, {2L}, {3L}, {4L}, {5L}, {6L}, {7L}, {8L}};
  }

  /** Every set of ten findings, tried. */
  @Test(dataProvider = "seeds")
  public void noOtherSetThatFitsIsWorthMore(long seed) {
    Random random = new Random(seed);
    List<Finding> all = new ArrayList<>();
    for (int i = 0; i < 10; i++) {
      all.add(open("f" + i, random.nextDouble() * 4, (1 + random.nextInt(12)) / 4.0));
    }
    double budget = 1 + random.nextInt(9);

    List<Finding> best = Knapsack.best(all, budget);

    double most = 0;
    for (int set = 0; set < 1 << all.size(); set++) {
      double worth = 0;
      double minutes = 0;
      for (int i = 0; i < all.size(); i++) {
        if ((set >> i & 1) == 1) {
          worth += all.get(i).severity();
          minutes += all.get(i).minutes();
        }
      }
      most = minutes <= budget ? Math.max(most, worth) : most;
    }
    assertThat(best.stream().mapToDouble(Finding::minutes).sum()).isLessThanOrEqualTo(budget);
    assertThat(best.stream().mapToDouble(Finding::severity).sum()).isCloseTo(most, within(1e-9));
  }
}
