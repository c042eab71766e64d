package carezza.shape;

import carezza.colour.Transfer;
import carezza.filter.MirrorBoundary;
import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;

/**
 * A picture sampled once through a deformation, by the Lanczos kernel of three lobes (Duchon 1979),
 * sinc(x) sinc(x/3), its weights made to sum to 1. Beyond the picture it is mirrored. What moves by
 * less than a hundredth of a pixel stays as it is.
 */
public final class Warp {

  private static final int LOBES = 3;
  private static final int TAPS = 2 * LOBES;

  /** Places between two pixels that weights are kept for. */
  private static final int PHASES = 1024;

  private static final double STILL = 0.01;

  /** Pixels of a row that are looked at together, whether anything moves there. */
  private static final int PIECE = 64;

  private static final float[] WEIGHTS = weights();

  private final Deformation deformation;
  private final double scale;
  private final PictureSize whole;

  /**
   * @param scale pixels of the level per photograph pixel
   * @param whole the picture's size at the level
   */
  public Warp(Deformation deformation, double scale, PictureSize whole) {
    this.deformation = deformation;
    this.scale = scale;
    this.whole = whole;
  }

  private static float[] weights() {
    float[] all = new float[(PHASES + 1) * TAPS];
    for (int p = 0; p <= PHASES; p++) {
      double t = (double) p / PHASES;
      double sum = 0;
      double[] own = new double[TAPS];
      for (int k = 0; k < TAPS; k++) {
        own[k] = lanczos(k - (LOBES - 1) - t);
        sum += own[k];
      }
      for (int k = 0; k < TAPS; k++) {
        all[p * TAPS + k] = (float) (own[k] / sum);
      }
    }
    return all;
  }

  private static double lanczos(double x) {
    if (x == 0) {
      return 1;
    }
    double a = Math.PI * x;
    return Math.abs(x) >= LOBES ? 0 : LOBES * Math.sin(a) * Math.sin(a / LOBES) / (a * a);
  }

  private Area full(Area area) {
    return Area.around(
        area.x() / scale, area.y() / scale, area.right() / scale, area.bottom() / scale);
  }

  private Area level(Area full) {
    return Area.around(
        full.x() * scale, full.y() * scale, full.right() * scale, full.bottom() * scale);
  }

  /** What an area of the result is made from, mirrored places within the picture. */
  public Area needed(Area out) {
    Area from = level(deformation.sources(full(out))).grow(LOBES + 1);
    int left = from.x();
    int top = from.y();
    int right = Math.max(from.right(), -left);
    int bottom = Math.max(from.bottom(), -top);
    left = Math.min(left, 2 * whole.width() - right);
    top = Math.min(top, 2 * whole.height() - bottom);
    return new Area(left, top, right - left, bottom - top).intersect(whole.area()).union(out);
  }

  /** Where a change of an area of the input may be seen. */
  public Area changedBy(Area input) {
    return level(deformation.seen(full(input.grow(LOBES + 1)))).grow(1).union(input);
  }

  /**
   * @param input over at least what is needed for the area
   */
  public Picture picture(Picture input, Area out) {
    Picture result = Picture.of(out);
    Bend bend = deformation.bend();
    ParallelRows.each(
        4 * out.width(),
        out.height(),
        (from, to) -> {
          double[] at = new double[2];
          double[] displacement = new double[2];
          int[] columns = new int[TAPS];
          for (int y = from; y < to; y++) {
            for (int left = 0; left < out.width(); left += PIECE) {
              int right = Math.min(out.width(), left + PIECE);
              Area piece = new Area(out.x() + left, out.y() + y, right - left, 1);
              if (bend.isEven() && deformation.leaves(full(piece))) {
                for (int c = 0; c < 3; c++) {
                  Plane own = input.plane(c);
                  System.arraycopy(
                      own.values(),
                      own.index(piece.x(), piece.y()),
                      result.plane(c).values(),
                      y * out.width() + left,
                      right - left);
                }
                continue;
              }
              for (int x = left; x < right; x++) {
                pixel(input, out, x, y, at, displacement, columns, result);
              }
            }
          }
        });
    return result;
  }

