package carezza.codec;

import java.awt.color.ICC_ColorSpace;
import java.awt.color.ICC_Profile;
import java.awt.image.BufferedImage;
import java.awt.image.ColorModel;
import java.awt.image.ComponentColorModel;
import java.awt.image.DataBuffer;
import java.awt.image.DataBufferByte;
import java.awt.image.DataBufferUShort;
import java.awt.image.PixelInterleavedSampleModel;
import java.awt.image.Raster;
import java.awt.image.WritableRaster;

import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Plane;

/** Between Java's rasters and planes of encoded values 0 … 1. */
final class Rasters {

  /** Value of an unsigned integer's highest bit, twice. */
  private static final float UNSIGNED = 4294967296f;

  private Rasters() {}

  /**
   * How to read samples.
   *
   * @param top value that stands for 1
   * @param colours bands of colour, which come first
   * @param opacity band of opacity, or −1
   * @param multiplied whether colours are multiplied by opacity already
   * @param white value of every colour on white
   * @param orientation EXIF, 1 … 8
   */
  record Layout(
      double top, int colours, int opacity, boolean multiplied, float white, int orientation) {

    static Layout opaque(double top, int colours, int orientation) {
      return new Layout(top, colours, -1, false, 1, orientation);
    }
  }

  /** Turns a row's samples, 0 … 1 in each band, in place. */
  @FunctionalInterface
  interface RowTurn {
    void turn(float[][] bands);
  }

  /** Planes of the colours, laid on white where they are transparent. */
  static Plane[] planes(Raster raster, Layout layout) {
    return planes(raster, layout, bands -> {});
  }

  /**
   * As above.
   *
   * @param turn done to every row first
   */
  static Plane[] planes(Raster raster, Layout layout, RowTurn turn) {
    int w = raster.getWidth();
    int h = raster.getHeight();
    boolean turned = layout.orientation() >= 5;
    Area area = new Area(0, 0, turned ? h : w, turned ? w : h);
    int colours = layout.colours();
    Plane[] out = new Plane[colours];
    for (int c = 0; c < colours; c++) {
      out[c] = Plane.of(area);
    }
    int bands = raster.getNumBands();
    float scale = (float) (1 / layout.top());
    ParallelRows.each(
        w,
        h,
        (from, to) -> {
          Lines lines = lines(raster);
          float[][] row = new float[bands][w];
          for (int y = from; y < to; y++) {
            lines.read(y, row);
            for (float[] band : row) {
              scale(band, scale);
            }
            turn.turn(row);
            if (layout.opacity() >= 0) {
              for (int c = 0; c < colours; c++) {
                layOnWhite(row[c], row[layout.opacity()], layout);
              }
            }
            for (int c = 0; c < colours; c++) {
              put(row[c], y, h, layout.orientation(), out[c]);
            }
          }
        });
    return out;
  }

  private static void scale(float[] band, float scale) {
    for (int x = 0; x < band.length; x++) {
      band[x] *= scale;
    }
  }

  private static void layOnWhite(float[] colour, float[] opacity, Layout layout) {
    for (int x = 0; x < colour.length; x++) {
      if (opacity[x] != 1) {
        float share = Math.clamp(opacity[x], 0f, 1f);
        float v = layout.multiplied() ? colour[x] : colour[x] * share;
        colour[x] = v + (1 - share) * layout.white();
      }
    }
  }

  /** Puts row {@code y} of {@code h} where it is upright. */
  private static void put(float[] row, int y, int h, int orientation, Plane out) {
    if (orientation == 1) {
      System.arraycopy(row, 0, out.values(), y * row.length, row.length);
      return;
    }
    for (int x = 0; x < row.length; x++) {
      out.values()[place(x, y, row.length, h, orientation, out.width())] = row[x];
    }
  }

  /** Whether any pixel of a band is less than opaque. */
  static boolean anyTransparent(Raster raster, int band, double top) {
    int[] row = new int[raster.getWidth()];
    for (int y = 0; y < raster.getHeight(); y++) {
      raster.getSamples(0, y, row.length, 1, band, row);
      for (int v : row) {
        if ((v & 0xFFFFFFFFL) < top) {
          return true;
        }
      }
    }
    return false;
  }

  /** Gives a row's samples, each band by itself; for one thread. */
  @FunctionalInterface
  interface Lines {
    void read(int y, float[][] bands);
  }

  /**
   * Bytes and numbers of two bytes that lie pixel by pixel, as most files have them, are taken as
   * they lie; all else by way of the raster.
   */
  static Lines lines(Raster raster) {
    if (raster.getSampleModel() instanceof PixelInterleavedSampleModel model
        && raster.getParent() == null
        && raster.getDataBuffer().getNumBanks() == 1) {
      if (raster.getDataBuffer() instanceof DataBufferByte buffer) {
        byte[] bytes = buffer.getData();
        return lying(model, buffer, (at, step, out) -> gather(bytes, at, step, out));
      }
      if (raster.getDataBuffer() instanceof DataBufferUShort buffer) {
        short[] shorts = buffer.getData();
        return lying(model, buffer, (at, step, out) -> gather(shorts, at, step, out));
      }
    }
    if (raster.getTransferType() == DataBuffer.TYPE_INT
        && raster.getSampleModel().getSampleSize(0) == 32) {
      // Java knows no unsigned integers.
      return samples(raster, v -> v < 0 ? v + UNSIGNED : v);
    }
    return samples(raster, v -> Float.isFinite(v) ? v : 0);
  }

