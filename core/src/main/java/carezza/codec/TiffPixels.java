package carezza.codec;

import java.awt.image.BufferedImage;
import java.awt.image.DataBuffer;
import java.awt.image.IndexColorModel;
import java.awt.image.Raster;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.EnumSet;
import java.util.Map;
import java.util.Set;

import org.jspecify.annotations.Nullable;

import carezza.codec.Encoded.Model;
import carezza.codec.Rasters.Layout;
import carezza.image.Area;
import carezza.image.Plane;
import carezza.metadata.Metadata;
import carezza.metadata.TiffDirectory;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.profile.ColourTag;

/**
 * TIFF files: samples from a library's decoder; opacity, integers of 32 bits and L*a*b* by
 * ourselves.
 */
final class TiffPixels {

  private static final int WIDTH = 256;
  private static final int HEIGHT = 257;
  private static final int BITS = 258;
  private static final int COMPRESSION = 259;
  private static final int PHOTOMETRIC = 262;
  private static final int SAMPLES = 277;
  private static final int PALETTE = 320;
  private static final int EXTRA = 338;
  private static final int SAMPLE_FORMAT = 339;
  private static final int PROFILE = 34675;

  private static final Map<Integer, Model> MODELS =
      Map.of(
          0,
          Model.GREY,
          1,
          Model.GREY,
          2,
          Model.RGB,
          3,
          Model.RGB,
          5,
          Model.INKS,
          6,
          Model.RGB,
          8,
          Model.LAB,
          9,
          Model.LAB);
  private static final int WHITE_IS_ZERO = 0;
  private static final int IS_PALETTE = 3;
  private static final int CIE_LAB = 8;

  /** None, fax, LZW, JPEG, deflate, packed bits. */
  private static final Set<Integer> COMPRESSIONS = Set.of(1, 2, 3, 4, 5, 6, 7, 8, 32773, 32946);

  private static final Map<Integer, String> UNREAD =
      Map.of(
          34661, "TIFF packed by JBIG",
          34712, "TIFF packed by JPEG 2000",
          34887, "TIFF packed by LERC",
          34925, "TIFF packed by LZMA",
          50000, "TIFF packed by zstd",
          50001, "TIFF packed by WebP",
          50002, "TIFF packed by JPEG XL");

  private static final int REALS = 3;

  private TiffPixels() {}

  static Encoded read(byte[] file, TiffDirectory root, String name) throws IOException, Problem {
    int photometric = (int) root.integer(PHOTOMETRIC, 1);
    int bits = (int) root.integer(BITS, 1);
    boolean real = root.integer(SAMPLE_FORMAT, 1) == REALS;
    Model model = readable(root, MODELS.get(photometric), bits, name);
    PictureReader.requireRoom(root.integer(WIDTH, 0), root.integer(HEIGHT, 0), name);
    boolean lab = model == Model.LAB;
    Set<Remark> remarks = EnumSet.noneOf(Remark.class);
    BufferedImage image = image(lab ? calledRgb(file, root) : file, name);
    Raster raster = image.getRaster();
    Metadata metadata = Metadata.of(root);
    double top = real ? 1 : top(raster, bits);
    Plane[] planes;
    if (photometric == IS_PALETTE) {
      planes = ofPalette(raster, root, bits, metadata.orientation(), name);
    } else {
      int opacity = opacity(root, raster, model);
      if (opacity >= 0 && (real || Rasters.anyTransparent(raster, opacity, top))) {
        remarks.add(Remark.ON_WHITE);
      }
      Layout layout =
          new Layout(
              top,
              model.planes(),
              opacity,
              root.integer(EXTRA, 0) == 1,
              model.white(),
              metadata.orientation());
      planes = Rasters.planes(raster, layout);
    }
    if (photometric == WHITE_IS_ZERO && image.getColorModel() instanceof IndexColorModel) {
      // The decoder turns these round by a palette, and wider ones by itself.
      invert(planes[0]);
    }
    if (lab) {
      normalise(planes, photometric == CIE_LAB, bits);
    }
    byte[] profile = root.bytes(PROFILE);
    ColourTag tag =
        profile.length == 0 || lab ? new ColourTag.Untagged() : new ColourTag.Embedded(profile);
    return new Encoded(model, planes, bits, tag, metadata, remarks);
  }

