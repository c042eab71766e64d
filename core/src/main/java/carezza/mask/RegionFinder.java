package carezza.mask;

import java.util.EnumMap;
import java.util.Map;
import java.util.function.IntConsumer;

import carezza.colour.Lab;
import carezza.filter.GaussianBlur;
import carezza.filter.GuidedSmoothing;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.image.Rows;
import carezza.model.FaceOutlines;
import carezza.model.Point;
import carezza.model.Region;

/**
 * Finds the regions of one face by its face map and the picture's own colours and edges. Templates
 * along the line of the eyes say where to look; what is found there is decided by colour relative to
 * this person's skin, so that it works from the lightest to the deepest skin.
 */
final class RegionFinder {

  /** Least difference of a* between lips and teeth for teeth to be seen at all. */
  private static final double TEETH_CONTRAST = 9;

  /** Radius of the iris over the distance of the pupils: 11.7 mm across, 63 to 68 mm apart. */
  private static final double IRIS_RADIUS = 0.087;

  /** Fewer pixels than this say nothing about an eye or a mouth. */
  private static final int FEWEST_PIXELS = 20;

  /** Difference of L* that counts as an edge. */
  private static final double EDGE = 3;

  private final Picture lab;
  private final Area area;
  private final FaceFrame face;
  private final SkinModel skin;

  /** Coarse probability of the subject, or null. */
  private final Plane subject;

  private RegionFinder(Picture lab, FaceFrame face, Plane subject) {
    this.lab = lab;
    this.subject = subject;
    this.area = lab.area();
    this.face = face;
    double ipd = face.pupilDistance();
    FaceFrame.Ellipse[] without = {
      face.ellipse(face.shifted(face.leftPupil(), 0, -0.12 * ipd), 0.42 * ipd, 0.36 * ipd),
      face.ellipse(face.shifted(face.rightPupil(), 0, -0.12 * ipd), 0.42 * ipd, 0.36 * ipd),
      face.ellipse(face.mouth(), 0.75 * face.mouthWidth(), 0.42 * face.mouthWidth())
    };
    int step = Math.max(1, (int) (face.faceWidth() * face.faceWidth() / 60_000));
    this.skin = new SkinModel(lab, SkinModel.samples(area, face.oval(0.82), without, step));
  }

  /** Coverage of every region over the picture's area. */
  static Map<Region, Plane> find(Picture working, FaceFrame face, Plane subject) {
    RegionFinder finder = new RegionFinder(smoothed(Lab.of(working), face), face, subject);
    return finder.all();
  }

  /** Takes the noise out before colours are judged. */
  private static Picture smoothed(Picture lab, FaceFrame face) {
    double sigma = face.faceWidth() / 500;
    return lab.map(p -> GaussianBlur.blur(p, sigma));
  }

  private Map<Region, Plane> all() {
    Map<Region, Plane> found = new EnumMap<>(Region.class);
    FaceOutlines outlines = face.map().outlines();
    Plane person = person();
    Plane mouth;
    Plane open;
    if (outlines != null) {
      OutlinedParts parts = new OutlinedParts(lab, face, outlines, skin);
      OutlinedParts.Eye left = parts.left();
      OutlinedParts.Eye right = parts.right();
      putEyes(found, left.iris(), right.iris(), left.sclera(), right.sclera());
      OutlinedParts.Mouth lips = parts.mouth();
      found.put(Region.LIPS, lips.lips());
      found.put(Region.TEETH, lips.teeth());
      mouth = or(lips.lips(), lips.teeth());
      open = or(left.open(), right.open());
      found.put(Region.BROWS_LASHES, parts.browsAndLashes(open));
    } else {
      putEyes(
          found,
          iris(face.leftPupil()),
          iris(face.rightPupil()),
          sclera(face.leftPupil()),
          sclera(face.rightPupil()));
      Mouth lips = mouth();
      found.put(Region.LIPS, lips.lips);
      found.put(Region.TEETH, lips.teeth);
      mouth = lips.whole;
      open = eyeSockets();
      found.put(Region.BROWS_LASHES, Plane.of(area));
    }
    Plane anySkin = skinLikeness(or(or(mouth, open), found.get(Region.BROWS_LASHES)));
    Plane oval = face.face().soft(area, 0.05);
    Plane beside = times(minus(subject == null ? neckTemplate() : belowBrows(person), oval), anySkin);
    Plane faceSkin = times(anySkin, oval);
    found.put(Region.FACE_SKIN, faceSkin);
    found.put(Region.NECK_SKIN, beside);
    Plane skinAll = sum(faceSkin, beside);
    found.put(Region.SKIN, skinAll);
    found.put(Region.SUBJECT, person);
    found.put(Region.BACKDROP, minus(Plane.filled(area, 1), person));
    found.put(Region.HAIR, hair(person, skinAll, or(open, mouth)));
    return found;
  }

