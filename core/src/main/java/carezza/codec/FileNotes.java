package carezza.codec;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteOrder;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

import org.apache.commons.imaging.Imaging;
import org.apache.commons.imaging.common.ImageMetadata;
import org.apache.commons.imaging.formats.jpeg.JpegImageMetadata;
import org.apache.commons.imaging.formats.jpeg.JpegPhotoshopMetadata;
import org.apache.commons.imaging.formats.jpeg.iptc.IptcBlock;
import org.apache.commons.imaging.formats.png.PngImageMetadata;
import org.apache.commons.imaging.formats.tiff.TiffDirectory;
import org.apache.commons.imaging.formats.tiff.TiffField;
import org.apache.commons.imaging.formats.tiff.TiffImageMetadata;
import org.apache.commons.imaging.formats.tiff.constants.TiffDirectoryConstants;
import org.apache.commons.imaging.formats.tiff.taginfos.TagInfo;
import org.apache.commons.imaging.formats.tiff.write.TiffImageWriterLossy;
import org.apache.commons.imaging.formats.tiff.write.TiffOutputDirectory;
import org.apache.commons.imaging.formats.tiff.write.TiffOutputField;
import org.apache.commons.imaging.formats.tiff.write.TiffOutputSet;

/**
 * What a file says about its picture beside the pixels: EXIF, IPTC and XMP. What describes the file rather
 * than the photograph (sizes, orientation, small pictures, makers' own blocks) is left behind, as it would
 * be wrong, or show the person before retouching.
 */
public final class FileNotes {

  /** No notes at all. */
  public static final FileNotes NONE = new FileNotes(null, null, null);

  /** What of the notes goes into a written file. */
  public enum Carried {
    /** Nothing. */
    NOTHING,
    /** All but the place it was taken at. */
    WITHOUT_PLACE,
    /** All. */
    ALL
  }

  /** Description, make, model, software, date, artist, rights. */
  private static final Set<Integer> OF_PHOTOGRAPH =
      Set.of(0x010E, 0x010F, 0x0110, 0x0131, 0x0132, 0x013B, 0x8298);

  /** Maker's block, colour space, width, height, interoperability. */
  private static final Set<Integer> OF_FILE = Set.of(0x927C, 0xA001, 0xA002, 0xA003, 0xA005);

  /** TIFF tags of the two. */
  static final int IPTC = 0x83BB;

  static final int XMP = 0x02BC;

  private static final Pattern XMP_PLACE =
      Pattern.compile(
          "\\s+exif:GPS\\w+\\s*=\\s*(\"[^\"]*\"|'[^']*')|<exif:GPS(\\w+)[^>]*>.*?</exif:GPS\\2>",
          Pattern.DOTALL);
  private static final Pattern XMP_OF_FILE =
      Pattern.compile(
          "\\s+(tiff:Orientation|exif:PixelXDimension|exif:PixelYDimension)\\s*=\\s*\"[^\"]*\""
              + "|<(tiff:Orientation|xmp:Thumbnails|exif:Pixel[XY]Dimension)[^>]*>.*?</\\2>",
          Pattern.DOTALL);

  private final TiffImageMetadata exif;
  private final byte[] iptc;
  private final String xmp;

  private FileNotes(TiffImageMetadata exif, byte[] iptc, String xmp) {
    this.exif = exif;
    this.iptc = iptc;
    this.xmp = xmp;
  }

  /** Of a picture file; what cannot be read is taken for absent. */
  static FileNotes of(byte[] file) {
    TiffImageMetadata exif = null;
    byte[] iptc = null;
    String xmp = null;
    try {
      ImageMetadata all = Imaging.getMetadata(file);
      switch (all) {
        case JpegImageMetadata jpeg -> {
          exif = jpeg.getExif();
          iptc = iptc(jpeg.getPhotoshop());
        }
        case PngImageMetadata png -> exif = png.getExif();
        case TiffImageMetadata tiff -> {
          exif = tiff;
          iptc = bytes(tiff, IPTC);
        }
        case null, default -> exif = null;
      }
      xmp = Imaging.getXmpXml(file);
    } catch (IOException | RuntimeException e) {
      // Damaged notes are no reason not to open the picture.
      return new FileNotes(exif, iptc, xmp);
    }
    return new FileNotes(exif, iptc, xmp);
  }

