package carezza.kernel;

import java.io.DataInput;
import java.io.DataOutput;
import java.io.IOException;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

import carezza.image.Picture;
import carezza.model.HealLayer;

/**
 * Measurements in a file: records of numbers, truths, lists and each other, taken apart by their
 * components, so that a new kind needs nothing here. Those that hold a picture are not written.
 */
public final class MeasurementsFile {

  private static final Map<String, Class<?>> TYPES =
      Stream.concat(
              Arrays.stream(Measurements.class.getPermittedSubclasses()),
              Stream.of(Measurements.Neutrals.Colour.class, HealLayer.Source.class))
          .collect(Collectors.toMap(Class::getName, Function.identity()));

  /** More than any list that is written. */
  private static final int MOST = 1 << 16;

  private enum Part {
    NUMBER,
    TRUTH,
    LIST,
    RECORD
  }

  private MeasurementsFile() {}

  /** Whether they can be written. */
  public static boolean holds(Measurements read) {
    return Arrays.stream(read.getClass().getRecordComponents())
        .map(RecordComponent::getType)
        .noneMatch(t -> t == Picture.class || t == Measurements.Backdrop.class);
  }

  /**
   * @param read that {@link #holds}
   */
  public static void write(Measurements read, DataOutput out) throws IOException {
    put(read, out);
  }

  private static void put(Object o, DataOutput out) throws IOException {
    switch (o) {
      case Double d -> {
        out.writeByte(Part.NUMBER.ordinal());
        out.writeDouble(d);
      }
      case Boolean b -> {
        out.writeByte(Part.TRUTH.ordinal());
        out.writeBoolean(b);
      }
      case List<?> list -> {
        out.writeByte(Part.LIST.ordinal());
        out.writeInt(list.size());
        for (Object one : list) {
          put(one, out);
        }
      }
      case Record r when TYPES.containsKey(r.getClass().getName()) -> {
        out.writeByte(Part.RECORD.ordinal());
        out.writeUTF(r.getClass().getName());
        for (RecordComponent component : r.getClass().getRecordComponents()) {
          try {
            put(component.getAccessor().invoke(r), out);
          } catch (ReflectiveOperationException e) {
            throw new IOException(e);
          }
        }
      }
      default -> throw new IOException("Not to be written: " + o.getClass());
    }
  }

  /**
   * @throws IOException if they are damaged
   */
  public static Measurements read(DataInput in) throws IOException {
    if (take(in) instanceof Measurements read) {
      return read;
    }
    throw new IOException("No measurements");
  }

  private static Object take(DataInput in) throws IOException {
    int part = in.readUnsignedByte();
    if (part >= Part.values().length) {
      throw new IOException("No measurements");
    }
    return switch (Part.values()[part]) {
      case NUMBER -> in.readDouble();
      case TRUTH -> in.readBoolean();
      case LIST -> {
        int count = in.readInt();
        if (count < 0 || count > MOST) {
          throw new IOException("No list");
        }
        List<Object> list = new ArrayList<>();
        for (int i = 0; i < count; i++) {
          list.add(take(in));
        }
        yield List.copyOf(list);
      }
      case RECORD -> made(in);
    };
  }

  private static Object made(DataInput in) throws IOException {
    Class<?> type = TYPES.get(in.readUTF());
    if (type == null) {
      throw new IOException("No such measurements");
    }
    RecordComponent[] components = type.getRecordComponents();
    Object[] values = new Object[components.length];
    for (int i = 0; i < values.length; i++) {
      values[i] = take(in);
    }
    try {
      Class<?>[] types =
          Arrays.stream(components).map(RecordComponent::getType).toArray(Class<?>[]::new);
      return type.getDeclaredConstructor(types).newInstance(values);
    } catch (ReflectiveOperationException | IllegalArgumentException e) {
      throw new IOException(e);
    }
  }
}
