package carezza.codec;

import java.awt.image.BufferedImage;
import java.io.BufferedOutputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.imageio.IIOImage;
import javax.imageio.ImageTypeSpecifier;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.metadata.IIOMetadata;
import javax.imageio.plugins.tiff.BaselineTIFFTagSet;
import javax.imageio.plugins.tiff.TIFFDirectory;
import javax.imageio.plugins.tiff.TIFFField;
import javax.imageio.plugins.tiff.TIFFTag;
import javax.imageio.stream.ImageOutputStream;
import javax.imageio.stream.MemoryCacheImageOutputStream;

import org.jspecify.annotations.Nullable;

import carezza.filter.Resampling;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;

/**
 * Writes a picture with its layers for other programs: as OpenRaster (freedesktop.org, version
 * 0.0.5) or as a TIFF of many pages. A layer is what it made of the picture, opaque where it
 * changed anything and clear elsewhere, sixteen bits a channel, so that laid over one another they
 * are the finished picture.
 */
public abstract sealed class LayeredWriter implements AutoCloseable {

  private static final int BITS = 16;

  /** Half a step of sixteen bits: less is no change. */
  private static final float UNCHANGED = 0.5f / 65535;

  final OutputColour colour;

  private LayeredWriter(OutputColour colour) {
    this.colour = colour;
  }

  /** For a file whose name ends in {@code .ora}; closing it ends the file, not the stream. */
  public static LayeredWriter openRaster(OutputStream out, OutputColour colour) throws IOException {
    return new OpenRaster(out, colour);
  }

  /** For a TIFF file: the photograph first, then the layers, the finished picture last. */
  public static LayeredWriter tiff(OutputStream out, OutputColour colour) throws IOException {
    return new Pages(out, colour);
  }

  /** The photograph, below all layers. */
  public void photograph(Picture working) throws IOException {
    add("Photograph", image(working, null));
  }

  /** The next layer up. */
  public void layer(String name, Picture before, Picture after) throws IOException {
    add(name, image(after, changed(before, after)));
  }

  /** The finished picture; nothing comes after it. */
  public abstract void finish(Picture working) throws IOException;

  abstract void add(String name, BufferedImage image) throws IOException;

  @Override
  public abstract void close() throws IOException;

  private BufferedImage image(Picture working, @Nullable Plane alpha) {
    Plane[] colours = colour.encoded(working);
    Plane opacity = alpha == null ? Plane.filled(working.area(), 1) : alpha;
    return Rasters.toImage(
        new Plane[] {colours[0], colours[1], colours[2], opacity}, colour.profile().icc(), BITS);
  }

  private static Plane changed(Picture before, Picture after) {
    Plane out = Plane.of(after.area());
    for (int c = 0; c < 3; c++) {
      float[] b = before.plane(c).values();
      float[] a = after.plane(c).values();
      for (int i = 0; i < a.length; i++) {
        if (Math.abs(a[i] - b[i]) > UNCHANGED) {
          out.values()[i] = 1;
        }
      }
    }
    return out;
  }

  private static final class OpenRaster extends LayeredWriter {
    private static final int THUMBNAIL = 256;

    private final ZipOutputStream zip;
    private final List<String> names = new ArrayList<>();
    private Area area = Area.EMPTY;

    OpenRaster(OutputStream out, OutputColour colour) throws IOException {
      super(colour);
      zip = new ZipOutputStream(out, StandardCharsets.UTF_8);
      // The kind of file comes first and is not packed, so that it can be told from outside.
      byte[] kind = "image/openraster".getBytes(StandardCharsets.US_ASCII);
      ZipEntry entry = new ZipEntry("mimetype");
      entry.setMethod(ZipEntry.STORED);
      entry.setSize(kind.length);
      CRC32 crc = new CRC32();
      crc.update(kind);
      entry.setCrc(crc.getValue());
      zip.putNextEntry(entry);
      zip.write(kind);
      zip.closeEntry();
    }

    @Override
    void add(String name, BufferedImage image) throws IOException {
      png("data/layer%02d.png".formatted(names.size()), image);
      names.add(name);
      area = new Area(0, 0, image.getWidth(), image.getHeight());
    }

