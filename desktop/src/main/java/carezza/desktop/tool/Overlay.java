package carezza.desktop.tool;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.shape.FillRule;
import javafx.scene.shape.StrokeLineCap;
import javafx.scene.shape.StrokeLineJoin;

import carezza.desktop.geometry.FaceHandles;
import carezza.desktop.geometry.PartHandles;
import carezza.desktop.picture.ViewPort;
import carezza.desktop.state.BenchModel;
import carezza.desktop.state.Brush;
import carezza.desktop.state.ColourState;
import carezza.desktop.state.GuideLines;
import carezza.desktop.state.PinState;
import carezza.desktop.state.RepairState;
import carezza.desktop.state.ToolKind;
import carezza.measure.ContourGuides.Guide;
import carezza.measure.Distraction;
import carezza.measure.NeutralHint;
import carezza.model.Crop;
import carezza.model.HealLayer;
import carezza.model.Mask;
import carezza.model.NeutralPointsLayer;
import carezza.model.Point;
import carezza.session.ColourAdvice.Pinned;

/** What lies over the picture. */
public final class Overlay {

  private static final Color VEIL = Color.gray(1, 0.22);

  private Overlay() {}

  public static void draw(
      Canvas canvas, BenchModel model, ViewPort port, Gestures gestures, Point pointer) {
    GraphicsContext g = canvas.getGraphicsContext2D();
    g.clearRect(0, 0, canvas.getWidth(), canvas.getHeight());
    if (model.isEmpty()) {
      return;
    }
    Pencil pencil = new Pencil(g, port);
    ToolKind tool = model.toolProperty().get();
    if (tool == ToolKind.FACE) {
      FaceMarks.faces(pencil, model.projectProperty().get());
    }
    if (tool == ToolKind.PART) {
      model.part().mask().ifPresent(own -> part(pencil, own));
    }
    if (tool == ToolKind.PLACE_FACE) {
      FaceMarks.placing(pencil, gestures.face().points(), pointer);
    }
    frame(pencil, canvas, model);
    pins(pencil, model);
    neutrals(pencil, model);
    contours(pencil, model.advising().contoursProperty().get());
    distractions(pencil, model.advising().distractionsProperty().get());
    repairs(pencil, model, pointer);
    Brush brush = model.brushProperty().get();
    underWay(pencil, gestures, brush);
    if (pointer != null && tool.brush()) {
      ring(pencil, pointer, brush);
      if (tool == ToolKind.HEAL) {
        model.spotHint().at(pointer).ifPresent(spot -> RepairMarks.hint(pencil, spot));
      }
    } else if (pointer != null
        && tool != ToolKind.HAND
        && tool != ToolKind.FACE
        && tool != ToolKind.PART
        && tool != ToolKind.REPAIR) {
      pencil.cross(pointer);
    }
  }

  private static void repairs(Pencil pencil, BenchModel model, Point pointer) {
    ToolKind tool = model.toolProperty().get();
    RepairState mending = model.mending();
    Optional<HealLayer> layer =
        model.selectedLayer().filter(HealLayer.class::isInstance).map(HealLayer.class::cast);
    if (tool == ToolKind.HEAL || tool == ToolKind.HAIR || tool == ToolKind.REPAIR) {
      layer.ifPresent(
          l -> RepairMarks.repairs(pencil, l, pointer, mending.chosenProperty().get()));
    }
    if (tool == ToolKind.HEAL && mending.wayProperty().get().clones()) {
      mending.cloneFrom().ifPresent(pencil::cross);
    }
    if (layer.isPresent()) {
      RepairMarks.proposals(
          pencil,
          model.proposals().allProperty().get(),
          model.proposals().currentProperty().get());
    }
  }

  /** Faint outlines: whole ones to lift, broken ones to deepen. */
  private static void contours(Pencil pencil, List<Guide> guides) {
    for (Guide guide : guides) {
      Runnable outline = () -> pencil.line(guide.outline(), true);
      pencil.twice(
          Color.gray(0, 0.3),
          2.6,
          Color.gray(1, 0.6),
          1.1,
          guide.lift() ? outline : () -> pencil.dashed(5, 5, outline));
    }
  }

