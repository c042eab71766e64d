package carezza.desktop.view.picture;

import java.nio.IntBuffer;
import java.util.Arrays;
import javafx.geometry.Rectangle2D;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;

import org.jspecify.annotations.Nullable;

import carezza.image.Area;

/** Shows the pixels of a view through one buffer of its size. */
final class Screen extends ImageView {

  private @Nullable PixelBuffer<IntBuffer> pixels;

  /**
   * Takes another size and keeps what it shows: the next frame may have to wait. False where it has
   * that size already.
   */
  boolean resizeTo(int width, int height) {
    if (pixels != null && pixels.getWidth() == width && pixels.getHeight() == height) {
      return false;
    }
    IntBuffer buffer = IntBuffer.allocate(width * height);
    if (pixels != null) {
      int[] old = pixels.getBuffer().array();
      int row = pixels.getWidth();
      for (int y = 0; y < Math.min(height, pixels.getHeight()); y++) {
        System.arraycopy(old, y * row, buffer.array(), y * width, Math.min(width, row));
      }
    }
    pixels = new PixelBuffer<>(width, height, buffer, PixelFormat.getIntArgbPreInstance());
    setImage(new WritableImage(pixels));
    return true;
  }

  /** Shows nothing until the next frame. */
  void clear() {
    if (pixels != null) {
      pixels.updateBuffer(
          b -> {
            Arrays.fill(b.getBuffer().array(), 0);
            return null;
          });
    }
  }

  boolean isReady() {
    return pixels != null;
  }

  /** Shows the part of the view that a frame has; false for a frame of another size. */
  boolean show(ViewRenderer.Frame frame) {
    int width = frame.port().width();
    PixelBuffer<IntBuffer> own = pixels;
    if (own == null || width != own.getWidth() || frame.port().height() != own.getHeight()) {
      return false;
    }
    Area part = frame.pixels().area();
    int[] argb = frame.pixels().argb();
    own.updateBuffer(
        b -> {
          for (int row = 0; row < part.height(); row++) {
            int at = (part.y() + row) * width + part.x();
            b.getBuffer().put(at, argb, row * part.width(), part.width());
          }
          return new Rectangle2D(part.x(), part.y(), part.width(), part.height());
        });
    return true;
  }
}
