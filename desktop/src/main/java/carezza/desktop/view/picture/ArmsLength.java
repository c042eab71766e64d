package carezza.desktop.view.picture;

import java.util.function.Consumer;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.shape.Rectangle;

import carezza.desktop.picture.ViewPort;
import carezza.desktop.state.AppState;
import carezza.desktop.text.Texts;
import carezza.image.PictureSize;
import carezza.model.Point;

/**
 * The whole picture, small, as a viewer sees it from afar, for as long as the view is close: so
 * that nobody works on what no viewer will see. A frame shows where the view is; a click takes it
 * elsewhere.
 */
final class ArmsLength extends Region implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("picture");

  private static final double LONG_EDGE = 150;

  /** It is shown from this many times the zoom at which the whole picture is in the view. */
  private static final double CLOSE = 1.6;

  private final AppState state;
  private final SmallPicture picture;
  private final Rectangle frame = new Rectangle();
  private final Rectangle shade = new Rectangle();

  /**
   * @param go takes the view to a place of the photograph
   */
  ArmsLength(AppState state, Consumer<Point> go) {
    this.state = state;
    picture = new SmallPicture(state);
    setId("arms-length");
    setManaged(false);
    setVisible(false);
    setAccessibleText(TEXTS.get("armsLength.the-whole-picture-small"));
    Tooltip.install(this, new Tooltip(TEXTS.get("armsLength.as-it-is-seen-at-arms")));
    for (Rectangle r : new Rectangle[] {shade, frame}) {
      r.setFill(null);
      r.setMouseTransparent(true);
    }
    shade.setStroke(Color.gray(0, 0.65));
    shade.setStrokeWidth(3);
    frame.setStroke(Color.gray(1, 0.95));
    frame.setStrokeWidth(1.2);
    getChildren().addAll(picture, shade, frame);
    addEventHandler(MouseEvent.MOUSE_PRESSED, e -> click(e, go));
    addEventHandler(MouseEvent.ANY, MouseEvent::consume);
  }

  private void click(MouseEvent e, Consumer<Point> go) {
    double zoom = zoom(state.document().session().size());
    go.accept(new Point(e.getX() / zoom, e.getY() / zoom));
  }

  private static double zoom(PictureSize size) {
    return LONG_EDGE / size.longEdge();
  }

  /** Follows the view and the project. */
  void follow(ViewPort port) {
    PictureSize size = state.document().session().size();
    double whole = ViewPort.fit(size, port.width(), port.height()).zoom();
    setVisible(port.zoom() > CLOSE * whole);
    if (!isVisible()) {
      picture.rest();
      return;
    }
    double zoom = zoom(size);
    int width = (int) Math.ceil(size.width() * zoom);
    int height = (int) Math.ceil(size.height() * zoom);
    resizeRelocate(12, port.height() - height - 12, width, height);
    for (Rectangle r : new Rectangle[] {shade, frame}) {
      double left = Math.clamp(port.x() * zoom, 0, width);
      double top = Math.clamp(port.y() * zoom, 0, height);
      r.setX(left);
      r.setY(top);
      r.setWidth(Math.clamp((port.x() + port.width() / port.zoom()) * zoom, left, width) - left);
      r.setHeight(Math.clamp((port.y() + port.height() / port.zoom()) * zoom, top, height) - top);
    }
    picture.show(null, LONG_EDGE);
  }

  @Override
  public void close() {
    picture.close();
  }
}
