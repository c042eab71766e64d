package carezza.metadata;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.IntPredicate;

import org.jspecify.annotations.Nullable;

/**
 * A directory of a TIFF stream (TIFF 6.0; BigTIFF is read, too) with the directories it points to:
 * fields by their tag, as they lie in the stream. EXIF blocks, TIFF pictures and DNG photographs
 * have this structure.
 */
public final class TiffDirectory {

  /** Tags of directories within directories. */
  public static final int EXIF = 0x8769;

  public static final int PLACE = 0x8825;
  public static final int SUB_DIRECTORIES = 0x014A;

  private static final int ENTRY = 12;
  private static final int BIG_ENTRY = 20;
  private static final int INLINE = 4;
  private static final int BIG_INLINE = 8;

  /** A picture has a handful of directories; a file that says more runs in a circle. */
  private static final int MOST_DIRECTORIES = 64;

  /** Bytes of a value by the type's number; 0 for unknown ones. */
  private static final int[] SIZES = {0, 1, 1, 2, 4, 8, 1, 1, 2, 4, 8, 4, 8, 4, 0, 0, 8, 8, 8};

  private static final int BYTES = 1;
  private static final int LONG = 4;

  private final ByteOrder order;
  private final Map<Integer, Field> fields = new TreeMap<>();
  private final Map<Integer, List<TiffDirectory>> directories = new TreeMap<>();
  private @Nullable TiffDirectory next;

  private TiffDirectory(ByteOrder order) {
    this.order = order;
  }

  /** An empty one. */
  public static TiffDirectory empty(ByteOrder order) {
    return new TiffDirectory(order);
  }

  /**
   * @param content raw, in the stream's byte order
   * @param at where the entry's own value or pointer lies in the stream
   */
  private record Field(int type, int count, byte[] content, int at) {}

  /** Whether bytes begin as a TIFF stream does. */
  public static boolean begins(byte[] file) {
    return file.length >= 8
        && (file[0] == 'I' && file[1] == 'I' && (file[2] == 42 || file[2] == 43) && file[3] == 0
            || file[0] == 'M'
                && file[1] == 'M'
                && file[2] == 0
                && (file[3] == 42 || file[3] == 43));
  }

  /**
   * The first directory of a stream.
   *
   * @throws IOException if the stream is not what its directory says
   */
  public static TiffDirectory read(byte[] tiff) throws IOException {
    try {
      ByteOrder order = tiff[0] == 'I' ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN;
      return new Reader(ByteBuffer.wrap(tiff).order(order)).first();
    } catch (IndexOutOfBoundsException | BufferUnderflowException e) {
      throw new IOException("a directory points outside the file", e);
    }
  }

  private static final class Reader {
    private final ByteBuffer in;
    private final boolean big;
    private final Set<Long> seen = new HashSet<>();

    Reader(ByteBuffer in) {
      this.in = in;
      big = in.getShort(2) == 43;
    }

    TiffDirectory first() throws IOException {
      return directory(big ? in.getLong(8) : in.getInt(4) & 0xFFFFFFFFL);
    }

    private TiffDirectory directory(long offset) throws IOException {
      int at = Math.toIntExact(Math.min(offset, Integer.MAX_VALUE));
      if (!seen.add(offset) || seen.size() > MOST_DIRECTORIES) {
        throw new IOException("its directories run in a circle");
      }
      TiffDirectory out = new TiffDirectory(in.order());
      int count = big ? Math.toIntExact(in.getLong(at)) : in.getShort(at) & 0xFFFF;
      int entries = at + (big ? 8 : 2);
      for (int i = 0; i < count; i++) {
        entry(out, entries + i * (big ? BIG_ENTRY : ENTRY));
      }
      int end = entries + count * (big ? BIG_ENTRY : ENTRY);
      if (end + (big ? 8 : 4) <= in.limit()) {
        long next = big ? in.getLong(end) : in.getInt(end) & 0xFFFFFFFFL;
        if (next != 0 && next < in.limit()) {
          out.next = later(next);
        }
      }
      return out;
    }

