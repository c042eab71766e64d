package carezza.line;

import carezza.filter.GaussianBlur;
import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Plane;

/**
 * Ridges of a plane: places that stand out of what lies beside them, and of the texture around, all
 * along a straight piece, and more than what lies across it. Means of a line filter in all
 * directions (steered line integrals), thinned to one pixel. Numbers are the plane's own units,
 * lengths are for a {@code size} of 1.
 */
public final class LineRidges {

  private static final int DIRECTIONS = 24;

  /** Every how many samples a first look takes. */
  private static final int ROUGH = 3;

  /** Half of a straight piece; sigmas of the line, of what lies beside it, and of its texture. */
  private static final double HALF_PIECE = 15.5;

  private static final double LINE = 0.8;
  private static final double BESIDE = 4;
  private static final double AROUND = 20;

  /** The mean along a piece from which a ridge goes on. */
  private static final double GOES_ON = 0.9;

  /** Times that a single place stands out of its texture from which it is looked at. */
  private static final double HIGH = 1.5;

  private final double size;
  private final Plane line;
  private final Plane texture;
  private final Plane where;
  private final double[] dx = new double[DIRECTIONS];
  private final double[] dy = new double[DIRECTIONS];
  private final LinePiece[] pieces = new LinePiece[DIRECTIONS];
  private final LinePiece[] rough = new LinePiece[DIRECTIONS];

  /**
   * @param size times that everything is larger
   * @param where ridges are looked for: above 0
   */
  public LineRidges(Plane plane, double size, Plane where) {
    this.size = size;
    this.where = where;
    line = GaussianBlur.blur(plane, LINE * size);
    Plane beside = GaussianBlur.blur(plane, BESIDE * size);
    Plane strength = line.copy();
    for (int i = 0; i < line.values().length; i++) {
      line.values()[i] -= beside.values()[i];
      strength.values()[i] = Math.abs(line.values()[i]);
    }
    texture = GaussianBlur.blur(strength, AROUND * size);
    for (int d = 0; d < DIRECTIONS; d++) {
      dx[d] = Math.cos(Math.PI * d / DIRECTIONS);
      dy[d] = Math.sin(Math.PI * d / DIRECTIONS);
      int half = (int) Math.round(HALF_PIECE * size);
      pieces[d] = new LinePiece(dx[d], dy[d], half, 1, line.area());
      rough[d] = new LinePiece(dx[d], dy[d], half / ROUGH, ROUGH, line.area());
    }
  }

  /** How far places stand out of what lies beside them about there, either way. */
  public Plane texture() {
    return texture;
  }

  /**
   * Means along the best piece where they are greatest across it; 0 elsewhere.
   *
   * @param sign 1 for what is above what lies beside it, -1 for what is below
   */
  public Plane of(int sign) {
    Area area = line.area();
    Plane ridges = Plane.of(area);
    ParallelRows.each(
        area.width(),
        area.height(),
        (from, to) -> {
          for (int y = area.y() + from; y < area.y() + to; y++) {
            for (int x = area.x(); x < area.x() + area.width(); x++) {
              int i = line.index(x, y);
              double least = Math.max(GOES_ON, texture.values()[i]);
              boolean high =
                  sign * line.values()[i] > Math.max(GOES_ON, HIGH * texture.values()[i]);
              if (where.values()[i] > 0 && high) {
                ridges.values()[i] = (float) ridge(x, y, sign, least);
              }
            }
          }
        });
    return ridges;
  }

  private double ridge(int x, int y, int sign, double least) {
    int near = roughly(x, y, sign);
    int along = near;
    double best = 0;
    for (int turn = near - 1; turn <= near + 1; turn++) {
      int d = Math.floorMod(turn, DIRECTIONS);
      double mean = sign * pieces[d].mean(line, x, y);
      if (mean > best) {
        best = mean;
        along = d;
      }
    }
    if (best < least) {
      return 0;
    }
    for (int offset = -2; offset <= 2; offset++) {
      double ox = x - offset * size * dy[along];
      double oy = y + offset * size * dx[along];
      if (offset != 0 && sign * pieces[along].mean(line, ox, oy) > best) {
        return 0;
      }
    }
    return best;
  }

  /** The best of every other direction, by every third sample. */
  private int roughly(int x, int y, int sign) {
    double best = 0;
    int along = 0;
    for (int d = 0; d < DIRECTIONS; d += 2) {
      double mean = sign * rough[d].mean(line, x, y);
      if (mean > best) {
        best = mean;
        along = d;
      }
    }
    return along;
  }
}
