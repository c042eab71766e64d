package carezza.function;

import java.util.function.DoubleUnaryOperator;

/**
 * A function in equal steps, read between them by straight lines: the error is at most step² / 8
 * times the largest second derivative. Outside its range the function itself is asked.
 */
public final class LookupTable {

  private final DoubleUnaryOperator function;
  private final float from;
  private final float stepsPerUnit;
  private final float[] values;

  /**
   * @param from lower end of the range
   * @param to upper end of the range
   * @param stepsPerUnit how finely it is taken
   */
  public LookupTable(DoubleUnaryOperator function, double from, double to, int stepsPerUnit) {
    this.function = function;
    this.from = (float) from;
    this.stepsPerUnit = stepsPerUnit;
    values = new float[(int) Math.round((to - from) * stepsPerUnit) + 1];
    for (int i = 0; i < values.length; i++) {
      values[i] = (float) function.applyAsDouble(from + (double) i / stepsPerUnit);
    }
  }

  public float at(float x) {
    float place = (x - from) * stepsPerUnit;
    // Not a number fails this test too.
    if (!(place >= 0 && place < values.length - 1)) {
      return (float) function.applyAsDouble(x);
    }
    int i = (int) place;
    float low = values[i];
    return low + (place - i) * (values[i + 1] - low);
  }
}