  /** The model, if all is of a kind that is read here. */
  private static Model readable(TiffDirectory root, @Nullable Model model, int bits, String name)
      throws Problem {
    int compression = (int) root.integer(COMPRESSION, 1);
    int format = (int) root.integer(SAMPLE_FORMAT, 1);
    boolean real = format == REALS;
    String why = null;
    if (!COMPRESSIONS.contains(compression)) {
      why = UNREAD.getOrDefault(compression, "TIFF packed in way %d".formatted(compression));
    } else if (model == null) {
      why = "TIFF with colours of kind %d".formatted(root.integer(PHOTOMETRIC, 1));
    } else if (format != 1 && format != 4 && !real) {
      why = "TIFF of signed or complex numbers";
    } else if (real
        ? bits != 16 && bits != 32 && bits != 64
        : bits > 8 && bits != 16 && bits != 32) {
      why = "TIFF of %d bits a channel".formatted(bits);
    } else if (model == Model.LAB
        && (real || bits > 16 || bits < 8 || root.integer(SAMPLES, 1) < 3 || compression == 7)) {
      why = "TIFF in L*a*b* of this kind";
    }
    for (long each : root.integers(BITS)) {
      if (each != bits) {
        why = "TIFF with channels of different bits";
      }
    }
    if (why != null || model == null) {
      throw new Problem(Kind.PICTURE_UNSUPPORTED, name, why);
    }
    return model;
  }

  /** The file with its colours called RGB, so that the decoder leaves them as they are. */
  private static byte[] calledRgb(byte[] file, TiffDirectory root) {
    byte[] copy = file.clone();
    ByteBuffer.wrap(copy).order(root.order()).putShort(root.place(PHOTOMETRIC), (short) 2);
    return copy;
  }

  private static BufferedImage image(byte[] file, String name) throws IOException, Problem {
    return PlainPixels.with(
        file[2] == 43 || file[3] == 43 ? "bigtiff" : "tiff",
        false,
        file,
        reader -> {
          boolean[] damaged = new boolean[1];
          reader.addIIOReadWarningListener(
              (source, warning) -> damaged[0] |= PictureReader.isDamage(warning));
          BufferedImage image = reader.read(0);
          if (damaged[0]) {
            throw new Problem(Kind.PICTURE_DAMAGED, name);
          }
          return image;
        });
  }

  /** Samples of fewer than eight bits come packed or widened. */
  private static double top(Raster raster, int bits) {
    int size = raster.getSampleModel().getSampleSize(0);
    return Math.pow(2, raster.getTransferType() == DataBuffer.TYPE_INT && bits == 32 ? 32 : size)
        - 1;
  }

  /** The band of opacity: the first beyond the colours, if the file says that it is one. */
  private static int opacity(TiffDirectory root, Raster raster, Model model) {
    long kind = root.integer(EXTRA, 0);
    boolean some = kind == 1 || kind == 2;
    return some && raster.getNumBands() > model.planes() ? model.planes() : -1;
  }

  /** Three tables of sixteen bits, one after the other. */
  private static Plane[] ofPalette(
      Raster raster, TiffDirectory root, int bits, int turn, String name) throws Problem {
    long[] table = root.integers(PALETTE);
    int entries = 1 << bits;
    if (bits > 8 || table.length < 3 * entries) {
      throw new Problem(Kind.PICTURE_DAMAGED, name);
    }
    Plane index = PlainPixels.opaque(raster, 1, 1, turn)[0];
    Area area = index.area();
    Plane[] planes = {Plane.of(area), Plane.of(area), Plane.of(area)};
    for (int i = 0; i < index.values().length; i++) {
      int entry = Math.clamp((int) index.values()[i], 0, entries - 1);
      for (int c = 0; c < 3; c++) {
        planes[c].values()[i] = table[c * entries + entry] / 65535f;
      }
    }
    return planes;
  }

  private static void invert(Plane plane) {
    for (int i = 0; i < plane.values().length; i++) {
      plane.values()[i] = 1 - plane.values()[i];
    }
  }

  /**
   * To L* / 100, (a* + 128) / 256, (b* + 128) / 256. TIFF 6.0, section 23, has a* and b* as signed
   * numbers; the ICC's kind (TIFF technical note of 2002) shifts them by 128 and lets L* of sixteen
   * bits end at 0xFF00.
   */
  private static void normalise(Plane[] planes, boolean signed, int bits) {
    double top = (1L << bits) - 1;
    double unit = bits == 8 ? 1 : 256;
    double half = bits == 8 ? 128 : 32768;
    for (int c = 0; c < 3; c++) {
      float[] values = planes[c].values();
      for (int i = 0; i < values.length; i++) {
        double v = values[i] * top;
        if (c == 0) {
          values[i] = (float) (signed || bits == 8 ? v / top : v / 65280);
        } else {
          double shifted = signed ? (v >= half ? v - half : v + half) : v;
          values[i] = (float) (shifted / unit / 256);
        }
      }
    }
  }
}
