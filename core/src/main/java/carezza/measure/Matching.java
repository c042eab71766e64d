package carezza.measure;

import carezza.image.Picture;
import carezza.image.Plane;

/**
 * How far one skin's colour lies from another's at equal lightness, ΔE00 of the medians.
 *
 * @param before NaN where one of them is not to be seen
 * @param after as before
 */
public record Matching(double before, double after) {

  /**
   * @param before L*a*b* planes
   * @param after L*a*b* planes of the same area
   */
  public static Matching of(Picture before, Picture after, Plane off, Plane follow) {
    return new Matching(difference(before, off, follow), difference(after, off, follow));
  }

  private static double difference(Picture lab, Plane off, Plane follow) {
    var face = SkinGauges.median(lab, follow);
    var other = SkinGauges.median(lab, off);
    return Double.isNaN(face.l()) || Double.isNaN(other.l())
        ? Double.NaN
        : SkinGauges.match(face, other);
  }
}
