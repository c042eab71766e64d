package carezza.desktop.view.picture;

import javafx.geometry.BoundingBox;
import javafx.geometry.Bounds;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;

import org.jspecify.annotations.Nullable;

import carezza.desktop.picture.ViewPort;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Coming;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.view.WorkLine;
import carezza.image.Area;
import carezza.image.PictureSize;

/**
 * A photograph that is on its way, where its picture will be; all else of the document that is
 * still at work is covered, so that nobody takes the one for the other.
 */
public final class ComingView extends Region implements AutoCloseable {

  private static final double BELOW = 8;

  private final AppState state;
  private final Subscriptions subscriptions = new Subscriptions();
  private final Region picture;
  private final SmallImage image = new SmallImage();
  private final Pane surround = new Pane(image);
  private final WorkLine work;

  /**
   * @param picture where pictures are shown
   */
  public ComingView(AppState state, Region picture) {
    this.state = state;
    this.picture = picture;
    work = new WorkLine(state.status(), "coming-");
    setId("coming");
    getStyleClass().add("panel");
    surround.getStyleClass().add("picture");
    getChildren().addAll(surround, work);
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
    image.show(coming);
    setVisible(coming != null);
    if (coming != null) {
      requestLayout();
      // A sheet that is open keeps the keys.
      if (!picture.isDisabled()) {
        requestFocus();
      }
    }
  }

  public boolean isShown() {
    return isVisible();
  }

  @Override
  protected void layoutChildren() {
    Coming coming = state.view().comingProperty().get();
    if (coming == null) {
      return;
    }
    work.autosize();
    Bounds place = place();
    surround.resizeRelocate(place.getMinX(), place.getMinY(), place.getWidth(), place.getHeight());
    Area all = coming.pixels().area();
    PictureSize size = new PictureSize(all.width(), all.height());
    image.follow(ViewPort.fit(size, (int) place.getWidth(), (int) place.getHeight()), size);
    work.relocate(
        place.getMinX() + (place.getWidth() - work.getWidth()) / 2, place.getMaxY() + BELOW);
  }

  /**
   * Where pictures are; where none was shown yet all there is, with room for what is said below.
   */
  private Bounds place() {
    return picture.getScene() == null || picture.getWidth() == 0
        ? new BoundingBox(0, 0, getWidth(), getHeight() - work.getHeight() - 2 * BELOW)
        : sceneToLocal(picture.localToScene(picture.getLayoutBounds()));
  }

  @Override
  public void close() {
    subscriptions.close();
    work.close();
  }
}
