package carezza.codec;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.zip.CRC32;
import java.util.zip.InflaterInputStream;

import org.jspecify.annotations.Nullable;

import carezza.metadata.Metadata;

/**
 * The chunks of a PNG file (PNG, third edition, clause 5), taken apart: what the decoder needs, and
 * what is said beside it. Nothing is unpacked beyond {@link Metadata#LARGEST}.
 */
final class PngChunks {

  /** Keyword of the text that holds an XMP packet. */
  static final String XMP = "XML:com.adobe.xmp";

  private static final byte[] SIGNATURE = {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10};
  private static final Set<String> OF_DECODER = Set.of("IHDR", "PLTE", "IDAT", "IEND");
  private static final Set<String> OF_COLOUR =
      Set.of("IHDR", "PLTE", "tRNS", "gAMA", "cHRM", "sRGB", "cICP", "eXIf");

  /** What the decoder needs. */
  final byte[] picture;

  final byte @Nullable [] xmp;

  /** The colour profile; null if there is none, empty if it cannot be unpacked. */
  final byte @Nullable [] profile;

  /** Whether all chunks lie within the file. */
  final boolean whole;

  private final Map<String, byte[]> kept;

  private PngChunks(
      byte[] picture,
      byte @Nullable [] xmp,
      byte @Nullable [] profile,
      boolean whole,
      Map<String, byte[]> kept) {
    this.picture = picture;
    this.xmp = xmp;
    this.profile = profile;
    this.whole = whole;
    this.kept = kept;
  }

  static boolean begins(byte[] file) {
    return file.length > SIGNATURE.length
        && Arrays.equals(file, 0, SIGNATURE.length, SIGNATURE, 0, SIGNATURE.length);
  }

  static PngChunks of(byte[] file) {
    ByteArrayOutputStream picture = new ByteArrayOutputStream(file.length);
    picture.writeBytes(SIGNATURE);
    Map<String, byte[]> kept = new HashMap<>();
    byte[] xmp = null;
    byte[] profile = null;
    boolean whole = true;
    ByteBuffer in = ByteBuffer.wrap(file);
    in.position(SIGNATURE.length);
    while (in.remaining() >= 12) {
      int start = in.position();
      int length = in.getInt();
      byte[] name = new byte[4];
      in.get(name);
      String type = new String(name, StandardCharsets.ISO_8859_1);
      if (length < 0 || length > in.remaining() - 4) {
        whole = false;
        if (type.equals("IDAT")) {
          picture.write(file, start, file.length - start);
        }
        break;
      }
      int at = in.position();
      if (OF_DECODER.contains(type)) {
        picture.write(file, start, length + 12);
      }
      if (OF_COLOUR.contains(type) && length <= Metadata.LARGEST) {
        kept.putIfAbsent(type, Arrays.copyOfRange(file, at, at + length));
      } else if (type.equals("iCCP")) {
        profile = profile(Arrays.copyOfRange(file, at, at + length));
      } else if (type.equals("iTXt") && xmp == null) {
        xmp = xmp(Arrays.copyOfRange(file, at, at + length));
      }
      in.position(at + length + 4);
      if (type.equals("IEND")) {
        break;
      }
    }
    return new PngChunks(picture.toByteArray(), xmp, profile, whole, kept);
  }

  /** The content of a chunk of the colour's or the palette's; null if there is none. */
  byte @Nullable [] get(String type) {
    return kept.get(type);
  }

  /** A name, a zero, the method 0, and the profile, deflated. */
  private static byte[] profile(byte[] content) {
    int name = end(content, 0);
    return name + 2 > content.length ? new byte[0] : inflated(content, name + 2);
  }

  /** Keyword, whether and how deflated, language, translated keyword, text. */
  private static byte @Nullable [] xmp(byte[] content) {
    int key = end(content, 0);
    if (key + 3 > content.length
        || !new String(content, 0, key, StandardCharsets.ISO_8859_1).equals(XMP)) {
      return null;
    }
    boolean deflated = content[key + 1] == 1;
    int language = end(content, key + 3);
    int translated = end(content, Math.min(content.length, language + 1));
    int text = Math.min(content.length, translated + 1);
    return deflated ? inflated(content, text) : Arrays.copyOfRange(content, text, content.length);
  }

  private static int end(byte[] content, int from) {
    int at = from;
    while (at < content.length && content[at] != 0) {
      at++;
    }
    return at;
  }

  /** Unpacked to its end; empty if that is not to be had or further than anything honest. */
  private static byte[] inflated(byte[] content, int from) {
    try (InflaterInputStream in =
        new InflaterInputStream(new ByteArrayInputStream(content, from, content.length - from))) {
      byte[] out = in.readNBytes(Metadata.LARGEST + 1);
      return out.length > Metadata.LARGEST ? new byte[0] : out;
    } catch (IOException e) {
      return new byte[0];
    }
  }

  static void write(DataOutputStream out, String type, byte[] content) throws IOException {
    byte[] name = type.getBytes(StandardCharsets.US_ASCII);
    CRC32 crc = new CRC32();
    crc.update(name);
    crc.update(content);
    out.writeInt(content.length);
    out.write(name);
    out.write(content);
    out.writeInt((int) crc.getValue());
  }
}
