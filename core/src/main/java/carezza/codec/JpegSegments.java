package carezza.codec;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Map;
import java.util.TreeMap;

import org.jspecify.annotations.Nullable;

import carezza.metadata.IptcRecords;
import carezza.metadata.Metadata;

/**
 * The segments of a JPEG file (ITU-T T.81, annex B), taken apart: what the decoder needs, and what
 * is said beside it. The decoder is never shown the latter, so that nothing in it can stop or
 * mislead it.
 */
final class JpegSegments {

  static final int APP1 = 0xE1;
  static final int APP13 = 0xED;
  static final byte[] EXIF = {'E', 'x', 'i', 'f', 0, 0};
  static final byte[] XMP = ascii("http://ns.adobe.com/xap/1.0/\0");
  static final byte[] RESOURCES = ascii("Photoshop 3.0\0");

  private static final int APP2 = 0xE2;
  private static final int APP14 = 0xEE;
  private static final byte[] PROFILE = ascii("ICC_PROFILE\0");
  private static final byte[] ADOBE = ascii("Adobe");
  private static final byte[] JFIF = ascii("JFIF\0");

  private static final int START_OF_SCAN = 0xDA;
  private static final int COMMENT = 0xFE;

  /** Bytes that may lie before the start; some mail programs and cards leave a few. */
  private static final int MOST_JUNK = 4096;

  /** Bytes of the decoder's own segments, and all from the first scan on. */
  final byte[] picture;

  final byte @Nullable [] exif;
  final byte @Nullable [] xmp;
  final byte @Nullable [] resources;

  /** The colour profile; null if there is none, empty if its parts do not fit together. */
  final byte @Nullable [] profile;

  /** The number in the last of the frame's marks, 0xC0 … 0xCF; 0 if there is none. */
  final int frame;

  final int precision;
  final int width;
  final int height;

  /** Identifiers of the frame's components. */
  final byte[] components;

  /** What APP14 says of colour: 0 as they are, 1 YCbCr, 2 YCCK; −1 if it says nothing. */
  final int transform;

  final boolean jfif;

  /** Whether something was passed over that should not be there. */
  final boolean untidy;

  private JpegSegments(Walk walk) {
    picture = walk.kept.toByteArray();
    exif = walk.exif;
    xmp = walk.xmp;
    resources = walk.resources;
    profile = walk.profile();
    frame = walk.frame;
    precision = walk.precision;
    width = walk.width;
    height = walk.height;
    components = walk.components;
    transform = walk.transform;
    jfif = walk.jfif;
    untidy = walk.untidy;
  }

  private static byte[] ascii(String words) {
    return words.getBytes(StandardCharsets.US_ASCII);
  }

  /** Where a JPEG picture starts, within the first few bytes; −1 if it does not. */
  static int start(byte[] file) {
    for (int i = 0; i < Math.min(MOST_JUNK, file.length - 2); i++) {
      boolean mark = file[i] == (byte) 0xFF && file[i + 1] == (byte) 0xD8;
      if (mark && (i == 0 || file[i + 2] == (byte) 0xFF)) {
        return i;
      }
    }
    return -1;
  }

  static JpegSegments of(byte[] file, int start) {
    Walk walk = new Walk(file, start);
    walk.run();
    return new JpegSegments(walk);
  }

  private static final class Walk {
    private final byte[] file;
    private final ByteArrayOutputStream kept;
    private final Map<Integer, byte[]> profileParts = new TreeMap<>();
    private int profileCount;
    private long profileLength;
    private int at;
    private byte @Nullable [] exif;
    private byte @Nullable [] xmp;
    private byte @Nullable [] resources;
    private int frame;
    private int precision;
    private int width;
    private int height;
    private byte[] components = {};
    private int transform = -1;
    private boolean jfif;
    private boolean untidy;

    Walk(byte[] file, int start) {
      this.file = file;
      at = start;
      untidy = start > 0;
      kept = new ByteArrayOutputStream(file.length);
    }

    private int u8(int i) {
      return file[i] & 0xFF;
    }

    private int u16(int i) {
      return u8(i) << 8 | u8(i + 1);
    }

