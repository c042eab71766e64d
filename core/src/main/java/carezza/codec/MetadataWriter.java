package carezza.codec;

import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Optional;

import carezza.metadata.IptcRecords;
import carezza.metadata.Metadata;
import carezza.metadata.Metadata.Carried;
import carezza.metadata.TiffDirectory;

/** Puts metadata into files: as segments of a JPEG, chunks of a PNG, fields of a TIFF. */
final class MetadataWriter {

  private static final int LARGEST_SEGMENT = 65533;

  /** Signature and IHDR of a PNG. */
  private static final int PNG_START = 8 + 25;

  private MetadataWriter() {}

  /** A JPEG file with the metadata behind its start; what is too long for a segment is left out. */
  static byte[] intoJpeg(byte[] file, Metadata metadata, Carried what) throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    DataOutputStream out = new DataOutputStream(bytes);
    out.write(file, 0, 2);
    int rest = 2;
    if ((file[3] & 0xFF) == 0xE0) {
      // The JFIF segment stays first.
      rest += 2 + ((file[4] & 0xFF) << 8 | file[5] & 0xFF);
      out.write(file, 2, rest - 2);
    }
    segment(out, JpegSegments.APP1, JpegSegments.EXIF, metadata.exif(what));
    segment(
        out,
        JpegSegments.APP1,
        JpegSegments.XMP,
        metadata.xmp(what).map(x -> x.getBytes(StandardCharsets.UTF_8)));
    segment(
        out,
        JpegSegments.APP13,
        JpegSegments.RESOURCES,
        metadata.iptc(what).map(IptcRecords::resource));
    out.write(file, rest, file.length - rest);
    return bytes.toByteArray();
  }

  private static void segment(
      DataOutputStream out, int marker, byte[] mark, Optional<byte[]> content) throws IOException {
    if (content.isEmpty() || content.get().length + mark.length > LARGEST_SEGMENT) {
      return;
    }
    out.writeByte(0xFF);
    out.writeByte(marker);
    out.writeShort(2 + mark.length + content.get().length);
    out.write(mark);
    out.write(content.get());
  }

  /** A PNG file with EXIF and XMP; PNG has no place for IPTC. */
  static byte[] intoPng(byte[] file, Metadata metadata, Carried what) throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    DataOutputStream out = new DataOutputStream(bytes);
    out.write(file, 0, PNG_START);
    Optional<byte[]> exif = metadata.exif(what);
    if (exif.isPresent()) {
      PngChunks.write(out, "eXIf", exif.get());
    }
    Optional<String> xmp = metadata.xmp(what);
    if (xmp.isPresent()) {
      ByteArrayOutputStream text = new ByteArrayOutputStream();
      text.write(PngChunks.XMP.getBytes(StandardCharsets.US_ASCII));
      // Not compressed, no language, no translated keyword.
      text.write(new byte[5]);
      text.write(xmp.get().getBytes(StandardCharsets.UTF_8));
      PngChunks.write(out, "iTXt", text.toByteArray());
    }
    out.write(file, PNG_START, file.length - PNG_START);
    return bytes.toByteArray();
  }

  /** A TIFF file in the byte order of the metadata, with it in its directory. */
  static byte[] intoTiff(byte[] file, Metadata metadata, Carried what) throws IOException {
    Optional<byte[]> exif = metadata.exif(what);
    Optional<String> xmp = metadata.xmp(what);
    Optional<byte[]> iptc = metadata.iptc(what);
    if (exif.isEmpty() && xmp.isEmpty() && iptc.isEmpty()) {
      return file;
    }
    TiffDirectory fields = TiffDirectory.read(file);
    if (exif.isPresent()) {
      fields.addAll(TiffDirectory.read(exif.get()));
    }
    xmp.ifPresent(x -> fields.put(Metadata.XMP, x.getBytes(StandardCharsets.UTF_8)));
    iptc.ifPresent(i -> fields.put(Metadata.IPTC, i));
    return fields.into(file);
  }
}
