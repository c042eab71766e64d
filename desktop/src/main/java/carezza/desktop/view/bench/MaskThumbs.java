package carezza.desktop.view.bench;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javafx.collections.FXCollections;
import javafx.collections.ObservableMap;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;

import carezza.desktop.state.BenchModel;
import carezza.desktop.task.Lane;
import carezza.image.Plane;
import carezza.model.DodgeBurnLayer;
import carezza.model.HealLayer;
import carezza.model.Layer;
import carezza.model.Mask;
import carezza.model.Project;
import carezza.session.Session;

/**
 * Small pictures of where each layer acts, by the layer's id; none for a layer that acts everywhere. They
 * follow when the hand rests.
 */
final class MaskThumbs {

  private static final int LONG_EDGE = 64;
  private static final long REST_MILLIS = 900;

  private final BenchModel model;
  private final Lane drawing = Lane.droppable("thumbnails");
  private final ObservableMap<String, WritableImage> images = FXCollections.observableHashMap();

  /** What each picture was made of. */
  private final Map<String, List<Object>> made = new HashMap<>();

  private Session session;

  MaskThumbs(BenchModel model) {
    this.model = model;
    model.projectProperty().addListener((o, was, is) -> follow());
  }

  /** Changes on the interface thread. */
  ObservableMap<String, WritableImage> images() {
    return images;
  }

  private void follow() {
    if (model.session() != session) {
      session = model.session();
      made.clear();
      images.clear();
    }
    Project project = model.projectProperty().get();
    Map<String, List<Object>> wanted = new HashMap<>();
    for (Layer layer : project.stack().layers()) {
      List<Object> parts = parts(project, layer);
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
    drawing.newest(
        cancellation -> {
          Thread.sleep(REST_MILLIS);
          Map<String, Plane> drawn = new HashMap<>();
          for (String id : wanted.keySet()) {
            cancellation.check();
            drawn.put(id, here.thumbnail(project, id, LONG_EDGE, cancellation));
          }
          return drawn;
        },
        drawn -> {
          if (here == session) {
            drawn.forEach((id, plane) -> images.put(id, image(plane)));
            made.putAll(wanted);
          }
        },
        model::fail);
  }

  /** All that a layer's coverage is made of; empty if that is everywhere. */
  private static List<Object> parts(Project project, Layer layer) {
    List<Object> parts = new ArrayList<>();
    Mask mask = project.stack().acting().find(layer.attributes().id()).orElseThrow().attributes().mask();
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
    drawing.close();
  }
}
