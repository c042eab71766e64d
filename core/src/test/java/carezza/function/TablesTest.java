package carezza.function;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;

import org.testng.annotations.Test;

public class TablesTest {

  @Test
  public void aUniformTableKeepsToItsErrorBound() {
    LookupTable sine = new LookupTable(Math::sin, -2, 3, 100);
    Random random = new Random(1);
    for (int i = 0; i < 5000; i++) {
      float x = random.nextFloat(-2, 3);
      assertThat((double) sine.at(x)).isCloseTo(Math.sin(x), within(0.01 * 0.01 / 8 + 3e-7));
    }
  }

  @Test
  public void aLogTableIsRightInProportionOverItsOctaves() {
    LogTable root = new LogTable(Math::cbrt, -9, 4);
    Random random = new Random(2);
    for (int i = 0; i < 5000; i++) {
      float x = (float) Math.pow(2, random.nextDouble(-9, 4));
      assertThat(root.at(x) / Math.cbrt(x)).isCloseTo(1, within(6e-7));
    }
  }

  @Test
  public void outsideTheRangeTheFunctionItselfAnswers() {
    LookupTable square = new LookupTable(x -> x * x, 0, 1, 4);
    assertThat(square.at(7)).isEqualTo(49);
    assertThat(square.at(-3)).isEqualTo(9);
    assertThat(square.at(1)).isEqualTo(1);
    assertThat(square.at(Float.NaN)).isNaN();
    LogTable root = new LogTable(Math::cbrt, -2, 2);
    assertThat(root.at(27)).isEqualTo(3);
    assertThat(root.at(-8)).isEqualTo(-2);
    assertThat(root.at(0)).isEqualTo(0);
    assertThat(root.at(Float.NaN)).isNaN();
  }
}
