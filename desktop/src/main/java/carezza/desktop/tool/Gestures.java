package carezza.desktop.tool;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.UnaryOperator;

import carezza.desktop.geometry.CropHand;
import carezza.desktop.geometry.FaceHandles;
import carezza.desktop.geometry.FacePlacing;
import carezza.desktop.geometry.PartHandles;
import carezza.desktop.geometry.RepairHandles;
import carezza.desktop.state.BenchModel;
import carezza.desktop.state.Pen;
import carezza.desktop.state.PinState;
import carezza.desktop.state.RepairState;
import carezza.desktop.state.ToolKind;
import carezza.model.DodgeBurnLayer;
import carezza.model.FaceMap;
import carezza.model.FrequencySeparationLayer;
import carezza.model.FrequencySeparationLayer.LowBandArea;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.HealLayer.RepairMethod;
import carezza.model.HealLayer.Source;
import carezza.model.Layer;
import carezza.model.Mask;
import carezza.model.MaskParts.Join;
import carezza.model.NeutralPointsLayer;
import carezza.model.NeutralPointsLayer.Tone;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.Stroke;

/** What a press, drag and release on the picture mean with each tool. */
public final class Gestures {

  /** A new point of a stroke is taken after this share of the radius. */
  private static final double SPACING = 0.12;

  private final BenchModel model;
  private final Picking picking;
  private float[] points = new float[0];
  private final List<Point> outline = new ArrayList<>();
  private boolean shift;

  /** What is held: the change that it makes when it is somewhere else; null for nothing. */
  private Function<Point, UnaryOperator<Project>> held;

  private final FacePlacing face = new FacePlacing();
  private Point pressed;

  /** Whether the outline under way goes on with further clicks. */
  private boolean clicking;

  private long started;

  public Gestures(BenchModel model) {
    this.model = model;
    this.picking = new Picking(model);
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
  public void abandon() {
    outline.clear();
    clicking = false;
    face.points().clear();
  }

  public void press(Point at, boolean shiftDown, boolean controlDown, double grab) {
    shift = shiftDown;
    pressed = at;
    reach = grab;
    started = System.nanoTime();
    held = null;
    moved = null;
    ToolKind tool = model.toolProperty().get();
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
      case PART -> model.part().mask().ifPresent(own -> held = part(own, at, grab));
      case PLACE_FACE -> {
        face.add(at);
        model.messageProperty().set(face.next());
      }
      case PICK_NEUTRAL -> picking.neutral(at);
      case PICK_TONE -> picking.tone(at);
      case PICK_HUE -> picking.hue(at);
      case CURVE -> picking.bend(at);
      case PICK_DARK -> point(Tone.DARK, at);
      case PICK_MIDDLE -> point(Tone.MIDDLE, at);
      case PICK_LIGHT -> point(Tone.LIGHT, at);
      case PIN -> {
        int pin = model.pins().at(at, grab);
        held = pin < 0 ? null : to -> p -> PinState.moved(p, pin, to);
      }
      case FRAME -> {
        CropHand hand = model.framing().hold(at, grab);
        held = to -> p -> p.withCrop(hand.dragged(to));
      }
      case LEVEL -> outline.add(at);
      case FACE -> {
        FaceHandles.Handle handle = FaceHandles.near(model.projectProperty().get(), at, grab);
        held = handle == null ? null : to -> p -> handle.moved(p, to);
      }
      case HAND -> {
        // Moving the view is the view's own business.
      }
    }
  }

  public void drag(Point at) {
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
    } else if (model.toolProperty().get() == ToolKind.CURVE) {
      // As far as the height of a grip is what a fifteenth of the scale is.
      picking.bendBy((pressed.y() - at.y()) / reach / 15);
    } else if (held != null) {
      model.preview(held.apply(at));
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
    RepairState mending = model.mending();
    RepairHandles.Grip grip =
        mending.single().map(p -> RepairHandles.grip(p, at, reach)).orElse(null);
    if (grip == null) {
      int hit = mending.at(at, reach);
      mending.choose(hit < 0 ? Set.of() : Set.of(hit));
      grip = mending.single().map(p -> RepairHandles.grip(p, at, reach)).orElse(null);
    }
    if (grip == null) {
      outline.add(at);
    } else {
      RepairHandles.Grip own = grip;
      held = to -> p -> p.edit(selected(), l -> gripped(l, own, to));
    }
  }

  /** A point of the selected layer that should be grey: set at once, and dragged on. */
  private void point(Tone tone, Point at) {
    if (model.selectedLayer().filter(NeutralPointsLayer.class::isInstance).isPresent()) {
      held = to -> p -> p.edit(selected(), l -> ((NeutralPointsLayer) l).moved(tone, to));
      moved = at;
    }
  }

  /** The handle of the mask's chosen part that is near; dragged where it would make no shape it stays. */
  private Function<Point, UnaryOperator<Project>> part(Mask own, Point at, double grab) {
    int near = PartHandles.near(own, at, grab);
    if (near < 0) {
      return null;
    }
    PartHandles.Handle handle = PartHandles.of(own).get(near);
    return to ->
        p -> {
          try {
            Mask shaped = handle.move().apply(to);
            return p.edit(selected(), l -> model.part().changed(l, shaped));
          } catch (IllegalArgumentException e) {
            return p;
          }
        };
  }

