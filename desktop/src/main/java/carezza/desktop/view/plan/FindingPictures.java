package carezza.desktop.view.plan;

import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javafx.collections.FXCollections;
import javafx.collections.ObservableMap;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;

import org.jspecify.annotations.Nullable;

import carezza.desktop.picture.MaskView;
import carezza.desktop.picture.PixelPatch;
import carezza.desktop.picture.ViewPixels;
import carezza.desktop.picture.ViewPort;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.task.Lane;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.model.Point;
import carezza.model.Project;
import carezza.plan.Finding;
import carezza.plan.Plan;
import carezza.render.RenderInput;
import carezza.render.Renderer.Readiness;
import carezza.session.Session;

/**
 * Small pictures of the places that the plan names, by the finding's key; they follow when the hand
 * rests.
 */
public final class FindingPictures implements AutoCloseable {

  /** Pixels of a picture's side; shown at half of that, so that they are sharp. */
  static final int SIDE = 96;

  private static final Duration REST = Duration.ofMillis(300);

  private final AppState state;
  private final Subscriptions subscriptions = new Subscriptions();
  private final Lane drawing;
  private final ObservableMap<String, WritableImage> images = FXCollections.observableHashMap();

  public FindingPictures(AppState state) {
    this.state = state;
    drawing = state.tasks().droppable("finding pictures");
    subscriptions.on(state.document().sessionProperty(), is -> images.clear());
    subscriptions.on(state.plan().planProperty(), this::follow);
  }

  /** Changes on the interface thread. */
  ObservableMap<String, WritableImage> images() {
    return images;
  }

  private void follow(@Nullable Plan plan) {
    if (plan == null || state.document().isEmpty()) {
      drawing.cancel();
      return;
    }
    Session session = state.document().session();
    Project project = state.document().project();
    Map<String, ViewPort> wanted = new HashMap<>();
    for (Finding finding : plan.findings()) {
      wanted.put(finding.key(), port(session.size(), finding));
    }
    List<String> gone = new ArrayList<>(images.keySet());
    gone.removeAll(wanted.keySet());
    gone.forEach(images::remove);
    var screen = state.view().screenProperty().get();
    drawing.rested(
        REST,
        cancellation -> {
          RenderInput scene = session.scene(project);
          Map<String, PixelPatch> drawn = new HashMap<>();
          for (Map.Entry<String, ViewPort> each : wanted.entrySet()) {
            cancellation.check();
            ViewPort port = each.getValue();
            int level = port.level();
            Area area = port.area(session.size(), level);
            Picture picture =
                session.renderer().render(scene, area, level, Readiness.QUICK, cancellation);
            drawn.put(
                each.getKey(),
                ViewPixels.of(picture, null, MaskView.GREY_OUTSIDE, screen, port, level, area));
          }
          return drawn;
        },
        drawn -> {
          if (session == state.document().session()) {
            drawn.forEach((key, pixels) -> images.put(key, image(pixels)));
          }
        },
        state.status()::fail);
  }

  /** A square about the place; the whole picture where there is none. */
  private static ViewPort port(PictureSize size, Finding finding) {
    Point place = finding.now().place();
    double shorter = Math.min(size.width(), size.height());
    double side =
        place == null ? shorter : Math.min(shorter, Math.max(60, 2.6 * finding.now().radius()));
    double x = place == null ? size.width() / 2.0 : place.x();
    double y = place == null ? size.height() / 2.0 : place.y();
    return new ViewPort(
        Math.clamp(x - side / 2, 0, size.width() - side),
        Math.clamp(y - side / 2, 0, size.height() - side),
        SIDE / side,
        SIDE,
        SIDE);
  }

  private static WritableImage image(PixelPatch pixels) {
    WritableImage image = new WritableImage(SIDE, SIDE);
    image
        .getPixelWriter()
        .setPixels(0, 0, SIDE, SIDE, PixelFormat.getIntArgbPreInstance(), pixels.argb(), 0, SIDE);
    return image;
  }

  @Override
  public void close() {
    subscriptions.close();
    drawing.close();
  }
}
