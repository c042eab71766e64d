package carezza.codec;

import java.awt.color.CMMException;
import java.awt.color.ColorSpace;
import java.awt.color.ICC_Profile;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.Locale;
import java.util.Set;
import java.util.function.Consumer;

import org.jspecify.annotations.Nullable;

import carezza.codec.Encoded.Model;
import carezza.colour.Lab;
import carezza.colour.WorkingSpace;
import carezza.file.Originals;
import carezza.file.Reason;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.metadata.TiffDirectory;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.profile.ColourTag;
import carezza.profile.ProfileConversion;

/**
 * Reads photographs into the working space, upright: JPEG, PNG, TIFF, WebP, GIF, BMP, DNG, and
 * makers' raw files where the machine can. Everything happens in memory; no file is made.
 */
public final class PictureReader {

  /** Memory per pixel while reading: the file's raster beside the planes, and room to work. */
  private static final long BYTES_PER_PIXEL = 32;

  /** More than any photograph that fits in memory. */
  private static final long LARGEST_FILE = 1L << 30;

  private PictureReader() {}

  /**
   * Reads a photograph, which is never written to from now on.
   *
   * @throws Problem if the file is missing, no picture, damaged or too large for the memory
   */
  public static Photograph read(Path file) throws Problem {
    byte[] bytes = bytes(file);
    Originals.protect(file);
    return decode(bytes, name(file));
  }

  /** A file's name for messages; of a root, the root. */
  public static String name(Path file) {
    return file.getFileName() == null ? file.toString() : file.getFileName().toString();
  }

  /** The bytes of a file. */
  public static byte[] bytes(Path file) throws Problem {
    try {
      if (Files.isDirectory(file)) {
        throw new Problem(Kind.FILE_IS_FOLDER, file);
      }
      if (Files.exists(file) && !Files.isRegularFile(file)) {
        throw new Problem(Kind.PICTURE_UNKNOWN, name(file));
      }
      if (Files.size(file) > LARGEST_FILE) {
        throw new Problem(Kind.FILE_TOO_LARGE, file, LARGEST_FILE >> 20);
      }
      return Files.readAllBytes(file);
    } catch (NoSuchFileException e) {
      throw new Problem(e, Kind.FILE_MISSING, file);
    } catch (IOException e) {
      throw new Problem(e, Kind.FILE_UNREADABLE, file, Reason.of(e));
    } catch (OutOfMemoryError e) {
      throw new Problem(e, Kind.FILE_TOO_LARGE, file, Runtime.getRuntime().maxMemory() >> 20);
    }
  }

  /**
   * Reads a picture from the bytes of its file.
   *
   * @param name the file's name, for messages
   */
  public static Photograph decode(byte[] file, String name) throws Problem {
    return decode(file, name, null);
  }

  /**
   * As above.
   *
   * @param sight sees a large photograph small, in working colours, once it is decoded and before
   *     it is whole; raw ones are not seen. Null where nobody waits
   */
  public static Photograph decode(byte[] file, String name, @Nullable Consumer<Picture> sight)
      throws Problem {
    try {
      return decoded(
          file,
          name,
          sight == null
              ? null
              : small -> sight.accept(converted(small, EnumSet.noneOf(Remark.class)).pixels()));
    } catch (IOException | RuntimeException e) {
      if (PlainPixels.saysUnsupported(e)) {
        throw new Problem(e, Kind.PICTURE_UNSUPPORTED, name, "its decoder does not know it");
      }
      throw new Problem(e, Kind.PICTURE_DAMAGED, name);
    } catch (OutOfMemoryError | StackOverflowError e) {
      throw new Problem(e, Kind.PICTURE_TOO_DEMANDING, name);
    }
  }

  private static Photograph decoded(byte[] file, String name, @Nullable Consumer<Encoded> sight)
      throws IOException, Problem {
    if (TiffDirectory.begins(file)) {
      TiffDirectory root = TiffDirectory.read(file);
      if (RawPixels.isRaw(file, root)) {
        return RawPixels.read(file, root, name);
      }
      return shown(TiffPixels.read(file, root, name), sight);
    }
    if (RawPixels.isRaw(file)) {
      return RawPixels.byMachine(file, name);
    }
    if (PngChunks.begins(file)) {
      return shown(PngPixels.read(file, name), sight);
    }
    if (WebpPixels.begins(file)) {
      return shown(WebpPixels.read(file, name), sight);
    }
    String unread = unread(file);
    if (unread != null) {
      throw new Problem(Kind.PICTURE_UNSUPPORTED, name, unread);
    }
    String start = begin(file, 6);
    if (start.startsWith("GIF87a") || start.startsWith("GIF89a")) {
      return shown(PlainPixels.read("gif", file, name), sight);
    }
    if (start.startsWith("BM") && file.length > 26) {
      return shown(PlainPixels.read("bmp", file, name), sight);
    }
    int jpeg = JpegSegments.start(file);
    if (jpeg < 0) {
      throw new Problem(Kind.PICTURE_UNKNOWN, name);
    }
    return working(JpegPixels.read(file, jpeg, name, sight));
  }

  private static String begin(byte[] file, int length) {
    return new String(file, 0, Math.min(length, file.length), StandardCharsets.ISO_8859_1);
  }