    private void png(String entry, BufferedImage image) throws IOException {
      ByteArrayOutputStream bytes = new ByteArrayOutputStream();
      ImageWriter writer = PictureWriter.writer(PictureFormat.PNG);
      try (ImageOutputStream out = new MemoryCacheImageOutputStream(bytes)) {
        writer.setOutput(out);
        ImageWriteParam param = writer.getDefaultWriteParam();
        IIOMetadata metadata = PngProfile.metadata(writer, image, param, colour.profile());
        writer.write(null, new IIOImage(image, null, metadata), param);
      } finally {
        writer.dispose();
      }
      ZipEntry stored = new ZipEntry(entry);
      zip.putNextEntry(stored);
      zip.write(bytes.toByteArray());
      zip.closeEntry();
    }

    @Override
    public void finish(Picture working) throws IOException {
      png(
          "mergedimage.png",
          Rasters.toImage(colour.encoded(working), colour.profile().icc(), BITS));
      png("Thumbnails/thumbnail.png", thumbnail(working));
      zip.putNextEntry(new ZipEntry("stack.xml"));
      zip.write(stack().getBytes(StandardCharsets.UTF_8));
      zip.closeEntry();
    }

    private BufferedImage thumbnail(Picture working) {
      int w = working.area().width();
      int h = working.area().height();
      double scale = Math.min(1, (double) THUMBNAIL / Math.max(w, h));
      PictureSize size =
          new PictureSize(Math.max(1, (int) (w * scale)), Math.max(1, (int) (h * scale)));
      Picture small = scale < 1 ? Resampling.shrink(working, size) : working;
      OutputColour srgb = OutputColour.of(OutputProfile.SRGB);
      return Rasters.toImage(srgb.encoded(small), srgb.profile().icc(), 8);
    }

    private String stack() {
      StringBuilder xml = new StringBuilder();
      xml.append("<?xml version='1.0' encoding='UTF-8'?>\n");
      xml.append(
          "<image version='0.0.5' w='%d' h='%d'>\n<stack>\n"
              .formatted(area.width(), area.height()));
      for (int i = names.size() - 1; i >= 0; i--) {
        xml.append(
            ("<layer name='%s' src='data/layer%02d.png' x='0' y='0' opacity='1.0'"
                    + " visibility='visible' composite-op='svg:src-over'/>\n")
                .formatted(escaped(names.get(i)), i));
      }
      return xml.append("</stack>\n</image>\n").toString();
    }

    private static String escaped(String words) {
      return words
          .replaceAll("[\\x00-\\x1f]", " ")
          .replace("&", "&amp;")
          .replace("<", "&lt;")
          .replace("'", "&apos;");
    }

    @Override
    public void close() throws IOException {
      zip.finish();
    }
  }

  private static final class Pages extends LayeredWriter {
    private final ImageWriter writer = PictureWriter.writer(PictureFormat.TIFF);
    private final ImageOutputStream to;

    Pages(OutputStream out, OutputColour colour) throws IOException {
      super(colour);
      to = new MemoryCacheImageOutputStream(new BufferedOutputStream(out));
      writer.setOutput(to);
      writer.prepareWriteSequence(null);
    }

    @Override
    void add(String name, BufferedImage image) throws IOException {
      ImageWriteParam param = writer.getDefaultWriteParam();
      param.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
      param.setCompressionType("Deflate");
      param.setCompressionQuality(PictureWriter.TIFF_EFFORT);
      TIFFDirectory directory =
          TIFFDirectory.createFromMetadata(
              writer.getDefaultImageMetadata(new ImageTypeSpecifier(image), param));
      TIFFTag page = BaselineTIFFTagSet.getInstance().getTag(BaselineTIFFTagSet.TAG_PAGE_NAME);
      directory.addTIFFField(new TIFFField(page, TIFFTag.TIFF_ASCII, 1, new String[] {name}));
      writer.writeToSequence(new IIOImage(image, null, directory.getAsMetadata()), param);
    }

    @Override
    public void finish(Picture working) throws IOException {
      add(
          "Finished picture",
          Rasters.toImage(colour.encoded(working), colour.profile().icc(), BITS));
      writer.endWriteSequence();
    }

    @Override
    public void close() throws IOException {
      to.close();
      writer.dispose();
    }
  }
}
