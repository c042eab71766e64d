package carezza.desktop.view.bench;

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

import carezza.desktop.state.AppState;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.task.Lane;
import carezza.image.Plane;
import carezza.model.DodgeBurnLayer;
import carezza.model.HealLayer;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Mask;
import carezza.model.Project;
import carezza.session.Session;

/**
 * Small pictures of where each layer acts, by the layer's id; none for a layer that acts
 * everywhere. They follow when the hand rests.
 */
final class MaskThumbs {

  private static final int LONG_EDGE = 64;
  private static final Duration REST = Duration.ofMillis(900);

  private final AppState state;
  private final Subscriptions subscriptions = new Subscriptions();
  private final Lane drawing;
  private final ObservableMap<String, WritableImage> images = FXCollections.observableHashMap();

  /** What each picture was made of. */
  private final Map<String, List<Object>> made = new HashMap<>();

  private @Nullable Session session;

  MaskThumbs(AppState state) {
    this.state = state;
    drawing = state.tasks().droppable("thumbnails");
    subscriptions.on(this::follow, state.document().projectProperty());
  }

  /** Changes on the interface thread. */
  ObservableMap<String, WritableImage> images() {
    return images;
  }

  private void follow() {
    if (state.document().session() != session) {
      session = state.document().session();
      made.clear();
      images.clear();
    }
    Project project = state.document().project();
    Map<String, List<Object>> wanted = new HashMap<>();
    LayerStack acting = project.stack().acting();
    for (Layer layer : project.stack().layers()) {
      List<Object> parts = parts(project, layer, acting);
      if (parts.isEmpty()) {
        images.remove(layer.attributes().id());
        made.remove(layer.attributes().id());
      } else if (!parts.equals(made.get(layer.attributes().id()))) {
        wanted.put(layer.attributes().id(), parts);
      }
    }
    if (wanted.isEmpty()) {
      drawing.cancel();
      return;
    }
    Session here = session;
    drawing.rested(
        REST,
        cancellation -> {
          Map<String, Plane> drawn = new HashMap<>();
          for (String id : wanted.keySet()) {
            cancellation.check();
            drawn.put(id, here.readings().thumbnail(project, id, LONG_EDGE, cancellation));
          }
          return drawn;
        },
        drawn -> {
          if (here == session) {
            drawn.forEach((id, plane) -> images.put(id, image(plane)));
            made.putAll(wanted);
          }
        },
        state.status()::fail);
  }

  /** All that a layer's coverage is made of; empty if that is everywhere. */
  private static List<Object> parts(Project project, Layer layer, LayerStack acting) {
    List<Object> parts = new ArrayList<>();
    Mask mask = acting.find(layer.attributes().id()).orElseThrow().attributes().mask();
    switch (layer) {
      case HealLayer l -> parts.add(l.patches());
      case DodgeBurnLayer l -> parts.addAll(List.of(l.dodgeMask(), l.burnMask()));
      default -> {
        if (mask instanceof Mask.Everything) {
          return parts;
        }
      }
    }
    parts.add(mask);
    parts.add(project.allFaces());
    return parts;
  }

  private static WritableImage image(Plane plane) {
    int[] argb = new int[plane.values().length];
    for (int i = 0; i < argb.length; i++) {
      int v = Math.round(255 * Math.clamp(plane.values()[i], 0f, 1f));
      argb[i] = 0xFF000000 | v << 16 | v << 8 | v;
    }
    WritableImage image = new WritableImage(plane.width(), plane.height());
    image
        .getPixelWriter()
        .setPixels(
            0,
            0,
            plane.width(),
            plane.height(),
            PixelFormat.getIntArgbInstance(),
            argb,
            0,
            plane.width());
    return image;
  }

  void close() {
    subscriptions.close();
    drawing.close();
  }
}
