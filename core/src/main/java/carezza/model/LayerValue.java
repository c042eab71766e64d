package carezza.model;

import java.lang.reflect.RecordComponent;

/**
 * Reads and changes one value of a layer by its name, as files have it: {@code "strength"}, or
 * {@code "darks.hue"} for a value inside another.
 */
public final class LayerValue {

  private LayerValue() {}

  /**
   * @throws IllegalArgumentException if there is no such value, or it is no number
   */
  public static double number(Layer layer, String path) {
    Object value = layer;
    for (String name : path.split("\\.")) {
      value = value(value, name);
    }
    if (value instanceof Boolean b) {
      return b ? 1 : 0;
    }
    if (value instanceof Number n) {
      return n.doubleValue();
    }
    throw new IllegalArgumentException(path + " of " + layer.getClass() + " is no number");
  }

  /**
   * The layer with another value.
   *
   * @throws IllegalArgumentException if there is no such value, or it may not be that
   */
  public static <L extends Layer> L with(L layer, String path, Object value) {
    @SuppressWarnings("unchecked")
    L changed = (L) changed(layer, path, value);
    return changed;
  }

  private static Object changed(Object record, String path, Object value) {
    int dot = path.indexOf('.');
    if (dot < 0) {
      return rebuilt(record, path, value);
    }
    String name = path.substring(0, dot);
    return rebuilt(record, name, changed(value(record, name), path.substring(dot + 1), value));
  }

  private static Object value(Object record, String name) {
    for (RecordComponent component : record.getClass().getRecordComponents()) {
      if (component.getName().equals(name)) {
        return get(record, component);
      }
    }
    throw new IllegalArgumentException(record.getClass() + " has no " + name);
  }

  private static Object get(Object record, RecordComponent component) {
    try {
      return component.getAccessor().invoke(record);
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException(component + " cannot be read", e);
    }
  }

  private static Object rebuilt(Object record, String name, Object value) {
    value(record, name);
    RecordComponent[] components = record.getClass().getRecordComponents();
    Class<?>[] types = new Class<?>[components.length];
    Object[] values = new Object[components.length];
    for (int i = 0; i < components.length; i++) {
      types[i] = components[i].getType();
      values[i] =
          components[i].getName().equals(name) ? value : get(record, components[i]);
    }
    try {
      return record.getClass().getDeclaredConstructor(types).newInstance(values);
    } catch (java.lang.reflect.InvocationTargetException e) {
      if (e.getCause() instanceof IllegalArgumentException refused) {
        throw refused;
      }
      throw new IllegalStateException(e.getCause());
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException(record.getClass() + " cannot be made", e);
    }
  }
}
