package carezza.desktop.control;

import static org.assertj.core.api.Assertions.assertThat;

import org.testng.annotations.Test;

/** Where a gauge's marks stand. */
public class GaugeBarTest {

  private static final double WIDTH = 200;

  @Test
  public void allThatIsShownLiesOnTheLineInItsOrder() {
    GaugeBar bar = new GaugeBar(WIDTH, 100, 62, 80, 110);
    assertThat(bar.place(62)).isBetween(0.0, bar.place(80));
    assertThat(bar.place(80)).isLessThan(bar.place(100));
    assertThat(bar.place(110)).isBetween(bar.place(100), WIDTH);
  }

  @Test
  public void aBandWithoutAnEndEndsWhereTheValuesDo() {
    GaugeBar bar = new GaugeBar(WIDTH, 3, 5, Double.NEGATIVE_INFINITY, 7);
    assertThat(bar.place(3)).isBetween(0.0, WIDTH / 2);
    assertThat(bar.place(7)).isBetween(WIDTH / 2, WIDTH);
    assertThat(bar.getAccessibleText()).contains("now 5.00");
  }

  @Test
  public void valuesThatAreAllOneAreShownInTheMiddle() {
    GaugeBar bar = new GaugeBar(WIDTH, 1, 1, 1, 1);
    assertThat(bar.place(1)).isBetween(WIDTH / 2 - 5, WIDTH / 2 + 5);
  }
}
