package carezza.desktop.bench;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.UnaryOperator;

import carezza.colour.Lab;
import carezza.colour.WhiteBalance;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.model.DodgeBurnLayer;
import carezza.model.FrequencySeparationLayer;
import carezza.model.FrequencySeparationLayer.LowBandArea;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.Layer;
import carezza.model.Mask;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.Stroke;
import carezza.model.ToneEveningLayer;
import carezza.model.ToneEveningLayer.Target;
import carezza.model.WhiteBalanceLayer;
import carezza.render.Renderer.Readiness;

/** What a press, drag and release on the picture mean with each tool. */
final class Gestures {

  /** A new point of a stroke is taken after this share of the radius. */
  private static final double SPACING = 0.12;

  private final BenchModel model;
  private final Background picking = new Background("picking");
  private float[] points = new float[0];
  private final List<Point> outline = new ArrayList<>();
  private boolean shift;
  private FaceHandles.Handle handle;
  private long started;

  Gestures(BenchModel model) {
    this.model = model;
  }

  /** Path of the stroke under way, packed; empty if none. */
  float[] path() {
    return points;
  }

  /** Outline being drawn. */
  List<Point> outline() {
    return outline;
  }

  void press(Point at, boolean shiftDown, double grab) {
    shift = shiftDown;
    started = System.nanoTime();
    Tool tool = model.toolProperty().get();
    switch (tool) {
      case MASK, HEAL, DODGE, BURN, EVEN_STROKE -> {
        if (model.selectedLayer().isPresent()) {
          points = new float[0];
          extend(at);
        }
      }
      case EVEN_AREA -> outline.add(at);
      case PICK_NEUTRAL -> pick(at, this::neutral);
      case PICK_TONE -> pick(at, this::tone);
      case FACE -> handle = FaceHandles.near(model.projectProperty().get().faces(), at, grab);
      case HAND -> {
        // Moving the view is the view's own business.
      }
    }
  }

  void drag(Point at) {
    if (points.length > 0) {
      float dx = points[points.length - 4] - (float) at.x();
      float dy = points[points.length - 3] - (float) at.y();
      if (Math.hypot(dx, dy) >= SPACING * model.brushProperty().get().radius()) {
        extend(at);
      }
    } else if (!outline.isEmpty()) {
      outline.add(at);
    } else if (handle != null) {
      model.preview(p -> p.withFaces(handle.moved(p.faces(), at)));
      moved = at;
    }
  }

  private Point moved;

  void release() {
    if (points.length > 0) {
      UnaryOperator<Project> change = painted();
      points = new float[0];
      model.edit(null, change);
    } else if (outline.size() > 2) {
      double feather = model.brushProperty().get().radius() / 2;
      model.evenArea(
          new LowBandArea(
              new Mask.Polygon(List.copyOf(outline), feather),
              model.brushProperty().get().radius(),
              0.6));
    } else if (handle != null && moved != null) {
      FaceHandles.Handle done = handle;
      Point at = moved;
      model.edit(null, p -> p.withFaces(done.moved(p.faces(), at)));
    }
    outline.clear();
    handle = null;
    moved = null;
  }

  // --- strokes

  private void extend(Point at) {
    int n = points.length;
    points = Arrays.copyOf(points, n + 4);
    points[n] = (float) at.x();
    points[n + 1] = (float) at.y();
    double seconds = (System.nanoTime() - started) / 1e9;
    double radius = model.brushProperty().get().radius();
    Pen pen = model.penProperty().get();
    if (n == 0) {
      pen.down();
    }
    points[n + 2] = (float) pen.pressure(at.x(), at.y(), seconds, radius);
    points[n + 3] = (float) seconds;
    if (model.toolProperty().get() != Tool.HEAL) {
      model.preview(painted());
    }
  }

  /** The project with the stroke as far as it has come. */
  private UnaryOperator<Project> painted() {
    Tool tool = model.toolProperty().get();
    Stroke stroke = model.brushProperty().get().stroke(points, model.liftingProperty().get());
    String id = model.selectedProperty().get();
    boolean turned = shift;
    return p -> p.edit(id, l -> painted(l, tool, stroke, turned));
  }

  private static Layer painted(Layer layer, Tool tool, Stroke stroke, boolean turned) {
    return switch (layer) {
      case HealLayer l when tool == Tool.HEAL -> l.plus(new Patch(stroke, null));
      case DodgeBurnLayer l when tool == Tool.DODGE || tool == Tool.BURN ->
          (tool == Tool.DODGE) != turned
              ? l.withMasks(l.dodgeMask().painted(stroke), l.burnMask())
              : l.withMasks(l.dodgeMask(), l.burnMask().painted(stroke));
      case FrequencySeparationLayer l when tool == Tool.EVEN_STROKE -> {
        List<LowBandArea> areas = new ArrayList<>(l.areas());
        areas.add(
            new LowBandArea(
                new Mask.Nothing().painted(full(stroke)), stroke.radius(), stroke.strength()));
        yield l.withAreas(areas);
      }
      default -> layer.with(layer.head().withMask(layer.head().mask().painted(stroke)));
    };
  }

  /** The strength of an evening is the area's own; the stroke only says where. */
  private static Stroke full(Stroke s) {
    return new Stroke(s.packed(), s.radius(), s.softness(), 1, false);
  }

  // --- picking

  private interface Picked {
    void take(double[] working);
  }

  /** Reads the mean colour under the brush below the selected layer, off the interface thread. */
  private void pick(Point at, Picked picked) {
    String id = model.selectedProperty().get();
    int index = model.stack().indexOf(id);
    if (index < 0) {
      return;
    }
    Project project = model.projectProperty().get();
    var session = model.session();
    Area area =
        Area.around(at.x() - 6, at.y() - 6, at.x() + 6, at.y() + 6)
            .intersect(session.size().area());
    if (area.isEmpty()) {
      return;
    }
    picking.newest(
        cancellation -> {
          Picture below =
              session
                  .renderer()
                  .render(
                      BenchModel.scene(session, project, index),
                      area,
                      0,
                      Readiness.QUICK,
                      Cancellation.NONE);
          return mean(below);
        },
        picked::take,
        model::fail);
  }

  private static double[] mean(Picture picture) {
    double[] sum = new double[3];
    for (int c = 0; c < 3; c++) {
      for (float v : picture.plane(c).values()) {
        sum[c] += v / picture.area().pixels();
      }
    }
    return sum;
  }

  private void neutral(double[] c) {
    if (c[0] <= 0.02 || c[1] <= 0.02 || c[2] <= 0.02) {
      model.messageProperty().set("This place is too dark to balance by; pick a lighter grey.");
      return;
    }
    WhiteBalance.Light light = WhiteBalance.fromNeutral(c[0], c[1], c[2]);
    model.editSelected(
        null,
        l ->
            new WhiteBalanceLayer(
                l.head(),
                Math.clamp(light.kelvin(), 1500, 15000),
                Math.clamp(light.tint(), -60, 60)));
  }

  private void tone(double[] c) {
    Lab lab = Lab.ofWorking(c[0], c[1], c[2]);
    model.editSelected(
        null,
        l ->
            ((ToneEveningLayer) l)
                .withTarget(
                    new Target(
                        Math.clamp(lab.l(), 0, 100), Math.clamp(lab.chroma(), 0, 150), lab.hue())));
  }
}
