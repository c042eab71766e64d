package carezza.desktop.view.picture;

import java.time.Duration;
import java.util.Arrays;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;

import org.jspecify.annotations.Nullable;

import carezza.codec.ScreenColour;
import carezza.desktop.picture.MaskView;
import carezza.desktop.picture.ViewPixels;
import carezza.desktop.picture.ViewPort;
import carezza.desktop.state.AppState;
import carezza.desktop.task.Lane;
import carezza.image.Level;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.measure.CheckView;
import carezza.model.Project;
import carezza.render.RenderInput;
import carezza.render.Renderer.Readiness;
import carezza.session.Session;

/** The whole picture, small, drawn behind the scenes once the hand rests. */
public final class SmallPicture extends ImageView implements AutoCloseable {

  private static final Duration REST = Duration.ofMillis(250);

  private final AppState state;
  private final Lane drawing;
  private @Nullable Object drawn;

  public SmallPicture(AppState state) {
    this.state = state;
    drawing = state.tasks().droppable("small picture");
  }

  /** Gives up what is being drawn; the next {@link #show} draws anew. */
  public void rest() {
    drawing.cancel();
    drawn = null;
  }

  /**
   * Draws the picture as it is now, unless that is what is shown.
   *
   * @param check the way it is seen, or null
   * @param longEdge in pixels
   */
  void show(@Nullable CheckView check, double longEdge) {
    draw(state.view().project(), state.view().shownLayers(), check, longEdge);
  }

  /**
   * Draws any project of the photograph at work, finished.
   *
   * @param longEdge in pixels
   */
  public void showFinished(Project project, double longEdge) {
    draw(project, project.stack().size(), null, longEdge);
  }

  private void draw(Project project, int layers, @Nullable CheckView check, double longEdge) {
    Session session = state.document().session();
    Object wanted = Arrays.asList(project, layers, session, check, longEdge);
    if (wanted.equals(drawn)) {
      return;
    }
    drawn = wanted;
    PictureSize size = session.size();
    double zoom = longEdge / size.longEdge();
    ViewPort port =
        new ViewPort(
            0,
            0,
            zoom,
            (int) Math.ceil(size.width() * zoom),
            (int) Math.ceil(size.height() * zoom));
    ScreenColour screen = state.view().screenProperty().get();
    drawing.rested(
        REST,
        cancellation -> {
          int level = Level.forZoom(zoom);
          var area = size.atLevel(level).area();
          RenderInput scene = session.scene(project).through(layers);
          Picture picture =
              session.renderer().render(scene, area, level, Readiness.QUICK, cancellation);
          if (check != null) {
            Picture before =
                check.compares()
                    ? session.readings().settled(project, area, level, cancellation)
                    : picture;
            picture = check.of(picture, before, session.renderer().site(scene, level));
          }
          return ViewPixels.of(picture, null, MaskView.GREY_OUTSIDE, screen, port, level, area);
        },
        pixels -> {
          WritableImage small = new WritableImage(port.width(), port.height());
          small
              .getPixelWriter()
              .setPixels(
                  0,
                  0,
                  port.width(),
                  port.height(),
                  PixelFormat.getIntArgbPreInstance(),
                  pixels.argb(),
                  0,
                  port.width());
          setImage(small);
        },
        state.status()::fail);
  }

  @Override
  public void close() {
    drawing.close();
  }
}
