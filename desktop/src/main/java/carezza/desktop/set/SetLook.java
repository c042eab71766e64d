package carezza.desktop.set;

import java.io.ByteArrayInputStream;
import javafx.scene.image.Image;

import org.jspecify.annotations.Nullable;

import carezza.batch.SetLooks.Look;
import carezza.set.Figures;

/**
 * How a member looks in the window.
 *
 * @param face eyes and nose, or null where there is no face or it was not looked for yet
 * @param figures null until they were measured
 */
public record SetLook(Image thumbnail, @Nullable Image face, @Nullable Figures figures) {

  /** What is seen before anything was measured. */
  static SetLook glimpse(byte[] thumbnail) {
    return new SetLook(image(thumbnail), null, null);
  }

  /** Decodes; not for the interface thread. */
  static SetLook of(Look look) {
    return new SetLook(
        image(look.thumbnail()),
        look.face().length == 0 ? null : image(look.face()),
        look.figures());
  }

  private static Image image(byte[] jpeg) {
    return new Image(new ByteArrayInputStream(jpeg));
  }
}