  private static byte[] iptc(JpegPhotoshopMetadata blocks) {
    if (blocks == null) {
      return null;
    }
    return blocks.photoshopApp13Data.getRawBlocks().stream()
        .filter(IptcBlock::isIptcBlock)
        .map(IptcBlock::getBlockData)
        .findFirst()
        .orElse(null);
  }

  private static byte[] bytes(TiffImageMetadata tiff, int tag) {
    return tiff.getAllFields().stream()
        .filter(f -> f.getTag() == tag)
        .map(TiffField::getByteArrayValue)
        .findFirst()
        .orElse(null);
  }

  /** Whether there is anything to carry over. */
  public boolean isEmpty() {
    return exif == null && iptc == null && xmp == null;
  }

  /** Whether the notes say where the photograph was taken. */
  public boolean tellPlace() {
    return exif != null && exif.findDirectory(TiffDirectoryConstants.DIRECTORY_TYPE_GPS) != null
        || xmp != null && XMP_PLACE.matcher(xmp).find();
  }

  /** Byte order of the EXIF block. */
  ByteOrder order() {
    return exif == null ? ByteOrder.LITTLE_ENDIAN : exif.contents.header.byteOrder;
  }

  /** The EXIF block as a TIFF stream, ready for any container. */
  Optional<byte[]> exif(Carried what) throws IOException {
    if (exif == null || what == Carried.NOTHING) {
      return Optional.empty();
    }
    TiffOutputSet set = new TiffOutputSet(order());
    TiffOutputDirectory root = set.getOrCreateRootDirectory();
    copy(TiffDirectoryConstants.DIRECTORY_TYPE_ROOT, root, OF_PHOTOGRAPH::contains);
    if (exif.findDirectory(TiffDirectoryConstants.DIRECTORY_TYPE_EXIF) != null) {
      copy(
          TiffDirectoryConstants.DIRECTORY_TYPE_EXIF,
          set.getOrCreateExifDirectory(),
          tag -> !OF_FILE.contains(tag));
    }
    if (what == Carried.ALL
        && exif.findDirectory(TiffDirectoryConstants.DIRECTORY_TYPE_GPS) != null) {
      copy(TiffDirectoryConstants.DIRECTORY_TYPE_GPS, set.getOrCreateGpsDirectory(), tag -> true);
    }
    if (set.getDirectories().stream().allMatch(d -> d.getFields().isEmpty())) {
      return Optional.empty();
    }
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    new TiffImageWriterLossy(order()).write(out, set);
    return Optional.of(out.toByteArray());
  }

  private void copy(int directory, TiffOutputDirectory to, java.util.function.IntPredicate wanted)
      throws IOException {
    TiffDirectory from = exif.findDirectory(directory);
    if (from == null) {
      return;
    }
    for (TiffField field : from.getDirectoryEntries()) {
      TagInfo tag = field.getTagInfo();
      if (wanted.test(field.getTag()) && !tag.isOffset()) {
        to.add(
            new TiffOutputField(
                field.getTag(),
                tag,
                field.getFieldType(),
                (int) field.getCount(),
                field.getByteArrayValue()));
      }
    }
  }

  /** IPTC-IIM records. */
  Optional<byte[]> iptc(Carried what) {
    return what == Carried.NOTHING ? Optional.empty() : Optional.ofNullable(iptc);
  }

  /** The XMP packet. */
  Optional<String> xmp(Carried what) {
    if (xmp == null || what == Carried.NOTHING) {
      return Optional.empty();
    }
    String own = XMP_OF_FILE.matcher(xmp).replaceAll("");
    return Optional.of(what == Carried.ALL ? own : XMP_PLACE.matcher(own).replaceAll(""));
  }
}
