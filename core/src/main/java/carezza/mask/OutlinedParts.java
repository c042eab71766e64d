package carezza.mask;

import carezza.filter.GaussianBlur;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.model.FaceMap.Part;
import carezza.model.FaceOutlines;

/** Eyes, mouth and brows of one face from their outlines. */
final class OutlinedParts {

  /**
   * Sigmas, in shares of the face width: reach of lashes, skin around a brow, sides of a strand.
   */
  private static final double LASHES = 0.012;

  private static final double AROUND = 0.03;
  private static final double BESIDE = 0.008;

  private final Outlined on;
  private final FaceFrame face;
  private final FaceOutlines outlines;
  private final SkinModel skin;

  OutlinedParts(Picture lab, FaceFrame face, FaceOutlines outlines, SkinModel skin) {
    this.on = new Outlined(lab, face.scale(), face.faceWidth());
    this.face = face;
    this.outlines = outlines;
    this.skin = skin;
  }

  OutlinedEye.Eye left() {
    return new OutlinedEye(on, skin)
        .eye(outlines.leftEye(), outlines.leftIris(), byHand(Part.LEFT_EYE));
  }

  OutlinedEye.Eye right() {
    return new OutlinedEye(on, skin)
        .eye(outlines.rightEye(), outlines.rightIris(), byHand(Part.RIGHT_EYE));
  }

  OutlinedMouth.Mouth mouth() {
    return new OutlinedMouth(on, outlines, byHand(Part.MOUTH)).mouth();
  }

  private boolean byHand(Part part) {
    return face.map().corrected().contains(part);
  }

  /**
   * Hair in the bands of the brows and along the lids: in a brow what is darker than the skin
   * around it, and in both what is fine and darker than what is close beside it, as strands are and
   * shadows are not.
   */
  Plane browsAndLashes(Plane openEyes) {
    Plane bands = on.soft(outlines.leftBrow(), Outlined.BAND * on.faceWidth());
    add(bands, on.soft(outlines.rightBrow(), Outlined.BAND * on.faceWidth()));
    Area all = bands.area();
    Area where =
        bands
            .covered()
            .union(openEyes.covered())
            .grow(GaussianBlur.reach(AROUND * on.faceWidth()))
            .intersect(all);
    Plane hairs = bands.crop(where);
    Plane open = openEyes.crop(where);
    Plane light = on.lab().first().crop(where);
    Plane bare = Plane.of(where);
    for (int i = 0; i < hairs.values().length; i++) {
      hairs.values()[i] = Smoothstep.step(4 * hairs.values()[i]);
      bare.values()[i] = Math.max(1e-4f, (1 - hairs.values()[i]) * (1 - open.values()[i]));
    }
    Plane lids = GaussianBlur.blur(open, LASHES * on.faceWidth());
    Plane around = GaussianBlur.normalised(light, bare, AROUND * on.faceWidth());
    Plane beside = GaussianBlur.blur(light, BESIDE * on.faceWidth());
    double dark = darkness(hairs, light, around);
    double fine = Math.clamp(0.3 * dark, 0.02, 0.09);
    double dense = Math.clamp(0.6 * dark, 0.06, 0.22);
    for (int i = 0; i < hairs.values().length; i++) {
      float strand = darker(light.values()[i], beside.values()[i], fine, fine);
      float rim = Smoothstep.step(8 * lids.values()[i]) * (1 - open.values()[i]);
      float brow =
          Math.max(strand, darker(light.values()[i], around.values()[i], dense, 1.36 * dense));
      hairs.values()[i] = Math.max(rim * strand, hairs.values()[i] * brow);
    }
    Plane out = Plane.of(all);
    out.copyFrom(hairs);
    return out;
  }

  /** By what share the dark of these brows falls short of the skin: pale brows hardly do. */
  private static double darkness(Plane brows, Plane light, Plane around) {
    Histogram drops = new Histogram(0, 1);
    for (int i = 0; i < brows.values().length; i++) {
      if (brows.values()[i] > 0.99f) {
        drops.add(1 - light.values()[i] / Math.max(1, around.values()[i]));
      }
    }
    return drops.quantile(0.9);
  }

  /** Half where a light falls short of another by the share {@code middle} of it. */
  private static float darker(float light, float than, double middle, double width) {
    double drop = 1 - light / Math.max(1, than);
    return Smoothstep.step((drop - middle) / width + 0.5);
  }

  private static void add(Plane to, Plane other) {
    for (int i = 0; i < to.values().length; i++) {
      to.values()[i] = Math.max(to.values()[i], other.values()[i]);
    }
  }
}
