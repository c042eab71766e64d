package carezza.desktop.view.picture;

import java.nio.IntBuffer;
import javafx.geometry.Bounds;
import javafx.scene.control.Label;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Region;

import org.jspecify.annotations.Nullable;

import carezza.desktop.picture.PixelPatch;
import carezza.desktop.picture.ViewPort;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Coming;
import carezza.desktop.state.Subscriptions;
import carezza.image.Area;

/**
 * A photograph that is on its way, where its picture will be; all else of the document that is
 * still at work is covered, so that nobody takes the one for the other.
 */
public final class ComingView extends Region implements AutoCloseable {

  private final Subscriptions subscriptions = new Subscriptions();
  private final Region picture;
  private final Region surround = new Region();
  private final ImageView image = new ImageView();
  private final Label words = new Label();

  /**
   * @param picture where pictures are shown
   */
  public ComingView(AppState state, Region picture) {
    this.picture = picture;
    setId("coming");
    getStyleClass().add("panel");
    surround.getStyleClass().add("picture");
    words.getStyleClass().add("picture-label");
    getChildren().addAll(surround, image, words);
    setVisible(false);
    setFocusTraversable(true);
    addEventHandler(
        KeyEvent.ANY,
        e -> {
          if (e.getCode() != KeyCode.ESCAPE) {
            e.consume();
          }
        });
    subscriptions.on(state.view().comingProperty(), this::show);
  }

  private void show(@Nullable Coming coming) {
    if (coming != null) {
      image.setImage(image(coming));
      words.setText(coming.words() + " …");
      requestLayout();
      setVisible(true);
      if (!picture.isDisabled()) {
        requestFocus();
      }
    } else {
      image.setImage(null);
      setVisible(false);
    }
  }

  /** All of the photograph, small. */
  static WritableImage image(Coming coming) {
    PixelPatch pixels = coming.pixels();
    return new WritableImage(
        new PixelBuffer<>(
            pixels.area().width(),
            pixels.area().height(),
            IntBuffer.wrap(pixels.argb()),
            PixelFormat.getIntArgbPreInstance()));
  }

  public boolean isShown() {
    return isVisible();
  }

  @Override
  protected void layoutChildren() {
    if (image.getImage() == null) {
      return;
    }
    Bounds place =
        picture.getScene() == null || picture.getWidth() == 0
            ? getLayoutBounds()
            : sceneToLocal(picture.localToScene(picture.getLayoutBounds()));
    surround.resizeRelocate(place.getMinX(), place.getMinY(), place.getWidth(), place.getHeight());
    Area all =
        new Area(0, 0, (int) image.getImage().getWidth(), (int) image.getImage().getHeight());
    ViewPort port = ViewPort.fit(all, (int) place.getWidth(), (int) place.getHeight());
    image.setFitWidth(all.width() * port.zoom());
    image.setFitHeight(all.height() * port.zoom());
    image.relocate(place.getMinX() + port.viewX(0), place.getMinY() + port.viewY(0));
    words.autosize();
    words.relocate(
        place.getMinX() + (place.getWidth() - words.getWidth()) / 2,
        place.getMinY() + place.getHeight() - words.getHeight() - 8);
  }

  @Override
  public void close() {
    subscriptions.close();
  }
}
