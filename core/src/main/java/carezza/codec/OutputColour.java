package carezza.codec;

import carezza.image.Picture;
import carezza.image.Plane;
import carezza.press.Intent;

/**
 * The colour space of a file, and how the picture's colours come into it.
 *
 * @param intent for spaces that hold fewer colours than the picture may have
 * @param blackPoint whether black becomes the deepest that the space has, when colours are
 *     otherwise kept
 */
public record OutputColour(OutputProfile profile, Intent intent, boolean blackPoint) {

  /** Printable colours as they are, black-point compensation on. */
  public static OutputColour of(OutputProfile profile) {
    return new OutputColour(profile, Intent.COLORIMETRIC, true);
  }

  Plane[] encoded(Picture working) {
    return profile.encoded(working, intent, blackPoint);
  }
}