  /** Takes every {@code step}-th number from a place on. */
  @FunctionalInterface
  private interface Gathering {
    void gather(int at, int step, float[] out);
  }

  private static Lines lying(
      PixelInterleavedSampleModel model, DataBuffer buffer, Gathering numbers) {
    int[] offsets = model.getBandOffsets();
    return (y, bands) -> {
      int at = buffer.getOffset() + y * model.getScanlineStride();
      for (int c = 0; c < offsets.length; c++) {
        numbers.gather(at + offsets[c], model.getPixelStride(), bands[c]);
      }
    };
  }

  private static void gather(byte[] bytes, int at, int step, float[] out) {
    if (step == 3) {
      // With the number written out, nothing is checked in the loop.
      for (int x = 0; x < out.length; x++) {
        out[x] = bytes[at + 3 * x] & 0xFF;
      }
    } else {
      for (int x = 0; x < out.length; x++) {
        out[x] = bytes[at + step * x] & 0xFF;
      }
    }
  }

  private static void gather(short[] shorts, int at, int step, float[] out) {
    if (step == 3) {
      for (int x = 0; x < out.length; x++) {
        out[x] = shorts[at + 3 * x] & 0xFFFF;
      }
    } else {
      for (int x = 0; x < out.length; x++) {
        out[x] = shorts[at + step * x] & 0xFFFF;
      }
    }
  }

  @FunctionalInterface
  private interface Sample {
    float of(float v);
  }

  private static Lines samples(Raster raster, Sample sample) {
    int w = raster.getWidth();
    float[] row = new float[w * raster.getNumBands()];
    return (y, bands) -> {
      raster.getPixels(0, y, w, 1, row);
      for (int c = 0; c < bands.length; c++) {
        for (int x = 0; x < w; x++) {
          bands[c][x] = sample.of(row[x * bands.length + c]);
        }
      }
    };
  }

  private static int place(int x, int y, int w, int h, int orientation, int step) {
    return switch (orientation) {
      case 2 -> y * step + (w - 1 - x);
      case 3 -> (h - 1 - y) * step + (w - 1 - x);
      case 4 -> (h - 1 - y) * step + x;
      case 5 -> x * step + y;
      case 6 -> x * step + (h - 1 - y);
      case 7 -> (w - 1 - x) * step + (h - 1 - y);
      case 8 -> (w - 1 - x) * step + y;
      default -> y * step + x;
    };
  }

  /** A plane turned by an EXIF orientation. */
  static Plane turned(Plane plane, int orientation) {
    if (orientation == 1) {
      return plane;
    }
    int w = plane.width();
    int h = plane.height();
    Plane out = Plane.of(orientation >= 5 ? new Area(0, 0, h, w) : plane.area());
    ParallelRows.each(
        w,
        h,
        (from, to) -> {
          for (int y = from; y < to; y++) {
            for (int x = 0; x < w; x++) {
              out.values()[place(x, y, w, h, orientation, out.width())] = plane.values()[y * w + x];
            }
          }
        });
    return out;
  }

  /**
   * An image of encoded planes, clipped to 0 … 1 and rounded to 8 or 16 bits; one plane more than
   * the profile has is opacity.
   */
  static BufferedImage toImage(Plane[] encoded, ICC_Profile profile, int bits) {
    int w = encoded[0].area().width();
    int h = encoded[0].area().height();
    int bands = encoded.length;
    boolean alpha = bands == profile.getNumComponents() + 1;
    int type = bits == 16 ? DataBuffer.TYPE_USHORT : DataBuffer.TYPE_BYTE;
    ColorModel model =
        new ComponentColorModel(
            new ICC_ColorSpace(profile),
            alpha,
            false,
            alpha ? ColorModel.TRANSLUCENT : ColorModel.OPAQUE,
            type);
    WritableRaster raster = Raster.createInterleavedRaster(type, w, h, bands, null);
    float top = (1 << bits) - 1;
    Object data =
        raster.getDataBuffer() instanceof DataBufferUShort deep
            ? deep.getData()
            : ((DataBufferByte) raster.getDataBuffer()).getData();
    ParallelRows.each(
        w,
        h,
        (from, to) -> {
          for (int c = 0; c < bands; c++) {
            float[] values = encoded[c].values();
            for (int i = from * w; i < to * w; i++) {
              int step = (int) (Math.clamp(values[i], 0f, 1f) * top + 0.5f);
              if (data instanceof short[] deep) {
                deep[i * bands + c] = (short) step;
              } else {
                ((byte[]) data)[i * bands + c] = (byte) step;
              }
            }
          }
        });
    return new BufferedImage(model, raster, false, null);
  }
}
