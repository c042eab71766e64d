package carezza.mask;

import java.util.EnumMap;
import java.util.Map;

import org.jspecify.annotations.Nullable;

import carezza.colour.Lab;
import carezza.filter.GaussianBlur;
import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.model.FaceOutlines;
import carezza.model.SemanticRegion;

/**
 * Finds the regions of one face by its face map and the picture's own colours and edges. Templates
 * along the line of the eyes say where to look; what is found there is decided by colour relative
 * to this person's skin, so that it works from the lightest to the deepest skin.
 */
final class RegionFinder {

  /** How far foreheads reach, in ovals of the face. */
  private static final double HEAD = 1.4;

  /** By how much the subject's edge may lie wrong before its matting, in face widths. */
  private static final double REACH = 1 / 25.0;

  /** Sigma of what lies beside a pixel of that edge. */
  private static final double NEAR = 1 / 300.0;

  private final Picture working;
  private final Picture lab;
  private final Area area;
  private final FaceFrame face;

  /** How far below the line of the eyes it is surely below the chin. */
  private final double chin;

  private final SkinModel skin;

  /** Places that are skin. */
  private final int[] samples;

  /** Coarse probability of the subject, or null. */
  private final @Nullable Plane subject;

  private RegionFinder(Picture working, FaceFrame face, @Nullable Plane subject) {
    this.working = working;
    this.lab = smoothed(Lab.of(working), face);
    this.subject = subject;
    this.area = lab.area();
    this.face = face;
    this.chin = face.oval(1).ry() * 1.15;
    double ipd = face.pupilDistance();
    FaceFrame.Ellipse[] without = {
      face.ellipse(face.shifted(face.leftPupil(), 0, -0.12 * ipd), 0.42 * ipd, 0.36 * ipd),
      face.ellipse(face.shifted(face.rightPupil(), 0, -0.12 * ipd), 0.42 * ipd, 0.36 * ipd),
      face.ellipse(face.mouth(), 0.75 * face.mouthWidth(), 0.42 * face.mouthWidth())
    };
    int step = Math.max(1, (int) (face.faceWidth() * face.faceWidth() / 60_000));
    this.samples = SkinModel.samples(area, face.oval(0.82), without, step);
    this.skin = new SkinModel(lab, samples);
  }

  /** Coverage of every region over the picture's area. */
  static Map<SemanticRegion, Plane> find(Picture working, FaceFrame face, @Nullable Plane subject) {
    RegionFinder finder = new RegionFinder(working, face, subject);
    return finder.all();
  }

  /** Takes the noise out before colours are judged. */
  private static Picture smoothed(Picture lab, FaceFrame face) {
    double sigma = face.faceWidth() / 500;
    return lab.map(p -> GaussianBlur.blur(p, sigma));
  }

  private Map<SemanticRegion, Plane> all() {
    Map<SemanticRegion, Plane> found = new EnumMap<>(SemanticRegion.class);
    FaceOutlines outlines = face.map().outlines();
    Plane person = person();
    Plane mouth;
    Plane open;
    if (outlines != null) {
      OutlinedParts parts = new OutlinedParts(lab, face, outlines, skin);
      OutlinedEye.Eye left = parts.left();
      OutlinedEye.Eye right = parts.right();
      putEyes(found, left.iris(), right.iris(), left.sclera(), right.sclera());
      OutlinedMouth.Mouth lips = parts.mouth();
      found.put(SemanticRegion.LIPS, lips.lips());
      found.put(SemanticRegion.TEETH, lips.teeth());
      mouth = Planes.or(lips.lips(), lips.teeth());
      open = Planes.or(left.open(), right.open());
      found.put(SemanticRegion.BROWS_LASHES, parts.browsAndLashes(open));
    } else {
      TemplateParts parts = new TemplateParts(lab, face, skin);
      putEyes(
          found,
          parts.iris(face.leftPupil()),
          parts.iris(face.rightPupil()),
          parts.sclera(face.leftPupil()),
          parts.sclera(face.rightPupil()));
      TemplateParts.Mouth lips = parts.mouth();
      found.put(SemanticRegion.LIPS, lips.lips());
      found.put(SemanticRegion.TEETH, lips.teeth());
      mouth = lips.whole();
      open = parts.eyeSockets();
      found.put(SemanticRegion.BROWS_LASHES, Plane.of(area));
    }
    Plane anySkin =
        skinLikeness(
            person, Planes.or(Planes.or(mouth, open), found.get(SemanticRegion.BROWS_LASHES)));
    Plane oval = face.face().soft(area, 0.05);
    Plane beside =
        Planes.times(
            Planes.minus(subject == null ? neckTemplate() : belowBrows(person), oval), anySkin);
    Plane forehead = Planes.times(anySkin, Planes.most(oval, aboveBrows(person)));
    ConnectedComponents.keep(
        forehead,
        face.oval(1.05 * HEAD).bounds().grow(2).intersect(area),
        face.oval(0.8)::contains);
    Plane faceSkin = Planes.most(Planes.times(anySkin, oval), forehead);
    found.put(SemanticRegion.FACE_SKIN, faceSkin);
    BodySkin body = new BodySkin(face, faceSkin, beside);
    found.put(SemanticRegion.EARS, body.ears());
    found.put(SemanticRegion.NECK_SKIN, body.neck());
    found.put(SemanticRegion.SHOULDERS, body.shoulders());
    found.put(SemanticRegion.HANDS, body.hands());
    Plane skinAll = Planes.sum(faceSkin, beside);
    found.put(SemanticRegion.SKIN, skinAll);
    found.put(SemanticRegion.SUBJECT, person);
    found.put(SemanticRegion.BACKDROP, Planes.minus(Plane.filled(area, 1), person));
    found.put(SemanticRegion.HAIR, hair(person, skinAll, Planes.or(open, mouth)));
    return found;
  }

