package carezza.measure;

import carezza.model.Point;

/**
 * A place away from the face that draws the eye.
 *
 * @param place its middle, in photograph pixels
 * @param radius that holds it, in photograph pixels
 * @param strength how far it stands out, in L* or C*; to order places by
 */
public record Distraction(Point place, double radius, Kind kind, double strength) {

  /** In what it stands out. */
  public enum Kind {
    BRIGHT,
    SHARP,
    COLOURFUL
  }
}
