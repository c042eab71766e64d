package carezza.model;

import java.lang.reflect.RecordComponent;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;

import org.jspecify.annotations.Nullable;

/** The numbers of a record as they are declared at its components, in their order. */
public final class Parameters {

  /**
   * A number of a layer.
   *
   * @param name as in the record and in files
   * @param least the smallest value that is taken
   * @param most the largest value that is taken
   * @param low where its slider begins
   * @param high where its slider ends
   * @param usual what a new layer begins with; NaN where it is left open
   * @param step of the keys and the wheel
   * @param optional may be left open
   */
  public record Declared(
      String name,
      Unit unit,
      double least,
      double most,
      double low,
      double high,
      double usual,
      double step,
      boolean optional) {

    /** Decimals that are shown: those of a step. */
    public int decimals() {
      return Math.max(0, BigDecimal.valueOf(step * unit.factor()).stripTrailingZeros().scale());
    }

    /** Whether it goes either way from 0. */
    public boolean signed() {
      return low < 0;
    }

    /**
     * @param value as the layer has it
     */
    public String written(double value) {
      return unit.written(unit.factor() * value, decimals(), signed());
    }
  }

  private static final ClassValue<Parameters> KNOWN =
      new ClassValue<>() {
        @Override
        protected Parameters computeValue(Class<?> type) {
          return new Parameters(type);
        }
      };

  private final List<Declared> all = new ArrayList<>();

  private Parameters(Class<?> type) {
    for (RecordComponent component : type.getRecordComponents()) {
      Parameter given = component.getAnnotation(Parameter.class);
      if (given != null) {
        all.add(
            new Declared(
                component.getName(),
                given.unit(),
                given.least(),
                given.most(),
                Double.isNaN(given.low()) ? given.least() : given.low(),
                Double.isNaN(given.high()) ? given.most() : given.high(),
                given.usual(),
                given.step(),
                component.getType() == Double.class));
      }
    }
  }

  public static Parameters of(Class<? extends Record> type) {
    return KNOWN.get(type);
  }

  /** A record with every number as it usually is, and all else left open. */
  public static <R extends Record> R usual(Class<R> type) {
    return RecordValue.usual(type, null);
  }

  public List<Declared> all() {
    return all;
  }

  /**
   * @throws IllegalArgumentException if none is called that
   */
  public Declared get(String name) {
    return all.stream()
        .filter(p -> p.name().equals(name))
        .findFirst()
        .orElseThrow(() -> new IllegalArgumentException("No parameter " + name));
  }

  /**
   * Checks values in the order of their declaration.
   *
   * @throws IllegalArgumentException naming the first that is out of its range, and the range
   */
  void check(@Nullable Double... values) {
    if (values.length != all.size()) {
      throw new IllegalStateException(values.length + " values for " + all);
    }
    for (int i = 0; i < values.length; i++) {
      Declared parameter = all.get(i);
      if (values[i] != null || !parameter.optional()) {
        Require.range(parameter.name(), values[i], parameter.least(), parameter.most());
      }
    }
  }
}
