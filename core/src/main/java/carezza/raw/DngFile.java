package carezza.raw;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;

import org.jspecify.annotations.Nullable;

import carezza.colour.Matrix3;
import carezza.colour.RgbSpace;
import carezza.image.Area;
import carezza.metadata.TiffDirectory;
import carezza.raw.CameraColour.Illuminant;

/**
 * What a DNG file says (DNG specification 1.6): the directory of the raw picture, and the camera's
 * colours. Names of constants are the specification's.
 */
final class DngFile {

  static final int DNG_VERSION = 50706;

  private static final int NEW_SUBFILE_TYPE = 254;
  private static final int PHOTOMETRIC = 262;
  private static final int COLOUR_FILTERS = 32803;
  private static final int LINEAR_RAW = 34892;
  private static final int CALIBRATION_ILLUMINANT_1 = 50778;
  private static final int COLOR_MATRIX_1 = 50721;
  private static final int CAMERA_CALIBRATION_1 = 50723;
  private static final int FORWARD_MATRIX_1 = 50964;
  private static final int ANALOG_BALANCE = 50727;
  private static final int AS_SHOT_NEUTRAL = 50728;
  private static final int AS_SHOT_WHITE_XY = 50729;
  private static final int BASELINE_EXPOSURE = 50730;
  private static final int ACTIVE_AREA = 50829;
  private static final int DEFAULT_CROP_ORIGIN = 50719;
  private static final int DEFAULT_CROP_SIZE = 50720;
  private static final int[] OPCODES = {51008, 51009, 51022};

  private final TiffDirectory root;
  final TiffDirectory raw;
  final boolean mosaic;

  private DngFile(TiffDirectory root, TiffDirectory raw) {
    this.root = root;
    this.raw = raw;
    mosaic = raw.integer(PHOTOMETRIC, 0) == COLOUR_FILTERS;
  }

  /** All directories with pixels that a file may hold, the first one's inner ones included. */
  static List<TiffDirectory> pictures(TiffDirectory root) {
    List<TiffDirectory> all = new ArrayList<>();
    for (TiffDirectory d = root; d != null; d = d.next()) {
      all.add(d);
      all.addAll(d.inner(TiffDirectory.SUB_DIRECTORIES));
    }
    return all;
  }

  /** Whether a directory holds what a sensor counted. */
  static boolean holdsRaw(TiffDirectory d) {
    long photometric = d.integer(PHOTOMETRIC, 0);
    return photometric == COLOUR_FILTERS || photometric == LINEAR_RAW;
  }

  /**
   * @throws IOException if there is no raw picture in it
   */
  static DngFile of(TiffDirectory root) throws IOException {
    return pictures(root).stream()
        .filter(d -> holdsRaw(d) && d.integer(NEW_SUBFILE_TYPE, 0) == 0)
        .findFirst()
        .map(d -> new DngFile(root, d))
        .orElseThrow(() -> new IOException("it holds no raw picture"));
  }

  /** Whether the lens is to be corrected by a list of operations. */
  boolean asksForCorrections() {
    for (int tag : OPCODES) {
      if (raw.has(tag)) {
        return true;
      }
    }
    return false;
  }

  /** Factor of all light. */
  double exposure() {
    return Math.pow(2, Math.clamp(root.number(BASELINE_EXPOSURE, 0), -6, 6));
  }

  /** The part of the stored picture that light fell on. */
  Area active(int width, int height) {
    double[] a = raw.numbers(ACTIVE_AREA);
    Area whole = new Area(0, 0, width, height);
    if (a.length < 4) {
      return whole;
    }
    Area active = new Area((int) a[1], (int) a[0], (int) (a[3] - a[1]), (int) (a[2] - a[0]));
    return active.isEmpty() || !whole.contains(active) ? whole : active;
  }

  /** The part of the active area that is shown, relative to it. */
  Area shown(Area active) {
    double[] origin = raw.numbers(DEFAULT_CROP_ORIGIN);
    double[] size = raw.numbers(DEFAULT_CROP_SIZE);
    Area whole = new Area(0, 0, active.width(), active.height());
    if (origin.length < 2 || size.length < 2) {
      return whole;
    }
    Area shown =
        new Area(
            (int) Math.round(origin[0]),
            (int) Math.round(origin[1]),
            (int) Math.round(size[0]),
            (int) Math.round(size[1]));
    return shown.isEmpty() || !whole.contains(shown) ? whole : shown;
  }

  /**
   * @throws IOException if the file does not say what its channels mean
   */
  CameraColour colour() throws IOException {
    Illuminant one = illuminant(0);
    Illuminant two = illuminant(1);
    Illuminant only = one == null ? two : one;
    if (only == null) {
      throw new IOException("it does not say what its colours mean");
    }
    try {
      double[] neutral = root.numbers(AS_SHOT_NEUTRAL);
      double[] xy = root.numbers(AS_SHOT_WHITE_XY);
      if (neutral.length < 3 && xy.length >= 2) {
        neutral = only.fromXyz().times(RgbSpace.xyz(xy[0], xy[1]));
      }
      if (neutral.length < 3) {
        neutral = only.fromXyz().times(RgbSpace.d50());
      }
      for (int c = 0; c < 3; c++) {
        if (!(neutral[c] > 0) || !Double.isFinite(neutral[c])) {
          throw new IOException("its neutral is none");
        }
      }
      return CameraColour.of(only, two, new double[] {neutral[0], neutral[1], neutral[2]});
    } catch (ArithmeticException e) {
      throw new IOException("its colour matrices cannot be used", e);
    }
  }

  private @Nullable Illuminant illuminant(int which) {
    double[] colour = root.numbers(COLOR_MATRIX_1 + which);
    if (colour.length < 9) {
      return null;
    }
    double[] analog = root.numbers(ANALOG_BALANCE);
    Matrix3 balance =
        analog.length < 3
            ? Matrix3.diagonal(1, 1, 1)
            : Matrix3.diagonal(analog[0], analog[1], analog[2]);
    double[] own = root.numbers(CAMERA_CALIBRATION_1 + which);
    Matrix3 calibration = balance.times(own.length < 9 ? Matrix3.diagonal(1, 1, 1) : matrix(own));
    double[] forward = root.numbers(FORWARD_MATRIX_1 + which);
    return new Illuminant(
        CameraColour.kelvinOf((int) root.integer(CALIBRATION_ILLUMINANT_1 + which, 21)),
        calibration.times(matrix(colour)),
        calibration,
        forward.length < 9 ? null : matrix(forward));
  }

  private static Matrix3 matrix(double[] m) {
    return new Matrix3(m[0], m[1], m[2], m[3], m[4], m[5], m[6], m[7], m[8]);
  }
}
