package carezza.mask;

import carezza.image.Area;
import carezza.image.Level;
import carezza.image.Plane;
import carezza.model.FaceMap;
import carezza.model.FaceMap.FaceOval;
import carezza.model.Point;

/**
 * The face map at one level, with ellipses that lie along the line of the eyes. Coordinates are in
 * pixels of the level.
 */
final class FaceFrame {

  private final double scale;
  private final FaceMap map;
  private final double ux;
  private final double uy;
  private final double pupilDistance;
  private final Point leftPupil;

  FaceFrame(FaceMap map, int level) {
    this.map = map;
    this.scale = Level.scale(level);
    double d = map.pupilDistance();
    ux = (map.rightPupil().x() - map.leftPupil().x()) / d;
    uy = (map.rightPupil().y() - map.leftPupil().y()) / d;
    pupilDistance = d * scale;
    leftPupil = scaled(map.leftPupil());
  }

  double scale() {
    return scale;
  }

  FaceMap map() {
    return map;
  }

  double faceWidth() {
    return map.faceWidth() * scale;
  }

  double pupilDistance() {
    return pupilDistance;
  }

  double mouthWidth() {
    return map.mouthWidth() * scale;
  }

  Point leftPupil() {
    return leftPupil;
  }

  Point rightPupil() {
    return scaled(map.rightPupil());
  }

  Point mouth() {
    return scaled(map.mouthCentre());
  }

  private Point scaled(Point p) {
    return new Point(p.x() * scale, p.y() * scale);
  }

  /** How far a place lies below the line of the eyes, across it. */
  double below(double x, double y) {
    return (y - leftPupil.y()) * ux - (x - leftPupil.x()) * uy;
  }

  /** A point moved {@code right} along the eyes and {@code down} across them. */
  Point shifted(Point p, double right, double down) {
    return p.plus(right * ux - down * uy, right * uy + down * ux);
  }

  /** An ellipse along the line of the eyes. */
  Ellipse ellipse(Point centre, double halfWidth, double halfHeight) {
    return new Ellipse(centre.x(), centre.y(), halfWidth, halfHeight, ux, uy);
  }

  /** The face oval, scaled by {@code factor}. */
  Ellipse oval(double factor) {
    FaceOval o = map.oval();
    double angle = Math.toRadians(o.angle());
    return new Ellipse(
        o.x() * scale,
        o.y() * scale,
        o.radiusX() * scale * factor,
        o.radiusY() * scale * factor,
        Math.cos(angle),
        Math.sin(angle));
  }

  /** The oval drawn out over the forehead, where hair and not an outline ends the skin. */
  Ellipse face() {
    Ellipse o = oval(1.04);
    double up = 0.09 * o.ry;
    return new Ellipse(o.x + up * o.sin, o.y - up * o.cos, o.rx, o.ry + up, o.cos, o.sin);
  }

  /** An ellipse whose first axis points along {@code cos, sin}. */
  record Ellipse(double x, double y, double rx, double ry, double cos, double sin) {

    /** 0 at the centre, 1 on the outline, growing outwards. */
    double distance(double px, double py) {
      double dx = px - x;
      double dy = py - y;
      double along = (dx * cos + dy * sin) / rx;
      double across = (dy * cos - dx * sin) / ry;
      return Math.sqrt(along * along + across * across);
    }

    boolean contains(double px, double py) {
      return distance(px, py) <= 1;
    }

    Area bounds() {
      double w = Math.hypot(rx * cos, ry * sin);
      double h = Math.hypot(rx * sin, ry * cos);
      return Area.around(x - w, y - h, x + w, y + h);
    }

    /** Coverage falling from 1 to 0 between the distances 1 − soft and 1 + soft. */
    Plane soft(Area area, double soft) {
      Plane out = Plane.of(area);
      Ellipse outer = new Ellipse(x, y, (1 + soft) * rx, (1 + soft) * ry, cos, sin);
      Area box = outer.bounds().intersect(area);
      Planes.fill(
          out,
          box,
          (i, px, py) -> {
            double d = distance(px + 0.5, py + 0.5);
            return Smoothstep.step((1 + soft - d) / (2 * soft));
          });
      return out;
    }
  }
}
