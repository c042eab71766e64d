package carezza.measure.fault;

import org.jspecify.annotations.Nullable;

import carezza.colour.Lab;
import carezza.colour.Pigments;
import carezza.filter.RobustStatistics;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.mask.Masks;
import carezza.measure.Gauges;
import carezza.model.FaceMap;
import carezza.model.Mask;
import carezza.model.Point;
import carezza.model.SemanticRegion;

/**
 * How much darker the skin right under an eye is than the cheek below it, by its pigments alone:
 * how far its L* lies below that which the same light would give it with the cheek's pigments.
 *
 * @param darker difference of L*, negative where it is darker; NaN where either place is not to be
 *     seen
 * @param place the middle of what lies under the eye, in photograph pixels
 */
public record UnderEye(double darker, Point place) {

  /** Where both places lie from the pupil along the face's own axis, in distances of the pupils. */
  private static final double BELOW = 0.21;

  private static final double CHEEK = 0.52;

  /** Half their sizes. */
  private static final double HALF_WIDTH = 0.22;

  private static final double HALF_HEIGHT = 0.07;

  /** Softness of the place that is treated. */
  private static final double SOFTNESS = 0.8;

  /** Fewest pixels of skin of each. */
  private static final int FEWEST = 30;

  /** The place under an eye that a layer treats: softer and larger than what is measured. */
  public static Mask.Ellipse treated(FaceMap face, boolean left) {
    return place(face, left, BELOW, 1.5, SOFTNESS);
  }

  private static Mask.Ellipse place(
      FaceMap face, boolean left, double down, double size, double softness) {
    Point eye = left ? face.leftPupil() : face.rightPupil();
    Point mouth = face.mouthCentre();
    Point between = face.leftPupil().towards(face.rightPupil(), 0.5);
    double unit = face.pupilDistance();
    double length = Math.max(1e-6, between.distance(mouth));
    return new Mask.Ellipse(
        eye.x() + down * unit * (mouth.x() - between.x()) / length,
        eye.y() + down * unit * (mouth.y() - between.y()) / length,
        size * HALF_WIDTH * unit,
        size * HALF_HEIGHT * unit,
        eyeLine(face),
        softness);
  }

  /** Angle of the line through both pupils, in degrees, clockwise. */
  static double eyeLine(FaceMap face) {
    return Math.toDegrees(
        Math.atan2(
            face.rightPupil().y() - face.leftPupil().y(),
            face.rightPupil().x() - face.leftPupil().x()));
  }

  /**
   * @param working the whole picture at the context's level
   */
  public static UnderEye of(
      EvaluationContext context, FaceMap face, boolean left, Picture working) {
    Mask.Ellipse under = place(face, left, BELOW, 1, 0);
    Mask.Ellipse cheek = place(face, left, CHEEK, 1, 0);
    Point at = new Point(under.x(), under.y());
    Skin here = Skin.at(context, under, working);
    Skin there = Skin.at(context, cheek, working);
    if (here == null || there == null || here.isGrey()) {
      return new UnderEye(Double.NaN, at);
    }
    Area one = new Area(0, 0, 1, 1);
    Picture colour =
        new Picture(
            Plane.filled(one, here.red),
            Plane.filled(one, here.green),
            Plane.filled(one, here.blue));
    Picture evened =
        Pigments.remove(
            colour,
            Plane.filled(one, here.melanin - there.melanin),
            Plane.filled(one, here.haemoglobin - there.haemoglobin));
    return new UnderEye(Lab.lightness(colour).at(0, 0) - Lab.lightness(evened).at(0, 0), at);
  }

  /** Medians of a place's skin. */
  private record Skin(float red, float green, float blue, float melanin, float haemoglobin) {

    /** Pigments cannot be told from shadow in a picture without colour. */
    boolean isGrey() {
      return Lab.ofWorking(red, green, blue).chroma() < Gauges.COLOURLESS;
    }

    /** Null where there is too little. */
    static @Nullable Skin at(EvaluationContext context, Mask place, Picture working) {
      Plane inside = Masks.render(place, context.whole(), context);
      Area box = inside.covered();
      Plane skin =
          context
              .regions()
              .coverage(SemanticRegion.FACE_SKIN, box, context.level())
              .times(inside.crop(box));
      int n = 0;
      for (float v : skin.values()) {
        n += v >= RobustStatistics.TAKEN_IN ? 1 : 0;
      }
      if (n < FEWEST) {
        return null;
      }
      Picture own = working.crop(box);
      Pigments.Maps pigments = Pigments.of(own);
      return new Skin(
          (float) RobustStatistics.median(own.first(), skin),
          (float) RobustStatistics.median(own.second(), skin),
          (float) RobustStatistics.median(own.third(), skin),
          (float) RobustStatistics.median(pigments.melanin(), skin),
          (float) RobustStatistics.median(pigments.haemoglobin(), skin));
    }
  }
}
