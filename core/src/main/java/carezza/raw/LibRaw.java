package carezza.raw;

import java.io.IOException;
import java.lang.foreign.Arena;
import java.lang.foreign.FunctionDescriptor;
import java.lang.foreign.Linker;
import java.lang.foreign.MemoryLayout;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.SymbolLookup;
import java.lang.foreign.ValueLayout;
import java.lang.invoke.MethodHandle;
import java.util.List;
import java.util.Optional;

import org.jspecify.annotations.Nullable;

import carezza.colour.Matrix3;
import carezza.colour.RgbSpace;
import carezza.image.Area;
import carezza.image.Picture;

/**
 * Makers' own raw files through the machine's LibRaw, where it is installed: its library is looked
 * up when it is first needed and called as its C interface (libraw.h) has it. It unpacks and
 * demosaics; highlights and colours are ours.
 */
@SuppressWarnings("restricted")
public final class LibRaw {

  /**
   * With threads or without, by the versions of the interface that these functions have not changed
   * in.
   */
  private static final List<String> NAMES =
      List.of(
          "libraw_r.so.23",
          "libraw.so.23",
          "libraw_r.so.24",
          "libraw.so.24",
          "libraw_r.so.22",
          "libraw.so.22",
          "libraw_r.so.20",
          "libraw.so.20",
          "libraw_r.so",
          "libraw.so",
          "libraw_r.dylib",
          "libraw.dylib",
          "libraw.dll");

  private static final int SENSOR_COLOURS = 0;
  private static final int UNCLIPPED = 1;

  /** The best of its ways on the portraits: AAHD. */
  private static final int MODIFIED_HOMOGENEITY = 12;

  private static final double TOP = 65535;

  /** libraw_processed_image_t: kind, height, width, colours, bits, bytes, then the samples. */
  private static final int HEADER = 16;

  private static final ValueLayout.OfInt INT = ValueLayout.JAVA_INT;
  private static final ValueLayout.OfFloat FLOAT = ValueLayout.JAVA_FLOAT;

  private final SymbolLookup library;

  private LibRaw(SymbolLookup library) {
    this.library = library;
  }

  private static final class Found {
    static final Optional<LibRaw> LIBRARY = lookUp();

    private static Optional<LibRaw> lookUp() {
      for (String name : NAMES) {
        try {
          SymbolLookup library = SymbolLookup.libraryLookup(name, Arena.global());
          if (library.find("libraw_set_user_mul").isPresent()) {
            return Optional.of(new LibRaw(library));
          }
        } catch (IllegalArgumentException e) {
          // Not under this name.
          continue;
        }
      }
      return Optional.empty();
    }
  }

  /** The machine's library, if it has one. */
  public static Optional<LibRaw> ofMachine() {
    return Found.LIBRARY;
  }

  private MethodHandle function(
      String name, @Nullable MemoryLayout result, MemoryLayout... arguments) {
    FunctionDescriptor shape =
        result == null
            ? FunctionDescriptor.ofVoid(arguments)
            : FunctionDescriptor.of(result, arguments);
    return Linker.nativeLinker().downcallHandle(library.findOrThrow(name), shape);
  }

  /** Calls a function of a picture's handle. */
  private Object call(
      String name, @Nullable MemoryLayout result, MemorySegment handle, Object... rest) {
    MemoryLayout[] arguments = new MemoryLayout[rest.length + 1];
    Object[] values = new Object[rest.length + 1];
    arguments[0] = ValueLayout.ADDRESS;
    values[0] = handle;
    for (int i = 0; i < rest.length; i++) {
      values[i + 1] = rest[i];
      arguments[i + 1] =
          switch (rest[i]) {
            case Integer n -> INT;
            case Float f -> FLOAT;
            case Long n -> ValueLayout.JAVA_LONG;
            default -> ValueLayout.ADDRESS;
          };
    }
    try {
      return function(name, result, arguments).invokeWithArguments(values);
    } catch (RuntimeException | Error e) {
      throw e;
    } catch (Throwable e) {
      throw new IllegalStateException("Calling LibRaw", e);
    }
  }

  /**
   * Reads a raw file, upright.
   *
   * @throws IOException if the library cannot; its message is the library's own words
   */
  public RawPhotograph read(byte[] file) throws IOException {
    try (Arena arena = Arena.ofShared()) {
      MemorySegment bytes = arena.allocate(file.length);
      bytes.copyFrom(MemorySegment.ofArray(file));
      // The library stretches a dark picture to its brightest pixel; what full means has to be
      // asked beforehand.
      int full =
          withHandle(
              bytes,
              handle -> {
                check(call("libraw_raw2image", INT, handle));
                check(call("libraw_subtract_black", INT, handle));
                return (int) call("libraw_get_color_maximum", INT, handle);
              });
      return withHandle(bytes, handle -> developed(handle, arena, full));
    }
  }

  @FunctionalInterface
  private interface Use<T> {
    T of(MemorySegment handle) throws IOException;
  }

