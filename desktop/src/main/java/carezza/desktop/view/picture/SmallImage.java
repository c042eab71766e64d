package carezza.desktop.view.picture;

import java.nio.IntBuffer;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;

import org.jspecify.annotations.Nullable;

import carezza.desktop.picture.PixelPatch;
import carezza.desktop.picture.ViewPort;
import carezza.desktop.state.Coming;
import carezza.image.PictureSize;

/** A photograph that is on its way, small, at the size of its picture. */
final class SmallImage extends ImageView {

  SmallImage() {
    setManaged(false);
    setMouseTransparent(true);
    setVisible(false);
  }

  /** Shows it, or nothing. */
  void show(@Nullable Coming coming) {
    setImage(coming == null ? null : image(coming.pixels()));
    setVisible(coming != null);
  }

  private static WritableImage image(PixelPatch pixels) {
    return new WritableImage(
        new PixelBuffer<>(
            pixels.area().width(),
            pixels.area().height(),
            IntBuffer.wrap(pixels.argb()),
            PixelFormat.getIntArgbPreInstance()));
  }

  /**
   * Lies where a view has its picture.
   *
   * @param size of the photograph that the view port is of
   */
  void follow(ViewPort port, PictureSize size) {
    relocate(port.viewX(0), port.viewY(0));
    setFitWidth(size.width() * port.zoom());
    setFitHeight(size.height() * port.zoom());
  }
}
