package carezza.codec;

import java.awt.color.ICC_Profile;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

import carezza.colour.Matrix3;
import carezza.colour.RgbSpace;
import carezza.colour.Transfer;

/** Makes ICC profiles (version 2.1, display class) of RGB spaces with the sRGB tone curve. */
final class ProfileMaker {

  private static final int CURVE_POINTS = 4096;
  private static final int HEADER = 128;
  private static final double[] D50 = {0.9642, 1, 0.8249};

  private ProfileMaker() {}

  private record Tag(String name, byte[] content) {}

  static ICC_Profile of(RgbSpace space, String description) {
    Matrix3 m = space.toXyzD50();
    List<Tag> tags = new ArrayList<>();
    tags.add(new Tag("desc", description(description)));
    tags.add(new Tag("cprt", text("No copyright, use freely")));
    tags.add(new Tag("wtpt", xyz(D50[0], D50[1], D50[2])));
    tags.add(new Tag("rXYZ", xyz(m.m00(), m.m10(), m.m20())));
    tags.add(new Tag("gXYZ", xyz(m.m01(), m.m11(), m.m21())));
    tags.add(new Tag("bXYZ", xyz(m.m02(), m.m12(), m.m22())));
    byte[] curve = curve();
    tags.add(new Tag("rTRC", curve));
    tags.add(new Tag("gTRC", curve));
    tags.add(new Tag("bTRC", curve));
    return ICC_Profile.getInstance(assembled(tags));
  }

  @FunctionalInterface
  private interface Content {
    void write(DataOutputStream out) throws IOException;
  }

  private static byte[] bytes(Content content) {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (DataOutputStream out = new DataOutputStream(bytes)) {
      content.write(out);
      while (out.size() % 4 != 0) {
        out.writeByte(0);
      }
    } catch (IOException e) {
      throw new IllegalStateException("Writing to memory", e);
    }
    return bytes.toByteArray();
  }

  private static byte[] assembled(List<Tag> tags) {
    int body = HEADER + 4 + 12 * tags.size();
    int size = body;
    for (Tag tag : tags) {
      size += tag.content().length;
    }
    int whole = size;
    return bytes(
        out -> {
          out.writeInt(whole);
          out.writeInt(0);
          out.writeInt(0x02100000);
          out.writeBytes("mntrRGB XYZ ");
          for (int v : new int[] {2026, 1, 1, 0, 0, 0}) {
            out.writeShort(v);
          }
          out.writeBytes("acsp");
          out.write(new byte[24]);
          // Relative colorimetric is what a matrix profile can do.
          out.writeInt(1);
          for (double v : D50) {
            out.writeInt(fixed(v));
          }
          out.write(new byte[HEADER - out.size()]);
          out.writeInt(tags.size());
          int at = body;
          for (Tag tag : tags) {
            out.writeBytes(tag.name());
            out.writeInt(at);
            out.writeInt(tag.content().length);
            at += tag.content().length;
          }
          for (Tag tag : tags) {
            out.write(tag.content());
          }
        });
  }

  private static int fixed(double v) {
    return (int) Math.round(v * 65536);
  }

  private static byte[] xyz(double x, double y, double z) {
    return bytes(
        out -> {
          out.writeBytes("XYZ ");
          out.writeInt(0);
          out.writeInt(fixed(x));
          out.writeInt(fixed(y));
          out.writeInt(fixed(z));
        });
  }

  private static byte[] text(String words) {
    return bytes(
        out -> {
          out.writeBytes("text");
          out.writeInt(0);
          out.write(words.getBytes(StandardCharsets.US_ASCII));
          out.writeByte(0);
        });
  }

  private static byte[] description(String words) {
    return bytes(
        out -> {
          out.writeBytes("desc");
          out.writeInt(0);
          out.writeInt(words.length() + 1);
          out.write(words.getBytes(StandardCharsets.US_ASCII));
          out.writeByte(0);
          // Neither a Unicode nor a script-code name.
          out.write(new byte[4 + 4 + 2 + 1 + 67]);
        });
  }

  private static byte[] curve() {
    return bytes(
        out -> {
          out.writeBytes("curv");
          out.writeInt(0);
          out.writeInt(CURVE_POINTS);
          for (int i = 0; i < CURVE_POINTS; i++) {
            double light = Transfer.toLinear(i / (CURVE_POINTS - 1f));
            out.writeShort((int) Math.round(light * 65535));
          }
        });
  }
}