  /** Opens and unpacks a file, and lets go of it again. */
  private <T> T withHandle(MemorySegment bytes, Use<T> use) throws IOException {
    MemorySegment handle;
    try {
      handle =
          (MemorySegment) function("libraw_init", ValueLayout.ADDRESS, INT).invokeWithArguments(0);
    } catch (RuntimeException | Error e) {
      throw e;
    } catch (Throwable e) {
      throw new IllegalStateException("Calling LibRaw", e);
    }
    if (handle.address() == 0) {
      throw new IOException("it has no memory");
    }
    try {
      check(call("libraw_open_buffer", INT, handle, bytes, bytes.byteSize()));
      check(call("libraw_unpack", INT, handle));
      return use.of(handle);
    } finally {
      call("libraw_close", null, handle);
    }
  }

  private void check(Object code) throws IOException {
    if ((int) code != 0) {
      String words;
      try {
        MemorySegment text =
            (MemorySegment)
                function("libraw_strerror", ValueLayout.ADDRESS, INT).invokeWithArguments(code);
        words = text.reinterpret(Short.MAX_VALUE).getString(0);
      } catch (Throwable e) {
        words = "error " + code;
      }
      throw new IOException(words);
    }
  }

  private RawPhotograph developed(MemorySegment handle, Arena arena, int full) throws IOException {
    double[] multiplier = new double[3];
    for (int c = 0; c < 3; c++) {
      multiplier[c] = (float) call("libraw_get_cam_mul", FLOAT, handle, c);
    }
    if (!(multiplier[0] > 0 && multiplier[1] > 0 && multiplier[2] > 0)) {
      for (int c = 0; c < 3; c++) {
        multiplier[c] = (float) call("libraw_get_pre_mul", FLOAT, handle, c);
      }
    }
    for (int c = 0; c < 4; c++) {
      call("libraw_set_user_mul", null, handle, c, (float) multiplier[c == 3 ? 1 : c]);
    }
    double[][] toSrgb = new double[3][3];
    for (int i = 0; i < 3; i++) {
      for (int k = 0; k < 3; k++) {
        toSrgb[i][k] = (float) call("libraw_get_rgb_cam", FLOAT, handle, i, k);
      }
    }
    call("libraw_set_output_color", null, handle, SENSOR_COLOURS);
    call("libraw_set_output_bps", null, handle, 16);
    call("libraw_set_gamma", null, handle, 0, 1f);
    call("libraw_set_gamma", null, handle, 1, 1f);
    call("libraw_set_no_auto_bright", null, handle, 1);
    call("libraw_set_highlight", null, handle, UNCLIPPED);
    call("libraw_set_demosaic", null, handle, MODIFIED_HOMOGENEITY);
    check(call("libraw_dcraw_process", INT, handle));
    MemorySegment code = arena.allocate(INT);
    MemorySegment image =
        (MemorySegment) call("libraw_dcraw_make_mem_image", ValueLayout.ADDRESS, handle, code);
    if (image.address() == 0) {
      check(code.get(INT, 0));
      throw new IOException("LibRaw made no picture");
    }
    try {
      int stretched = (int) call("libraw_get_color_maximum", INT, handle);
      return developed(image, multiplier, toSrgb, (double) stretched / Math.max(1, full));
    } finally {
      call("libraw_dcraw_clear_mem", null, image);
    }
  }

  private static RawPhotograph developed(
      MemorySegment image, double[] multiplier, double[][] toSrgb, double stretch)
      throws IOException {
    MemorySegment header = image.reinterpret(HEADER);
    int height = header.get(ValueLayout.JAVA_SHORT, 4) & 0xFFFF;
    int width = header.get(ValueLayout.JAVA_SHORT, 6) & 0xFFFF;
    int colours = header.get(ValueLayout.JAVA_SHORT, 8);
    int bits = header.get(ValueLayout.JAVA_SHORT, 10);
    if (colours != 3 || bits != 16) {
      throw new IOException("a sensor of other than three colours");
    }
    double least = Math.min(multiplier[0], Math.min(multiplier[1], multiplier[2]));
    double most = Math.max(multiplier[0], Math.max(multiplier[1], multiplier[2]));
    float scale = (float) (stretch * most / least / TOP);
    MemorySegment all = image.reinterpret(HEADER + 6L * width * height);
    Picture light = Picture.of(new Area(0, 0, width, height));
    long at = HEADER;
    for (int i = 0; i < width * height; i++) {
      for (int c = 0; c < 3; c++, at += 2) {
        light.plane(c).values()[i] =
            (all.get(ValueLayout.JAVA_SHORT_UNALIGNED, at) & 0xFFFF) * scale;
      }
    }
    Matrix3 srgb = Matrix3.columns(column(toSrgb, 0), column(toSrgb, 1), column(toSrgb, 2));
    double[] neutral = {least / multiplier[0], least / multiplier[1], least / multiplier[2]};
    Matrix3 toWorking = RgbSpace.SRGB.to(RgbSpace.REC2020).times(srgb);
    return RawPhotograph.developed(
        light, new CameraColour(neutral, toWorking, Double.NaN), 1, bits, false);
  }

  private static double[] column(double[][] m, int c) {
    return new double[] {m[0][c], m[1][c], m[2][c]};
  }
}