  /** What a picture is that is known but not read; null if it is none of those. */
  private static @Nullable String unread(byte[] file) {
    String start = begin(file, 32);
    if (start.startsWith("ftyp", 4)) {
      String brand = start.substring(8, Math.min(12, start.length()));
      return switch (brand) {
        case "avif", "avis" -> "AVIF";
        case "heic", "heix", "heim", "heis", "hevc", "hevx", "mif1", "msf1" -> "HEIF";
        default -> "a film or a picture in a film's container";
      };
    }
    if (start.startsWith("\0\0\0\fjP  ") || start.startsWith("\u00FFO\u00FFQ")) {
      return "JPEG 2000";
    }
    if (start.startsWith("\0\0\0\fJXL ") || start.startsWith("\u00FF\n")) {
      return "JPEG XL";
    }
    if (start.startsWith("8BPS")) {
      return "a layered file of another program";
    }
    if (start.startsWith("v/1\1")) {
      return "OpenEXR";
    }
    if (start.startsWith("#?RADIANCE") || start.startsWith("#?RGBE")) {
      return "Radiance HDR";
    }
    if (start.startsWith("%PDF")) {
      return "PDF";
    }
    return null;
  }

  /** Says so before memory runs out. */
  static void requireRoom(long width, long height, String name) throws Problem {
    if (width <= 0 || height <= 0 || width > 1 << 20 || height > 1 << 20) {
      throw new Problem(Kind.PICTURE_DAMAGED, name);
    }
    PictureSize size = new PictureSize((int) width, (int) height);
    if (size.pixels() * BYTES_PER_PIXEL > Runtime.getRuntime().maxMemory()) {
      throw new Problem(Kind.PICTURE_TOO_LARGE, name, size.width(), size.height());
    }
  }

  /** Whether a decoder's warning means that part of the picture is lost. */
  static boolean isDamage(String warning) {
    String w = warning.toLowerCase(Locale.ROOT);
    return w.contains("premature") || w.contains("truncated") || w.contains("corrupt");
  }

  // --- colours

  private record Converted(Picture pixels, String profile) {}

  /** In working colours, and small before that. */
  private static Photograph shown(Encoded encoded, @Nullable Consumer<Encoded> sight) {
    FirstSight.of(encoded, sight);
    return working(encoded);
  }

  private static Photograph working(Encoded encoded) {
    Set<Remark> remarks = EnumSet.noneOf(Remark.class);
    remarks.addAll(encoded.remarks());
    Converted converted = converted(encoded, remarks);
    return new Photograph(
        converted.pixels(), encoded.bits(), converted.profile(), encoded.metadata(), remarks, null);
  }

  private static Converted converted(Encoded encoded, Set<Remark> remarks) {
    return switch (encoded.tag()) {
      case ColourTag.Untagged untagged -> assumed(encoded, remarks);
      case ColourTag.Described described when encoded.model() != Model.INKS ->
          new Converted(
              described.profile().toWorking(rgb(encoded.planes())), described.profile().name());
      case ColourTag.Described described -> assumed(encoded, remarks);
      case ColourTag.Embedded embedded -> {
        try {
          ICC_Profile profile = ProfileConversion.parsed(embedded.icc());
          requireFitting(profile, encoded.model());
          // Planes are written over on the way; a profile that fails does so before.
          yield new Converted(
              ProfileConversion.toWorking(encoded.planes(), profile),
              ProfileConversion.name(profile));
        } catch (CMMException | IllegalArgumentException | IllegalStateException e) {
          remarks.add(Remark.PROFILE_UNUSABLE);
          yield assumed(encoded, remarks);
        }
      }
    };
  }

  private static void requireFitting(ICC_Profile profile, Model model) {
    int type = profile.getColorSpaceType();
    boolean fits =
        switch (model) {
          case GREY -> type == ColorSpace.TYPE_GRAY;
          case RGB -> type == ColorSpace.TYPE_RGB;
          case INKS -> type == ColorSpace.TYPE_CMYK;
          case LAB -> false;
        };
    if (!fits) {
      throw new IllegalArgumentException("A profile of other channels");
    }
  }

  /** What the channels mean where nothing usable is said. */
  private static Converted assumed(Encoded encoded, Set<Remark> remarks) {
    return switch (encoded.model()) {
      case GREY ->
          // Grey without a profile has the curve of sRGB, as untagged colour has.
          new Converted(WorkingSpace.fromSrgbInPlace(rgb(encoded.planes())), "sRGB grey (assumed)");
      case RGB ->
          new Converted(WorkingSpace.fromSrgbInPlace(rgb(encoded.planes())), "sRGB (assumed)");
      case INKS -> {
        remarks.add(Remark.INKS_ASSUMED);
        yield new Converted(
            ProfileConversion.toWorking(encoded.planes(), PressProfile.icc()),
            "CMYK, coated paper (assumed)");
      }
      case LAB -> new Converted(ofLab(encoded.planes()), "L*a*b*, D50");
    };
  }

  private static Picture rgb(Plane[] planes) {
    return planes.length == 3
        ? new Picture(planes[0], planes[1], planes[2])
        : new Picture(planes[0], planes[0].copy(), planes[0].copy());
  }

  private static Picture ofLab(Plane[] planes) {
    for (int i = 0; i < planes[0].values().length; i++) {
      planes[0].values()[i] *= 100;
      planes[1].values()[i] = planes[1].values()[i] * 256 - 128;
      planes[2].values()[i] = planes[2].values()[i] * 256 - 128;
    }
    return Lab.toWorking(rgb(planes));
  }
}
