package carezza.codec;

import java.awt.Image;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Iterator;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageTypeSpecifier;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.metadata.IIOInvalidTreeException;
import javax.imageio.metadata.IIOMetadata;
import javax.imageio.metadata.IIOMetadataNode;
import javax.imageio.stream.ImageOutputStream;
import javax.imageio.stream.MemoryCacheImageOutputStream;

import org.w3c.dom.NodeList;

import carezza.file.AtomicFile;
import carezza.file.Reason;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.metadata.Metadata;
import carezza.metadata.Metadata.Carried;
import carezza.problem.Problem;

/** Writes working-space pictures, with their colour profile in the file. */
public final class PictureWriter {

  private static final String JPEG_TREE = "javax_imageio_jpeg_image_1.0";

  /** Of 0 … 1: files an eighth larger than at 1, in less than half of the time. */
  static final float TIFF_EFFORT = 0.2f;

  private PictureWriter() {}

  /**
   * How to write.
   *
   * @param quality JPEG quality 1 … 100; others ignore it
   * @param bits 8 or 16 per channel; JPEG always has 8
   * @param colour colour space of the file
   * @param metadata what is known of the photograph
   * @param carried how much of that goes into the file
   */
  public record Settings(
      PictureFormat format,
      int quality,
      int bits,
      OutputColour colour,
      Metadata metadata,
      Carried carried) {

    /** Without metadata; colours as they are as far as the space holds them. */
    public Settings(PictureFormat format, int quality, int bits, OutputProfile profile) {
      this(format, quality, bits, OutputColour.of(profile), Metadata.NONE, Carried.NOTHING);
    }

    public Settings {
      if (quality < 1 || quality > 100 || (bits != 8 && bits != 16)) {
        throw new IllegalArgumentException("quality " + quality + ", bits " + bits);
      }
    }
  }

  /** Writes the file whole or not at all. */
  public static void write(Picture working, AtomicFile file, Settings settings) throws Problem {
    byte[] bytes = encode(working, settings, PictureReader.name(file.path()));
    file.write(out -> out.write(bytes));
  }

  /** Writes one plane, 0 … 1, as a grey PNG of eight bits: whole or not at all. */
  public static void writeGrey(Plane plane, AtomicFile file) throws Problem {
    int w = plane.width();
    BufferedImage image = new BufferedImage(w, plane.height(), BufferedImage.TYPE_BYTE_GRAY);
    int[] row = new int[w];
    for (int y = 0; y < plane.height(); y++) {
      for (int x = 0; x < w; x++) {
        row[x] = Math.round(255 * Math.clamp(plane.values()[y * w + x], 0f, 1f));
      }
      image.getRaster().setPixels(0, y, w, 1, row);
    }
    file.write(out -> out.write(encoded(image)));
  }

  private static byte[] encoded(BufferedImage image) throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (ImageOutputStream out = new MemoryCacheImageOutputStream(bytes)) {
      ImageIO.write(image, "png", out);
    }
    return bytes.toByteArray();
  }

  /** The bytes of the file; {@code name} is for messages. */
  public static byte[] encode(Picture working, Settings settings, String name) throws Problem {
    int bits = settings.format() == PictureFormat.JPEG ? 8 : settings.bits();
    OutputProfile profile = settings.colour().profile();
    if (profile.inks() && settings.format() != PictureFormat.TIFF) {
      throw new Problem(Problem.Kind.INKS_NEED_TIFF, name);
    }
    BufferedImage image = Rasters.toImage(settings.colour().encoded(working), profile.icc(), bits);
    ImageWriter writer = writer(settings.format());
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (ImageOutputStream out = new MemoryCacheImageOutputStream(bytes)) {
      writer.setOutput(out);
      ImageWriteParam param = writer.getDefaultWriteParam();
      IIOMetadata metadata = null;
      switch (settings.format()) {
        case JPEG -> {
          param.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
          param.setCompressionQuality(settings.quality() / 100f);
          metadata = fullChroma(writer, image, param);
        }
        case TIFF -> {
          param.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
          param.setCompressionType("Deflate");
          param.setCompressionQuality(TIFF_EFFORT);
          out.setByteOrder(settings.metadata().order());
        }
        case PNG -> metadata = PngProfile.metadata(writer, image, param, profile);
      }
      writer.write(null, new IIOImage(image, null, metadata), param);
    } catch (IOException e) {
      throw new Problem(e, Problem.Kind.FILE_NOT_WRITTEN, name, Reason.of(e));
    } finally {
      writer.dispose();
    }
    try {
      return switch (settings.format()) {
        case JPEG ->
            MetadataWriter.intoJpeg(bytes.toByteArray(), settings.metadata(), settings.carried());
        case PNG ->
            MetadataWriter.intoPng(bytes.toByteArray(), settings.metadata(), settings.carried());
        case TIFF ->
            MetadataWriter.intoTiff(bytes.toByteArray(), settings.metadata(), settings.carried());
      };
    } catch (IOException e) {
      throw new Problem(e, Problem.Kind.FILE_NOT_WRITTEN, name, Reason.of(e));
    }
  }

  /** The writer that comes with Java: for TIFF it is the one that packs 16 bits. */
  static ImageWriter writer(PictureFormat format) {
    Iterator<ImageWriter> writers = ImageIO.getImageWritersByFormatName(format.writer());
    ImageWriter writer = writers.next();
    while (writers.hasNext() && writer.getClass().getModule() != Image.class.getModule()) {
      writer = writers.next();
    }
    return writer;
  }

  /** JPEG metadata that asks for 4:4:4: as many samples of colour as of lightness. */
  private static IIOMetadata fullChroma(
      ImageWriter writer, BufferedImage image, ImageWriteParam param)
      throws IIOInvalidTreeException {
    IIOMetadata metadata = writer.getDefaultImageMetadata(new ImageTypeSpecifier(image), param);
    IIOMetadataNode root = (IIOMetadataNode) metadata.getAsTree(JPEG_TREE);
    NodeList components = root.getElementsByTagName("componentSpec");
    for (int i = 0; i < components.getLength(); i++) {
      IIOMetadataNode component = (IIOMetadataNode) components.item(i);
      component.setAttribute("HsamplingFactor", "1");
      component.setAttribute("VsamplingFactor", "1");
    }
    metadata.setFromTree(JPEG_TREE, root);
    return metadata;
  }
}
