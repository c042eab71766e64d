package carezza.mask;

import java.util.function.IntConsumer;

import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.model.Point;

/**
 * Eyes and mouth of a face map that has no outlines: templates along the line of the eyes say where
 * to look, colour relative to this person's skin decides.
 */
final class TemplateParts {

  /** Least difference of a* between lips and teeth for teeth to be seen at all. */
  private static final double TEETH_CONTRAST = 9;

  /** Radius of the iris over the distance of the pupils: 11.7 mm across, 63 to 68 mm apart. */
  private static final double IRIS_RADIUS = 0.087;

  /** Fewer pixels than this say nothing about an eye or a mouth. */
  private static final int FEWEST_PIXELS = 20;

  private final Picture lab;
  private final Area area;
  private final FaceFrame face;
  private final SkinModel skin;

  TemplateParts(Picture lab, FaceFrame face, SkinModel skin) {
    this.lab = lab;
    this.area = lab.area();
    this.face = face;
    this.skin = skin;
  }

  /** The open eyes, which are no skin: narrow almonds. */
  Plane eyeSockets() {
    return Planes.or(
        almond(face.leftPupil()).soft(area, 0.12), almond(face.rightPupil()).soft(area, 0.12));
  }

  private FaceFrame.Ellipse almond(Point pupil) {
    double ipd = face.pupilDistance();
    return face.ellipse(pupil, 0.25 * ipd, 0.095 * ipd);
  }

  // --- eyes

  Plane iris(Point pupil) {
    double r = IRIS_RADIUS * face.pupilDistance();
    Plane disc = face.ellipse(pupil, r, r).soft(area, 0.1);
    return Planes.times(disc, almond(pupil).soft(area, 0.2));
  }

  /** Light and of little chroma, beside the iris and joined to it, inside the almond. */
  Plane sclera(Point pupil) {
    double ipd = face.pupilDistance();
    FaceFrame.Ellipse search = face.ellipse(pupil, 0.29 * ipd, 0.115 * ipd);
    Area box = search.bounds().intersect(area);
    float[] l = lab.first().values();
    Histogram whiteness = new Histogram(-30, 60);
    Histogram light = new Histogram(0, 100);
    each(
        box,
        search,
        i -> {
          whiteness.add(whiteness(i));
          light.add(l[i]);
        });
    if (light.count() < FEWEST_PIXELS) {
      return Plane.of(area);
    }
    double dark = light.quantile(0.05);
    double bright = light.quantile(0.92);
    double shade = dark + 0.38 * (bright - dark);
    FaceFrame.Ellipse disc = face.ellipse(pupil, IRIS_RADIUS * ipd, IRIS_RADIUS * ipd);
    FaceFrame.Ellipse seeds = face.ellipse(pupil, 1.7 * IRIS_RADIUS * ipd, 0.5 * IRIS_RADIUS * ipd);
    Histogram beside = new Histogram(-30, 60);
    each(
        box,
        seeds,
        i -> {
          if (!disc.contains(x(i), y(i)) && l[i] > shade) {
            beside.add(whiteness(i));
          }
        });
    // Lids can be pale too, but not as white as what lies right beside the iris.
    double split = Math.max(whiteness.otsu(), 0.42 * beside.quantile(0.7));
    double width = 0.35 * (whiteness.quantile(0.9) - whiteness.quantile(0.3)) + 1e-3;
    Plane out = Plane.of(area);
    for (int y = box.y(); y < box.bottom(); y++) {
      for (int x = box.x(); x < box.right(); x++) {
        int i = out.index(x, y);
        float inside = Smoothstep.step((1.12 - search.distance(x + 0.5, y + 0.5)) / 0.24);
        float outside = Smoothstep.step((disc.distance(x + 0.5, y + 0.5) - 0.9) / 0.25);
        float white = Smoothstep.step((whiteness(i) - split) / width + 0.5);
        float lit = Smoothstep.step((l[i] - shade) / (0.2 * (bright - dark) + 1e-3) + 0.5);
        out.values()[i] = inside * outside * white * lit;
      }
    }
    ConnectedComponents.keep(out, box, seeds::contains);
    return Planes.edged(out, lab.first(), box, face.faceWidth() / 400);
  }

  /** How much less red and yellow than this skin at the same lightness. */
  private double whiteness(int i) {
    double l = lab.first().values()[i];
    double da = skin.expectedA(l) - lab.second().values()[i];
    double db = skin.expectedB(l) - lab.third().values()[i];
    return 1.2 * da + 0.5 * db;
  }

  // --- mouth