  private static void putEyes(
      Map<SemanticRegion, Plane> found, Plane leftIris, Plane rightIris, Plane left, Plane right) {
    found.put(SemanticRegion.IRIS, Planes.or(leftIris, rightIris));
    found.put(SemanticRegion.LEFT_SCLERA, left);
    found.put(SemanticRegion.RIGHT_SCLERA, right);
    found.put(SemanticRegion.SCLERA, Planes.or(left, right));
  }

  // --- subject

  private Plane noBackdrop() {
    Backdrop backdrop = new Backdrop(lab, face.oval(1));
    return Planes.made(area, (i, x, y) -> 1 - backdrop.likeness(i));
  }

  /** A plane on any grid over the picture, on the picture's own. */
  private Plane enlarged(Plane coarse) {
    double sx = (double) coarse.width() / area.width();
    double sy = (double) coarse.height() / area.height();
    return Planes.made(
        area, (i, x, y) -> coarse.sample((x - area.x() + 0.5) * sx, (y - area.y() + 0.5) * sy));
  }

  /**
   * The subject with its edge as its colours tell it; where none was looked for, what is no
   * backdrop.
   */
  private Plane person() {
    Plane edged =
        Planes.edged(
            subject == null ? noBackdrop() : enlarged(subject),
            lab.first(),
            area,
            face.faceWidth() / 60);
    Plane alpha =
        new Matting(working, edged, REACH * face.faceWidth(), NEAR * face.faceWidth()).alpha();
    // A face is no backdrop, whatever its colour.
    return Planes.most(alpha, within());
  }

  /** A suggestion: of the subject what is neither skin nor face, around and above the head. */
  private Plane hair(Plane person, Plane skinAll, Plane features) {
    FaceFrame.Ellipse oval = face.oval(1);
    return Planes.made(
        area,
        (i, x, y) -> {
          double dx = x + 0.5 - oval.x();
          double dy = y + 0.5 - oval.y();
          double down = (dy * oval.cos() - dx * oval.sin()) / oval.ry();
          double inside = oval.distance(x + 0.5, y + 0.5);
          return person.values()[i]
              * (1 - skinAll.values()[i])
              * (1 - features.values()[i])
              * Smoothstep.step((0.75 - down) / 0.3)
              * Smoothstep.step((inside - 0.75) / 0.15);
        });
  }

  // --- skin

