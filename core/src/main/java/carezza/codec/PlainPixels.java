package carezza.codec;

import java.awt.Image;
import java.awt.image.BufferedImage;
import java.awt.image.Raster;
import java.io.IOException;
import java.util.Iterator;
import java.util.Locale;
import java.util.Set;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

import com.twelvemonkeys.imageio.stream.ByteArrayImageInputStream;

import carezza.codec.Encoded.Model;
import carezza.image.Area;
import carezza.image.Plane;
import carezza.metadata.Metadata;
import carezza.problem.Problem;
import carezza.profile.ColourTag;

/**
 * Decoders of the platform and of libraries, given bytes in memory and nothing else; no file is
 * ever made.
 */
final class PlainPixels {

  static {
    ImageIO.setUseCache(false);
  }

  private PlainPixels() {}

  /** Work on a reader that has its input. */
  @FunctionalInterface
  interface Use<T> {
    T of(ImageReader reader) throws IOException, Problem;
  }

  /**
   * @param format as ImageIO names it
   * @param ofJava whether the decoder that comes with Java is meant, or a library's
   */
  static <T> T with(String format, boolean ofJava, byte[] bytes, Use<T> use)
      throws IOException, Problem {
    Iterator<ImageReader> readers = ImageIO.getImageReadersByFormatName(format);
    while (readers.hasNext()) {
      ImageReader reader = readers.next();
      if (ofJava == (reader.getClass().getModule() == Image.class.getModule())) {
        try (ImageInputStream in = new ByteArrayImageInputStream(bytes)) {
          reader.setInput(in, true, true);
          return use.of(reader);
        } finally {
          reader.dispose();
        }
      }
    }
    throw new IllegalStateException("No decoder for " + format);
  }

  /** A GIF or BMP as sRGB, laid on white. */
  static Encoded read(String format, byte[] file, String name) throws IOException, Problem {
    return with(
        format,
        true,
        file,
        reader -> {
          PictureReader.requireRoom(reader.getWidth(0), reader.getHeight(0), name);
          BufferedImage image = reader.read(0);
          boolean clear = image.getColorModel().hasAlpha();
          return new Encoded(
              Model.RGB,
              ofArgb(image),
              8,
              new ColourTag.Untagged(),
              Metadata.NONE,
              clear ? Set.of(Remark.ON_WHITE) : Set.of());
        });
  }

  private static Plane[] ofArgb(BufferedImage image) {
    int w = image.getWidth();
    Area area = new Area(0, 0, w, image.getHeight());
    Plane[] planes = {Plane.of(area), Plane.of(area), Plane.of(area)};
    int[] row = new int[w];
    for (int y = 0; y < area.height(); y++) {
      image.getRGB(0, y, w, 1, row, 0, w);
      for (int x = 0; x < w; x++) {
        float opacity = (row[x] >>> 24) / 255f;
        for (int c = 0; c < 3; c++) {
          float v = (row[x] >> (16 - 8 * c) & 0xFF) / 255f;
          planes[c].values()[y * w + x] = v * opacity + 1 - opacity;
        }
      }
    }
    return planes;
  }

  /** The planes of a raster of colours and nothing else. */
  static Plane[] opaque(Raster raster, double top, int colours, int orientation) {
    return Rasters.planes(raster, Rasters.Layout.opaque(top, colours, orientation));
  }

  /** Whether a decoder's complaint means that it cannot, not that the file is broken. */
  static boolean saysUnsupported(Throwable e) {
    String words = e.getMessage() == null ? "" : e.getMessage().toLowerCase(Locale.ROOT);
    return words.contains("unsupported") || words.contains("not supported");
  }
}
