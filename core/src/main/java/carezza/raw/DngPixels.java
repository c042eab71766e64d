package carezza.raw;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.concurrent.atomic.AtomicReference;
import java.util.stream.IntStream;

import org.jspecify.annotations.Nullable;

import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Plane;
import carezza.metadata.TiffDirectory;

/** The stored samples of a DNG's raw picture: unpacked, made linear, black at 0 and full at 1. */
final class DngPixels {

  private static final int WIDTH = 256;
  private static final int HEIGHT = 257;
  private static final int BITS = 258;
  private static final int COMPRESSION = 259;
  private static final int STRIP_OFFSETS = 273;
  private static final int SAMPLES = 277;
  private static final int ROWS_PER_STRIP = 278;
  private static final int STRIP_BYTES = 279;
  private static final int PLANAR = 284;
  private static final int TILE_WIDTH = 322;
  private static final int TILE_HEIGHT = 323;
  private static final int TILE_OFFSETS = 324;
  private static final int TILE_BYTES = 325;
  private static final int SAMPLE_FORMAT = 339;
  private static final int LINEARIZATION_TABLE = 50712;
  private static final int BLACK_LEVEL_REPEAT = 50713;
  private static final int BLACK_LEVEL = 50714;
  private static final int BLACK_LEVEL_DELTA_H = 50715;
  private static final int BLACK_LEVEL_DELTA_V = 50716;
  private static final int WHITE_LEVEL = 50717;

  private static final int PLAIN = 1;
  private static final int LOSSLESS = 7;

  private final byte[] file;
  private final DngFile dng;
  private final TiffDirectory raw;
  private final int width;
  private final int height;
  private final int bits;
  private final int samples;
  private final short[] stored;

  private DngPixels(byte[] file, DngFile dng) throws IOException {
    this.file = file;
    this.dng = dng;
    raw = dng.raw;
    width = (int) raw.integer(WIDTH, 0);
    height = (int) raw.integer(HEIGHT, 0);
    bits = (int) raw.integer(BITS, 16);
    samples = (int) raw.integer(SAMPLES, 1);
    stored = new short[Math.multiplyExact(Math.multiplyExact(width, height), samples)];
  }

  /** Why the samples cannot be unpacked here; null if they can. */
  static @Nullable String unreadable(TiffDirectory raw, boolean mosaic) {
    int compression = (int) raw.integer(COMPRESSION, PLAIN);
    int bits = (int) raw.integer(BITS, 16);
    long samples = raw.integer(SAMPLES, 1);
    if (compression != PLAIN && compression != LOSSLESS) {
      return "DNG packed in way %d".formatted(compression);
    }
    if (raw.integer(SAMPLE_FORMAT, 1) != 1 || bits < 8 || bits > 16) {
      return "DNG of %d bits or of reals".formatted(bits);
    }
    if (samples != (mosaic ? 1 : 3) || raw.integer(PLANAR, 1) != 1) {
      return "DNG with %d channels".formatted(samples);
    }
    return null;
  }

  /** One plane of a mosaic, or three of a linear picture, over the active area. */
  static Plane[] of(byte[] file, DngFile dng) throws IOException {
    DngPixels work = new DngPixels(file, dng);
    work.unpack();
    return work.normalised();
  }

  private void unpack() throws IOException {
    boolean tiled = raw.has(TILE_OFFSETS);
    int tw = tiled ? (int) raw.integer(TILE_WIDTH, width) : width;
    int th =
        tiled
            ? (int) raw.integer(TILE_HEIGHT, height)
            : Math.clamp(raw.integer(ROWS_PER_STRIP, height), 1, height);
    long[] offsets = raw.integers(tiled ? TILE_OFFSETS : STRIP_OFFSETS);
    long[] lengths = raw.integers(tiled ? TILE_BYTES : STRIP_BYTES);
    if (tw < 1 || th < 1 || (long) tw * th > 1L << 28) {
      throw new IOException("its tiles have no size");
    }
    int across = (width + tw - 1) / tw;
    int down = (height + th - 1) / th;
    if (offsets.length < across * down || lengths.length < across * down) {
      throw new IOException("tiles are missing");
    }
    AtomicReference<IOException> failed = new AtomicReference<>();
    IntStream.range(0, across * down)
        .parallel()
        .forEach(
            i -> {
              try {
                Area tile = new Area(i % across * tw, i / across * th, tw, th);
                unpack(tile, offsets[i], lengths[i], tiled);
              } catch (IOException e) {
                failed.set(e);
              }
            });
    if (failed.get() != null) {
      throw failed.get();
    }
  }

