package carezza.shape;

import carezza.image.PictureSize;
import carezza.model.Lens;
import carezza.model.Point;

/**
 * What a lens does to the places of a picture, both ways, in photograph pixels. Where the corrected
 * picture would reach beyond the photograph it is drawn together about its middle, by no more than
 * it takes.
 */
final class Bend {

  /** Rounds by which the way back is found; the map is near to the identity. */
  private static final int ROUNDS = 20;

  /** Places along each side of the picture that are looked at. */
  private static final int SIDE = 24;

  private final Lens lens;
  private final double middleX;
  private final double middleY;
  private final double half;
  private final double fill;

  Bend(Lens lens, PictureSize size) {
    this.lens = lens;
    middleX = size.width() / 2.0;
    middleY = size.height() / 2.0;
    half = Math.hypot(middleX, middleY);
    fill = lens.keepsPlaces() ? 1 : fill();
  }

  /** The largest part of the corrected picture that the photograph fills, about its middle. */
  private double fill() {
    double low = 0.5;
    double high = 1;
    for (int i = 0; i < ROUNDS; i++) {
      double f = i == 0 ? 1 : (low + high) / 2;
      if (fits(f)) {
        low = f;
      } else {
        high = f;
      }
      if (low == 1) {
        return 1;
      }
    }
    return low;
  }

  private boolean fits(double f) {
    for (int side = 0; side < 4; side++) {
      for (int i = 0; i <= SIDE; i++) {
        double t = 2.0 * i / SIDE - 1;
        double x = (side < 2 ? t : side == 2 ? -1 : 1) * middleX / half;
        double y = (side < 2 ? (side == 0 ? -1 : 1) : t) * middleY / half;
        double[] at = {f * x, f * y};
        bent(at);
        if (Math.abs(at[0]) * half > middleX + 0.5 || Math.abs(at[1]) * half > middleY + 0.5) {
          return false;
        }
      }
    }
    return true;
  }

  /** Where in the photograph what belongs at a place lies, in half diagonals from the middle. */
  private void bent(double[] at) {
    double x = at[0];
    double y = at[1];
    double r2 = x * x + y * y;
    double radial = radial(r2);
    at[0] = x * radial + 2 * lens.p1() * x * y + lens.p2() * (r2 + 2 * x * x);
    at[1] = y * radial + lens.p1() * (r2 + 2 * y * y) + 2 * lens.p2() * x * y;
  }

  private double radial(double r2) {
    return 1 + r2 * (lens.k1() + r2 * (lens.k2() + r2 * lens.k3()));
  }

  /** From a place of the corrected picture to the photograph's, in place. */
  void source(double[] at) {
    at[0] = fill * (at[0] - middleX) / half;
    at[1] = fill * (at[1] - middleY) / half;
    bent(at);
    at[0] = middleX + half * at[0];
    at[1] = middleY + half * at[1];
  }

  /** Where a place of the photograph belongs. */
  Point straightened(Point place) {
    double dx = (place.x() - middleX) / half;
    double dy = (place.y() - middleY) / half;
    double x = dx;
    double y = dy;
    for (int i = 0; i < ROUNDS; i++) {
      double r2 = x * x + y * y;
      double radial = radial(r2);
      double sideX = 2 * lens.p1() * x * y + lens.p2() * (r2 + 2 * x * x);
      double sideY = lens.p1() * (r2 + 2 * y * y) + 2 * lens.p2() * x * y;
      x = (dx - sideX) / radial;
      y = (dy - sideY) / radial;
    }
    return new Point(middleX + half * x / fill, middleY + half * y / fill);
  }

  /** Coordinate of a place of the photograph where a colour lies that is so much farther out. */
  double outX(double x, double farther) {
    return x + farther * (x - middleX);
  }

  double outY(double y, double farther) {
    return y + farther * (y - middleY);
  }

  /** Most pixels by which colours lie apart. */
  double apart() {
    return half * Math.max(Math.abs(lens.red()), Math.abs(lens.blue()));
  }

  double red() {
    return lens.red();
  }

  double blue() {
    return lens.blue();
  }

  boolean isEven() {
    return lens.keepsLight();
  }

  /** Factor that gives light at a place of the photograph back what the lens took. */
  double gain(double x, double y) {
    double dx = (x - middleX) / half;
    double dy = (y - middleY) / half;
    double r2 = dx * dx + dy * dy;
    return 1 / Math.max(0.05, 1 + r2 * (lens.v1() + r2 * lens.v2()));
  }
}
