package carezza.model;

import java.util.HashSet;
import java.util.Set;

import org.jspecify.annotations.Nullable;

/**
 * Where the face is: an oval around it from hairline to chin, both pupils and both corners of the
 * mouth, placed by hand or found. 'Left' is left in the picture.
 *
 * @param oval outline of the face
 * @param outlines of its parts as they were found, moved along with the points; null where only the
 *     points are known
 * @param corrected parts that were put right by hand, which looking again leaves alone
 */
public record FaceMap(
    FaceOval oval,
    Point leftPupil,
    Point rightPupil,
    Point leftMouth,
    Point rightMouth,
    @Nullable FaceOutlines outlines,
    Set<Part> corrected) {

  /** What of a face is found, and corrected, as one. */
  public enum Part {
    OVAL,
    LEFT_EYE,
    RIGHT_EYE,
    MOUTH
  }

  public FaceMap(
      FaceOval oval,
      Point leftPupil,
      Point rightPupil,
      Point leftMouth,
      Point rightMouth,
      @Nullable FaceOutlines outlines) {
    this(oval, leftPupil, rightPupil, leftMouth, rightMouth, outlines, Set.of());
  }

  public FaceMap(
      FaceOval oval, Point leftPupil, Point rightPupil, Point leftMouth, Point rightMouth) {
    this(oval, leftPupil, rightPupil, leftMouth, rightMouth, null);
  }

  /** An ellipse; the angle turns it clockwise, in degrees. */
  public record FaceOval(double x, double y, double radiusX, double radiusY, double angle) {
    public FaceOval {
      Require.range("x of the face", x, -Require.FARTHEST, Require.FARTHEST);
      Require.range("y of the face", y, -Require.FARTHEST, Require.FARTHEST);
      Require.range("radiusX", radiusX, 1, 1e5);
      Require.range("radiusY", radiusY, 1, 1e5);
      Require.range("angle of the face", angle, -3600, 3600);
    }

    public Point middle() {
      return new Point(x, y);
    }
  }

  public FaceMap {
    Require.present("oval", oval);
    Require.present("leftPupil", leftPupil);
    Require.present("rightPupil", rightPupil);
    Require.present("leftMouth", leftMouth);
    Require.present("rightMouth", rightMouth);
    if (leftPupil.distance(rightPupil) < 4 || leftMouth.distance(rightMouth) < 4) {
      throw new IllegalArgumentException("the pupils, or the mouth corners, lie on one another");
    }
    corrected = corrected == null ? Set.of() : Set.copyOf(corrected);
  }

  public FaceMap withOval(FaceOval newOval) {
    return new FaceMap(newOval, leftPupil, rightPupil, leftMouth, rightMouth, outlines, corrected);
  }

  /** With other outlines. */
  public FaceMap withOutlines(FaceOutlines newOutlines) {
    return new FaceMap(oval, leftPupil, rightPupil, leftMouth, rightMouth, newOutlines, corrected);
  }

  /** With a part marked as put right by hand. */
  public FaceMap correcting(Part part) {
    Set<Part> more = new HashSet<>(corrected);
    more.add(part);
    return new FaceMap(oval, leftPupil, rightPupil, leftMouth, rightMouth, outlines, more);
  }

  /** This map, just found, with the parts that were put right by hand in an earlier one. */
  public FaceMap keeping(FaceMap earlier) {
    Set<Part> kept = earlier.corrected;
    boolean left = kept.contains(Part.LEFT_EYE);
    boolean right = kept.contains(Part.RIGHT_EYE);
    boolean mouth = kept.contains(Part.MOUTH);
    FaceOutlines own = outlines;
    FaceOutlines before = earlier.outlines;
    return new FaceMap(
        kept.contains(Part.OVAL) ? earlier.oval : oval,
        left ? earlier.leftPupil : leftPupil,
        right ? earlier.rightPupil : rightPupil,
        mouth ? earlier.leftMouth : leftMouth,
        mouth ? earlier.rightMouth : rightMouth,
        own == null || before == null ? own : own.keeping(before, kept),
        kept);
  }

  /** Whether two maps are of the same face of a picture. */
  public boolean sameFaceAs(FaceMap other) {
    return Math.hypot(oval.x() - other.oval.x(), oval.y() - other.oval.y())
        < 0.5 * Math.min(faceWidth(), other.faceWidth());
  }

  /** With the left eye elsewhere. */
  public FaceMap withLeftPupil(Point p) {
    FaceOutlines moved =
        outlines == null
            ? null
            : outlines.leftEyeMoved(p.x() - leftPupil.x(), p.y() - leftPupil.y());
    return new FaceMap(oval, p, rightPupil, leftMouth, rightMouth, moved, corrected);
  }

  /** With the right eye elsewhere. */
  public FaceMap withRightPupil(Point p) {
    FaceOutlines moved =
        outlines == null
            ? null
            : outlines.rightEyeMoved(p.x() - rightPupil.x(), p.y() - rightPupil.y());
    return new FaceMap(oval, leftPupil, p, leftMouth, rightMouth, moved, corrected);
  }

  /** With the corners of the mouth elsewhere, and the lips between them. */
  public FaceMap withMouth(Point left, Point right) {
    FaceOutlines moved =
        outlines == null ? null : outlines.lipsBetween(leftMouth, rightMouth, left, right);
    return new FaceMap(oval, leftPupil, rightPupil, left, right, moved, corrected);
  }

  /** Cheek to cheek, in photograph pixels: the unit of all lengths that depend on the face. */
  public double faceWidth() {
    return 2 * oval.radiusX();
  }

  public double pupilDistance() {
    return leftPupil.distance(rightPupil);
  }

  public Point mouthCentre() {
    return leftMouth.towards(rightMouth, 0.5);
  }

  public double mouthWidth() {
    return leftMouth.distance(rightMouth);
  }

  /** A first guess for a head shot of this size, to be put right by its handles. */
  public static FaceMap guess(int width, int height) {
    double x = width / 2.0;
    double y = height * 0.5;
    double r = Math.min(width * 0.27, height * 0.24);
    return new FaceMap(
        new FaceOval(x, y, r, r * 1.35, 0),
        new Point(x - r * 0.45, y - r * 0.3),
        new Point(x + r * 0.45, y - r * 0.3),
        new Point(x - r * 0.4, y + r * 0.65),
        new Point(x + r * 0.4, y + r * 0.65));
  }
}
