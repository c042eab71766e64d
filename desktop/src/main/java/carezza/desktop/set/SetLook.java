package carezza.desktop.set;

import java.io.ByteArrayInputStream;
import javafx.scene.image.Image;

import org.jspecify.annotations.Nullable;

import carezza.batch.SetLooks.Look;
import carezza.set.Figures;

/**
 * How a member looks in the window.
 *
 * @param thumbnail as large as it is shown among others, so that scrolling has nothing to scale
 * @param jpeg the same as large as it is kept
 * @param face eyes and nose, or null where there is no face or it was not looked for yet
 * @param figures null until they were measured
 */
public record SetLook(
    Image thumbnail, byte[] jpeg, @Nullable Image face, @Nullable Figures figures) {

  /**
   * What is seen before anything was measured.
   *
   * @param side shorter side of a thumbnail, in pixels of the screen
   */
  static SetLook glimpse(byte[] thumbnail, double side) {
    return new SetLook(sized(thumbnail, side), thumbnail, null, null);
  }

  /**
   * Decodes; not for the interface thread.
   *
   * @param side shorter side of a thumbnail, in pixels of the screen
   */
  static SetLook of(Look look, double side) {
    return new SetLook(
        sized(look.thumbnail(), side),
        look.thumbnail(),
        look.face().length == 0 ? null : image(look.face()),
        look.figures());
  }

  /** For one that is looked at by itself. */
  public Image large() {
    return image(jpeg);
  }

  private static Image image(byte[] jpeg) {
    return new Image(new ByteArrayInputStream(jpeg));
  }

  private static Image sized(byte[] jpeg, double side) {
    Image whole = image(jpeg);
    if (Math.min(whole.getWidth(), whole.getHeight()) <= side) {
      return whole;
    }
    boolean upright = whole.getHeight() > whole.getWidth();
    return new Image(
        new ByteArrayInputStream(jpeg), upright ? side : 0, upright ? 0 : side, true, true);
  }
}