    void run() {
      kept.write(file, at, 2);
      at += 2;
      while (at + 4 <= file.length) {
        if (u8(at) != 0xFF) {
          untidy = true;
          at++;
        } else if (u8(at + 1) == 0xFF || u8(at + 1) == 0 || u8(at + 1) == 1) {
          // Fill bytes, and marks without a segment.
          at += u8(at + 1) == 0xFF ? 1 : 2;
        } else if (u8(at + 1) == START_OF_SCAN) {
          kept.write(file, at, file.length - at);
          return;
        } else {
          segment(u8(at + 1), u16(at + 2));
        }
      }
    }

    private void segment(int mark, int length) {
      if (mark == 0xD8 || mark == 0xD9 || mark >= 0xD0 && mark <= 0xD7 || length < 2) {
        untidy = true;
        at += 2;
        return;
      }
      int end = at + 2 + length;
      boolean beside = mark >= 0xE0 && mark <= 0xEF || mark == COMMENT;
      if (end > file.length) {
        // A segment of words that is too long is passed over; one the decoder needs is for it to
        // miss.
        untidy = true;
        if (!beside) {
          kept.write(file, at, file.length - at);
          at = file.length;
        } else {
          at += 2;
        }
        return;
      }
      if (beside) {
        said(mark, Arrays.copyOfRange(file, at + 4, end));
      } else {
        if (mark >= 0xC0 && mark <= 0xCF && mark != 0xC4 && mark != 0xC8 && mark != 0xCC) {
          frame(mark, length);
        }
        kept.write(file, at, 2 + length);
      }
      at = end;
    }

    private void frame(int mark, int length) {
      if (length < 8) {
        return;
      }
      frame = mark;
      precision = u8(at + 4);
      height = u16(at + 5);
      width = u16(at + 7);
      int count = Math.min(u8(at + 9), (length - 8) / 3);
      components = new byte[count];
      for (int i = 0; i < count; i++) {
        components[i] = file[at + 10 + 3 * i];
      }
    }

    private void said(int mark, byte[] content) {
      if (mark == APP1 && begins(content, EXIF)) {
        exif = exif == null ? rest(content, EXIF.length) : exif;
      } else if (mark == APP1 && begins(content, XMP)) {
        xmp = xmp == null ? rest(content, XMP.length) : xmp;
      } else if (mark == APP2 && begins(content, PROFILE)) {
        profilePart(content);
      } else if (mark == APP13 && begins(content, RESOURCES)) {
        resources = resources == null ? rest(content, RESOURCES.length) : resources;
      } else if (mark == APP14 && begins(content, ADOBE)) {
        if (content.length >= 12) {
          transform = content[11] & 0xFF;
        } else {
          untidy = true;
        }
      } else if (mark == 0xE0 && begins(content, JFIF)) {
        jfif = true;
      }
    }

    /** Parts are numbered from 1 (ICC.1, annex B.4). */
    private void profilePart(byte[] content) {
      int head = PROFILE.length + 2;
      if (content.length < head) {
        untidy = true;
        return;
      }
      profileCount = content[PROFILE.length + 1] & 0xFF;
      profileLength += content.length - head;
      if (profileLength <= Metadata.LARGEST) {
        profileParts.putIfAbsent(content[PROFILE.length] & 0xFF, rest(content, head));
      }
    }

    private byte @Nullable [] profile() {
      if (profileCount == 0 && profileParts.isEmpty()) {
        return null;
      }
      ByteArrayOutputStream whole = new ByteArrayOutputStream();
      for (int i = 1; i <= profileCount; i++) {
        byte[] part = profileParts.get(i);
        if (part == null) {
          return new byte[0];
        }
        whole.writeBytes(part);
      }
      return whole.toByteArray();
    }

    private static boolean begins(byte[] content, byte[] mark) {
      return content.length >= mark.length
          && Arrays.equals(content, 0, mark.length, mark, 0, mark.length);
    }

    private static byte[] rest(byte[] content, int from) {
      return Arrays.copyOfRange(content, from, content.length);
    }
  }

  /** IPTC records; null if there are none. */
  byte @Nullable [] iptc() {
    return resources == null ? null : IptcRecords.ofResources(resources);
  }
}