  private static void putEyes(
      Map<Region, Plane> found, Plane leftIris, Plane rightIris, Plane left, Plane right) {
    found.put(Region.IRIS, or(leftIris, rightIris));
    found.put(Region.LEFT_SCLERA, left);
    found.put(Region.RIGHT_SCLERA, right);
    found.put(Region.SCLERA, or(left, right));
  }

  // --- subject

  /** The subject with its edges drawn by the picture; where none was looked for, what is no backdrop. */
  private Plane person() {
    Plane coarse = Plane.of(area);
    Backdrop backdrop = subject == null ? new Backdrop(lab, face.oval(1)) : null;
    double sx = subject == null ? 0 : (double) subject.width() / area.width();
    double sy = subject == null ? 0 : (double) subject.height() / area.height();
    Rows.each(
        area.width(),
        area.height(),
        (from, to) -> {
          for (int y = from; y < to; y++) {
            for (int x = 0; x < area.width(); x++) {
              int i = y * area.width() + x;
              coarse.values()[i] =
                  subject == null
                      ? 1 - backdrop.likeness(i)
                      : subject.sample((x + 0.5) * sx, (y + 0.5) * sy);
            }
          }
        });
    return edged(coarse, area, face.faceWidth() / 60);
  }

  /** A suggestion: of the subject what is neither skin nor face, around and above the head. */
  private Plane hair(Plane person, Plane skinAll, Plane features) {
    FaceFrame.Ellipse oval = face.oval(1);
    Plane out = Plane.of(area);
    for (int y = area.y(); y < area.bottom(); y++) {
      for (int x = area.x(); x < area.right(); x++) {
        int i = out.index(x, y);
        double dx = x + 0.5 - oval.x();
        double dy = y + 0.5 - oval.y();
        double down = (dy * oval.cos() - dx * oval.sin()) / oval.ry();
        double inside = oval.distance(x + 0.5, y + 0.5);
        out.values()[i] =
            person.values()[i]
                * (1 - skinAll.values()[i])
                * (1 - features.values()[i])
                * Smooth.step((0.75 - down) / 0.3)
                * Smooth.step((inside - 0.75) / 0.15);
      }
    }
    return out;
  }

  // --- skin

  /**
   * How much a pixel looks like this skin: by colour, not backdrop, and no hair. Inside the face below the
   * brows all is skin that is none of the features, however dark: nostrils, folds, the side in shadow.
   */
  private Plane skinLikeness(Plane features) {
    float[] l = lab.first().values();
    float[] a = lab.second().values();
    float[] b = lab.third().values();
    Backdrop backdrop = new Backdrop(lab, face.oval(1));
    Plane colour = Plane.of(area);
    Rows.each(
        area.width(),
        area.height(),
        (from, to) -> {
          for (int i = from * area.width(); i < to * area.width(); i++) {
            double d = skin.distance(l[i], a[i], b[i]);
            double dark = Smooth.step((l[i] - 0.35 * skin.darkest()) / (0.3 * skin.darkest()));
            colour.values()[i] =
                (float) (dark * Smooth.step((6 - d) / 3) * (1 - backdrop.likeness(i)));
          }
        });
    Plane around = GaussianBlur.normalised(lab.first(), colour, face.faceWidth() / 9);
    Plane within = within();
    for (int i = 0; i < l.length; i++) {
      double drop = around.values()[i] - l[i];
      double allowed = 0.3 * around.values()[i];
      float hairless = Smooth.step((1.5 * allowed - drop) / (0.5 * allowed));
      float brows = belowBrows(i);
      float chin = belowChin(i);
      float shaded = Math.max(chin, within.values()[i]);
      float likely = colour.values()[i] * (shaded + (1 - shaded) * hairless);
      float sure = within.values()[i] * brows;
      colour.values()[i] = Math.max(sure, likely) * (1 - features.values()[i]);
    }
    return edged(colour, area, face.faceWidth() / 150);
  }

