package carezza.mask;

import java.io.ByteArrayOutputStream;
import java.io.DataInput;
import java.io.DataOutput;
import java.io.IOException;
import java.util.zip.DataFormatException;
import java.util.zip.Deflater;
import java.util.zip.Inflater;

import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Plane;

/**
 * A coverage that is kept for long: 16 bits a pixel, and only where it is not zero. What comes back
 * differs by less than a hundred-thousandth.
 */
final class StoredCoverage {

  private static final float STEPS = 65535;

  /** More than any that is written. */
  private static final int MOST_PIXELS = 1 << 26;

  private static final int MOST_PACKED = 1 << 28;

  private final Area whole;
  private final Area held;
  private final short[] values;

  private StoredCoverage(Area whole, Area held, short[] values) {
    this.whole = whole;
    this.held = held;
    this.values = values;
  }

  /**
   * @param coverage values 0 … 1
   */
  static StoredCoverage of(Plane coverage) {
    Area held = held(coverage);
    short[] values = new short[held.pixels()];
    ParallelRows.each(
        held.width(),
        held.height(),
        (from, to) -> {
          int i = from * held.width();
          for (int y = held.y() + from; y < held.y() + to; y++) {
            int row = coverage.index(held.x(), y);
            for (int x = 0; x < held.width(); x++) {
              float v = Math.clamp(coverage.values()[row + x], 0f, 1f);
              values[i++] = (short) (v * STEPS + 0.5f);
            }
          }
        });
    return new StoredCoverage(coverage.area(), held, values);
  }

  /** The areas and the packed values, the high bytes before the low ones: they repeat more. */
  void write(DataOutput out) throws IOException {
    byte[] bytes = new byte[2 * values.length];
    for (int i = 0; i < values.length; i++) {
      bytes[i] = (byte) (values[i] >> 8);
      bytes[values.length + i] = (byte) values[i];
    }
    Deflater deflater = new Deflater(Deflater.BEST_SPEED);
    try {
      deflater.setInput(bytes);
      deflater.finish();
      ByteArrayOutputStream packed = new ByteArrayOutputStream();
      byte[] part = new byte[1 << 16];
      while (!deflater.finished()) {
        packed.write(part, 0, deflater.deflate(part));
      }
      write(out, whole);
      write(out, held);
      out.writeInt(packed.size());
      out.write(packed.toByteArray());
    } finally {
      deflater.end();
    }
  }

  private static void write(DataOutput out, Area area) throws IOException {
    out.writeInt(area.x());
    out.writeInt(area.y());
    out.writeInt(area.width());
    out.writeInt(area.height());
  }

  /**
   * A coverage as it lies in a file: unpacked when it is asked for, on any thread.
   *
   * @throws IOException if the numbers cannot be true
   */
  static Packed read(DataInput in) throws IOException {
    Area whole = readArea(in);
    Area held = readArea(in);
    int length = in.readInt();
    if (!whole.contains(held) || length < 0 || length > MOST_PACKED) {
      throw new IOException("No coverage");
    }
    byte[] packed = new byte[length];
    in.readFully(packed);
    return new Packed(whole, held, packed);
  }

  private static Area readArea(DataInput in) throws IOException {
    int x = in.readInt();
    int y = in.readInt();
    int width = in.readInt();
    int height = in.readInt();
    if (width < 0 || height < 0 || (long) width * height > MOST_PIXELS) {
      throw new IOException("No area");
    }
    return new Area(x, y, width, height);
  }

  /** As read. */
  record Packed(Area whole, Area held, byte[] bytes) {

    /**
     * @throws IOException if it is damaged
     */
    StoredCoverage unpacked() throws IOException {
      byte[] all = new byte[2 * held.pixels()];
      Inflater inflater = new Inflater();
      try {
        inflater.setInput(bytes);
        int got = inflater.inflate(all);
        if (got != all.length) {
          throw new IOException("A coverage that is cut short");
        }
      } catch (DataFormatException e) {
        throw new IOException(e);
      } finally {
        inflater.end();
      }
      short[] values = new short[held.pixels()];
      for (int i = 0; i < values.length; i++) {
        values[i] = (short) (all[i] << 8 | all[values.length + i] & 0xff);
      }
      return new StoredCoverage(whole, held, values);
    }
  }

  private static Area held(Plane coverage) {
    Area covered = coverage.covered();
    Area area = coverage.area();
    return covered.isEmpty() ? new Area(area.x(), area.y(), 0, 0) : covered;
  }

  /** What it was made of, which it has values for. */
  Area area() {
    return whole;
  }

  /** Values over an area within {@link #area}. */
  Plane over(Area area) {
    if (!whole.contains(area)) {
      throw new IllegalArgumentException(area + " is not inside " + whole);
    }
    Plane out = Plane.of(area);
    int from = Math.max(area.x(), held.x());
    int to = Math.min(area.right(), held.right());
    for (int y = Math.max(area.y(), held.y());
        y < Math.min(area.bottom(), held.bottom()) && from < to;
        y++) {
      int at = (y - held.y()) * held.width() + from - held.x();
      int into = out.index(from, y);
      for (int x = from; x < to; x++) {
        out.values()[into++] = (values[at++] & 0xffff) / STEPS;
      }
    }
    return out;
  }
}
