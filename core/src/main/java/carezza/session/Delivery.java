package carezza.session;

import carezza.codec.FileNotes.Carried;
import carezza.codec.OutputColour;
import carezza.codec.OutputProfile;
import carezza.colour.Transfer;
import carezza.filter.Resampling;
import carezza.image.Level;
import carezza.image.Picture;
import carezza.image.PictureSize;

/**
 * How a picture leaves.
 *
 * @param longEdge of the file in pixels; 0 for full size, never enlarged
 * @param quality of a JPEG, 1 … 100
 * @param bits per channel of a PNG or TIFF, 8 or 16
 * @param level rendered at; 0 for full quality
 * @param colour colour space of the file
 * @param carried what of the photograph's notes goes into the file
 */
public record Delivery(
    int longEdge, int quality, int bits, int level, OutputColour colour, Carried carried) {

  public Delivery {
    if (longEdge < 0 || quality < 1 || quality > 100 || (bits != 8 && bits != 16)) {
      throw new IllegalArgumentException("Delivery " + longEdge + ", " + quality + ", " + bits);
    }
    if (level < 0 || level > Level.COARSEST) {
      throw new IllegalArgumentException("Level " + level);
    }
  }

  /** Full size at high quality. */
  public static Delivery full() {
    return new Delivery(
        0, 92, 8, 0, OutputColour.of(OutputProfile.SRGB), Carried.WITHOUT_PLACE);
  }

  /** Shrunk in linear light so that the long edge fits. */
  Picture sized(Picture picture, PictureSize photograph) {
    int w = picture.area().width();
    int h = picture.area().height();
    if (longEdge == 0 || longEdge >= Math.max(w, h)) {
      return picture;
    }
    double factor = (double) longEdge / photograph.longEdge();
    PictureSize size =
        new PictureSize(
            Math.max(1, (int) Math.round(photograph.width() * factor)),
            Math.max(1, (int) Math.round(photograph.height() * factor)));
    return Transfer.encodeInPlace(Resampling.shrink(Transfer.toLinear(picture), size));
  }
}
