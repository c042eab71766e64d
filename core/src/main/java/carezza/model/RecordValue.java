package carezza.model;

import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;

import org.jspecify.annotations.Nullable;

/**
 * Reads and changes one value of a layer, or of a record within it, by its name as files have it:
 * {@code "strength"}, or {@code "shadows.hue"} for a value inside another.
 */
public final class RecordValue {

  private RecordValue() {}

  /** Components by name: to ask a class for them copies them all. */
  private static final ClassValue<Map<String, RecordComponent>> COMPONENTS =
      new ClassValue<>() {
        @Override
        protected Map<String, RecordComponent> computeValue(Class<?> type) {
          return Arrays.stream(type.getRecordComponents())
              .collect(Collectors.toUnmodifiableMap(RecordComponent::getName, c -> c));
        }
      };

  /**
   * @throws IllegalArgumentException if there is no such value, or it is no number
   */
  public static double number(Object record, String path) {
    Object value = record;
    for (String name : path.split("\\.")) {
      value = value(value, name);
    }
    if (value instanceof Boolean b) {
      return b ? 1 : 0;
    }
    if (value instanceof Number n) {
      return n.doubleValue();
    }
    throw new IllegalArgumentException(path + " of " + record.getClass() + " is no number");
  }

  /** All numbers that a layer declares, and those of records within it, by their paths. */
  public static Map<String, Double> numbers(Layer layer) {
    Map<String, Double> numbers = new TreeMap<>();
    collect(layer, "", numbers);
    return numbers;
  }

  private static void collect(Object record, String path, Map<String, Double> numbers) {
    for (RecordComponent component : record.getClass().getRecordComponents()) {
      Object value = get(record, component);
      String name = path + component.getName();
      if (component.isAnnotationPresent(Parameter.class)) {
        if (value instanceof Number n && Double.isFinite(n.doubleValue())) {
          numbers.put(name, n.doubleValue());
        }
      } else if (value instanceof Record inner && !(value instanceof LayerAttributes)) {
        collect(inner, name + ".", numbers);
      }
    }
  }

  /**
   * The record that holds the value of a path.
   *
   * @throws IllegalArgumentException if there is no such value
   */
  public static Class<? extends Record> holder(Class<?> type, String path) {
    int dot = path.indexOf('.');
    if (dot < 0) {
      return type.asSubclass(Record.class);
    }
    return Arrays.stream(type.getRecordComponents())
        .filter(c -> c.getName().equals(path.substring(0, dot)))
        .findFirst()
        .map(c -> holder(c.getType(), path.substring(dot + 1)))
        .orElseThrow(() -> new IllegalArgumentException(type + " has no " + path));
  }

  /**
   * The record with another value.
   *
   * @throws IllegalArgumentException if there is no such value, or it may not be that
   */
  public static <R> R with(R record, String path, @Nullable Object value) {
    @SuppressWarnings("unchecked")
    R changed = (R) changed(record, path, value);
    return changed;
  }

  private static Object changed(Object record, String path, @Nullable Object value) {
    int dot = path.indexOf('.');
    if (dot < 0) {
      return rebuilt(record, path, value);
    }
    String name = path.substring(0, dot);
    return rebuilt(record, name, changed(value(record, name), path.substring(dot + 1), value));
  }

  private static Object value(Object record, String name) {
    RecordComponent component = COMPONENTS.get(record.getClass()).get(name);
    if (component == null) {
      throw new IllegalArgumentException(record.getClass() + " has no " + name);
    }
    return get(record, component);
  }

  private static Object get(Object record, RecordComponent component) {
    try {
      return component.getAccessor().invoke(record);
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException(component + " cannot be read", e);
    }
  }

  /**
   * A record with every number as it usually is, and all else left open.
   *
   * @param attributes of a layer, or null where it is none
   */
  static <R extends Record> R usual(Class<R> type, @Nullable LayerAttributes attributes) {
    RecordComponent[] components = type.getRecordComponents();
    Object[] values = new Object[components.length];
    for (int i = 0; i < components.length; i++) {
      Class<?> own = components[i].getType();
      if (own == LayerAttributes.class) {
        values[i] = attributes;
      } else if (own == double.class) {
        values[i] = Parameters.of(type).get(components[i].getName()).usual();
      } else if (own == boolean.class) {
        values[i] = false;
      }
    }
    return type.cast(made(type, values));
  }

  /** A layer with every number as it usually is, and all else left open. */
  public static Layer usual(LayerAttributes attributes, Class<? extends Layer> type) {
    return (Layer) usual(type.asSubclass(Record.class), attributes);
  }

  private static Object rebuilt(Object record, String name, @Nullable Object value) {
    value(record, name);
    RecordComponent[] components = record.getClass().getRecordComponents();
    Object[] values = new Object[components.length];
    for (int i = 0; i < components.length; i++) {
      values[i] = components[i].getName().equals(name) ? value : get(record, components[i]);
    }
    return made(record.getClass(), values);
  }

  private static Object made(Class<?> type, Object[] values) {
    try {
      Class<?>[] types =
          Arrays.stream(type.getRecordComponents())
              .map(RecordComponent::getType)
              .toArray(Class<?>[]::new);
      return type.getDeclaredConstructor(types).newInstance(values);
    } catch (InvocationTargetException e) {
      if (e.getCause() instanceof IllegalArgumentException refused) {
        throw refused;
      }
      throw new IllegalStateException(e.getCause());
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException(type + " cannot be made", e);
    }
  }
}
