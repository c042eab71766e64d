package carezza.codec;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Map;
import java.util.TreeMap;

/**
 * The first directory of a TIFF stream, and what it points to: read from one stream, put at the end of
 * another. Both have the same byte order.
 */
final class TiffFields {

  private static final int ENTRY = 12;
  private static final int INLINE = 4;
  private static final int EXIF = 0x8769;
  private static final int PLACE = 0x8825;

  /** Bytes of a value by the type's number (TIFF 6.0); 0 for unknown ones. */
  private static final int[] SIZES = {0, 1, 1, 2, 4, 8, 1, 1, 2, 4, 8, 4, 8, 4};

  private static final int BYTES = 1;
  private static final int POINTER = 4;

  private final ByteOrder order;
  private final Map<Integer, Field> fields = new TreeMap<>();

  private TiffFields(ByteOrder order) {
    this.order = order;
  }

  /**
   * @param content raw, in the stream's byte order; null for a directory
   */
  private record Field(int type, int count, byte[] content, TiffFields directory) {}

  static ByteOrder order(byte[] tiff) {
    return tiff[0] == 'I' ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN;
  }

  /**
   * @throws IOException if the stream is not what its directory says
   */
  static TiffFields of(byte[] tiff) throws IOException {
    try {
      ByteBuffer in = ByteBuffer.wrap(tiff).order(order(tiff));
      return read(in, in.getInt(4));
    } catch (IndexOutOfBoundsException e) {
      throw new IOException("A directory points outside the file", e);
    }
  }

  private static TiffFields read(ByteBuffer in, int at) {
    TiffFields out = new TiffFields(in.order());
    int count = in.getShort(at) & 0xFFFF;
    for (int i = 0; i < count; i++) {
      int entry = at + 2 + i * ENTRY;
      int tag = in.getShort(entry) & 0xFFFF;
      int type = in.getShort(entry + 2) & 0xFFFF;
      int values = in.getInt(entry + 4);
      int size = type < SIZES.length ? SIZES[type] * values : 0;
      if (tag == EXIF || tag == PLACE) {
        out.fields.put(tag, new Field(POINTER, 1, null, read(in, in.getInt(entry + 8))));
      } else if (size > 0) {
        byte[] content = new byte[size];
        in.get(size <= INLINE ? entry + 8 : in.getInt(entry + 8), content);
        out.fields.put(tag, new Field(type, values, content, null));
      }
    }
    return out;
  }

  /** Adds bytes under a tag. */
  void put(int tag, byte[] content) {
    fields.put(tag, new Field(BYTES, content.length, content, null));
  }

  /** Adds the fields that are not there yet. */
  void addAll(TiffFields others) {
    others.fields.forEach(fields::putIfAbsent);
  }

  /**
   * The stream with these fields as its directory: written at its end, the start points there. What the
   * old directory pointed to, pixels above all, stays where it is.
   */
  byte[] into(byte[] tiff) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    out.write(tiff);
    int directory = write(out);
    byte[] file = out.toByteArray();
    ByteBuffer.wrap(file).order(order).putInt(4, directory);
    return file;
  }

  /** Writes what the fields hold, then the directory; says where that begins. */
  private int write(ByteArrayOutputStream out) throws IOException {
    ByteBuffer directory = ByteBuffer.allocate(2 + fields.size() * ENTRY + 4).order(order);
    directory.putShort((short) fields.size());
    for (Map.Entry<Integer, Field> e : fields.entrySet()) {
      Field f = e.getValue();
      directory.putShort(e.getKey().shortValue());
      directory.putShort((short) f.type());
      directory.putInt(f.count());
      if (f.directory() != null) {
        directory.putInt(f.directory().write(out));
      } else if (f.content().length <= INLINE) {
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
