package carezza.mask;

import carezza.filter.GaussianBlur;
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
    Plane hairs = Plane.of(on.lab().area());
    add(hairs, on.soft(outlines.leftBrow(), Outlined.BAND * on.faceWidth()));
    add(hairs, on.soft(outlines.rightBrow(), Outlined.BAND * on.faceWidth()));
    Plane light = on.lab().first();
    Plane bare = Plane.of(light.area());
    for (int i = 0; i < hairs.values().length; i++) {
      hairs.values()[i] = Smoothstep.step(4 * hairs.values()[i]);
      bare.values()[i] = Math.max(1e-4f, (1 - hairs.values()[i]) * (1 - openEyes.values()[i]));
    }
    Plane lids = GaussianBlur.blur(openEyes, LASHES * on.faceWidth());
    Plane around = GaussianBlur.normalised(light, bare, AROUND * on.faceWidth());
    Plane beside = GaussianBlur.blur(light, BESIDE * on.faceWidth());
    for (int i = 0; i < hairs.values().length; i++) {
      float strand = darker(light.values()[i], beside.values()[i], 0.09, 0.09);
      float rim = Smoothstep.step(8 * lids.values()[i]) * (1 - openEyes.values()[i]);
      float brow = Math.max(strand, darker(light.values()[i], around.values()[i], 0.22, 0.3));
      hairs.values()[i] = Math.max(rim * strand, hairs.values()[i] * brow);
    }
    return hairs;
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
