package carezza.raw;

import org.jspecify.annotations.Nullable;

import carezza.colour.Matrix3;
import carezza.colour.RgbSpace;

/**
 * What a sensor's channels mean, as the DNG specification (version 1.6, chapter 6) derives it from
 * a file's matrices.
 *
 * @param neutral what the sensor counts of a grey in the light of the scene, the largest being 1
 * @param toWorking linear working light of channels that are balanced, that is, divided by {@code
 *     neutral}
 * @param kelvin correlated colour temperature of the scene's light
 */
public record CameraColour(double[] neutral, Matrix3 toWorking, double kelvin) {

  /**
   * Matrices for one light.
   *
   * @param kelvin of the light
   * @param fromXyz XYZ to the sensor's channels, calibration included
   * @param calibration of this body against its kind
   * @param forward balanced channels to XYZ at D50, or null
   */
  record Illuminant(
      double kelvin, Matrix3 fromXyz, Matrix3 calibration, @Nullable Matrix3 forward) {

    private Illuminant between(Illuminant other, double share) {
      return new Illuminant(
          kelvin,
          mix(fromXyz, other.fromXyz, share),
          mix(calibration, other.calibration, share),
          forward == null || other.forward == null ? null : mix(forward, other.forward, share));
    }
  }

  private static final int MOST_STEPS = 30;
  private static final double CLOSE = 1e-7;

  /** Of one light, or of two; by the neutral. */
  static CameraColour of(Illuminant one, @Nullable Illuminant other, double[] neutral) {
    double[] xy = {0.3457, 0.3585};
    Illuminant found = one;
    for (int i = 0; i < MOST_STEPS; i++) {
      found = at(one, other, kelvin(xy));
      double[] xyz = found.fromXyz().inverse().times(neutral);
      double sum = xyz[0] + xyz[1] + xyz[2];
      double[] next = {xyz[0] / sum, xyz[1] / sum};
      boolean close = Math.abs(next[0] - xy[0]) + Math.abs(next[1] - xy[1]) < CLOSE;
      xy = next;
      if (close) {
        break;
      }
    }
    double most = Math.max(neutral[0], Math.max(neutral[1], neutral[2]));
    double[] unit = {neutral[0] / most, neutral[1] / most, neutral[2] / most};
    return new CameraColour(unit, working(found, unit, xy), kelvin(xy));
  }

  private static Illuminant at(Illuminant one, @Nullable Illuminant other, double kelvin) {
    if (other == null || one.kelvin() == other.kelvin()) {
      return one;
    }
    Illuminant warm = one.kelvin() < other.kelvin() ? one : other;
    Illuminant cool = warm == one ? other : one;
    double t = Math.clamp(kelvin, warm.kelvin(), cool.kelvin());
    double share = (1 / t - 1 / warm.kelvin()) / (1 / cool.kelvin() - 1 / warm.kelvin());
    return warm.between(cool, share);
  }

  private static Matrix3 working(Illuminant light, double[] neutral, double[] xy) {
    Matrix3 balance = Matrix3.diagonal(neutral[0], neutral[1], neutral[2]);
    Matrix3 toXyz;
    if (light.forward() != null) {
      Matrix3 reference = light.calibration().inverse();
      double[] n = reference.times(neutral);
      toXyz =
          light
              .forward()
              .times(Matrix3.diagonal(1 / n[0], 1 / n[1], 1 / n[2]))
              .times(reference)
              .times(balance);
    } else {
      toXyz =
          RgbSpace.bradford(RgbSpace.xyz(xy[0], xy[1]), RgbSpace.d50())
              .times(light.fromXyz().inverse())
              .times(balance);
    }
    Matrix3 working = RgbSpace.REC2020.toXyzD50().inverse().times(toXyz);
    // A grey becomes exactly white, whatever digits the file's matrices were cut to.
    double[] white = working.times(1, 1, 1);
    return Matrix3.diagonal(1 / white[0], 1 / white[1], 1 / white[2]).times(working);
  }

  private static Matrix3 mix(Matrix3 a, Matrix3 b, double t) {
    return new Matrix3(
        mix(a.m00(), b.m00(), t),
        mix(a.m01(), b.m01(), t),
        mix(a.m02(), b.m02(), t),
        mix(a.m10(), b.m10(), t),
        mix(a.m11(), b.m11(), t),
        mix(a.m12(), b.m12(), t),
        mix(a.m20(), b.m20(), t),
        mix(a.m21(), b.m21(), t),
        mix(a.m22(), b.m22(), t));
  }

  private static double mix(double a, double b, double t) {
    return a + t * (b - a);
  }

  /** Correlated colour temperature of a chromaticity (McCamy, 1992). */
  static double kelvin(double[] xy) {
    double n = (xy[0] - 0.3320) / (0.1858 - xy[1]);
    double t = ((449 * n + 3525) * n + 6823.3) * n + 5520.33;
    return Math.clamp(t, 1500, 25000);
  }

  /** Temperature that a light source of EXIF stands for (EXIF 2.32, LightSource). */
  static double kelvinOf(int source) {
    return switch (source) {
      case 3, 17 -> 2856;
      case 24 -> 3200;
      case 15 -> 3450;
      case 2, 14 -> 4150;
      case 13 -> 4800;
      case 23 -> 5000;
      case 1, 4, 9, 18, 20 -> 5500;
      case 12 -> 6400;
      case 11, 22 -> 7500;
      default -> 6504;
    };
  }
}