  record Mouth(Plane lips, Plane teeth, Plane whole) {}

  Mouth mouth() {
    double mw = face.mouthWidth();
    FaceFrame.Ellipse search =
        face.ellipse(face.shifted(face.mouth(), 0, 0.04 * mw), 0.56 * mw, 0.34 * mw);
    FaceFrame.Ellipse inner =
        face.ellipse(face.shifted(face.mouth(), 0, 0.05 * mw), 0.46 * mw, 0.24 * mw);
    Area box = search.bounds().grow((int) (0.1 * mw)).intersect(area);
    float[] l = lab.first().values();
    float[] a = lab.second().values();
    Histogram innerA = new Histogram(-20, 70);
    Histogram innerL = new Histogram(0, 100);
    each(
        box,
        inner,
        i -> {
          innerA.add(a[i]);
          innerL.add(l[i]);
        });
    Plane lips = Plane.of(area);
    Plane teeth = Plane.of(area);
    if (innerA.count() < FEWEST_PIXELS) {
      return new Mouth(lips, teeth, Plane.of(area));
    }
    double aSplit = innerA.otsu();
    double contrast = innerA.meanAbove(aSplit) - innerA.meanBelow(aSplit);
    boolean open = contrast > TEETH_CONTRAST;
    Histogram red = new Histogram(-20, 60);
    each(
        box,
        search,
        i -> {
          if (!open || a[i] > aSplit) {
            red.add(redness(i));
          }
        });
    double halves = red.otsu();
    double rise = red.meanAbove(halves) - red.meanBelow(halves) + 1e-3;
    // Lips shade off into skin: the outline stands nearer to the skin than the middle of the
    // classes.
    double split = red.meanBelow(halves) + 0.36 * rise;
    double redWidth = 0.4 * rise;
    double shade = 0.4 * innerL.quantile(0.95);
    for (int y = box.y(); y < box.bottom(); y++) {
      for (int x = box.x(); x < box.right(); x++) {
        int i = lips.index(x, y);
        float near = Smoothstep.step((1.15 - search.distance(x + 0.5, y + 0.5)) / 0.3);
        float central = Smoothstep.step((1.15 - inner.distance(x + 0.5, y + 0.5)) / 0.3);
        float pale = Smoothstep.step((aSplit - a[i]) / (0.4 * contrast) + 0.5);
        float lit = Smoothstep.step((l[i] - shade) / (0.35 * shade) + 0.5);
        teeth.values()[i] = open ? central * pale * lit : 0;
        lips.values()[i] =
            near
                * (open ? 1 - central * pale : 1)
                * Smoothstep.step((redness(i) - split) / redWidth + 0.5);
      }
    }
    keepBetween(teeth, lips, box);
    Plane toothEdges = Planes.edged(teeth, lab.first(), box, face.faceWidth() / 300);
    Plane lipEdges = Planes.edged(lips, lab.first(), box, face.faceWidth() / 200);
    return new Mouth(
        lipEdges, toothEdges, Planes.or(Planes.or(lipEdges, toothEdges), inner.soft(area, 0.1)));
  }

  /** Teeth have a lip above and a lip below. */
  private static void keepBetween(Plane teeth, Plane lips, Area box) {
    for (int x = box.x(); x < box.right(); x++) {
      float above = 0;
      for (int y = box.y(); y < box.bottom(); y++) {
        int i = lips.index(x, y);
        above = Math.max(above, lips.values()[i]);
        teeth.values()[i] *= Smoothstep.step(2 * above - 0.5);
      }
      float below = 0;
      for (int y = box.bottom() - 1; y >= box.y(); y--) {
        int i = lips.index(x, y);
        below = Math.max(below, lips.values()[i]);
        teeth.values()[i] *= Smoothstep.step(2 * below - 0.5);
      }
    }
  }

  /** How much redder than this skin at the same lightness. */
  private double redness(int i) {
    double l = lab.first().values()[i];
    double da = lab.second().values()[i] - skin.expectedA(l);
    double db = lab.third().values()[i] - skin.expectedB(l);
    return da - 0.6 * db;
  }

  private double x(int i) {
    return area.x() + i % area.width() + 0.5;
  }

  private double y(int i) {
    return area.y() + i / area.width() + 0.5;
  }

  private void each(Area box, FaceFrame.Ellipse within, IntConsumer pixel) {
    for (int y = box.y(); y < box.bottom(); y++) {
      for (int x = box.x(); x < box.right(); x++) {
        if (within.contains(x + 0.5, y + 0.5)) {
          pixel.accept(lab.first().index(x, y));
        }
      }
    }
  }
}