    /** Directories that cannot be read are passed over: the first one is what counts. */
    private @Nullable TiffDirectory later(long offset) {
      try {
        return directory(offset);
      } catch (IOException | IndexOutOfBoundsException | ArithmeticException e) {
        return null;
      }
    }

    private void entry(TiffDirectory out, int entry) {
      int tag = in.getShort(entry) & 0xFFFF;
      int type = in.getShort(entry + 2) & 0xFFFF;
      long values = big ? in.getLong(entry + 4) : in.getInt(entry + 4) & 0xFFFFFFFFL;
      int size = type < SIZES.length ? SIZES[type] : 0;
      int value = entry + (big ? 12 : 8);
      if (size == 0 || values <= 0 || values > in.limit() / size) {
        return;
      }
      int length = (int) values * size;
      long at = value;
      if (length > (big ? BIG_INLINE : INLINE)) {
        at = big ? in.getLong(value) : in.getInt(value) & 0xFFFFFFFFL;
      }
      if (at < 0 || at + length > in.limit()) {
        // A value that lies outside the file is none; the picture may be whole all the same.
        return;
      }
      byte[] content = new byte[length];
      in.get((int) at, content);
      out.fields.put(tag, new Field(type, (int) values, content, value));
      if (tag == EXIF || tag == PLACE || tag == SUB_DIRECTORIES) {
        List<TiffDirectory> inner = new ArrayList<>();
        for (long offset : out.integers(tag)) {
          TiffDirectory read = later(offset);
          if (read != null) {
            inner.add(read);
          }
        }
        out.fields.remove(tag);
        if (!inner.isEmpty()) {
          out.directories.put(tag, inner);
        }
      }
    }
  }

  // --- what the fields say

  public ByteOrder order() {
    return order;
  }

  public boolean has(int tag) {
    return fields.containsKey(tag) || directories.containsKey(tag);
  }

  public boolean isEmpty() {
    return fields.isEmpty() && directories.isEmpty();
  }

  /** The directory that follows this one in the stream, or null. */
  public @Nullable TiffDirectory next() {
    return next;
  }

  /** Directories that a tag points to; none if there is none. */
  public List<TiffDirectory> inner(int tag) {
    return directories.getOrDefault(tag, List.of());
  }

  /** Bytes of a value as they lie in the stream; empty if there is none. */
  public byte[] bytes(int tag) {
    Field field = fields.get(tag);
    return field == null ? new byte[0] : field.content().clone();
  }

  /**
   * Where in the stream the value of a tag, if it fits into its entry, or the pointer to it lies;
   * −1 if there is none.
   */
  public int place(int tag) {
    Field field = fields.get(tag);
    return field == null ? -1 : field.at();
  }

  /** Words up to the first zero; empty if there are none. */
  public String text(int tag) {
    byte[] bytes = bytes(tag);
    int end = 0;
    while (end < bytes.length && bytes[end] != 0) {
      end++;
    }
    return new String(bytes, 0, end, StandardCharsets.UTF_8).strip();
  }

  /** All numbers of a value, fractions and reals included; none if there is none. */
  public double[] numbers(int tag) {
    Field f = fields.get(tag);
    if (f == null) {
      return new double[0];
    }
    ByteBuffer in = ByteBuffer.wrap(f.content()).order(order);
    double[] out = new double[f.count()];
    for (int i = 0; i < out.length; i++) {
      out[i] =
          switch (f.type()) {
            case 1, 2, 7 -> in.get() & 0xFF;
            case 3 -> in.getShort() & 0xFFFF;
            case 4, 13 -> in.getInt() & 0xFFFFFFFFL;
            case 5 -> (in.getInt() & 0xFFFFFFFFL) / (double) (in.getInt() & 0xFFFFFFFFL);
            case 6 -> in.get();
            case 8 -> in.getShort();
            case 9 -> in.getInt();
            case 10 -> in.getInt() / (double) in.getInt();
            case 11 -> in.getFloat();
            case 12 -> in.getDouble();
            default -> in.getLong();
          };
    }
    return out;
  }

