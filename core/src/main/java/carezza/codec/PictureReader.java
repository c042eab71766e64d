package carezza.codec;

import java.awt.color.CMMException;
import java.awt.color.ColorSpace;
import java.awt.color.ICC_ColorSpace;
import java.awt.color.ICC_Profile;
import java.awt.image.BufferedImage;
import java.awt.image.ColorModel;
import java.awt.image.ComponentColorModel;
import java.awt.image.IndexColorModel;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Iterator;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

import com.drew.imaging.ImageMetadataReader;
import com.drew.imaging.ImageProcessingException;
import com.drew.metadata.Metadata;
import com.drew.metadata.MetadataException;
import com.drew.metadata.exif.ExifIFD0Directory;
import com.drew.metadata.icc.IccDirectory;

import carezza.colour.WorkingSpace;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;

/** Reads JPEG, PNG and TIFF files into the working space, turned upright by their EXIF orientation. */
public final class PictureReader {

  /** Memory per pixel while reading: the file's raster beside the planes, and room to work. */
  private static final long BYTES_PER_PIXEL = 32;

  private PictureReader() {}

  /**
   * @throws Problem if the file is missing, no picture, damaged or too large for the memory
   */
  public static Photograph read(Path file) throws Problem {
    return decode(bytes(file), file.getFileName().toString());
  }

  /** The bytes of a file. */
  public static byte[] bytes(Path file) throws Problem {
    try {
      if (Files.isDirectory(file)) {
        throw new Problem(Kind.PICTURE_UNKNOWN, file.getFileName());
      }
      return Files.readAllBytes(file);
    } catch (NoSuchFileException e) {
      throw new Problem(e, Kind.FILE_MISSING, file);
    } catch (IOException e) {
      throw new Problem(e, Kind.FILE_UNREADABLE, file, e.getMessage());
    }
  }

  /**
   * Reads a picture from the bytes of its file.
   *
   * @param name the file's name, for messages
   */
  public static Photograph decode(byte[] file, String name) throws Problem {
    FileNotes notes = FileNotes.of(file);
    BufferedImage image = image(file, name);
    int orientation = orientation(file);
    int bits = image.getColorModel().getComponentSize(0);
    ColorSpace space = image.getColorModel().getColorSpace();
    if (!(space instanceof ICC_ColorSpace icc) || icc.isCS_sRGB()) {
      boolean tagged = space instanceof ICC_ColorSpace && hasProfile(file);
      Picture encoded = Rasters.toPlanes(image, orientation);
      return new Photograph(
          WorkingSpace.fromSrgbInPlace(encoded), bits, tagged ? "sRGB" : "sRGB (assumed)", notes);
    }
    ICC_Profile profile = icc.getProfile();
    if (icc.getType() == ColorSpace.TYPE_GRAY && !hasProfile(file)) {
      // Grey without a profile has the curve of sRGB, as untagged colour has.
      Picture encoded = Rasters.toPlanes(image, orientation);
      return new Photograph(WorkingSpace.fromSrgbInPlace(encoded), bits, "sRGB grey (assumed)", notes);
    }
    try {
      if (icc.getType() == ColorSpace.TYPE_RGB && MatrixProfile.describes(profile)) {
        MatrixProfile matrix = MatrixProfile.of(profile);
        Picture encoded = Rasters.toPlanes(image, orientation);
        return new Photograph(matrix.toWorking(encoded), bits, matrix.name(), notes);
      }
      return new Photograph(
          ProfileConversion.toWorking(image, profile, orientation),
          bits,
          ProfileConversion.name(profile), notes);
    } catch (CMMException | IllegalArgumentException e) {
      throw new Problem(e, Kind.PROFILE_UNUSABLE, name);
    }
  }

  /** Whether the file itself brings a profile. */
  private static boolean hasProfile(byte[] file) {
    try {
      return ImageMetadataReader.readMetadata(new ByteArrayInputStream(file))
          .containsDirectoryOfType(IccDirectory.class);
    } catch (ImageProcessingException | IOException e) {
      return false;
    }
  }

