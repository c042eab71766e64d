package carezza.codec;

import java.util.Set;

import org.jspecify.annotations.Nullable;

import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.metadata.Metadata;
import carezza.raw.SensorLight;

/**
 * A picture as read from a file, upright.
 *
 * @param pixels working-space planes at full size
 * @param bits bits per channel in the file
 * @param profile name of the colour profile used, with a word when it was assumed
 * @param metadata what else the file says about it
 * @param remarks what is worth knowing of how it was read
 * @param sensor what the camera's sensor saw, of a raw photograph; null of any other
 */
public record Photograph(
    Picture pixels,
    int bits,
    String profile,
    Metadata metadata,
    Set<Remark> remarks,
    @Nullable SensorLight sensor) {

  public Photograph {
    remarks = Set.copyOf(remarks);
  }

  public PictureSize size() {
    return new PictureSize(pixels.area().width(), pixels.area().height());
  }
}