  private Layer gripped(Layer layer, RepairHandles.Grip grip, Point at) {
    return RepairState.changed(
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
            RepairMethod.HEAL,
            model.mending().amountProperty().get());
    model.editSelected(null, l -> ((HealLayer) l).plus(patch));
    model.toolProperty().set(ToolKind.REPAIR);
    int last = ((HealLayer) model.selectedLayer().orElseThrow()).patches().size() - 1;
    model.mending().choose(Set.of(last));
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
    double feather =
        model.brushProperty().get().radius() * model.brushProperty().get().softness() / 2;
    Mask own = new Mask.Polygon(List.copyOf(outline), feather);
    outline.clear();
    clicking = false;
    model.toolProperty().set(ToolKind.HAND);
    model.part().add(model.liftingProperty().get() ? Join.MINUS : Join.PLUS, own);
  }

  public void release(Point at) {
    ToolKind tool = model.toolProperty().get();
    if (points.length > 0 && tool == ToolKind.HAIR) {
      Stroke drawn = model.brushProperty().get().stroke(points, false);
      points = new float[0];
      model.mending().hair(drawn);
    } else if (points.length > 0) {
      UnaryOperator<Project> change = painted();
      points = new float[0];
      model.edit(null, change);
    } else if (tool == ToolKind.OUTLINE && !outline.isEmpty()) {
      // A drag draws the outline at once; a click sets a corner and waits for the next.
      clicking |= at.distance(pressed) <= reach;
      if (!clicking && outline.size() > 2) {
        finishOutline();
      }
      return;
    } else if (tool == ToolKind.REPAIR && outline.size() > 2) {
      model.mending().chooseInside(outline);
    } else if (tool == ToolKind.TRANSPLANT && outline.size() > 2) {
      transplant();
    } else if (tool == ToolKind.EVEN_AREA && outline.size() > 2) {
      double feather = model.brushProperty().get().radius() / 2;
      model.evenArea(
          new LowBandArea(
              new Mask.Polygon(List.copyOf(outline), feather),
              model.brushProperty().get().radius(),
              0.6));
    } else if (held != null && moved != null) {
      model.edit(null, held.apply(moved));
    } else if (tool == ToolKind.PIN) {
      int pin = model.pins().at(at, reach);
      if (pin < 0) {
        model.pins().add(at);
      } else {
        model.pins().remove(pin);
      }
    } else if (tool == ToolKind.LEVEL && !outline.isEmpty()) {
      if (at.distance(pressed) > reach) {
        model.framing().level(pressed, at);
        model.toolProperty().set(ToolKind.FRAME);
      }
    } else if (tool == ToolKind.CURVE) {
      picking.endBend();
    } else if (tool == ToolKind.PLACE_FACE) {
      placing(at);
      return;
    }
    outline.clear();
    held = null;
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
    model.toolProperty().set(ToolKind.FACE);
    model.messageProperty().set("Face placed; drag its handles where they should be");
  }

  // --- strokes

  private void extend(Point at) {
    int n = points.length;
    if (n / 4 >= Stroke.MOST_POINTS) {
      // As long as a stroke can be; it ends here, and the hand may begin another.
      return;
    }
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
    if (model.toolProperty().get() != ToolKind.HEAL && model.toolProperty().get() != ToolKind.HAIR) {
      model.preview(painted());
    }
  }

  /** The project with the stroke as far as it has come. */
  private UnaryOperator<Project> painted() {
    ToolKind tool = model.toolProperty().get();
    Stroke stroke = model.brushProperty().get().stroke(points, model.liftingProperty().get());
    String id = model.selectedProperty().get();
    boolean turned = shift;
    return p -> p.edit(id, l -> painted(l, tool, stroke, turned));
  }

  private Layer painted(Layer layer, ToolKind tool, Stroke stroke, boolean turned) {
    return switch (layer) {
      case HealLayer l when tool == ToolKind.HEAL -> l.plus(model.mending().repair(stroke));
      case DodgeBurnLayer l when tool == ToolKind.DODGE || tool == ToolKind.BURN ->
          (tool == ToolKind.DODGE) != turned
              ? l.withMasks(l.dodgeMask().painted(stroke), l.burnMask())
              : l.withMasks(l.dodgeMask(), l.burnMask().painted(stroke));
      case FrequencySeparationLayer l when tool == ToolKind.EVEN_STROKE -> {
        List<LowBandArea> areas = new ArrayList<>(l.areas());
        areas.add(
            new LowBandArea(
                new Mask.Nothing().painted(full(stroke)), stroke.radius(), stroke.strength()));
        yield l.withAreas(areas);
      }
      default -> layer.with(layer.attributes().withMask(layer.attributes().mask().painted(stroke)));
    };
  }

  /** The strength of an evening is the area's own; the stroke only says where. */
  private static Stroke full(Stroke s) {
    return new Stroke(s.packed(), s.radius(), s.softness(), 1, false);
  }
}
