package carezza.desktop.set;

import java.io.ByteArrayInputStream;
import javafx.scene.image.Image;
import javafx.stage.Screen;

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

  /** Shorter side of a thumbnail on the screen. */
  public static final int SHORT = 150;

  /** What is seen before anything was measured. */
  static SetLook glimpse(byte[] thumbnail) {
    return new SetLook(shown(thumbnail), null, null);
  }

  /** Decodes; not for the interface thread. */
  static SetLook of(Look look) {
    return new SetLook(
        shown(look.thumbnail()),
        look.face().length == 0 ? null : image(look.face()),
        look.figures());
  }

  private static Image image(byte[] jpeg) {
    return new Image(new ByteArrayInputStream(jpeg));
  }

  /** As large as it is shown, so that scrolling has nothing to scale. */
  private static Image shown(byte[] jpeg) {
    Image whole = image(jpeg);
    double side = SHORT * Screen.getPrimary().getOutputScaleX();
    if (Math.min(whole.getWidth(), whole.getHeight()) <= side) {
      return whole;
    }
    boolean upright = whole.getHeight() > whole.getWidth();
    return new Image(
        new ByteArrayInputStream(jpeg), upright ? side : 0, upright ? 0 : side, true, true);
  }
}