  private void pixel(
      Picture input,
      Area out,
      int x,
      int y,
      double[] at,
      double[] displacement,
      int[] columns,
      Picture result) {
    Bend bend = deformation.bend();
    double u = out.x() + x + 0.5;
    double v = out.y() + y + 0.5;
    at[0] = u / scale;
    at[1] = v / scale;
    deformation.source(at, displacement);
    double sx = at[0] * scale;
    double sy = at[1] * scale;
    int to = y * out.width() + x;
    if (Math.abs(sx - u) < STILL && Math.abs(sy - v) < STILL) {
      int own = input.first().index(out.x() + x, out.y() + y);
      for (int c = 0; c < 3; c++) {
        result.plane(c).values()[to] = input.plane(c).values()[own];
      }
    } else {
      sample(input, sx - 0.5, sy - 0.5, columns, result, to);
    }
    if (bend.apart() * scale > STILL) {
      apart(input, at, columns, result, to);
    }
    if (!bend.isEven()) {
      brighten(result, to, (float) bend.gain(at[0], at[1]));
    }
  }

  /** Red and blue from where the lens laid them. */
  private void apart(Picture input, double[] at, int[] columns, Picture result, int to) {
    Bend bend = deformation.bend();
    for (int c = 0; c < 3; c += 2) {
      double farther = c == 0 ? bend.red() : bend.blue();
      if (farther != 0) {
        double x = bend.outX(at[0], farther) * scale - 0.5;
        double y = bend.outY(at[1], farther) * scale - 0.5;
        result.plane(c).values()[to] = sample(input.plane(c), x, y, columns);
      }
    }
  }

  private static void brighten(Picture result, int i, float gain) {
    float root = (float) Math.pow(gain, Transfer.ROOT);
    for (int c = 0; c < 3; c++) {
      float[] values = result.plane(c).values();
      values[i] = Transfer.times(values[i], gain, root);
    }
  }

  private float sample(Plane plane, double x, double y, int[] columns) {
    int x0 = (int) Math.floor(x);
    int y0 = (int) Math.floor(y);
    int px = TAPS * (int) Math.round((x - x0) * PHASES);
    int py = TAPS * (int) Math.round((y - y0) * PHASES);
    Area area = plane.area();
    float[] values = plane.values();
    for (int k = 0; k < TAPS; k++) {
      columns[k] = MirrorBoundary.index(x0 + k - (LOBES - 1), whole.width()) - area.x();
    }
    float sum = 0;
    for (int j = 0; j < TAPS; j++) {
      int row =
          (MirrorBoundary.index(y0 + j - (LOBES - 1), whole.height()) - area.y()) * area.width();
      float own = 0;
      for (int k = 0; k < TAPS; k++) {
        own += WEIGHTS[px + k] * values[row + columns[k]];
      }
      sum += WEIGHTS[py + j] * own;
    }
    return sum;
  }

  private void sample(Picture input, double x, double y, int[] columns, Picture result, int to) {
    int x0 = (int) Math.floor(x);
    int y0 = (int) Math.floor(y);
    int px = TAPS * (int) Math.round((x - x0) * PHASES);
    int py = TAPS * (int) Math.round((y - y0) * PHASES);
    Area area = input.area();
    for (int k = 0; k < TAPS; k++) {
      columns[k] = MirrorBoundary.index(x0 + k - (LOBES - 1), whole.width()) - area.x();
    }
    float[] a = input.first().values();
    float[] b = input.second().values();
    float[] c = input.third().values();
    float sumA = 0;
    float sumB = 0;
    float sumC = 0;
    for (int j = 0; j < TAPS; j++) {
      int row =
          (MirrorBoundary.index(y0 + j - (LOBES - 1), whole.height()) - area.y()) * area.width();
      float rowA = 0;
      float rowB = 0;
      float rowC = 0;
      for (int k = 0; k < TAPS; k++) {
        float w = WEIGHTS[px + k];
        int i = row + columns[k];
        rowA += w * a[i];
        rowB += w * b[i];
        rowC += w * c[i];
      }
      float w = WEIGHTS[py + j];
      sumA += w * rowA;
      sumB += w * rowB;
      sumC += w * rowC;
    }
    result.first().values()[to] = sumA;
    result.second().values()[to] = sumB;
    result.third().values()[to] = sumC;
  }
}
