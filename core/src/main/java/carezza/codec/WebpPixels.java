package carezza.codec;

import java.awt.image.Raster;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.Set;

import org.jspecify.annotations.Nullable;

import carezza.codec.Encoded.Model;
import carezza.codec.Rasters.Layout;
import carezza.image.Plane;
import carezza.metadata.Metadata;
import carezza.metadata.TiffDirectory;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.profile.ColourTag;

/**
 * WebP files (RFC 9649): samples from a library's decoder, which is not shown what is said beside
 * them.
 */
final class WebpPixels {

  private static final int CHUNKS = 12;
  private static final byte[] EXIF_MARK = {'E', 'x', 'i', 'f', 0, 0};

  /** Profile, EXIF and XMP among the flags of VP8X. */
  private static final int SAID = 0x20 | 0x08 | 0x04;

  private WebpPixels() {}

  static boolean begins(byte[] file) {
    return file.length > CHUNKS && word(file, 0).equals("RIFF") && word(file, 8).equals("WEBP");
  }

  private static String word(byte[] file, int at) {
    return new String(file, at, 4, StandardCharsets.ISO_8859_1);
  }

  static Encoded read(byte[] file, String name) throws IOException, Problem {
    ByteBuffer in = ByteBuffer.wrap(file).order(ByteOrder.LITTLE_ENDIAN);
    ByteArrayOutputStream picture = new ByteArrayOutputStream(file.length);
    picture.write(file, 0, CHUNKS);
    byte[] profile = null;
    byte[] exif = null;
    byte[] xmp = null;
    int at = CHUNKS;
    while (at + 8 <= file.length) {
      String type = word(file, at);
      int length = in.getInt(at + 4);
      int end = at + 8 + length + (length & 1);
      if (length < 0 || end < 0 || at + 8 + length > file.length) {
        throw new Problem(Kind.PICTURE_DAMAGED, name);
      }
      byte[] content = Arrays.copyOfRange(file, at + 8, at + 8 + length);
      switch (type) {
        case "ICCP" -> profile = content;
        case "EXIF" -> exif = content;
        case "XMP " -> xmp = content;
        default -> {
          if (type.equals("VP8X") && length >= 1) {
            content[0] &= ~SAID;
          }
          picture.write(file, at, 8);
          picture.write(content);
          if ((length & 1) == 1) {
            picture.write(0);
          }
        }
      }
      at = end;
    }
    byte[] bare = picture.toByteArray();
    ByteBuffer.wrap(bare).order(ByteOrder.LITTLE_ENDIAN).putInt(4, bare.length - 8);
    Set<Remark> remarks = EnumSet.noneOf(Remark.class);
    Metadata metadata = Metadata.of(directory(exif, remarks), null, xmp);
    Plane[] planes = planes(bare, metadata.orientation(), remarks, name);
    return new Encoded(Model.RGB, planes, 8, ColourTag.of(profile), metadata, remarks);
  }

  private static @Nullable TiffDirectory directory(byte @Nullable [] exif, Set<Remark> remarks) {
    if (exif == null) {
      return null;
    }
    boolean marked =
        exif.length > EXIF_MARK.length
            && Arrays.equals(exif, 0, EXIF_MARK.length, EXIF_MARK, 0, EXIF_MARK.length);
    try {
      return TiffDirectory.read(
          marked ? Arrays.copyOfRange(exif, EXIF_MARK.length, exif.length) : exif);
    } catch (IOException | RuntimeException e) {
      remarks.add(Remark.UNTIDY);
      return null;
    }
  }

  private static Plane[] planes(byte[] bare, int turn, Set<Remark> remarks, String name)
      throws IOException, Problem {
    return PlainPixels.with(
        "webp",
        false,
        bare,
        reader -> {
          PictureReader.requireRoom(reader.getWidth(0), reader.getHeight(0), name);
          Raster raster = reader.read(0).getRaster();
          boolean opacity = raster.getNumBands() == 4;
          if (opacity && Rasters.anyTransparent(raster, 3, 255)) {
            remarks.add(Remark.ON_WHITE);
          }
          return Rasters.planes(raster, new Layout(255, 3, opacity ? 3 : -1, false, 1, turn));
        });
  }
}