  private void unpack(Area tile, long offset, long length, boolean tiled) throws IOException {
    if (offset < 0 || length < 0 || offset + length > file.length) {
      throw new IOException("a tile lies outside the file");
    }
    // The last strip ends with the picture; tiles are always whole.
    int rows = tiled ? tile.height() : Math.min(tile.height(), height - tile.y());
    int row = tile.width() * samples;
    short[] values =
        raw.integer(COMPRESSION, PLAIN) == LOSSLESS
            ? LosslessJpeg.decode(file, (int) offset, (int) length, row * rows).values()
            : plain((int) offset, (int) length, row, rows);
    if (values.length < row * Math.min(rows, height - tile.y())) {
      throw new IOException("a tile is cut short");
    }
    int copied = Math.min(row, (width - tile.x()) * samples);
    for (int y = 0; y < rows && tile.y() + y < height; y++) {
      int to = ((tile.y() + y) * width + tile.x()) * samples;
      System.arraycopy(values, y * row, stored, to, copied);
    }
  }

  /**
   * Bytes, words in the file's order, or bits packed from the highest down, each row from a byte of
   * its own.
   */
  private short[] plain(int offset, int length, int row, int rows) throws IOException {
    int bytes = (row * bits + 7) / 8;
    if ((long) bytes * rows > length) {
      throw new IOException("a strip is cut short");
    }
    short[] out = new short[row * rows];
    ByteBuffer in = ByteBuffer.wrap(file).order(raw.order());
    for (int y = 0; y < rows; y++) {
      int at = offset + y * bytes;
      if (bits == 16) {
        for (int i = 0; i < row; i++) {
          out[y * row + i] = in.getShort(at + 2 * i);
        }
      } else {
        long held = 0;
        int count = 0;
        for (int i = 0; i < row; i++) {
          while (count < bits) {
            held = held << 8 | file[at++] & 0xFF;
            count += 8;
          }
          count -= bits;
          out[y * row + i] = (short) (held >>> count & (1 << bits) - 1);
        }
      }
    }
    return out;
  }

  private Plane[] normalised() {
    Area active = dng.active(width, height);
    float[] table = table();
    float[] black = black();
    double[] given = raw.numbers(WHITE_LEVEL);
    float[] white = new float[samples];
    for (int c = 0; c < samples; c++) {
      white[c] = given.length == 0 ? (1 << bits) - 1 : (float) given[Math.min(c, given.length - 1)];
    }
    double[] across = raw.numbers(BLACK_LEVEL_DELTA_H);
    double[] down = raw.numbers(BLACK_LEVEL_DELTA_V);
    long[] repeat = repeat();
    int cellRows = (int) repeat[0];
    int cellColumns = (int) repeat[1];
    Area area = new Area(0, 0, active.width(), active.height());
    Plane[] out = new Plane[samples];
    for (int c = 0; c < samples; c++) {
      out[c] = Plane.of(area);
    }
    ParallelRows.each(
        area.width(),
        area.height(),
        (from, to) -> {
          for (int y = from; y < to; y++) {
            float low = y < down.length ? (float) down[y] : 0;
            for (int x = 0; x < area.width(); x++) {
              int cell = (y % cellRows * cellColumns + x % cellColumns) * samples;
              float column = x < across.length ? (float) across[x] : 0;
              int at = ((active.y() + y) * width + active.x() + x) * samples;
              for (int c = 0; c < samples; c++) {
                int v = stored[at + c] & 0xFFFF;
                float light = table == null ? v : table[Math.min(v, table.length - 1)];
                float base = black[cell + c] + low + column;
                out[c].values()[y * area.width() + x] =
                    (light - base) / Math.max(1, white[c] - base);
              }
            }
          }
        });
    return out;
  }

  private float @Nullable [] table() {
    double[] given = raw.numbers(LINEARIZATION_TABLE);
    if (given.length == 0) {
      return null;
    }
    float[] table = new float[given.length];
    for (int i = 0; i < table.length; i++) {
      table[i] = (float) given[i];
    }
    return table;
  }

  private long[] repeat() {
    long[] repeat = raw.integers(BLACK_LEVEL_REPEAT);
    boolean sound =
        repeat.length == 2
            && repeat[0] >= 1
            && repeat[0] <= 64
            && repeat[1] >= 1
            && repeat[1] <= 64;
    return sound ? repeat : new long[] {1, 1};
  }

  private float[] black() {
    long[] repeat = repeat();
    double[] given = raw.numbers(BLACK_LEVEL);
    float[] black = new float[(int) (repeat[0] * repeat[1]) * samples];
    for (int i = 0; i < black.length; i++) {
      black[i] =
          given.length == 0 ? 0 : (float) (given.length == black.length ? given[i] : given[0]);
    }
    return black;
  }
}
