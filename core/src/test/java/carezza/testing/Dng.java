package carezza.testing;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;

import carezza.colour.Matrix3;
import carezza.colour.RgbSpace;
import carezza.colour.Transfer;
import carezza.image.Picture;

/**
 * A made-up camera: turns a picture into the DNG that its sensor would have written. Written from
 * the DNG specification and ITU-T T.81, and by none of the code that reads.
 */
public final class Dng {

  /** XYZ to the sensor's channels in daylight (D65); nobody's camera. */
  public static final double[] MATRIX = {0.82, -0.20, -0.09, -0.44, 1.27, 0.18, -0.07, 0.19, 0.64};

  private static final double[] D65 = {0.3127 / 0.3290, 1, (1 - 0.3127 - 0.3290) / 0.3290};
  private static final int TILE = 256;
  private static final int BLACK = 512;
  private static final int WHITE = 15_600;

  private static final int SHORT = 3;
  private static final int LONG = 4;
  private static final int RATIONAL = 5;
  private static final int SRATIONAL = 10;
  private static final int BYTE = 1;
  private static final int ASCII = 2;

  private final int width;
  private final int height;
  private final int[] pattern;
  private final short[] samples;
  private final double[] neutral;
  private boolean packed = true;
  private int orientation = 1;
  private int compression = 7;

  /**
   * @param working the scene, upright
   * @param pattern channels of the filters' cell: 0 red, 1 green, 2 blue
   * @param electrons that a pixel holds; its noise is that of counting them; 0 for no noise
   * @param exposure factor of the light
   */
  public Dng(Picture working, int[] pattern, double electrons, double exposure) {
    this.pattern = pattern.clone();
    width = working.area().width() / 2 * 2;
    height = working.area().height() / 2 * 2;
    Matrix3 camera =
        new Matrix3(
            MATRIX[0], MATRIX[1], MATRIX[2], MATRIX[3], MATRIX[4], MATRIX[5], MATRIX[6], MATRIX[7],
            MATRIX[8]);
    double[] white = camera.times(D65);
    double most = Math.max(white[0], Math.max(white[1], white[2]));
    neutral = new double[] {white[0] / most, white[1] / most, white[2] / most};
    Matrix3 seen =
        camera.times(RgbSpace.bradford(RgbSpace.d50(), D65)).times(RgbSpace.REC2020.toXyzD50());
    Picture light = Transfer.toLinear(working);
    SplittableRandom random = new SplittableRandom(5);
    samples = new short[width * height];
    for (int y = 0; y < height; y++) {
      for (int x = 0; x < width; x++) {
        int i = y * working.area().width() + x;
        double[] channels =
            seen.times(
                light.first().values()[i], light.second().values()[i], light.third().values()[i]);
        double v = exposure * channels[pattern[(y & 1) << 1 | x & 1]] / most;
        if (electrons > 0) {
          v +=
              random.nextGaussian()
                  * Math.sqrt(Math.max(0, v) / electrons + 9 / (electrons * electrons));
        }
        samples[y * width + x] =
            (short) Math.clamp(Math.round(BLACK + v * (WHITE - BLACK)), 0, WHITE);
      }
    }
  }

  /** Sixteen bits as they are, instead of packed. */
  public Dng plain() {
    packed = false;
    return this;
  }

  public Dng orientation(int value) {
    orientation = value;
    return this;
  }

  /** Says that it is packed in another way than it is. */
  public Dng compression(int value) {
    compression = value;
    return this;
  }

  public int width() {
    return width;
  }

  public int height() {
    return height;
  }

  private record Entry(int tag, int type, int count, byte[] content) {}

  private static ByteBuffer buffer(int size) {
    return ByteBuffer.allocate(size).order(ByteOrder.LITTLE_ENDIAN);
  }

  private static Entry shorts(int tag, int... values) {
    ByteBuffer b = buffer(2 * values.length);
    for (int v : values) {
      b.putShort((short) v);
    }
    return new Entry(tag, SHORT, values.length, b.array());
  }

  private static Entry longs(int tag, int... values) {
    ByteBuffer b = buffer(4 * values.length);
    for (int v : values) {
      b.putInt(v);
    }
    return new Entry(tag, LONG, values.length, b.array());
  }

  private static Entry bytes(int tag, int... values) {
    byte[] b = new byte[values.length];
    for (int i = 0; i < b.length; i++) {
      b[i] = (byte) values[i];
    }
    return new Entry(tag, BYTE, b.length, b);
  }

  private static Entry fractions(int tag, int type, double... values) {
    ByteBuffer b = buffer(8 * values.length);
    for (double v : values) {
      b.putInt((int) Math.round(v * 1_000_000)).putInt(1_000_000);
    }
    return new Entry(tag, type, values.length, b.array());
  }

