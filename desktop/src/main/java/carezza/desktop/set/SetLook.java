package carezza.desktop.set;

import java.io.ByteArrayInputStream;
import javafx.scene.image.Image;

import org.jspecify.annotations.Nullable;

import carezza.batch.SetLooks.Look;
import carezza.set.Figures;

/**
 * How a member looks in the window.
 *
 * @param face eyes and nose, or null where there is no face
 */
public record SetLook(Image thumbnail, @Nullable Image face, Figures figures) {

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
