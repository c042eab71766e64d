package carezza.desktop.bench;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;

import carezza.colour.Lab;
import carezza.colour.WhiteBalance;
import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;
import carezza.model.DodgeBurnLayer;
import carezza.model.FaceMap;
import carezza.model.FrequencySeparationLayer;
import carezza.model.FrequencySeparationLayer.LowBandArea;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.HealLayer.Source;
import carezza.model.HealLayer.Way;
import carezza.model.Layer;
import carezza.model.Mask;
import carezza.model.MaskParts.Join;
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
  private PartHandles.Handle partHandle;
  private RepairHandles.Grip grip;
  private final FacePlacing face = new FacePlacing();
  private Point pressed;

  /** Whether the outline under way goes on with further clicks. */
  private boolean clicking;
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

  /** The face being placed. */
  FacePlacing face() {
    return face;
  }

  /** Forgets what was begun with a tool that is no longer in hand. */
  void abandon() {
    outline.clear();
    clicking = false;
    face.points().clear();
  }

  void press(Point at, boolean shiftDown, boolean controlDown, double grab) {
    shift = shiftDown;
    pressed = at;
    reach = grab;
    started = System.nanoTime();
    Tool tool = model.toolProperty().get();
    switch (tool) {
      case HEAL -> {
        if (controlDown) {
          model.mending().cloneFrom(at);
        } else if (model.selectedLayer().isPresent()) {
          points = new float[0];
          extend(at);
        }
      }
      case REPAIR -> grasp(at, grab);
      case MASK, HAIR, DODGE, BURN, EVEN_STROKE -> {
        if (model.selectedLayer().isPresent()) {
          points = new float[0];
          extend(at);
        }
      }
      case EVEN_AREA, TRANSPLANT -> outline.add(at);
      case OUTLINE -> {
        if (model.selectedLayer().isPresent()) {
          corner(at);
        }
      }
      case PART ->
          model
              .chosenPart()
              .ifPresent(
                  own -> {
                    int near = PartHandles.near(own, at, grab);
                    partHandle = near < 0 ? null : PartHandles.of(own).get(near);
                  });
      case PLACE_FACE -> {
        face.add(at);
        model.messageProperty().set(face.next());
      }
      case PICK_NEUTRAL -> pick(at, this::neutral);
      case PICK_TONE -> pick(at, this::tone);
      case FACE -> handle = FaceHandles.near(model.projectProperty().get(), at, grab);
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
      if (!clicking || at.distance(pressed) > reach / 2) {
        outline.add(at);
      }
    } else if (grip != null) {
      model.preview(p -> p.edit(selected(), l -> gripped(l, at)));
      moved = at;
    } else if (partHandle != null) {
      shape(at).ifPresent(own -> model.preview(p -> p.edit(selected(), l -> model.withChosenPart(l, own))));
      moved = at;
    } else if (handle != null) {
      model.preview(p -> handle.moved(p, at));
      moved = at;
    }
  }

  private Point moved;
  private double reach;

  private String selected() {
    return model.selectedProperty().get();
  }

  /** Takes hold of a repair, of its source, or begins an outline around several. */
  private void grasp(Point at, double reach) {
    Mending mending = model.mending();
    grip = mending.single().map(p -> RepairHandles.grip(p, at, reach)).orElse(null);
    if (grip == null) {
      int hit = mending.at(at, reach);
      mending.choose(hit < 0 ? Set.of() : Set.of(hit));
      grip = mending.single().map(p -> RepairHandles.grip(p, at, reach)).orElse(null);
      if (grip == null) {
        outline.add(at);
      }
    }
  }

  private Layer gripped(Layer layer, Point at) {
    return Mending.changed(
        (HealLayer) layer, model.mending().chosenProperty().get(), p -> grip.dragged(at));
  }

  /** A place to be taken from elsewhere, with its source beside it for a start. */
  private void transplant() {
    double feather = Math.max(1, model.brushProperty().get().radius() / 8);
    Mask.Polygon area = new Mask.Polygon(List.copyOf(outline), feather);
    double beside = area.bounds().width();
    boolean left = area.centre().x() > model.session().size().width() / 2.0;
    Patch patch =
        new Patch(
            area,
            List.of(new Source(left ? -beside : beside, 0)),
            Way.HEAL,
            model.mending().amountProperty().get());
    model.editSelected(null, l -> ((HealLayer) l).plus(patch));
    model.toolProperty().set(Tool.REPAIR);
    int last = ((HealLayer) model.selectedLayer().orElseThrow()).patches().size() - 1;
    model.mending().choose(Set.of(last));
  }

  /** The chosen part with its handle dragged somewhere; nothing where that would make no shape. */
  private Optional<Mask> shape(Point at) {
    try {
      return Optional.of(partHandle.move().apply(at));
    } catch (IllegalArgumentException e) {
      return Optional.empty();
    }
  }

  /** A press with the outline tool: a first point, one more corner, or, near the first, the end. */
  private void corner(Point at) {
    if (clicking && outline.size() > 2 && outline.getFirst().distance(at) <= reach) {
      finishOutline();
    } else {
      outline.add(at);
    }
  }

  private void finishOutline() {
    double feather = model.brushProperty().get().radius() * model.brushProperty().get().softness() / 2;
    Mask own = new Mask.Polygon(List.copyOf(outline), feather);
    outline.clear();
    clicking = false;
    model.toolProperty().set(Tool.HAND);
    model.addPart(model.liftingProperty().get() ? Join.MINUS : Join.PLUS, own);
  }

  void release(Point at) {
    Tool tool = model.toolProperty().get();
    if (points.length > 0 && tool == Tool.HAIR) {
      Stroke drawn = model.brushProperty().get().stroke(points, false);
      points = new float[0];
      model.mending().hair(drawn);
    } else if (points.length > 0) {
      UnaryOperator<Project> change = painted();
      points = new float[0];
      model.edit(null, change);
    } else if (tool == Tool.OUTLINE && !outline.isEmpty()) {
      // A drag draws the outline at once; a click sets a corner and waits for the next.
      clicking |= at.distance(pressed) <= reach;
      if (!clicking && outline.size() > 2) {
        finishOutline();
      }
      return;
    } else if (tool == Tool.REPAIR && outline.size() > 2) {
      model.mending().chooseInside(outline);
    } else if (tool == Tool.TRANSPLANT && outline.size() > 2) {
      transplant();
    } else if (grip != null && moved != null) {
      Point to = moved;
      model.editSelected(null, l -> gripped(l, to));
    } else if (tool == Tool.EVEN_AREA && outline.size() > 2) {
      double feather = model.brushProperty().get().radius() / 2;
      model.evenArea(
          new LowBandArea(
              new Mask.Polygon(List.copyOf(outline), feather),
              model.brushProperty().get().radius(),
              0.6));
    } else if (partHandle != null && moved != null) {
      shape(moved).ifPresent(own -> model.editSelected(null, l -> model.withChosenPart(l, own)));
    } else if (handle != null && moved != null) {
      FaceHandles.Handle done = handle;
      Point to = moved;
      model.edit(null, p -> done.moved(p, to));
    } else if (tool == Tool.PLACE_FACE) {
      placing(at);
      return;
    }
    outline.clear();
    handle = null;
    partHandle = null;
    grip = null;
    moved = null;
  }

  private void placing(Point at) {
    if (face.boxOpen() && at.distance(pressed) > 2 * reach) {
      face.add(at);
    }
    if (!face.complete()) {
      model.messageProperty().set(face.next());
      return;
    }
    Optional<FaceMap> map = face.map();
    face.points().clear();
    if (map.isEmpty()) {
      model.messageProperty().set("These points make no face. " + FacePlacing.START);
      return;
    }
    model.edit(
        null,
        p -> {
          List<FaceMap> all = new ArrayList<>(p.allFaces());
          all.removeIf(map.get()::sameFaceAs);
          all.add(map.get());
          return p.withAllFaces(all);
        });
    model.toolProperty().set(Tool.FACE);
    model.messageProperty().set("Face placed; drag its handles where they should be");
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
    if (model.toolProperty().get() != Tool.HEAL && model.toolProperty().get() != Tool.HAIR) {
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

  private Layer painted(Layer layer, Tool tool, Stroke stroke, boolean turned) {
    return switch (layer) {
      case HealLayer l when tool == Tool.HEAL -> l.plus(model.mending().repair(stroke));
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
