package carezza.codec;

import java.awt.Transparency;
import java.awt.color.CMMException;
import java.awt.color.ICC_Profile;
import java.awt.image.BufferedImage;
import java.awt.image.ColorConvertOp;
import java.awt.image.DataBuffer;
import java.awt.image.Raster;
import java.awt.image.WritableRaster;
import java.util.Arrays;

import carezza.colour.RgbSpace;
import carezza.image.Picture;

/**
 * From any ICC profile to the working space by the colour engine that comes with Java, sixteen bits a
 * channel: for profiles of tables, grey and CMYK. What lies outside the wide working space is clipped.
 */
final class ProfileConversion {

  private static final ICC_Profile WORKING = ProfileMaker.of(RgbSpace.REC2020, "Carezza working");
  private static final int ROWS = 64;
  private static final float TOP = 65535;

  private ProfileConversion() {}

  /**
   * @param image whose colour components, alpha aside, are those of the profile
   * @param orientation EXIF, 1 … 8
   * @throws CMMException if the profile cannot be used
   */
  static Picture toWorking(BufferedImage image, ICC_Profile profile, int orientation) {
    int w = image.getWidth();
    int h = image.getHeight();
    int components = profile.getNumComponents();
    ColorConvertOp convert = new ColorConvertOp(new ICC_Profile[] {profile, WORKING}, null);
    WritableRaster whole =
        Raster.createInterleavedRaster(DataBuffer.TYPE_USHORT, w, h, 3, null);
    Raster source = image.getRaster();
    float scale = TOP / ((1L << image.getColorModel().getComponentSize(0)) - 1);
    boolean real =
        source.getTransferType() == DataBuffer.TYPE_FLOAT
            || source.getTransferType() == DataBuffer.TYPE_DOUBLE;
    for (int y = 0; y < h; y += ROWS) {
      int rows = Math.min(ROWS, h - y);
      float[] given = source.getPixels(0, y, w, rows, (float[]) null);
      int bands = source.getNumBands();
      WritableRaster from =
          Raster.createInterleavedRaster(DataBuffer.TYPE_USHORT, w, rows, components, null);
      int[] values = new int[w * rows * components];
      for (int i = 0; i < w * rows; i++) {
        for (int c = 0; c < components; c++) {
          float v = given[i * bands + c] * (real ? TOP : scale);
          values[i * components + c] = Math.round(Math.clamp(v, 0, TOP));
        }
      }
      from.setPixels(0, 0, w, rows, values);
      WritableRaster to =
          Raster.createInterleavedRaster(DataBuffer.TYPE_USHORT, w, rows, 3, null);
      convert.filter(from, to);
      whole.setRect(0, y, to);
    }
    java.awt.image.ColorModel model =
        new java.awt.image.ComponentColorModel(
            new java.awt.color.ICC_ColorSpace(WORKING),
            false,
            false,
            Transparency.OPAQUE,
            DataBuffer.TYPE_USHORT);
    return Rasters.toPlanes(new BufferedImage(model, whole, false, null), orientation);
  }

  /** The profile's description, or a general name. */
  static String name(ICC_Profile profile) {
    byte[] tag = profile.getData(ICC_Profile.icSigProfileDescriptionTag);
    if (tag == null || tag.length < 13) {
      return "embedded profile";
    }
    if (tag[0] == 'd') {
      int length = length(tag, 8);
      int end = Math.clamp(12L + length - 1, 12, tag.length);
      return new String(Arrays.copyOfRange(tag, 12, end), java.nio.charset.StandardCharsets.US_ASCII);
    }
    // Version 4: the first of its texts, UTF-16.
    if (tag.length >= 28) {
      int size = length(tag, 20);
      int at = length(tag, 24);
      if (size > 0 && at > 0 && at + size <= tag.length) {
        return new String(tag, at, size, java.nio.charset.StandardCharsets.UTF_16BE).strip();
      }
    }
    return "embedded profile";
  }

  private static int length(byte[] tag, int at) {
    return java.nio.ByteBuffer.wrap(tag).getInt(at);
  }
}
