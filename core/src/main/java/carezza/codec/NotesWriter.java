package carezza.codec;

import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.zip.CRC32;

import carezza.codec.FileNotes.Carried;

/** Puts notes into files: as segments of a JPEG, chunks of a PNG, fields of a TIFF. */
final class NotesWriter {

  private static final byte[] EXIF_MARK = {'E', 'x', 'i', 'f', 0, 0};
  private static final byte[] XMP_MARK = ascii("http://ns.adobe.com/xap/1.0/\0");
  private static final byte[] IPTC_MARK = ascii("Photoshop 3.0\0");
  private static final String PNG_XMP = "XML:com.adobe.xmp";
  private static final int APP1 = 0xE1;
  private static final int APP13 = 0xED;
  private static final int LARGEST_SEGMENT = 65533;

  /** Signature and IHDR of a PNG. */
  private static final int PNG_START = 8 + 25;

  private NotesWriter() {}

  private static byte[] ascii(String words) {
    return words.getBytes(StandardCharsets.US_ASCII);
  }

  /** A JPEG file with the notes behind its start; those too long for a segment are left out. */
  static byte[] intoJpeg(byte[] file, FileNotes notes, Carried what) throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    DataOutputStream out = new DataOutputStream(bytes);
    out.write(file, 0, 2);
    int rest = 2;
    if ((file[3] & 0xFF) == 0xE0) {
      // The JFIF segment stays first.
      rest += 2 + ((file[4] & 0xFF) << 8 | file[5] & 0xFF);
      out.write(file, 2, rest - 2);
    }
    segment(out, APP1, EXIF_MARK, notes.exif(what));
    segment(
        out, APP1, XMP_MARK, notes.xmp(what).map(x -> x.getBytes(StandardCharsets.UTF_8)));
    segment(out, APP13, IPTC_MARK, notes.iptc(what).map(NotesWriter::resource));
    out.write(file, rest, file.length - rest);
    return bytes.toByteArray();
  }

  private static void segment(
      DataOutputStream out, int marker, byte[] mark, Optional<byte[]> content)
      throws IOException {
    if (content.isEmpty() || content.get().length + mark.length > LARGEST_SEGMENT) {
      return;
    }
    out.writeByte(0xFF);
    out.writeByte(marker);
    out.writeShort(2 + mark.length + content.get().length);
    out.write(mark);
    out.write(content.get());
  }

  /** IPTC records as the resource that readers look for them in. */
  private static byte[] resource(byte[] records) {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (DataOutputStream out = new DataOutputStream(bytes)) {
      out.writeBytes("8BIM");
      out.writeShort(0x0404);
      out.writeShort(0);
      out.writeInt(records.length);
      out.write(records);
      if (records.length % 2 == 1) {
        out.writeByte(0);
      }
    } catch (IOException e) {
      throw new IllegalStateException("Writing to memory", e);
    }
    return bytes.toByteArray();
  }

  /** A PNG file with EXIF and XMP; PNG has no place for IPTC. */
  static byte[] intoPng(byte[] file, FileNotes notes, Carried what) throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    DataOutputStream out = new DataOutputStream(bytes);
    out.write(file, 0, PNG_START);
    Optional<byte[]> exif = notes.exif(what);
    if (exif.isPresent()) {
      chunk(out, "eXIf", exif.get());
    }
    Optional<String> xmp = notes.xmp(what);
    if (xmp.isPresent()) {
      ByteArrayOutputStream text = new ByteArrayOutputStream();
      text.write(ascii(PNG_XMP));
      // Not compressed, no language, no translated keyword.
      text.write(new byte[5]);
      text.write(xmp.get().getBytes(StandardCharsets.UTF_8));
      chunk(out, "iTXt", text.toByteArray());
    }
    out.write(file, PNG_START, file.length - PNG_START);
    return bytes.toByteArray();
  }

  private static void chunk(DataOutputStream out, String type, byte[] content)
      throws IOException {
    byte[] name = ascii(type);
    CRC32 crc = new CRC32();
    crc.update(name);
    crc.update(content);
    out.writeInt(content.length);
    out.write(name);
    out.write(content);
    out.writeInt((int) crc.getValue());
  }

  /** A TIFF file in the byte order of the notes, with them in its directory. */
  static byte[] intoTiff(byte[] file, FileNotes notes, Carried what) throws IOException {
    Optional<byte[]> exif = notes.exif(what);
    Optional<String> xmp = notes.xmp(what);
    Optional<byte[]> iptc = notes.iptc(what);
    if (exif.isEmpty() && xmp.isEmpty() && iptc.isEmpty()) {
      return file;
    }
    TiffFields fields = TiffFields.of(file);
    if (exif.isPresent()) {
      fields.addAll(TiffFields.of(exif.get()));
    }
    xmp.ifPresent(x -> fields.put(FileNotes.XMP, x.getBytes(StandardCharsets.UTF_8)));
    iptc.ifPresent(i -> fields.put(FileNotes.IPTC, i));
    return fields.into(file);
  }
}