  /**
   * How much a pixel looks like this skin: by colour, not backdrop, and no hair. Inside the face
   * below the brows all is skin that is none of the features, however dark: nostrils, folds, the
   * side in shadow.
   */
  private Plane skinLikeness(Plane person, Plane features) {
    float[] l = lab.first().values();
    float[] a = lab.second().values();
    float[] b = lab.third().values();
    Backdrop backdrop = subject == null ? new Backdrop(lab, face.oval(1)) : null;
    Plane colour = Plane.of(area);
    ParallelRows.each(
        area.width(),
        area.height(),
        (from, to) -> {
          for (int i = from * area.width(); i < to * area.width(); i++) {
            double d = skin.distance(l[i], a[i], b[i]);
            double dark = Smoothstep.step((l[i] - 0.35 * skin.darkest()) / (0.3 * skin.darkest()));
            colour.values()[i] =
                (float)
                    (dark
                        * Smoothstep.step((6 - d) / 3)
                        * (backdrop == null ? person.values()[i] : 1 - backdrop.likeness(i)));
          }
        });
    Plane around = GaussianBlur.normalised(lab.first(), colour, face.faceWidth() / 9);
    Plane within = within();
    Planes.fill(
        colour,
        area,
        (i, x, y) -> {
          double drop = around.values()[i] - l[i];
          double allowed = 0.3 * around.values()[i];
          float hairless = Smoothstep.step((1.5 * allowed - drop) / (0.5 * allowed));
          float shaded = Math.max(belowChin(x, y), within.values()[i]);
          return colour.values()[i] * (shaded + (1 - shaded) * hairless);
        });
    HairModel hair = HairModel.of(lab, face, person, colour, skin, samples);
    Plane oval = face.face().soft(area, 0.05);
    Planes.fill(
        colour,
        area,
        (i, x, y) -> {
          float below = belowBrows(x, y);
          // Below the brows hair is doubted only where it looks like skin: a rough red place at
          // the rim of a cheek is none.
          float bare =
              Math.max(
                  Math.max(belowChin(x, y), within.values()[i]),
                  below * Math.max(oval.values()[i], 1 - hair.alike()));
          float likely = colour.values()[i];
          if (likely > 0 && bare < 1) {
            likely *= 1 - (1 - bare) * hair.likeness(x, y);
          }
          float sure = within.values()[i] * below;
          return Math.max(sure, likely) * (1 - features.values()[i]);
        });
    return Planes.edged(colour, lab.first(), area, face.faceWidth() / 150);
  }

  /** Well inside the outline of the face. */
  private Plane within() {
    FaceOutlines outlines = face.map().outlines();
    if (outlines == null) {
      return face.oval(0.85).soft(area, 0.06);
    }
    Plane polygon = PolygonCoverage.of(outlines.face(), area, face.scale());
    Plane inside = GaussianBlur.blur(polygon, 0.02 * face.faceWidth());
    Planes.fill(inside, area, (i, x, y) -> Smoothstep.step(2 * inside.values()[i] - 1));
    return inside;
  }

  /** 1 below the line of the brows, 0 well above it. */
  private float belowBrows(int x, int y) {
    return Smoothstep.step(face.below(x + 0.5, y + 0.5) / (0.15 * face.pupilDistance()) + 2.2);
  }

  private float belowChin(int x, int y) {
    double down = face.below(x + 0.5, y + 0.5) - chin;
    return Smoothstep.step(down / (0.15 * face.pupilDistance()));
  }

  /** Of the subject what lies below the brows: ears, neck, shoulders, hands. */
  private Plane belowBrows(Plane person) {
    return Planes.made(area, (i, x, y) -> person.values()[i] * belowBrows(x, y));
  }

  /**
   * Of the subject what lies above the brows and not far from the face: forehead and temples end at
   * hair, not at the outline of the face.
   */
  private Plane aboveBrows(Plane person) {
    Plane head = face.oval(HEAD).soft(area, 0.05);
    Planes.fill(
        head, area, (i, x, y) -> head.values()[i] * person.values()[i] * (1 - belowBrows(x, y)));
    return head;
  }

  /** Where neck, ears and shoulders can be: below the brows, widening downwards. */
  private Plane neckTemplate() {
    FaceFrame.Ellipse oval = face.oval(1);
    return Planes.made(
        area,
        (i, x, y) -> {
          double dx = x + 0.5 - oval.x();
          double dy = y + 0.5 - oval.y();
          double down = (dy * oval.cos() - dx * oval.sin()) / oval.ry();
          double side = Math.abs(dx * oval.cos() + dy * oval.sin()) / oval.rx();
          double width = 1.12 + Math.max(0, down - 1) * 2.2;
          return Smoothstep.step((down + 0.35) / 0.2) * Smoothstep.step((width - side) / 0.1);
        });
  }
}
