package carezza.metadata;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.util.function.IntPredicate;

import org.jspecify.annotations.Nullable;

/**
 * IPTC-IIM datasets (IIM 4.2, chapter 1.5): each a mark, its record, its number, its length, its
 * content.
 */
public final class IptcRecords {

  private static final byte MARK = 0x1C;
  private static final int HEADER = 5;

  /** A length of more than fifteen bits follows the header. */
  private static final int LONG_FORM = 0x8000;

  private IptcRecords() {}

  /** Record and number of a dataset as one: record x 256 + number. */
  static int id(int record, int number) {
    return record * 256 + number;
  }

  /**
   * The datasets that are wanted, as they lie; what follows one that cannot be read is left out.
   */
  static byte[] only(byte[] records, IntPredicate wanted) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    int at = 0;
    while (at + HEADER <= records.length && records[at] == MARK) {
      int length = (records[at + 3] & 0xFF) << 8 | records[at + 4] & 0xFF;
      int head = HEADER;
      if (length >= LONG_FORM) {
        int digits = length - LONG_FORM;
        if (digits > 4 || at + head + digits > records.length) {
          break;
        }
        length = 0;
        for (int i = 0; i < digits; i++) {
          length = length << 8 | records[at + head + i] & 0xFF;
        }
        head += digits;
      }
      if (length < 0 || length > records.length - at - head) {
        break;
      }
      if (wanted.test(id(records[at + 1] & 0xFF, records[at + 2] & 0xFF))) {
        out.write(records, at, head + length);
      }
      at += head + length;
    }
    return out.toByteArray();
  }

  /** Number of the resource that holds the records. */
  private static final int RESOURCE = 0x0404;

  private static final int RESOURCE_MARK = 0x3842494D;

  /**
   * The records within a list of image resources: each the mark {@code 8BIM}, a number, a name and
   * the content, both padded to even lengths.
   *
   * @return null if there are none
   */
  public static byte @Nullable [] ofResources(byte[] resources) {
    ByteBuffer in = ByteBuffer.wrap(resources);
    while (in.remaining() >= 12 && in.getInt() == RESOURCE_MARK) {
      int number = in.getShort() & 0xFFFF;
      int name = in.get() & 0xFF;
      int skipped = name + (name + 1) % 2;
      if (in.remaining() < skipped + 4) {
        return null;
      }
      in.position(in.position() + skipped);
      int length = in.getInt();
      if (length < 0 || length > in.remaining()) {
        return null;
      }
      byte[] content = new byte[length];
      in.get(content);
      if (number == RESOURCE) {
        return content;
      }
      if (length % 2 == 1 && in.hasRemaining()) {
        in.get();
      }
    }
    return null;
  }

  /** Records as the resource that readers look for them in. */
  public static byte[] resource(byte[] records) {
    ByteBuffer out = ByteBuffer.allocate(12 + records.length + records.length % 2);
    out.putInt(RESOURCE_MARK).putShort((short) RESOURCE).putShort((short) 0);
    out.putInt(records.length).put(records);
    return out.array();
  }
}