  /** Well inside the outline of the face. */
  private Plane within() {
    FaceOutlines outlines = face.map().outlines();
    if (outlines == null) {
      return face.oval(0.85).soft(area, 0.06);
    }
    Plane polygon = PolygonCoverage.of(outlines.face(), area, face.scale());
    Plane inside = GaussianBlur.blur(polygon, 0.02 * face.faceWidth());
    for (int i = 0; i < inside.values().length; i++) {
      inside.values()[i] = Smooth.step(2 * inside.values()[i] - 1);
    }
    return inside;
  }

  /** 1 below the line of the brows, 0 well above it. */
  private float belowBrows(int i) {
    return Smooth.step(face.below(x(i), y(i)) / (0.15 * face.pupilDistance()) + 2.2);
  }

  private float belowChin(int i) {
    double down = face.below(x(i), y(i)) - face.oval(1).ry() * 1.15;
    return Smooth.step(down / (0.15 * face.pupilDistance()));
  }

  /** Of the subject what lies below the brows: ears, neck, shoulders, hands. */
  private Plane belowBrows(Plane person) {
    Plane out = Plane.of(area);
    for (int i = 0; i < out.values().length; i++) {
      out.values()[i] = person.values()[i] * belowBrows(i);
    }
    return out;
  }

  private static Plane sum(Plane one, Plane other) {
    Plane out = Plane.of(one.area());
    for (int i = 0; i < out.values().length; i++) {
      out.values()[i] = Math.min(1, one.values()[i] + other.values()[i]);
    }
    return out;
  }

  /** The open eyes, which are no skin: narrow almonds. */
  private Plane eyeSockets() {
    return or(
        almond(face.leftPupil()).soft(area, 0.12), almond(face.rightPupil()).soft(area, 0.12));
  }

  private FaceFrame.Ellipse almond(Point pupil) {
    double ipd = face.pupilDistance();
    return face.ellipse(pupil, 0.25 * ipd, 0.095 * ipd);
  }

  /** Where neck, ears and shoulders can be: below the brows, widening downwards. */
  private Plane neckTemplate() {
    FaceFrame.Ellipse oval = face.oval(1);
    Plane out = Plane.of(area);
    for (int y = area.y(); y < area.bottom(); y++) {
      for (int x = area.x(); x < area.right(); x++) {
        double dx = x + 0.5 - oval.x();
        double dy = y + 0.5 - oval.y();
        double down = (dy * oval.cos() - dx * oval.sin()) / oval.ry();
        double side = Math.abs(dx * oval.cos() + dy * oval.sin()) / oval.rx();
        double width = 1.12 + Math.max(0, down - 1) * 2.2;
        out.values()[out.index(x, y)] =
            Smooth.step((down + 0.35) / 0.2) * Smooth.step((width - side) / 0.1);
      }
    }
    return out;
  }

  // --- eyes

  private Plane iris(Point pupil) {
    double r = IRIS_RADIUS * face.pupilDistance();
    Plane disc = face.ellipse(pupil, r, r).soft(area, 0.1);
    return times(disc, almond(pupil).soft(area, 0.2));
  }