  /** All numbers of a value as integers; what is none counts as 0. */
  public long[] integers(int tag) {
    double[] numbers = numbers(tag);
    long[] out = new long[numbers.length];
    for (int i = 0; i < out.length; i++) {
      out[i] = (long) numbers[i];
    }
    return out;
  }

  /** The first integer of a value. */
  public long integer(int tag, long otherwise) {
    long[] all = integers(tag);
    return all.length == 0 ? otherwise : all[0];
  }

  /** The first number of a value. */
  public double number(int tag, double otherwise) {
    double[] all = numbers(tag);
    return all.length == 0 ? otherwise : all[0];
  }

  // --- making and writing

  /** Adds bytes under a tag. */
  public void put(int tag, byte[] content) {
    fields.put(tag, new Field(BYTES, content.length, content, -1));
  }

  /**
   * Adds the fields and directories that are not there yet; both streams have the same byte order.
   */
  public void addAll(TiffDirectory others) {
    others.fields.forEach(fields::putIfAbsent);
    others.directories.forEach(directories::putIfAbsent);
  }

  /** Another with the fields that are wanted, without directories. */
  public TiffDirectory only(IntPredicate wanted) {
    TiffDirectory out = new TiffDirectory(order);
    fields.forEach(
        (tag, field) -> {
          if (wanted.test(tag)) {
            out.fields.put(tag, field);
          }
        });
    return out;
  }

  /** Lets a tag point to a directory. */
  public void put(int tag, TiffDirectory directory) {
    directories.put(tag, List.of(directory));
  }

  /** A stream of its own with this directory. */
  public byte[] stream() throws IOException {
    ByteBuffer header = ByteBuffer.allocate(8).order(order);
    header.put((byte) (order == ByteOrder.LITTLE_ENDIAN ? 'I' : 'M'));
    header.put(header.get(0));
    header.putShort((short) 42);
    return into(header.array());
  }

  /**
   * A stream with these fields as its directory: written at its end, the start points there. What
   * the old directory pointed to, pixels above all, stays where it is.
   */
  public byte[] into(byte[] tiff) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    out.write(tiff);
    int directory = write(out);
    byte[] file = out.toByteArray();
    ByteBuffer.wrap(file).order(order).putInt(4, directory);
    return file;
  }

  /** Writes what the fields hold, then the directory; says where that begins. */
  private int write(ByteArrayOutputStream out) throws IOException {
    Map<Integer, Field> all = new TreeMap<>(fields);
    for (Map.Entry<Integer, List<TiffDirectory>> e : directories.entrySet()) {
      ByteBuffer pointers = ByteBuffer.allocate(4 * e.getValue().size()).order(order);
      for (TiffDirectory directory : e.getValue()) {
        pointers.putInt(directory.write(out));
      }
      all.put(e.getKey(), new Field(LONG, e.getValue().size(), pointers.array(), -1));
    }
    ByteBuffer directory = ByteBuffer.allocate(2 + all.size() * ENTRY + 4).order(order);
    directory.putShort((short) all.size());
    for (Map.Entry<Integer, Field> e : all.entrySet()) {
      Field f = e.getValue();
      directory.putShort(e.getKey().shortValue());
      directory.putShort((short) f.type());
      directory.putInt(f.count());
      if (f.content().length <= INLINE) {
        directory.put(f.content());
        directory.put(new byte[INLINE - f.content().length]);
      } else {
        directory.putInt(even(out));
        out.write(f.content());
      }
    }
    directory.putInt(0);
    int at = even(out);
    out.write(directory.array());
    return at;
  }

  private static int even(ByteArrayOutputStream out) {
    if (out.size() % 2 == 1) {
      out.write(0);
    }
    return out.size();
  }
}
