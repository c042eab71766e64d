package carezza.metadata;

import java.io.IOException;
import java.nio.ByteOrder;
import java.util.Optional;
import java.util.Set;

import org.jspecify.annotations.Nullable;

/**
 * What a file says about its picture beside the pixels: EXIF, IPTC and XMP. What describes the file
 * rather than the photograph (sizes, orientation, small pictures, makers' own blocks) is never
 * passed on, as it would be wrong, or show the person before retouching.
 */
public final class Metadata {

  /** Nothing at all. */
  public static final Metadata NONE = new Metadata(null, null, null, false);

  /** Bytes of each kind that are read at most; what is longer counts as absent. */
  public static final int LARGEST = 1 << 24;

  /** What of it goes into a written file. */
  public enum Carried {
    /** Nothing. */
    NOTHING,
    /** What is known to name neither the place it was taken at nor the body it was taken with. */
    WITHOUT_PLACE,
    /** All. */
    ALL
  }

  /**
   * Tags of a TIFF directory that hold the other two kinds, and resources that hold one of them.
   */
  public static final int IPTC = 0x83BB;

  public static final int XMP = 0x02BC;
  public static final int RESOURCES = 0x8649;

  private static final int ORIENTATION = 0x0112;

  /** Description, make, model, software, date, artist, rights. */
  private static final Set<Integer> OF_PHOTOGRAPH =
      Set.of(0x010E, 0x010F, 0x0110, 0x0131, 0x0132, 0x013B, 0x8298);

  /** Maker's block, colour space, width, height, sound, interoperability. */
  private static final Set<Integer> OF_FILE =
      Set.of(0x927C, 0xA001, 0xA002, 0xA003, 0xA004, 0xA005);

  /**
   * Of the EXIF directory what says how the picture was taken: exposure, lens and dates (EXIF 2.32,
   * table 8), but not free words, owner or numbers of body and lens.
   */
  private static final Set<Integer> OF_TAKING =
      Set.of(
          0x829A, 0x829D, 0x8822, 0x8824, 0x8827, 0x8830, 0x8831, 0x8832, 0x8833, 0x8834, 0x8835,
          0x9000, 0x9003, 0x9004, 0x9010, 0x9011, 0x9012, 0x9201, 0x9202, 0x9203, 0x9204, 0x9205,
          0x9206, 0x9207, 0x9208, 0x9209, 0x920A, 0x9290, 0x9291, 0x9292, 0xA20B, 0xA215, 0xA217,
          0xA300, 0xA301, 0xA401, 0xA402, 0xA403, 0xA404, 0xA405, 0xA406, 0xA407, 0xA408, 0xA409,
          0xA40A, 0xA40C, 0xA432, 0xA433, 0xA434);

  /**
   * Of IPTC's application record all that names no place (IIM 4.2, chapter 6): version, title,
   * categories, keywords, instructions, dates, author, headline, credit, source, rights, caption,
   * its writer.
   */
  private static final Set<Integer> OF_APPLICATION =
      Set.of(
          0, 3, 4, 5, 7, 8, 10, 12, 15, 20, 22, 25, 30, 35, 37, 38, 40, 55, 60, 62, 63, 65, 70, 75,
          80, 85, 103, 105, 110, 115, 116, 120, 122, 130, 131, 135);

  /** Which letters the records are written in. */
  private static final int CODED_CHARACTERS = IptcRecords.id(1, 90);

  private final @Nullable TiffDirectory exif;
  private final byte @Nullable [] iptc;
  private final byte @Nullable [] xmp;
  private final boolean retouched;

  private Metadata(
      @Nullable TiffDirectory exif,
      byte @Nullable [] iptc,
      byte @Nullable [] xmp,
      boolean retouched) {
    this.exif = exif;
    this.iptc = iptc;
    this.xmp = xmp;
    this.retouched = retouched;
  }

  /**
   * @param exif the root directory, or null
   * @param iptc records, or null
   * @param xmp a packet, or null
   */
  public static Metadata of(
      @Nullable TiffDirectory exif, byte @Nullable [] iptc, byte @Nullable [] xmp) {
    return new Metadata(exif, bounded(iptc), bounded(xmp), false);
  }

  /** Of a directory that holds all three kinds, as TIFF files do. */
  public static Metadata of(TiffDirectory root) {
    byte[] iptc =
        root.has(IPTC) ? root.bytes(IPTC) : IptcRecords.ofResources(root.bytes(RESOURCES));
    return of(root, iptc, root.has(XMP) ? root.bytes(XMP) : null);
  }

  private static byte @Nullable [] bounded(byte @Nullable [] bytes) {
    return bytes == null || bytes.length == 0 || bytes.length > LARGEST ? null : bytes;
  }

  /**
   * The same, and the fact that a person retouched the picture: IPTC's digital source type, which
   * is written whatever else is carried.
   */
  public Metadata retouched() {
    return new Metadata(exif, iptc, xmp, true);
  }

  /** Whether there is anything to pass on. */
  public boolean isEmpty() {
    return exif == null && iptc == null && xmp == null && !retouched;
  }

  /** How the picture is turned, 1 … 8, as EXIF or else XMP says; 1 is upright. */
  public int orientation() {
    if (exif != null && exif.has(ORIENTATION)) {
      long value = exif.integer(ORIENTATION, 1);
      return value >= 1 && value <= 8 ? (int) value : 1;
    }
    return xmp == null ? 1 : XmpPolicy.orientation(xmp);
  }

  /** Byte order of the EXIF block. */
  public ByteOrder order() {
    return exif == null ? ByteOrder.LITTLE_ENDIAN : exif.order();
  }

  /** The EXIF block as a TIFF stream, ready for any container. */
  public Optional<byte[]> exif(Carried what) throws IOException {
    if (exif == null || what == Carried.NOTHING) {
      return Optional.empty();
    }
    boolean all = what == Carried.ALL;
    TiffDirectory root = exif.only(OF_PHOTOGRAPH::contains);
    inner(exif, root, TiffDirectory.EXIF, all);
    if (all) {
      inner(exif, root, TiffDirectory.PLACE, true);
    }
    return root.isEmpty() ? Optional.empty() : Optional.of(root.stream());
  }

  private static void inner(TiffDirectory from, TiffDirectory root, int tag, boolean all) {
    for (TiffDirectory given : from.inner(tag)) {
      TiffDirectory part = given.only(t -> all ? !OF_FILE.contains(t) : OF_TAKING.contains(t));
      if (!part.isEmpty()) {
        root.put(tag, part);
      }
    }
  }

  /** IPTC-IIM records. */
  public Optional<byte[]> iptc(Carried what) {
    if (iptc == null || what == Carried.NOTHING) {
      return Optional.empty();
    }
    byte[] passed =
        IptcRecords.only(
            iptc,
            id ->
                what == Carried.ALL
                    || id == CODED_CHARACTERS
                    || id / 256 == 2 && OF_APPLICATION.contains(id % 256));
    return passed.length == 0 ? Optional.empty() : Optional.of(passed);
  }

  /** The XMP packet. */
  public Optional<String> xmp(Carried what) {
    Optional<String> passed =
        xmp == null || what == Carried.NOTHING
            ? Optional.empty()
            : XmpPolicy.passed(xmp, what == Carried.ALL);
    return retouched ? Optional.of(XmpPolicy.retouched(passed)) : passed;
  }
}