  /** Light and of little chroma, beside the iris and joined to it, inside the almond. */
  private Plane sclera(Point pupil) {
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
        float inside = Smooth.step((1.12 - search.distance(x + 0.5, y + 0.5)) / 0.24);
        float outside = Smooth.step((disc.distance(x + 0.5, y + 0.5) - 0.9) / 0.25);
        float white = Smooth.step((whiteness(i) - split) / width + 0.5);
        float lit = Smooth.step((l[i] - shade) / (0.2 * (bright - dark) + 1e-3) + 0.5);
        out.values()[i] = inside * outside * white * lit;
      }
    }
    Connected.keep(out, box, seeds::contains);
    return edged(out, box, face.faceWidth() / 400);
  }

  /** How much less red and yellow than this skin at the same lightness. */
  private double whiteness(int i) {
    double l = lab.first().values()[i];
    double da = skin.expectedA(l) - lab.second().values()[i];
    double db = skin.expectedB(l) - lab.third().values()[i];
    return 1.2 * da + 0.5 * db;
  }

  // --- mouth

  private record Mouth(Plane lips, Plane teeth, Plane whole) {}

  private Mouth mouth() {
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
        float near = Smooth.step((1.15 - search.distance(x + 0.5, y + 0.5)) / 0.3);
        float central = Smooth.step((1.15 - inner.distance(x + 0.5, y + 0.5)) / 0.3);
        float pale = Smooth.step((aSplit - a[i]) / (0.4 * contrast) + 0.5);
        float lit = Smooth.step((l[i] - shade) / (0.35 * shade) + 0.5);
        teeth.values()[i] = open ? central * pale * lit : 0;
        lips.values()[i] =
            near
                * (open ? 1 - central * pale : 1)
                * Smooth.step((redness(i) - split) / redWidth + 0.5);
      }
    }
    keepBetween(teeth, lips, box);
    Plane toothEdges = edged(teeth, box, face.faceWidth() / 300);
    Plane lipEdges = edged(lips, box, face.faceWidth() / 200);
    return new Mouth(lipEdges, toothEdges, or(or(lipEdges, toothEdges), inner.soft(area, 0.1)));
  }

  /** Teeth have a lip above and a lip below. */
  private static void keepBetween(Plane teeth, Plane lips, Area box) {
    for (int x = box.x(); x < box.right(); x++) {
      float above = 0;
      for (int y = box.y(); y < box.bottom(); y++) {
        int i = lips.index(x, y);
        above = Math.max(above, lips.values()[i]);
        teeth.values()[i] *= Smooth.step(2 * above - 0.5);
      }
      float below = 0;
      for (int y = box.bottom() - 1; y >= box.y(); y--) {
        int i = lips.index(x, y);
        below = Math.max(below, lips.values()[i]);
        teeth.values()[i] *= Smooth.step(2 * below - 0.5);
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

  // --- planes

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

  /** Pulled to the edges of the picture's lightness inside the box, which holds all coverage. */
  private Plane edged(Plane coverage, Area box, double sigma) {
    if (sigma < 0.5) {
      return coverage;
    }
    Plane guide = lab.first().crop(box);
    Plane smooth =
        new GuidedSmoothing(guide, Plane.filled(box, 1), sigma, EDGE * EDGE)
            .smooth(coverage.crop(box));
    Plane out = Plane.of(area);
    for (int i = 0; i < smooth.values().length; i++) {
      // The filter leaves faint tails; stretch them away.
      smooth.values()[i] = Math.clamp(1.1f * smooth.values()[i] - 0.05f, 0f, 1f);
    }
    out.copyFrom(smooth);
    return out;
  }

  private static Plane or(Plane one, Plane other) {
    Plane out = Plane.of(one.area());
    for (int i = 0; i < out.values().length; i++) {
      out.values()[i] = 1 - (1 - one.values()[i]) * (1 - other.values()[i]);
    }
    return out;
  }

  private static Plane times(Plane one, Plane other) {
    Plane out = Plane.of(one.area());
    for (int i = 0; i < out.values().length; i++) {
      out.values()[i] = one.values()[i] * other.values()[i];
    }
    return out;
  }

  private static Plane minus(Plane from, Plane taken) {
    Plane out = Plane.of(from.area());
    for (int i = 0; i < out.values().length; i++) {
      out.values()[i] = from.values()[i] * (1 - taken.values()[i]);
    }
    return out;
  }
}