  /** What lies outside the frame is veiled; in hand it has handles and lines of composition. */
  private static void frame(Pencil pencil, Canvas canvas, BenchModel model) {
    boolean inHand =
        model.toolProperty().get() == ToolKind.FRAME || model.toolProperty().get() == ToolKind.LEVEL;
    if (model.projectProperty().get().crop() == null && !inHand) {
      return;
    }
    Crop crop = model.framing().frame();
    GraphicsContext g = pencil.context();
    g.save();
    g.beginPath();
    g.rect(0, 0, canvas.getWidth(), canvas.getHeight());
    trace(pencil, crop.corners());
    g.closePath();
    g.setFillRule(FillRule.EVEN_ODD);
    g.setFill(Color.gray(0.4, inHand ? 0.6 : 0.94));
    g.fill();
    g.restore();
    if (!inHand) {
      return;
    }
    g.setStroke(Pencil.LIGHT);
    g.setLineWidth(1.4);
    pencil.line(crop.corners(), true);
    g.setStroke(Color.gray(1, 0.55));
    g.setLineWidth(1);
    GuideLines guides = model.framing().linesProperty().get();
    for (double at : guides.at()) {
      pencil.line(List.of(crop.at(at, -1), crop.at(at, 1)), false);
      pencil.line(List.of(crop.at(-1, at), crop.at(1, at)), false);
    }
    if (guides.diagonals()) {
      pencil.line(List.of(crop.at(-1, -1), crop.at(1, 1)), false);
      pencil.line(List.of(crop.at(-1, 1), crop.at(1, -1)), false);
    }
    g.setFill(Pencil.LIGHT);
    for (double[] at :
        new double[][] {{-1, -1}, {0, -1}, {1, -1}, {1, 0}, {1, 1}, {0, 1}, {-1, 1}, {-1, 0}}) {
      Point p = crop.at(at[0], at[1]);
      g.fillRect(pencil.x(p) - 4, pencil.y(p) - 4, 8, 8);
    }
  }

  /** Adds points to the path under way. */
  private static void trace(Pencil pencil, List<Point> points) {
    GraphicsContext g = pencil.context();
    Point first = points.getFirst();
    g.moveTo(pencil.x(first), pencil.y(first));
    points.forEach(p -> g.lineTo(pencil.x(p), pencil.y(p)));
  }

  private static void pins(Pencil pencil, BenchModel model) {
    List<Point> pins = model.projectProperty().get().pins();
    List<Optional<Pinned>> read = model.pins().readProperty().get();
    for (int i = 0; i < pins.size(); i++) {
      pencil.cross(pins.get(i));
      String words = Integer.toString(i + 1);
      if (i < read.size() && read.get(i).isPresent()) {
        Pinned p = read.get(i).get();
        words = PinState.label(i + 1, p.settled(), p.finished());
      }
      pencil.label(words, pins.get(i), 11, -9);
    }
  }

  /** Points that should be grey, and places that are likely to be. */
  private static void neutrals(Pencil pencil, BenchModel model) {
    ToolKind tool = model.toolProperty().get();
    boolean picking =
        tool == ToolKind.PICK_NEUTRAL
            || tool == ToolKind.PICK_DARK
            || tool == ToolKind.PICK_MIDDLE
            || tool == ToolKind.PICK_LIGHT;
    if (picking) {
      for (NeutralHint hint :
          model.colouring().found().map(ColourState.Found::hints).orElse(List.of())) {
        pencil.dashed(3, 3, () -> pencil.twice(() -> pencil.circle(hint.place(), 8)));
        pencil.label(
            "%s, C* %.0f".formatted(hint.what(), hint.colour().chroma()), hint.place(), 12, 4);
      }
    }
    model
        .selectedLayer()
        .filter(NeutralPointsLayer.class::isInstance)
        .map(NeutralPointsLayer.class::cast)
        .ifPresent(l -> tones(pencil, l));
  }

