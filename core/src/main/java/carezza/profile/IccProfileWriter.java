package carezza.profile;

import java.awt.color.ICC_Profile;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;

import carezza.colour.Matrix3;
import carezza.colour.RgbSpace;
import carezza.colour.Transfer;
import carezza.press.Intent;
import carezza.press.PressTables;

/** Makes ICC profiles (version 2.1): of RGB spaces with the sRGB tone curve, and of the press. */
public final class IccProfileWriter {

  private static final int CURVE_POINTS = 4096;
  private static final int HEADER = 128;
  private static final double[] D50 = {0.9642, 1, 0.8249};

  private IccProfileWriter() {}

  private static final int[] IDENTITY = {0, 65535};

  private record Tag(String name, byte[] content) {}

  public static ICC_Profile of(RgbSpace space, String description) {
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
    return ICC_Profile.getInstance(assembled("mntrRGB XYZ ", tags));
  }

  /** An output profile of the press model, version 2.1, with tables of sixteen bits. */
  public static byte[] ofPress(String description) {
    List<Tag> tags = new ArrayList<>();
    double[] paper = PressTables.paper();
    tags.add(new Tag("desc", description(description)));
    tags.add(new Tag("cprt", text("No copyright, use freely")));
    tags.add(new Tag("wtpt", xyz(paper[0], paper[1], paper[2])));
    byte[] toLab =
        table(4, 3, PressTables.INK_GRID, PressTables.gain(), PressTables.toLab(), IDENTITY);
    tags.add(new Tag("A2B0", toLab));
    tags.add(new Tag("A2B1", toLab));
    byte[] perceptual = toInks(Intent.PERCEPTUAL);
    tags.add(new Tag("B2A0", perceptual));
    tags.add(new Tag("B2A1", toInks(Intent.COLORIMETRIC)));
    tags.add(new Tag("B2A2", perceptual));
    return assembled("prtrCMYKLab ", tags);
  }

  private static byte[] toInks(Intent intent) {
    return table(
        3,
        4,
        PressTables.LAB_GRID,
        IDENTITY,
        PressTables.toInks(intent),
        PressTables.inverseGain());
  }

  /** lut16Type (ICC.1:2001, 6.5.9) with one curve for all inputs and one for all outputs. */
  private static byte[] table(
      int inputs, int outputs, int points, int[] in, int[] grid, int[] out) {
    return bytes(
        to -> {
          to.writeBytes("mft2");
          to.writeInt(0);
          to.writeByte(inputs);
          to.writeByte(outputs);
          to.writeByte(points);
          to.writeByte(0);
          for (int i = 0; i < 9; i++) {
            to.writeInt(i % 4 == 0 ? 0x10000 : 0);
          }
          to.writeShort(in.length);
          to.writeShort(out.length);
          for (int i = 0; i < inputs; i++) {
            shorts(to, in);
          }
          shorts(to, grid);
          for (int i = 0; i < outputs; i++) {
            shorts(to, out);
          }
        });
  }

  private static void shorts(DataOutputStream to, int[] values) throws IOException {
    for (int v : values) {
      to.writeShort(v);
    }
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

  /**
   * @param kind class, colour space and connection space
   */
  private static byte[] assembled(String kind, List<Tag> tags) {
    // Tags with the same content share its place.
    Map<byte[], Integer> places = new IdentityHashMap<>();
    List<byte[]> contents = new ArrayList<>();
    int end = HEADER + 4 + 12 * tags.size();
    for (Tag tag : tags) {
      if (places.putIfAbsent(tag.content(), end) == null) {
        contents.add(tag.content());
        end += tag.content().length;
      }
    }
    int whole = end;
    return bytes(
        out -> {
          out.writeInt(whole);
          out.writeInt(0);
          out.writeInt(0x02100000);
          out.writeBytes(kind);
          for (int v : new int[] {2026, 1, 1, 0, 0, 0}) {
            out.writeShort(v);
          }
          out.writeBytes("acsp");
          out.write(new byte[24]);
          // Relative colorimetric.
          out.writeInt(1);
          for (double v : D50) {
            out.writeInt(fixed(v));
          }
          out.write(new byte[HEADER - out.size()]);
          out.writeInt(tags.size());
          for (Tag tag : tags) {
            out.writeBytes(tag.name());
            out.writeInt(Objects.requireNonNull(places.get(tag.content())));
            out.writeInt(tag.content().length);
          }
          for (byte[] content : contents) {
            out.write(content);
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
