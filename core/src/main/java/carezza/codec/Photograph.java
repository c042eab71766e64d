package carezza.codec;

import carezza.image.Picture;
import carezza.image.PictureSize;

/**
 * A picture as read from a file, upright.
 *
 * @param pixels working-space planes at full size
 * @param bits bits per channel in the file
 * @param profile name of the colour profile used, with a word when it was assumed
 * @param notes what else the file says about it
 */
public record Photograph(Picture pixels, int bits, String profile, FileNotes notes) {

  public PictureSize size() {
    return new PictureSize(pixels.area().width(), pixels.area().height());
  }
}
