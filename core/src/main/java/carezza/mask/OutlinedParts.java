package carezza.mask;

import carezza.filter.GaussianBlur;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.model.FaceMap.Part;
import carezza.model.FaceOutlines;

/** Eyes, mouth and brows of one face from their outlines. */
final class OutlinedParts {

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

  /** Dark hair in the bands of the brows and along the lids. */
  Plane browsAndLashes(Plane openEyes) {
    Plane brows = Plane.of(on.lab().area());
    add(brows, on.soft(outlines.leftBrow(), Outlined.BAND * on.faceWidth()));
    add(brows, on.soft(outlines.rightBrow(), Outlined.BAND * on.faceWidth()));
    Plane lids = GaussianBlur.blur(openEyes, 0.012 * on.faceWidth());
    Plane around = GaussianBlur.blur(on.lab().first(), on.faceWidth() / 25);
    for (int i = 0; i < brows.values().length; i++) {
      float rim = Smoothstep.step(6 * lids.values()[i]) * (1 - openEyes.values()[i]);
      float where = Math.max(brows.values()[i], rim);
      double drop = around.values()[i] - on.lab().first().values()[i];
      brows.values()[i] = where * Smoothstep.step((drop / around.values()[i] - 0.04) / 0.14);
    }
    return brows;
  }

  private static void add(Plane to, Plane other) {
    for (int i = 0; i < to.values().length; i++) {
      to.values()[i] = Math.max(to.values()[i], other.values()[i]);
    }
  }
}
