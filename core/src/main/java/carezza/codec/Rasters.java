package carezza.codec;

import java.awt.color.ICC_ColorSpace;
import java.awt.color.ICC_Profile;
import java.awt.image.BufferedImage;
import java.awt.image.ColorModel;
import java.awt.image.ComponentColorModel;
import java.awt.image.DataBuffer;
import java.awt.image.DataBufferByte;
import java.awt.image.PixelInterleavedSampleModel;
import java.awt.image.Raster;
import java.awt.image.WritableRaster;

import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.image.Rows;

/** Between Java's rasters and planes of encoded values 0 … 1. */
final class Rasters {

  private Rasters() {}

  /** Encoded planes of a grey or RGB image, turned by an EXIF orientation 1 … 8. */
  static Picture toPlanes(BufferedImage image, int orientation) {
    Raster raster = image.getRaster();
    int w = image.getWidth();
    int h = image.getHeight();
    boolean turned = orientation >= 5;
    Picture out = Picture.of(new Area(0, 0, turned ? h : w, turned ? w : h));
    int bands = raster.getNumBands();
    boolean grey = bands < 3;
    int type = raster.getTransferType();
    boolean real = type == DataBuffer.TYPE_FLOAT || type == DataBuffer.TYPE_DOUBLE;
    float scale = real ? 1 : 1f / ((1L << image.getColorModel().getComponentSize(0)) - 1);
    int step = out.area().width();
    Lines lines = lines(raster);
    Rows.each(
        w,
        h,
        (from, to) -> {
          float[] row = new float[w * bands];
          for (int y = from; y < to; y++) {
            lines.read(y, row);
            for (int x = 0; x < w; x++) {
              int at = place(x, y, w, h, orientation, step);
              for (int c = 0; c < 3; c++) {
                out.plane(c).values()[at] = row[x * bands + (grey ? 0 : c)] * scale;
              }
            }
          }
        });
    return out;
  }

  /** Gives a row's samples, band by band for each pixel. */
  @FunctionalInterface
  private interface Lines {
    void read(int y, float[] row);
  }

  /** Bytes as most JPEG files have them are taken as they lie; all else by way of the raster. */
  private static Lines lines(Raster raster) {
    int w = raster.getWidth();
    if (raster.getSampleModel() instanceof PixelInterleavedSampleModel model
        && raster.getDataBuffer() instanceof DataBufferByte buffer
        && raster.getParent() == null
        && buffer.getNumBanks() == 1) {
      byte[] bytes = buffer.getData();
      int[] offsets = model.getBandOffsets();
      int stride = model.getPixelStride();
      return (y, row) -> {
        int at = buffer.getOffset() + y * model.getScanlineStride();
        for (int x = 0; x < w; x++) {
          for (int c = 0; c < offsets.length; c++) {
            row[x * offsets.length + c] = bytes[at + x * stride + offsets[c]] & 0xFF;
          }
        }
      };
    }
    return (y, row) -> raster.getPixels(0, y, w, 1, row);
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

  /**
   * An image of encoded planes, clipped to 0 … 1 and rounded to 8 or 16 bits; one plane more than the
   * profile has is opacity.
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
    int[] row = new int[w * bands];
    for (int y = 0; y < h; y++) {
      for (int x = 0; x < w; x++) {
        for (int c = 0; c < bands; c++) {
          float v = encoded[c].values()[y * w + x];
          row[x * bands + c] = (int) (Math.clamp(v, 0f, 1f) * top + 0.5f);
        }
      }
      raster.setPixels(0, y, w, 1, row);
    }
    return new BufferedImage(model, raster, false, null);
  }
}