  private static BufferedImage image(byte[] file, String name) throws Problem {
    try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(file))) {
      Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
      if (!readers.hasNext()) {
        throw new Problem(Kind.PICTURE_UNKNOWN, name);
      }
      ImageReader reader = readers.next();
      try {
        reader.setInput(in, true, false);
        PictureSize size = new PictureSize(reader.getWidth(0), reader.getHeight(0));
        if (size.pixels() * BYTES_PER_PIXEL > Runtime.getRuntime().maxMemory()) {
          throw new Problem(Kind.PICTURE_TOO_LARGE, name, size.width(), size.height());
        }
        boolean[] damaged = new boolean[1];
        reader.addIIOReadWarningListener((source, warning) -> damaged[0] |= isDamage(warning));
        BufferedImage image = reader.read(0);
        if (damaged[0]) {
          throw new Problem(Kind.PICTURE_DAMAGED, name);
        }
        BufferedImage plain = plain(image);
        return PngProfile.of(reader).map(profile -> tagged(plain, profile)).orElse(plain);
      } finally {
        reader.dispose();
      }
    } catch (IOException | RuntimeException e) {
      throw new Problem(e, Kind.PICTURE_DAMAGED, name);
    }
  }

  /** The same pixels, said to be in the profile's space if that has as many channels. */
  private static BufferedImage tagged(BufferedImage image, ICC_Profile profile) {
    ColorModel model = image.getColorModel();
    if (profile.getNumComponents() != model.getNumColorComponents()
        || !(model instanceof ComponentColorModel)) {
      return image;
    }
    ColorModel said =
        new ComponentColorModel(
            new ICC_ColorSpace(profile),
            model.hasAlpha(),
            model.isAlphaPremultiplied(),
            model.getTransparency(),
            model.getTransferType());
    return new BufferedImage(said, image.getRaster(), model.isAlphaPremultiplied(), null);
  }

  private static boolean isDamage(String warning) {
    String w = warning.toLowerCase(java.util.Locale.ROOT);
    return w.contains("premature") || w.contains("truncated") || w.contains("corrupt");
  }

  private static boolean profiled(BufferedImage image) {
    return image.getColorModel().getColorSpace() instanceof ICC_ColorSpace;
  }

  /** Palette, packed and exotic colour models, and inks without a profile, become 8-bit RGB; the rest stays as it is. */
  private static BufferedImage plain(BufferedImage image) {
    int bands = image.getRaster().getNumBands();
    int type = image.getColorModel().getColorSpace().getType();
    boolean direct =
        !(image.getColorModel() instanceof IndexColorModel)
            && (type == ColorSpace.TYPE_RGB && bands >= 3
                || type == ColorSpace.TYPE_CMYK && profiled(image)
                || type == ColorSpace.TYPE_GRAY && bands <= 2);
    if (direct) {
      return image;
    }
    BufferedImage rgb =
        new BufferedImage(image.getWidth(), image.getHeight(), BufferedImage.TYPE_INT_RGB);
    new java.awt.image.ColorConvertOp(null).filter(image, rgb);
    return rgb;
  }

  /** EXIF orientation 1 … 8; 1 where there is none. */
  private static int orientation(byte[] file) {
    try {
      Metadata metadata = ImageMetadataReader.readMetadata(new ByteArrayInputStream(file));
      ExifIFD0Directory exif = metadata.getFirstDirectoryOfType(ExifIFD0Directory.class);
      if (exif == null || !exif.containsTag(ExifIFD0Directory.TAG_ORIENTATION)) {
        return 1;
      }
      int value = exif.getInt(ExifIFD0Directory.TAG_ORIENTATION);
      return value >= 1 && value <= 8 ? value : 1;
    } catch (ImageProcessingException | MetadataException | IOException e) {
      // A picture whose metadata cannot be read is shown as its pixels lie.
      return 1;
    }
  }
}