  private static void tones(Pencil pencil, NeutralPointsLayer layer) {
    for (NeutralPointsLayer.Tone tone : NeutralPointsLayer.Tone.values()) {
      Point at = layer.at(tone);
      if (at != null) {
        pencil.cross(at);
        pencil.label(tone.name().toLowerCase(Locale.ROOT), at, 11, -9);
      }
    }
  }

  /** Broken rings with what stands out there. */
  private static void distractions(Pencil pencil, List<Distraction> places) {
    for (Distraction d : places) {
      double r = d.radius() * pencil.zoom() + 4;
      pencil.dashed(6, 4, () -> pencil.twice(() -> pencil.circle(d.place(), r)));
      pencil.label(d.kind().words(), d.place(), 0.7 * r + 6, -0.7 * r);
    }
  }

  /** Outer ring: radius. Inner, dashed: where the full strength ends. Its arc is the strength. */
  private static void ring(Pencil pencil, Point at, Brush brush) {
    double r = Math.max(2, brush.radius() * pencil.zoom());
    double inner = r * (1 - brush.softness());
    pencil.twice(
        () -> {
          pencil.circle(at, r);
          if (inner > 3 && brush.softness() > 0.02) {
            pencil.dashed(3, 4, () -> pencil.circle(at, inner));
          }
        });
    pencil.twice(1.5, () -> pencil.arc(at, r + 5, 90, -360 * brush.strength()));
  }

  /** The stroke or outline being drawn, at once, before its pixels are there. */
  private static void underWay(Pencil pencil, Gestures gestures, Brush brush) {
    float[] path = gestures.path();
    GraphicsContext g = pencil.context();
    if (path.length > 0) {
      g.setStroke(VEIL);
      g.setLineWidth(2 * brush.radius() * pencil.zoom());
      g.setLineCap(StrokeLineCap.ROUND);
      g.setLineJoin(StrokeLineJoin.ROUND);
      g.beginPath();
      Point start = new Point(path[0], path[1]);
      g.moveTo(pencil.x(start), pencil.y(start));
      // A dab shows, too.
      g.lineTo(pencil.x(start) + 0.01, pencil.y(start));
      for (int i = 4; i < path.length; i += 4) {
        Point next = new Point(path[i], path[i + 1]);
        g.lineTo(pencil.x(next), pencil.y(next));
      }
      g.stroke();
    }
    if (gestures.outline().size() > 1) {
      pencil.twice(() -> pencil.line(gestures.outline(), false));
    }
  }

  /** The chosen part of the mask, where it has a place, with its handles. */
  private static void part(Pencil pencil, Mask own) {
    pencil.twice(
        () -> {
          switch (own) {
            case Mask.Ellipse o -> {
              Point middle = new Point(o.x(), o.y());
              double full = 1 - o.softness();
              pencil.oval(middle, o.radiusX(), o.radiusY(), o.angle());
              pencil.dashed(
                  3,
                  4,
                  () -> pencil.oval(middle, full * o.radiusX(), full * o.radiusY(), o.angle()));
            }
            case Mask.Gradient a -> gradient(pencil, a);
            case Mask.Polygon p -> pencil.line(p.points(), true);
            default -> {
              // Other parts have no place.
            }
          }
          for (PartHandles.Handle handle : PartHandles.of(own)) {
            pencil.handle(FaceHandles.Glyph.SQUARE, handle.place());
          }
        });
  }

  /** Its length, and a line across the end where it is full. */
  private static void gradient(Pencil pencil, Mask.Gradient gradient) {
    pencil.line(List.of(gradient.from(), gradient.to()), false);
    double x = pencil.x(gradient.to());
    double y = pencil.y(gradient.to());
    double dx = x - pencil.x(gradient.from());
    double dy = y - pencil.y(gradient.from());
    double length = Math.max(1, Math.hypot(dx, dy));
    double ax = -dy / length * 40;
    double ay = dx / length * 40;
    pencil.context().strokeLine(x - ax, y - ay, x + ax, y + ay);
  }
}
