package carezza.project;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;

import carezza.model.Stroke;

/**
 * The strokes of a project in binary, big-endian: the four bytes {@code CZST}, an int version (2),
 * an int count; per stroke doubles radius, softness, strength, edge, a byte lift, an int number of
 * points, and per point floats x, y, pressure, time. Version 1 has no edge.
 */
final class StrokesFile {

  private static final int MAGIC = 0x435A5354;
  private static final int VERSION = 2;

  private StrokesFile() {}

  static byte[] write(List<Stroke> strokes) {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (DataOutputStream out = new DataOutputStream(bytes)) {
      out.writeInt(MAGIC);
      out.writeInt(VERSION);
      out.writeInt(strokes.size());
      for (Stroke s : strokes) {
        out.writeDouble(s.radius());
        out.writeDouble(s.softness());
        out.writeDouble(s.strength());
        out.writeDouble(s.edge());
        out.writeByte(s.erase() ? 1 : 0);
        out.writeInt(s.size());
        for (float v : s.packed()) {
          out.writeFloat(v);
        }
      }
    } catch (IOException e) {
      throw new IllegalStateException("Writing to memory", e);
    }
    return bytes.toByteArray();
  }

  /**
   * @throws IOException if the bytes are no stroke file or cut short
   */
  static List<Stroke> read(byte[] bytes) throws IOException {
    DataInputStream in = new DataInputStream(new ByteArrayInputStream(bytes));
    if (in.readInt() != MAGIC) {
      throw new IOException("not a stroke file");
    }
    int version = in.readInt();
    if (version < 1 || version > VERSION) {
      throw new IOException("not a stroke file of a known version");
    }
    int count = in.readInt();
    List<Stroke> strokes = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      double radius = in.readDouble();
      double softness = in.readDouble();
      double strength = in.readDouble();
      double edge = version == 1 ? 0 : in.readDouble();
      boolean lift = in.readByte() != 0;
      int points = in.readInt();
      if (points < 1 || points > in.available() / 16) {
        throw new IOException("stroke " + i + " is cut short");
      }
      float[] packed = new float[4 * points];
      for (int k = 0; k < packed.length; k++) {
        packed[k] = in.readFloat();
      }
      try {
        strokes.add(new Stroke(packed, radius, softness, strength, lift, edge));
      } catch (IllegalArgumentException e) {
        throw new IOException(e.getMessage(), e);
      }
    }
    return strokes;
  }
}
