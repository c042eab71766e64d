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
    double band = D("band", 0.03);
    add(brows, on.soft(outlines.leftBrow(), band * on.faceWidth()));
    add(brows, on.soft(outlines.rightBrow(), band * on.faceWidth()));
    Plane lids = GaussianBlur.blur(openEyes, D("lidb", 0.012) * on.faceWidth());
    Plane light = on.lab().first();
    Plane bare = Plane.of(light.area());
    for (int i = 0; i < brows.values().length; i++) {
      brows.values()[i] = Smoothstep.step(D("bs", 4) * brows.values()[i]);
      bare.values()[i] = Math.max(1e-4f, (1 - brows.values()[i]) * (1 - openEyes.values()[i]));
    }
    Plane around = GaussianBlur.normalised(light, bare, on.faceWidth() * D("ar", 0.03));
    Plane mean = GaussianBlur.blur(light, on.faceWidth() * D("rs", 0.008));
    Plane faceIn = on.soft(outlines.face(), 1);
    Histogram skinLines = new Histogram(0, 0.5);
    for (int i = 0; i < light.values().length; i += 3) {
      if (faceIn.values()[i] > 0.9 && bare.values()[i] > 0.9) {
        skinLines.add(Math.max(0, 1 - light.values()[i] / Math.max(1, mean.values()[i])));
      }
    }
    double own = skinLines.quantile(0.97);
    System.err.printf("own %.4f%n", own);
    double d0 = D("d0", 0.25),
        dw = D("dw", 0.3),
        r0 = Math.clamp(own * D("rk", 2), 0.03, .12),
        rw = r0 * D("rwk", 1);
    for (int i = 0; i < brows.values().length; i++) {
      double drop = 1 - light.values()[i] / Math.max(1, around.values()[i]);
      double ridge = 1 - light.values()[i] / Math.max(1, mean.values()[i]);
      float fine = Smoothstep.step((ridge - r0) / rw + 0.5);
      float rim =
          Smoothstep.step(D("ls", 8) * lids.values()[i]) * (1 - openEyes.values()[i]) * fine;
      float brow = brows.values()[i] * Math.max(fine, Smoothstep.step((drop - d0) / dw + 0.5));
      brows.values()[i] = Math.max(rim, brow);
    }
    return brows;
  }

  static double D(String k, double v) {
    return Double.parseDouble(System.getProperty(k, "" + v));
  }

  private static void add(Plane to, Plane other) {
    for (int i = 0; i < to.values().length; i++) {
      to.values()[i] = Math.max(to.values()[i], other.values()[i]);
    }
  }
}
