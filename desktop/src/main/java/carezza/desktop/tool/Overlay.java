package carezza.desktop.tool;

import java.util.List;
import java.util.Optional;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.shape.FillRule;

import org.jspecify.annotations.Nullable;

import carezza.desktop.state.AppState;
import carezza.desktop.state.Brush;
import carezza.desktop.state.ColourState;
import carezza.desktop.state.GuideLines;
import carezza.desktop.state.PinState;
import carezza.desktop.state.ToolKind;
import carezza.desktop.state.ToolKind.Places;
import carezza.desktop.text.Names;
import carezza.desktop.text.Texts;
import carezza.measure.Blemish;
import carezza.measure.ContourGuides.Guide;
import carezza.measure.Distraction;
import carezza.measure.NeutralHint;
import carezza.model.Crop;
import carezza.model.HealLayer;
import carezza.model.NeutralPointsLayer;
import carezza.model.Point;
import carezza.plan.Finding;
import carezza.session.ColourAdvice.Pinned;

/** What lies over the picture. */
public final class Overlay {

  private static final Texts TEXTS = Texts.of("tools");

  private Overlay() {}

  /**
   * @param tool in hand
   * @param pointer its place, or null while it is elsewhere
   */
  public static void draw(
      Canvas canvas, AppState state, ViewPlaces places, Tool tool, @Nullable Point pointer) {
    GraphicsContext g = canvas.getGraphicsContext2D();
    g.clearRect(0, 0, canvas.getWidth(), canvas.getHeight());
    if (state.document().isEmpty()) {
      return;
    }
    frame(pencil(g, places, Places.PICTURE), canvas, state);
    Pencil pencil = pencil(g, places, Places.PHOTOGRAPH);
    if (!state.view().marksShownProperty().get()) {
      return;
    }
    pins(pencil, state);
    neutrals(pencil, state);
    contours(pencil, state.advice().contoursProperty().get());
    distractions(pencil, state.advice().distractionsProperty().get());
    finding(pencil, state.plan().focusProperty().get());
    if (state.selection().layer(HealLayer.class).isPresent()) {
      RepairMarks.proposals(
          pencil, state.proposals().allProperty().get(), state.proposals().currentProperty().get());
    }
    tool.paint(pencil(g, places, tool.kind().places()), pointer);
  }

  private static Pencil pencil(GraphicsContext g, ViewPlaces places, Places of) {
    return new Pencil(g, places.port(), p -> places.seen(p, of));
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
  private static void frame(Pencil pencil, Canvas canvas, AppState state) {
    boolean inHand =
        state.tools().tool() == ToolKind.FRAME || state.tools().tool() == ToolKind.LEVEL;
    if (state.document().project().crop() == null && !inHand) {
      return;
    }
    Crop crop = state.crop().frame();
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
    GuideLines guides = state.crop().linesProperty().get();
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

  private static void pins(Pencil pencil, AppState state) {
    List<Point> pins = state.document().project().pins();
    List<Optional<Pinned>> read = state.pins().readProperty().get();
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
  private static void neutrals(Pencil pencil, AppState state) {
    ToolKind tool = state.tools().tool();
    boolean picking =
        tool == ToolKind.PICK_NEUTRAL
            || tool == ToolKind.PICK_DARK
            || tool == ToolKind.PICK_MIDDLE
            || tool == ToolKind.PICK_LIGHT;
    if (picking) {
      for (NeutralHint hint :
          state.colours().found().map(ColourState.Found::hints).orElse(List.of())) {
        pencil.dashed(3, 3, () -> pencil.twice(() -> pencil.circle(hint.place(), 8)));
        pencil.label(
            "%s, C* %.0f".formatted(Names.of(hint), hint.colour().chroma()), hint.place(), 12, 4);
      }
    }
    state
        .selection()
        .layer()
        .filter(NeutralPointsLayer.class::isInstance)
        .map(NeutralPointsLayer.class::cast)
        .ifPresent(l -> tones(pencil, l));
  }

  private static void tones(Pencil pencil, NeutralPointsLayer layer) {
    for (NeutralPointsLayer.Tone tone : NeutralPointsLayer.Tone.values()) {
      Point at = layer.at(tone);
      if (at != null) {
        pencil.cross(at);
        pencil.label(Names.of(tone), at, 11, -9);
      }
    }
  }

  /** A ring around what the plan found, or around each of what it counted. */
  private static void finding(Pencil pencil, Finding looked) {
    if (looked == null || !looked.isOpen() || looked.now().place() == null) {
      return;
    }
    Point place = looked.now().place();
    if (looked.now().spots().isEmpty()) {
      double r = looked.now().radius() * pencil.zoom();
      pencil.dashed(6, 4, () -> pencil.twice(() -> pencil.circle(place, r)));
    }
    for (Blemish spot : looked.now().spots()) {
      double r = spot.radius() * pencil.zoom() + 4;
      pencil.twice(() -> pencil.circle(new Point(spot.x(), spot.y()), r));
    }
  }

  /** Broken rings with what stands out there. */
  private static void distractions(Pencil pencil, List<Distraction> places) {
    for (Distraction d : places) {
      double r = d.radius() * pencil.zoom() + 4;
      pencil.dashed(6, 4, () -> pencil.twice(() -> pencil.circle(d.place(), r)));
      pencil.label(Names.of(d.kind()), d.place(), 0.7 * r + 6, -0.7 * r);
    }
  }

  /** The brush's numbers beside its ring. */
  public static void brush(Canvas canvas, ViewPlaces places, ToolKind tool, Point at, Brush brush) {
    Pencil pencil = pencil(canvas.getGraphicsContext2D(), places, tool.places());
    double right = Math.max(2, brush.radius() * places.port().zoom()) + 12;
    pencil.label("%.0f px".formatted(brush.radius()), at, right, -10);
    pencil.label(TEXTS.get("overlay.soft", 100 * brush.softness()), at, right, 4);
    pencil.label("%.0f %%".formatted(100 * brush.strength()), at, right, 18);
  }
}
