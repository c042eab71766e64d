package carezza.raw;

import java.io.IOException;
import java.util.Objects;
import java.util.function.UnaryOperator;

import org.jspecify.annotations.Nullable;

import carezza.colour.FloatMatrix;
import carezza.colour.Transfer;
import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.metadata.TiffDirectory;

/**
 * A raw photograph made a picture.
 *
 * @param pixels working planes, not turned yet
 * @param uncorrected whether corrections of the lens that the file asks for are left out
 */
public record RawPhotograph(Picture pixels, int bits, SensorLight sensor, boolean uncorrected) {

  private static final int CFA_REPEAT = 33421;
  private static final int CFA_PATTERN = 33422;
  private static final int CFA_LAYOUT = 50711;
  private static final int CFA_PLANE_COLOUR = 50710;
  private static final int BITS = 258;
  private static final int WIDTH = 256;
  private static final int HEIGHT = 257;

  /** Whether a TIFF stream is a DNG. */
  public static boolean isDng(TiffDirectory root) {
    return root.has(DngFile.DNG_VERSION);
  }

  /** Whether a TIFF stream holds what a sensor counted, whoever wrote it. */
  public static boolean holdsRaw(TiffDirectory root) {
    return DngFile.pictures(root).stream().anyMatch(DngFile::holdsRaw);
  }

  /** Width and height of a DNG's raw picture. */
  public static long[] size(TiffDirectory root) throws IOException {
    TiffDirectory raw = DngFile.of(root).raw;
    return new long[] {raw.integer(WIDTH, 0), raw.integer(HEIGHT, 0)};
  }

  /** Why a DNG cannot be read here; null if it can. */
  public static @Nullable String unreadable(TiffDirectory root) throws IOException {
    DngFile dng = DngFile.of(root);
    String why = DngPixels.unreadable(dng.raw, dng.mosaic);
    if (why == null && dng.mosaic && pattern(dng.raw) == null) {
      why = "DNG with colour filters other than a cell of four";
    }
    return why;
  }

  private static int @Nullable [] pattern(TiffDirectory raw) {
    long[] repeat = raw.integers(CFA_REPEAT);
    byte[] cell = raw.bytes(CFA_PATTERN);
    byte[] planes = raw.bytes(CFA_PLANE_COLOUR);
    boolean usual = planes.length == 0 || planes.length == 3 && planes[0] == 0 && planes[1] == 1;
    if (repeat.length != 2
        || repeat[0] != 2
        || repeat[1] != 2
        || cell.length != 4
        || !usual
        || raw.integer(CFA_LAYOUT, 1) != 1) {
      return null;
    }
    int[] pattern = {cell[0], cell[1], cell[2], cell[3]};
    return Mosaic.isBayer(pattern) ? pattern : null;
  }

  /**
   * Reads a DNG that is not {@link #unreadable}.
   *
   * @throws IOException if it is damaged
   */
  public static RawPhotograph read(byte[] file, TiffDirectory root) throws IOException {
    DngFile dng = DngFile.of(root);
    CameraColour colour = dng.colour();
    Plane[] planes = DngPixels.of(file, dng);
    Picture light;
    if (dng.mosaic) {
      Mosaic mosaic = new Mosaic(planes[0], Objects.requireNonNull(pattern(dng.raw)));
      balance(mosaic, colour.neutral());
      light = Transfer.decodeInPlace(Demosaicing.of(mosaic));
    } else {
      light = new Picture(planes[0], planes[1], planes[2]);
      double[] n = colour.neutral();
      for (int c = 0; c < 3; c++) {
        scale(light.plane(c), (float) (1 / n[c]));
      }
    }
    Area shown = dng.shown(light.area());
    Picture cut = shown.equals(light.area()) ? light : moved(light.crop(shown));
    return developed(
        cut, colour, dng.exposure(), (int) dng.raw.integer(BITS, 16), dng.asksForCorrections());
  }

  /** Balances each pixel by its channel and spaces it as the eye does, for the estimates. */
  private static void balance(Mosaic mosaic, double[] neutral) {
    float[] gain = {(float) (1 / neutral[0]), (float) (1 / neutral[1]), (float) (1 / neutral[2])};
    Plane counts = mosaic.counts();
    int w = counts.width();
    ParallelRows.each(
        w,
        counts.height(),
        (from, to) -> {
          for (int y = from; y < to; y++) {
            for (int x = 0; x < w; x++) {
              int i = y * w + x;
              counts.values()[i] =
                  Transfer.toEncoded(counts.values()[i] * gain[mosaic.channel(x, y)]);
            }
          }
        });
  }

  private static void scale(Plane plane, float factor) {
    for (int i = 0; i < plane.values().length; i++) {
      plane.values()[i] *= factor;
    }
  }

  private static Picture moved(Picture cut) {
    Area area = new Area(0, 0, cut.area().width(), cut.area().height());
    return cut.map(p -> new Plane(area, p.values()));
  }

  /** From balanced linear channels, in place, to working planes. */
  static RawPhotograph developed(
      Picture light, CameraColour colour, double exposure, int bits, boolean uncorrected) {
    float[] full = new float[3];
    for (int c = 0; c < 3; c++) {
      full[c] = (float) (1 / colour.neutral()[c]);
    }
    Plane clipped = HighlightRecovery.apply(light, full);
    new FloatMatrix(colour.toWorking()).apply(light);
    if (exposure != 1) {
      for (int c = 0; c < 3; c++) {
        scale(light.plane(c), (float) exposure);
      }
    }
    SensorLight sensor = new SensorLight(colour.toWorking(), colour.kelvin(), clipped);
    return new RawPhotograph(Transfer.encodeInPlace(light), bits, sensor, uncorrected);
  }

  /** The same with its planes turned, as by an EXIF orientation. */
  public RawPhotograph turned(UnaryOperator<Plane> turn) {
    return new RawPhotograph(
        pixels.map(turn),
        bits,
        new SensorLight(sensor.toWorking(), sensor.kelvin(), turn.apply(sensor.clipped())),
        uncorrected);
  }
}
