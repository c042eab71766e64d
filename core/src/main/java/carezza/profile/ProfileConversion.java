package carezza.profile;

import java.awt.color.CMMException;
import java.awt.color.ColorSpace;
import java.awt.color.ICC_Profile;
import java.awt.color.ProfileDataException;
import java.awt.image.ColorConvertOp;
import java.awt.image.DataBuffer;
import java.awt.image.DataBufferUShort;
import java.awt.image.Raster;
import java.awt.image.WritableRaster;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;

import carezza.colour.RgbSpace;
import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.press.Intent;

/**
 * Between any ICC profile and the working space by the colour engine that comes with Java, sixteen
 * bits a channel: for profiles of tables, grey and inks. What lies outside the wide working space
 * is clipped.
 */
public final class ProfileConversion {

  private static final ICC_Profile WORKING =
      IccProfileWriter.of(RgbSpace.REC2020, "Carezza working");
  private static final int STRIP = 64;
  private static final float TOP = 65535;

  /** Where the header says the intent (ICC.1, clause 7.2.15). */
  private static final int INTENT = 64;

  private ProfileConversion() {}

  /**
   * A profile from its bytes.
   *
   * @throws CMMException or IllegalArgumentException if they are none
   */
  public static ICC_Profile parsed(byte[] icc) {
    try {
      return ICC_Profile.getInstance(icc);
    } catch (ProfileDataException | NullPointerException | ArrayIndexOutOfBoundsException e) {
      throw new IllegalArgumentException("No colour profile", e);
    }
  }

  /**
   * @param encoded as many planes as the profile has channels; they are written over if there are
   *     three
   * @throws CMMException or IllegalArgumentException if the profile cannot be used
   */
  public static Picture toWorking(Plane[] encoded, ICC_Profile profile) {
    if (encoded.length == 3
        && profile.getColorSpaceType() == ColorSpace.TYPE_RGB
        && MatrixProfile.describes(profile)) {
      Picture planes = new Picture(encoded[0], encoded[1], encoded[2]);
      return MatrixProfile.of(profile).toWorking(planes);
    }
    Plane[] rgb = converted(encoded, 3, profile, WORKING);
    return new Picture(rgb[0], rgb[1], rgb[2]);
  }

  /** The working space in a profile's channels. */
  public static Plane[] fromWorking(Picture working, ICC_Profile profile, Intent intent) {
    Plane[] planes = {working.first(), working.second(), working.third()};
    return converted(
        planes, profile.getNumComponents(), asking(WORKING, intent), asking(profile, intent));
  }

  /** From channels of one profile to the working space and on, by one intent. */
  public static Picture back(Plane[] encoded, ICC_Profile profile, Intent intent) {
    Plane[] rgb = converted(encoded, 3, asking(profile, intent), asking(WORKING, intent));
    return new Picture(rgb[0], rgb[1], rgb[2]);
  }

  /** A copy of the profile that asks for an intent. */
  private static ICC_Profile asking(ICC_Profile profile, Intent intent) {
    byte[] data = profile.getData();
    ByteBuffer.wrap(data).putInt(INTENT, intent == Intent.PERCEPTUAL ? 0 : 1);
    return ICC_Profile.getInstance(data);
  }

  private static Plane[] converted(Plane[] from, int channels, ICC_Profile... way) {
    if (way[0].getNumComponents() != from.length) {
      throw new IllegalArgumentException("A profile of other channels");
    }
    Area area = from[0].area();
    Plane[] out = new Plane[channels];
    for (int c = 0; c < channels; c++) {
      out[c] = Plane.of(area);
    }
    int w = area.width();
    ParallelRows.each(
        w,
        area.height(),
        (first, last) -> {
          ColorConvertOp convert = new ColorConvertOp(way, null);
          for (int y = first; y < last; y += STRIP) {
            int rows = Math.min(STRIP, last - y);
            strip(from, out, y * w, w, rows, convert);
          }
        });
    return out;
  }

  private static void strip(
      Plane[] from, Plane[] to, int at, int w, int rows, ColorConvertOp convert) {
    WritableRaster given =
        Raster.createInterleavedRaster(DataBuffer.TYPE_USHORT, w, rows, from.length, null);
    WritableRaster made =
        Raster.createInterleavedRaster(DataBuffer.TYPE_USHORT, w, rows, to.length, null);
    short[] in = ((DataBufferUShort) given.getDataBuffer()).getData();
    for (int c = 0; c < from.length; c++) {
      float[] values = from[c].values();
      for (int i = 0; i < w * rows; i++) {
        in[i * from.length + c] = (short) Math.round(Math.clamp(values[at + i], 0f, 1f) * TOP);
      }
    }
    convert.filter(given, made);
    short[] result = ((DataBufferUShort) made.getDataBuffer()).getData();
    for (int c = 0; c < to.length; c++) {
      float[] values = to[c].values();
      for (int i = 0; i < w * rows; i++) {
        values[at + i] = (result[i * to.length + c] & 0xFFFF) / TOP;
      }
    }
  }

  /** The profile's description, or a general name. */
  public static String name(ICC_Profile profile) {
    byte[] tag = profile.getData(ICC_Profile.icSigProfileDescriptionTag);
    if (tag == null || tag.length < 13) {
      return "embedded profile";
    }
    if (tag[0] == 'd') {
      int end = Math.clamp(12L + length(tag, 8) - 1, 12, tag.length);
      return new String(Arrays.copyOfRange(tag, 12, end), StandardCharsets.US_ASCII).strip();
    }
    // Version 4: the first of its texts, UTF-16.
    if (tag.length >= 28) {
      int size = length(tag, 20);
      int at = length(tag, 24);
      if (size > 0 && at > 0 && size <= tag.length - at) {
        return new String(tag, at, size, StandardCharsets.UTF_16BE).strip();
      }
    }
    return "embedded profile";
  }

  private static int length(byte[] tag, int at) {
    return ByteBuffer.wrap(tag).getInt(at);
  }
}
