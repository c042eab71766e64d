package carezza.desktop.view.picture;

import java.time.Duration;
import java.util.Arrays;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.layout.Region;
import javafx.scene.shape.Rectangle;

import org.jspecify.annotations.Nullable;

import carezza.codec.ScreenColour;
import carezza.desktop.picture.MaskView;
import carezza.desktop.picture.PixelPatch;
import carezza.desktop.picture.ViewPixels;
import carezza.desktop.picture.ViewPort;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.task.Lane;
import carezza.image.Area;
import carezza.image.Level;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.model.Crop;
import carezza.model.Project;
import carezza.render.RenderInput;
import carezza.render.Renderer.Readiness;
import carezza.session.Session;

/**
 * What a frame that reaches beyond the photograph holds there, as it will be delivered; lies under
 * the picture. It is drawn small, once the hand rests: nothing but a backdrop goes on there.
 */
final class CanvasBeyond extends Region implements AutoCloseable {

  private static final Duration REST = Duration.ofMillis(250);

  /** Pixels of the photograph's longer side at which it is drawn. */
  private static final double LONG_EDGE = 640;

  private final AppState state;
  private final Subscriptions subscriptions = new Subscriptions();
  private final Lane drawing;
  private final ImageView image = new ImageView();
  private final Rectangle bounds = new Rectangle();
  private @Nullable Object drawn;
  private @Nullable Crop frame;
  private @Nullable ViewPort port;

  CanvasBeyond(AppState state) {
    this.state = state;
    drawing = state.tasks().droppable("canvas beyond");
    image.setId("canvas-beyond");
    getChildren().add(image);
    setMouseTransparent(true);
    setClip(bounds);
    subscriptions.on(this::clear, state.document().sessionProperty());
    subscriptions.on(
        this::refresh,
        state.document().projectProperty(),
        state.view().playheadProperty(),
        state.view().asShotProperty(),
        state.view().checkProperty(),
        state.view().stageHeldProperty(),
        state.view().screenProperty());
  }

  /** Lies under the same part of the photograph. */
  void follow(ViewPort other) {
    port = other;
    bounds.setWidth(port.width());
    bounds.setHeight(port.height());
    place();
  }

  private void clear() {
    drawing.cancel();
    drawn = null;
    image.setImage(null);
  }

  private void refresh() {
    boolean wanted =
        !state.document().isEmpty()
            && state.crop().beyond()
            && state.view().checkProperty().get() == null;
    if (!wanted) {
      clear();
      return;
    }
    Session session = state.document().session();
    Project project = state.view().project().withCrop(state.crop().frame());
    int layers = state.view().shownLayers();
    ScreenColour screen = state.view().screenProperty().get();
    Object asked = Arrays.asList(session, project, layers, screen);
    if (asked.equals(drawn)) {
      return;
    }
    drawn = asked;
    PictureSize size = session.size();
    int level = Level.forZoom(Math.min(1, LONG_EDGE / size.longEdge()));
    drawing.rested(
        REST,
        cancellation -> {
          RenderInput scene = session.scene(project).through(layers);
          Area area = size.atLevel(level).area();
          Picture whole =
              session.renderer().render(scene, area, level, Readiness.QUICK, cancellation);
          Picture cut = session.exports().framed(project, whole);
          ViewPort own = new ViewPort(0, 0, 1, cut.area().width(), cut.area().height());
          return ViewPixels.of(cut, null, MaskView.GREY_OUTSIDE, screen, own, 0, cut.area());
        },
        pixels -> show(pixels, project.crop()),
        state.status()::fail);
  }

  private void show(PixelPatch pixels, @Nullable Crop own) {
    int w = pixels.area().width();
    int h = pixels.area().height();
    WritableImage made = new WritableImage(w, h);
    made.getPixelWriter()
        .setPixels(0, 0, w, h, PixelFormat.getIntArgbPreInstance(), pixels.argb(), 0, w);
    image.setImage(made);
    frame = own;
    place();
  }

  private void place() {
    if (image.getImage() == null || frame == null || port == null) {
      return;
    }
    double w = frame.width() * port.zoom();
    double h = frame.height() * port.zoom();
    image.setFitWidth(w);
    image.setFitHeight(h);
    image.setRotate(frame.angle());
    image.relocate(port.viewX(frame.x()) - w / 2, port.viewY(frame.y()) - h / 2);
  }

  @Override
  public void close() {
    subscriptions.close();
    drawing.close();
  }
}
