package carezza.raw;

import java.io.IOException;
import java.util.Arrays;

/**
 * Lossless JPEG (ITU-T T.81, annex H; Huffman coding), as DNG packs mosaics: one to four
 * interleaved components of two to sixteen bits, all seven predictors, restarts.
 */
final class LosslessJpeg {

  private static final int START_OF_FRAME = 0xC3;
  private static final int TABLES = 0xC4;
  private static final int START_OF_SCAN = 0xDA;
  private static final int RESTART_INTERVAL = 0xDD;
  private static final int END = 0xD9;

  /** Bits of the longest code. */
  private static final int LONGEST = 16;

  private final byte[] in;
  private final int end;
  private int at;

  /**
   * For each table and the next sixteen bits: the category x 32 + the length of its code; 0 is no
   * code.
   */
  private final short[][] tables = new short[4][];

  private int precision;
  private int height;
  private int width;
  private int components;
  private final int[] tableOf = new int[4];
  private int predictor;
  private int shift;
  private int interval;

  private long bits;
  private int count;

  private LosslessJpeg(byte[] in, int from, int length) {
    this.in = in;
    at = from;
    end = from + length;
  }

  /**
   * Samples as they are coded: row by row, the components of a place one after the other.
   *
   * @param most samples that there may be
   */
  record Samples(int width, int height, int components, short[] values) {}

  static Samples decode(byte[] in, int from, int length, int most) throws IOException {
    try {
      return new LosslessJpeg(in, from, length).decoded(most);
    } catch (IndexOutOfBoundsException e) {
      throw new IOException("a tile is cut short", e);
    }
  }

  private int u8() throws IOException {
    if (at >= end) {
      throw new IOException("a tile is cut short");
    }
    return in[at++] & 0xFF;
  }

  private int u16() throws IOException {
    return u8() << 8 | u8();
  }

  private Samples decoded(int most) throws IOException {
    if (u16() != 0xFFD8) {
      throw new IOException("a tile is no JPEG stream");
    }
    while (true) {
      int mark = u16();
      if (mark >> 8 != 0xFF || (mark & 0xFF) == END) {
        throw new IOException("a tile has no picture");
      }
      int next = at + u16();
      switch (mark & 0xFF) {
        case START_OF_FRAME -> frame(most);
        case TABLES -> tables(next);
        case RESTART_INTERVAL -> interval = u16();
        case START_OF_SCAN -> {
          scan();
          at = next;
          return new Samples(width, height, components, pixels());
        }
        default -> {
          if ((mark & 0xF0) == 0xC0) {
            throw new IOException("a tile is packed in another way");
          }
        }
      }
      at = next;
    }
  }

  private void frame(int most) throws IOException {
    precision = u8();
    height = u16();
    width = u16();
    components = u8();
    boolean sound = precision >= 2 && precision <= 16 && components >= 1 && components <= 4;
    if (!sound || height == 0 || width == 0 || (long) height * width * components > most) {
      throw new IOException("a tile is not of its size");
    }
    for (int c = 0; c < components; c++) {
      u8();
      if (u8() != 0x11) {
        throw new IOException("a tile has channels of different sizes");
      }
      u8();
    }
  }

  private void tables(int next) throws IOException {
    while (at < next) {
      int id = u8() & 3;
      int[] counts = new int[LONGEST];
      for (int i = 0; i < LONGEST; i++) {
        counts[i] = u8();
      }
      short[] table = new short[1 << LONGEST];
      int code = 0;
      for (int length = 1; length <= LONGEST; length++) {
        for (int i = 0; i < counts[length - 1]; i++) {
          int category = u8();
          int first = code << (LONGEST - length);
          int last = first + (1 << (LONGEST - length));
          if (category > 16 || last > table.length) {
            throw new IOException("a tile's code is none");
          }
          Arrays.fill(table, first, last, (short) (category << 5 | length));
          code++;
        }
        code <<= 1;
      }
      tables[id] = table;
    }
  }

  private void scan() throws IOException {
    int given = u8();
    if (components == 0 || given != components) {
      throw new IOException("a tile comes in several scans");
    }
    for (int c = 0; c < components; c++) {
      u8();
      tableOf[c] = u8() >> 4 & 3;
      if (tables[tableOf[c]] == null) {
        throw new IOException("a tile's code is missing");
      }
    }
    predictor = u8();
    u8();
    shift = u8() & 15;
    if (predictor < 1 || predictor > 7 || shift >= precision) {
      throw new IOException("a tile is predicted in an unknown way");
    }
  }

  private short[] pixels() throws IOException {
    int row = width * components;
    short[] out = new short[row * height];
    int begin = 1 << (precision - shift - 1);
    int left = interval;
    boolean first = true;
    for (int y = 0; y < height; y++) {
      int line = y * row;
      for (int x = 0; x < width; x++) {
        if (interval > 0 && left == 0) {
          restart();
          left = interval;
          first = true;
        }
        left--;
        for (int c = 0; c < components; c++) {
          int i = line + x * components + c;
          int guess;
          if (first && x == 0 || y == 0 && x == 0) {
            guess = begin;
          } else if (x == 0) {
            guess = out[i - row] & 0xFFFF;
          } else if (y == 0 || first) {
            guess = out[i - components] & 0xFFFF;
          } else {
            guess =
                guess(
                    out[i - components] & 0xFFFF,
                    out[i - row] & 0xFFFF,
                    out[i - row - components] & 0xFFFF);
          }
          out[i] = (short) (guess + difference(tables[tableOf[c]]));
        }
      }
      first = false;
    }
    if (shift > 0) {
      for (int i = 0; i < out.length; i++) {
        out[i] = (short) (out[i] << shift);
      }
    }
    return out;
  }

  /** Table H.1. */
  private int guess(int a, int b, int c) {
    return switch (predictor) {
      case 1 -> a;
      case 2 -> b;
      case 3 -> c;
      case 4 -> a + b - c;
      case 5 -> a + (b - c >> 1);
      case 6 -> b + (a - c >> 1);
      default -> a + b >> 1;
    };
  }

  private int difference(short[] table) throws IOException {
    fill();
    int entry = table[(int) (bits >>> count - LONGEST) & 0xFFFF];
    if (entry == 0) {
      throw new IOException("a tile is damaged");
    }
    count -= entry & 31;
    int category = entry >> 5;
    if (category == 0) {
      return 0;
    }
    if (category == 16) {
      return 32768;
    }
    fill();
    count -= category;
    int v = (int) (bits >>> count) & (1 << category) - 1;
    return v < 1 << category - 1 ? v - (1 << category) + 1 : v;
  }

  /**
   * Sixteen bits at least; zeros beyond the end, as the last code may be looked up with what
   * follows it.
   */
  private void fill() {
    while (count < LONGEST) {
      int b = 0;
      if (at < end) {
        b = in[at] & 0xFF;
        if (b == 0xFF) {
          if (at + 1 < end && in[at + 1] == 0) {
            at += 2;
          } else {
            // A mark: nothing more comes before it.
            b = 0;
          }
        } else {
          at++;
        }
      }
      bits = bits << 8 | b;
      count += 8;
    }
  }

  private void restart() {
    bits = 0;
    count = 0;
    while (at + 1 < end && !(in[at] == (byte) 0xFF && (in[at + 1] & 0xF8) == 0xD0)) {
      at++;
    }
    at += 2;
  }
}
