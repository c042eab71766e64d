package carezza.function;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import java.util.function.DoubleUnaryOperator;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class PowerCurveTest {

  private static final float ASKED = -77;

  /** Both kinds of power: above 2 and below 1. */
  @DataProvider
  public Object[][] curves() {
    DoubleUnaryOperator steep = v -> v <= 0.04045 ? v / 12.92 : Math.pow((v + 0.055) / 1.055, 2.4);
    DoubleUnaryOperator root =
        v -> v <= 216.0 / 24389 ? v * 24389 / 27 / 116 : Math.cbrt(v) - 16.0 / 116;
    return new Object[][] {
      {
        new PowerCurve(2.4, Math.pow(1 / 1.055, 2.4), 0.055, 1 / 12.92, 0.04045, 1.5, v -> ASKED),
        steep,
        0.04045,
        1.5
      },
      {
        new PowerCurve(1 / 3.0, 1, 0, 24389 / 27.0 / 116, 216.0 / 24389, 16, v -> ASKED),
        root,
        216.0 / 24389,
        16.0
      }
    };
  }

  @Test(dataProvider = "curves")
  public void aRowIsThePower(PowerCurve curve, DoubleUnaryOperator power, double edge, double top) {
    Random random = new Random(5);
    float[] in = new float[4001];
    for (int i = 0; i < in.length; i++) {
      in[i] =
          switch (i % 3) {
            case 0 -> (float) random.nextDouble(-edge, edge);
            case 1 -> (float) random.nextDouble(edge, top);
            default -> (float) (edge * (1 + 1e-3 * random.nextGaussian()));
          };
    }
    in[0] = 0;
    float[] out = new float[in.length];
    curve.row(in, out, 0, in.length);
    assertThat(out[0]).isZero();
    for (int i = 0; i < in.length; i++) {
      double exact = power.applyAsDouble(in[i]);
      assertThat((double) out[i])
          .as("%s", in[i])
          .isCloseTo(exact, within(Math.max(1e-8, 1e-6 * Math.abs(exact))));
    }
  }

  @Test(dataProvider = "curves")
  public void itRises(PowerCurve curve, DoubleUnaryOperator power, double edge, double top) {
    float[] row = new float[3000];
    for (int i = 0; i < row.length; i++) {
      row[i] = (float) (-0.99 * edge + (top + 0.99 * edge) * i / row.length);
    }
    curve.row(row, row, 0, row.length);
    for (int i = 1; i < row.length; i++) {
      assertThat(row[i]).as("%s", i).isGreaterThan(row[i - 1]);
    }
  }

  @Test(dataProvider = "curves")
  public void onlyThePartOfARowThatIsNamedIsTurned(
      PowerCurve curve, DoubleUnaryOperator power, double edge, double top) {
    float[] row = {0.5f, 0.5f, 0.5f, 0.5f};
    curve.row(row, row, 1, 3);
    assertThat(row[0]).isEqualTo(0.5f);
    assertThat(row[3]).isEqualTo(0.5f);
    assertThat(row[1]).isEqualTo(row[2]).isNotEqualTo(0.5f);
  }

  @Test(dataProvider = "curves")
  public void beyondItsRangeItAsks(
      PowerCurve curve, DoubleUnaryOperator power, double edge, double top) {
    for (double far : new double[] {top * 1.01, -edge * 1.01, Float.POSITIVE_INFINITY, -1e9}) {
      float[] row = {0.5f, (float) far, 0.5f};
      curve.row(row, row, 0, 3);
      assertThat(row).as("%s", far).containsOnly(ASKED);
    }
    float[] none = {Float.NaN, 0.5f};
    curve.row(none, none, 0, 2);
    assertThat(none[0]).isNaN();
    assertThat((double) none[1]).isCloseTo(power.applyAsDouble(0.5), within(1e-6));
  }
}
