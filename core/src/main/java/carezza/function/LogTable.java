package carezza.function;

import java.util.function.DoubleUnaryOperator;

/**
 * A function of positive numbers in 256 steps to an octave, so that its error is relative: roots
 * are right to 5e-7 of themselves, logarithms to 2e-6. The index is read from the number's own
 * bits. Outside its octaves the function itself is asked.
 */
public final class LogTable {

  private static final int STEP_BITS = 8;
  private static final int SHIFT = 23 - STEP_BITS;
  private static final int REST = (1 << SHIFT) - 1;
  private static final float REST_TO_SHARE = 1f / (1 << SHIFT);
  private static final int BIAS = 127;

  private final DoubleUnaryOperator function;
  private final int first;
  private final int end;
  private final float[] values;

  /**
   * @param lowest the range starts at 2 to this
   * @param highest and ends before 2 to this
   */
  public LogTable(DoubleUnaryOperator function, int lowest, int highest) {
    this.function = function;
    first = BIAS + lowest << 23;
    end = BIAS + highest << 23;
    values = new float[(highest - lowest << STEP_BITS) + 1];
    for (int i = 0; i < values.length; i++) {
      values[i] = (float) function.applyAsDouble(Float.intBitsToFloat(first + (i << SHIFT)));
    }
  }

  public float at(float x) {
    int bits = Float.floatToRawIntBits(x);
    // The sign bit makes numbers below 0 negative here, and so out of range.
    if (bits < first || bits >= end) {
      return (float) function.applyAsDouble(x);
    }
    int i = bits - first >> SHIFT;
    float low = values[i];
    return low + (bits & REST) * REST_TO_SHARE * (values[i + 1] - low);
  }
}
