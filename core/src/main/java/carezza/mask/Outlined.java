package carezza.mask;

import java.util.List;

import carezza.filter.GaussianBlur;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.model.Point;

/**
 * What is drawn from outlines on a picture. An outline is right to a few pixels of the network that
 * drew it, so it says where to look and what must lie inside; the edge itself is drawn by this
 * picture's colours within a band around it.
 *
 * @param lab the picture in L*a*b*
 * @param scale pixels of it for one of the photograph
 * @param faceWidth in its pixels
 */
record Outlined(Picture lab, double scale, double faceWidth) {

  /** Half width of the band around lips and brows, as a share of the face width. */
  static final double BAND = 0.03;

  /**
   * The outline's inside with an edge that runs from 0 to 1 over about twice {@code band} pixels.
   */
  Plane soft(List<Point> outline, double band) {
    Plane hard = PolygonCoverage.of(outline, lab.area(), scale);
    Area box = hard.covered().grow((int) Math.ceil(4 * band) + 2).intersect(lab.area());
    Plane out = Plane.of(lab.area());
    out.copyFrom(GaussianBlur.blur(hard.crop(box), Math.max(0.5, band / 1.5)));
    return out;
  }

  /** One of the picture's planes, 0 to 2, at a place of the photograph. */
  double at(int plane, Point p) {
    return lab.plane(plane).sample(p.x() * scale, p.y() * scale);
  }
}
