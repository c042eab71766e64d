package carezza.codec;

import java.awt.image.Raster;
import java.io.IOException;
import java.util.EnumSet;
import java.util.Locale;
import java.util.Set;
import java.util.function.Consumer;

import org.jspecify.annotations.Nullable;

import carezza.codec.Encoded.Model;
import carezza.image.Plane;
import carezza.metadata.Metadata;
import carezza.metadata.TiffDirectory;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.profile.ColourTag;

/** JPEG files: samples as they are coded, and our own way from them to colours. */
final class JpegPixels {

  private static final int LOSSLESS = 0xC3;
  private static final int PROGRESSIVE = 0xC2;

  private JpegPixels() {}

  /**
   * @param sight sees a large picture small, as soon as it is decoded
   */
  static Encoded read(byte[] file, int start, String name, @Nullable Consumer<Encoded> sight)
      throws IOException, Problem {
    JpegSegments parts = JpegSegments.of(file, start);
    requireDecodable(parts, name);
    PictureReader.requireRoom(parts.width, parts.height, name);
    Set<Remark> remarks = EnumSet.noneOf(Remark.class);
    if (parts.untidy) {
      remarks.add(Remark.UNTIDY);
    }
    Metadata metadata = metadata(parts, remarks);
    Raster raster = raster(parts, name, remarks);
    FirstSight.of(
        raster,
        sight == null ? null : small -> sight.accept(encoded(small, parts, metadata, remarks)));
    return encoded(raster, parts, metadata, remarks);
  }

  private static Encoded encoded(
      Raster raster, JpegSegments parts, Metadata metadata, Set<Remark> remarks) {
    int bands = raster.getNumBands();
    double top = (1 << parts.precision) - 1;
    boolean coded = parts.frame != LOSSLESS && codedAsLightAndColour(parts);
    Plane[] planes =
        Rasters.planes(
            raster,
            Rasters.Layout.opaque(top, bands, metadata.orientation()),
            coded ? JpegPixels::toRgb : row -> {});
    if (bands == 4) {
      invert(planes, coded, parts.transform >= 0);
    }
    Model model = bands == 1 ? Model.GREY : bands == 3 ? Model.RGB : Model.INKS;
    return new Encoded(
        model, planes, parts.precision, ColourTag.of(parts.profile), metadata, remarks);
  }

  private static void requireDecodable(JpegSegments parts, String name) throws Problem {
    int count = parts.components.length;
    if (parts.frame == 0 || parts.width == 0 || count == 0) {
      throw new Problem(Kind.PICTURE_DAMAGED, name);
    }
    String why = null;
    if (parts.frame > 0xC8) {
      why = "JPEG with arithmetic coding";
    } else if (parts.frame > LOSSLESS) {
      why = "JPEG in differences of layers";
    } else if (parts.frame != LOSSLESS && parts.precision != 8) {
      why = "JPEG of %d bits a channel".formatted(parts.precision);
    } else if (parts.height == 0) {
      why = "JPEG that says its height at its end";
    } else if (count == 2 || count > 4) {
      why = "JPEG of %d channels".formatted(count);
    }
    if (why != null) {
      throw new Problem(Kind.PICTURE_UNSUPPORTED, name, why);
    }
  }

  private static Metadata metadata(JpegSegments parts, Set<Remark> remarks) {
    TiffDirectory exif = null;
    if (parts.exif != null) {
      try {
        exif = TiffDirectory.read(parts.exif);
      } catch (IOException | RuntimeException e) {
        remarks.add(Remark.UNTIDY);
      }
    }
    return Metadata.of(exif, parts.iptc(), parts.xmp);
  }

  private static Raster raster(JpegSegments parts, String name, Set<Remark> remarks)
      throws IOException, Problem {
    boolean lossless = parts.frame == LOSSLESS;
    return PlainPixels.with(
        "jpeg",
        !lossless,
        parts.picture,
        reader -> {
          boolean[] damaged = new boolean[1];
          reader.addIIOReadWarningListener(
              (source, warning) -> {
                remarks.add(Remark.UNTIDY);
                damaged[0] |= isDamage(warning, parts.frame);
              });
          Raster raster = lossless ? reader.read(0).getRaster() : reader.readRaster(0, null);
          if (damaged[0]) {
            throw new Problem(Kind.PICTURE_DAMAGED, name);
          }
          return raster;
        });
  }

  /**
   * What of the decoder's warnings means that picture is lost. Bytes too many at the end, an end
   * mark that is missing, unknown versions and the like cost nothing. An early end of a picture
   * that comes in passes does, and so do bytes too many before a restart, of which the decoder
   * tells the first time only, and nothing that follows.
   */
  private static boolean isDamage(String warning, int frame) {
    String w = warning.toLowerCase(Locale.ROOT);
    return w.contains("premature end of data segment")
        || w.contains("huffman")
        || w.contains("instead of rst")
        || w.matches(".*extraneous bytes before marker 0xd[0-7].*")
        || w.contains("progression")
        || frame == PROGRESSIVE && (w.contains("premature") || w.contains("missing eoi"));
  }

  /** As T.871 and the decoders' custom have it where nothing is said. */
  private static boolean codedAsLightAndColour(JpegSegments parts) {
    if (parts.components.length == 3) {
      boolean named =
          parts.components[0] == 'R' && parts.components[1] == 'G' && parts.components[2] == 'B';
      return parts.transform >= 0 ? parts.transform == 1 : parts.jfif || !named;
    }
    return parts.components.length == 4 && parts.transform == 2;
  }

  /**
   * ITU-T T.871, clause 7: Y, Cb, Cr of full range to R, G, B, in place; rounded to eight bits as
   * other readers do.
   */
  private static void toRgb(float[][] row) {
    float[] first = row[0];
    float[] second = row[1];
    float[] third = row[2];
    float middle = 128f / 255;
    for (int x = 0; x < first.length; x++) {
      float y = first[x];
      float cb = second[x] - middle;
      float cr = third[x] - middle;
      first[x] = step(y + 1.402f * cr);
      second[x] = step(y - 0.344136f * cb - 0.714136f * cr);
      third[x] = step(y + 1.772f * cb);
    }
  }

  private static float step(float v) {
    return (int) (Math.max(0f, Math.min(1f, v)) * 255 + 0.5f) / 255f;
  }

  /**
   * Inks as shares of cover. Files with the mark of APP14 hold what is left of the paper instead;
   * and inks coded as light and colour are, once decoded, the light that they leave.
   */
  private static void invert(Plane[] planes, boolean coded, boolean marked) {
    for (int c = 0; c < 4; c++) {
      boolean light = c < 3 ? coded != marked : marked;
      if (light) {
        float[] values = planes[c].values();
        for (int i = 0; i < values.length; i++) {
          values[i] = 1 - values[i];
        }
      }
    }
  }
}