  /** The file. */
  public byte[] bytes() throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    out.write(new byte[] {'I', 'I', 42, 0, 0, 0, 0, 0});
    List<Entry> e = new ArrayList<>();
    e.add(longs(254, 0));
    e.add(longs(256, width));
    e.add(longs(257, height));
    e.add(shorts(258, packed ? 14 : 16));
    e.add(shorts(259, packed ? compression : 1));
    e.add(shorts(262, 32803));
    e.add(new Entry(272, ASCII, 9, "Made-up\0\0".getBytes(StandardCharsets.US_ASCII)));
    if (packed) {
      tiles(out, e);
    } else {
      strip(out, e);
    }
    e.add(shorts(274, orientation));
    e.add(shorts(277, 1));
    e.add(shorts(284, 1));
    e.add(shorts(33421, 2, 2));
    e.add(bytes(33422, pattern));
    e.add(bytes(50706, 1, 4, 0, 0));
    e.add(bytes(50707, 1, 1, 0, 0));
    e.add(new Entry(50708, ASCII, 8, "Made-up\0".getBytes(StandardCharsets.US_ASCII)));
    e.add(shorts(50713, 2, 2));
    e.add(shorts(50714, BLACK, BLACK, BLACK, BLACK));
    e.add(shorts(50717, WHITE));
    e.add(fractions(50721, SRATIONAL, MATRIX));
    e.add(fractions(50728, RATIONAL, neutral));
    e.add(shorts(50778, 21));
    e.sort((a, b) -> Integer.compare(a.tag(), b.tag()));
    ByteBuffer directory = buffer(2 + 12 * e.size() + 4);
    directory.putShort((short) e.size());
    for (Entry each : e) {
      directory.putShort((short) each.tag()).putShort((short) each.type()).putInt(each.count());
      if (each.content().length <= 4) {
        directory.put(each.content()).put(new byte[4 - each.content().length]);
      } else {
        directory.putInt(out.size());
        out.write(each.content());
        out.write(new byte[out.size() % 2]);
      }
    }
    int at = out.size();
    out.write(directory.array());
    byte[] file = out.toByteArray();
    ByteBuffer.wrap(file).order(ByteOrder.LITTLE_ENDIAN).putInt(4, at);
    return file;
  }

  private void strip(ByteArrayOutputStream out, List<Entry> e) {
    e.add(longs(273, out.size()));
    e.add(longs(278, height));
    e.add(longs(279, 2 * samples.length));
    ByteBuffer b = buffer(2 * samples.length);
    for (short s : samples) {
      b.putShort(s);
    }
    out.writeBytes(b.array());
  }

  private void tiles(ByteArrayOutputStream out, List<Entry> e) throws IOException {
    int across = (width + TILE - 1) / TILE;
    int down = (height + TILE - 1) / TILE;
    int[] offsets = new int[across * down];
    int[] lengths = new int[across * down];
    for (int i = 0; i < offsets.length; i++) {
      short[] tile = new short[TILE * TILE];
      for (int y = 0; y < TILE; y++) {
        for (int x = 0; x < TILE; x++) {
          int sx = Math.min(width - 1, i % across * TILE + x);
          int sy = Math.min(height - 1, i / across * TILE + y);
          tile[y * TILE + x] = samples[sy * width + sx];
        }
      }
      byte[] jpeg = lossless(tile, TILE / 2, TILE, 2);
      offsets[i] = out.size();
      lengths[i] = jpeg.length;
      out.write(jpeg);
    }
    e.add(longs(322, TILE));
    e.add(longs(323, TILE));
    e.add(longs(324, offsets));
    e.add(longs(325, lengths));
  }

  /**
   * Lossless JPEG with the first predictor and one code for all channels: categories 0 … 15 in four
   * bits each and 16 in five, which is no short code but a valid one.
   */
  public static byte[] lossless(short[] samples, int width, int height, int components)
      throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    out.write(new byte[] {(byte) 0xFF, (byte) 0xD8, (byte) 0xFF, (byte) 0xC4, 0, 36, 0});
    // Fifteen codes of four bits, two of five.
    byte[] counts = new byte[16];
    counts[3] = 15;
    counts[4] = 2;
    out.write(counts);
    for (int i = 0; i < 17; i++) {
      out.write(i);
    }
    ByteBuffer frame = ByteBuffer.allocate(10 + 3 * components);
    frame.putShort((short) 0xFFC3).putShort((short) (8 + 3 * components)).put((byte) 14);
    frame.putShort((short) height).putShort((short) width).put((byte) components);
    for (int c = 0; c < components; c++) {
      frame.put((byte) c).put((byte) 0x11).put((byte) 0);
    }
    out.write(frame.array());
    ByteBuffer scan = ByteBuffer.allocate(8 + 2 * components);
    scan.putShort((short) 0xFFDA).putShort((short) (6 + 2 * components)).put((byte) components);
    for (int c = 0; c < components; c++) {
      scan.put((byte) c).put((byte) 0);
    }
    scan.put((byte) 1).put((byte) 0).put((byte) 0);
    out.write(scan.array());
    Bits bits = new Bits(out);
    int row = width * components;
    for (int i = 0; i < samples.length; i++) {
      int x = i % row;
      int guess = x >= components ? samples[i - components] : i < row ? 1 << 13 : samples[i - row];
      int d = samples[i] - guess;
      int category = 32 - Integer.numberOfLeadingZeros(Math.abs(d));
      if (category < 15) {
        bits.put(category, 4);
      } else {
        bits.put(30 + category - 15, 5);
      }
      if (category > 0 && category < 16) {
        bits.put(d < 0 ? d + (1 << category) - 1 : d, category);
      }
    }
    bits.flush();
    out.write(new byte[] {(byte) 0xFF, (byte) 0xD9});
    return out.toByteArray();
  }

  private static final class Bits {
    private final ByteArrayOutputStream out;
    private long held;
    private int count;

    Bits(ByteArrayOutputStream out) {
      this.out = out;
    }

    void put(int value, int length) {
      held = held << length | value & (1L << length) - 1;
      count += length;
      while (count >= 8) {
        count -= 8;
        int b = (int) (held >>> count) & 0xFF;
        out.write(b);
        if (b == 0xFF) {
          out.write(0);
        }
      }
    }

    void flush() {
      if (count > 0) {
        put((1 << 8 - count) - 1, 8 - count);
      }
    }
  }
}
