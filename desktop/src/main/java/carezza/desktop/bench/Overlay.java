package carezza.desktop.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.shape.StrokeLineCap;
import javafx.scene.shape.StrokeLineJoin;
import javafx.scene.text.TextAlignment;

import carezza.measure.Blemish;
import carezza.measure.ContourGuides.Guide;
import carezza.measure.Distraction;
import carezza.measure.NeutralHint;
import carezza.model.FaceMap;
import carezza.model.FaceMap.FaceOval;
import carezza.model.FaceOutlines;
import carezza.model.Frame;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.HealLayer.Piece;
import carezza.model.Mask;
import carezza.model.NeutraliseLayer;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.RepairArea;
import carezza.model.Stroke;
import carezza.session.ColourAdvice.Pinned;

/**
 * What lies over the picture: always a dark line under a light one, so that it shows on any skin, and
 * never a colour.
 */
final class Overlay {

  private static final Color DARK = Color.gray(0, 0.65);
  private static final Color LIGHT = Color.gray(1, 0.95);
  private static final Color VEIL = Color.gray(1, 0.22);

  private Overlay() {}

  static void draw(
      Canvas canvas, BenchModel model, ViewPort port, Gestures gestures, Point pointer) {
    GraphicsContext g = canvas.getGraphicsContext2D();
    g.clearRect(0, 0, canvas.getWidth(), canvas.getHeight());
    if (model.isEmpty()) {
      return;
    }
    Tool tool = model.toolProperty().get();
    if (tool == Tool.FACE) {
      faces(g, model.projectProperty().get(), port);
    }
    if (tool == Tool.PART) {
      model.chosenPart().ifPresent(own -> part(g, own, port));
    }
    if (tool == Tool.PLACE_FACE) {
      placing(g, gestures.face().points(), pointer, port);
    }
    frame(g, canvas, model, port);
    pins(g, model, port);
    neutrals(g, model, port);
    contours(g, model.advising().contoursProperty().get(), port);
    distractions(g, model.advising().distractionsProperty().get(), port);
    Mending mending = model.mending();
    if (tool == Tool.HEAL || tool == Tool.HAIR || tool == Tool.REPAIR) {
      Set<Integer> chosen = mending.chosenProperty().get();
      model
          .selectedLayer()
          .filter(HealLayer.class::isInstance)
          .ifPresent(l -> repairs(g, (HealLayer) l, port, pointer, chosen));
    }
    if (tool == Tool.HEAL && mending.wayProperty().get().clones()) {
      mending.cloneFrom().ifPresent(p -> cross(g, port.viewX(p.x()), port.viewY(p.y())));
    }
    if (model.selectedLayer().filter(HealLayer.class::isInstance).isPresent()) {
      proposals(
          g,
          model.proposals().allProperty().get(),
          model.proposals().currentProperty().get(),
          port);
    }
    Brush brush = model.brushProperty().get();
    underWay(g, gestures, brush, port);
    if (pointer != null && tool.brush()) {
      ring(g, port, pointer, brush);
      if (tool == Tool.HEAL) {
        model.spotHint().at(pointer).ifPresent(spot -> hint(g, port, spot));
      }
    } else if (pointer != null
        && tool != Tool.HAND
        && tool != Tool.FACE
        && tool != Tool.PART
        && tool != Tool.REPAIR) {
      cross(g, port.viewX(pointer.x()), port.viewY(pointer.y()));
    }
  }

  /** Faint outlines: whole ones to lift, broken ones to deepen. */
  private static void contours(GraphicsContext g, List<Guide> guides, ViewPort port) {
    for (Guide guide : guides) {
      g.setLineDashes(guide.lift() ? new double[0] : new double[] {5, 5});
      for (int pass = 0; pass < 2; pass++) {
        g.setStroke(pass == 0 ? Color.gray(0, 0.3) : Color.gray(1, 0.6));
        g.setLineWidth(pass == 0 ? 2.6 : 1.1);
        line(g, guide.outline(), port, true);
      }
    }
    g.setLineDashes();
  }

  /** What lies outside the frame is veiled; in hand it has handles and lines of composition. */
  private static void frame(GraphicsContext g, Canvas canvas, BenchModel model, ViewPort port) {
    boolean inHand =
        model.toolProperty().get() == Tool.FRAME || model.toolProperty().get() == Tool.LEVEL;
    if (model.isEmpty() || model.projectProperty().get().frame() == null && !inHand) {
      return;
    }
    Frame frame = model.framing().frame();
    g.save();
    g.beginPath();
    g.rect(0, 0, canvas.getWidth(), canvas.getHeight());
    List<Point> corners = frame.corners();
    for (int i = 0; i < 4; i++) {
      double x = port.viewX(corners.get(i).x());
      double y = port.viewY(corners.get(i).y());
      if (i == 0) {
        g.moveTo(x, y);
      } else {
        g.lineTo(x, y);
      }
    }
    g.closePath();
    g.setFillRule(javafx.scene.shape.FillRule.EVEN_ODD);
    g.setFill(Color.gray(0.4, inHand ? 0.6 : 0.94));
    g.fill();
    g.restore();
    if (!inHand) {
      return;
    }
    g.setStroke(LIGHT);
    g.setLineWidth(1.4);
    line(g, corners, port, true);
    g.setStroke(Color.gray(1, 0.55));
    g.setLineWidth(1);
    GuideLines guides = model.framing().linesProperty().get();
    for (double at : guides.at()) {
      line(g, List.of(frame.at(at, -1), frame.at(at, 1)), port, false);
      line(g, List.of(frame.at(-1, at), frame.at(1, at)), port, false);
    }
    if (guides.diagonals()) {
      line(g, List.of(frame.at(-1, -1), frame.at(1, 1)), port, false);
      line(g, List.of(frame.at(-1, 1), frame.at(1, -1)), port, false);
    }
    g.setFill(LIGHT);
    for (double[] at :
        new double[][] {{-1, -1}, {0, -1}, {1, -1}, {1, 0}, {1, 1}, {0, 1}, {-1, 1}, {-1, 0}}) {
      Point p = frame.at(at[0], at[1]);
      g.fillRect(port.viewX(p.x()) - 4, port.viewY(p.y()) - 4, 8, 8);
    }
  }

  private static void pins(GraphicsContext g, BenchModel model, ViewPort port) {
    if (model.isEmpty()) {
      return;
    }
    List<Point> pins = model.projectProperty().get().pins();
    List<Optional<Pinned>> read = model.pins().readProperty().get();
    for (int i = 0; i < pins.size(); i++) {
      double x = port.viewX(pins.get(i).x());
      double y = port.viewY(pins.get(i).y());
      cross(g, x, y);
      String words = Integer.toString(i + 1);
      if (i < read.size() && read.get(i).isPresent()) {
        var p = read.get(i).get();
        words = Pins.label(i + 1, p.settled(), p.finished());
      }
      label(g, words, x + 9, y - 9);
    }
  }

  /** Points that should be grey, and places that are likely to be. */
  private static void neutrals(GraphicsContext g, BenchModel model, ViewPort port) {
    Tool tool = model.toolProperty().get();
    boolean picking =
        tool == Tool.PICK_NEUTRAL
            || tool == Tool.PICK_DARK
            || tool == Tool.PICK_MIDDLE
            || tool == Tool.PICK_LIGHT;
    if (picking) {
      g.setLineDashes(3, 3);
      for (NeutralHint hint :
          model.colouring().found().map(Colouring.Found::hints).orElse(List.of())) {
        double x = port.viewX(hint.place().x());
        double y = port.viewY(hint.place().y());
        for (int pass = 0; pass < 2; pass++) {
          g.setStroke(pass == 0 ? DARK : LIGHT);
          g.setLineWidth(pass == 0 ? 3 : 1.2);
          g.strokeOval(x - 8, y - 8, 16, 16);
        }
        label(g, "%s, C* %.0f".formatted(hint.what(), hint.colour().chroma()), x + 11, y + 4);
      }
      g.setLineDashes();
    }
    model
        .selectedLayer()
        .filter(NeutraliseLayer.class::isInstance)
        .map(NeutraliseLayer.class::cast)
        .ifPresent(
            l -> {
              for (NeutraliseLayer.Tone tone : NeutraliseLayer.Tone.values()) {
                Point at = l.at(tone);
                if (at != null) {
                  cross(g, port.viewX(at.x()), port.viewY(at.y()));
                  label(
                      g,
                      tone.name().toLowerCase(java.util.Locale.ROOT),
                      port.viewX(at.x()) + 9,
                      port.viewY(at.y()) - 9);
                }
              }
            });
  }

  /** Broken rings with what stands out there. */
  private static void distractions(GraphicsContext g, List<Distraction> places, ViewPort port) {
    g.setLineDashes(6, 4);
    for (Distraction d : places) {
      double r = d.radius() * port.zoom() + 4;
      double x = port.viewX(d.place().x());
      double y = port.viewY(d.place().y());
      for (int pass = 0; pass < 2; pass++) {
        g.setStroke(pass == 0 ? DARK : LIGHT);
        g.setLineWidth(pass == 0 ? 3 : 1.2);
        g.strokeOval(x - r, y - r, 2 * r, 2 * r);
      }
      label(g, d.kind().words(), x + 0.7 * r + 4, y - 0.7 * r);
    }
    g.setLineDashes();
  }

  /** Four short arcs around a spot: as wide as a brush for it would be. */
  private static void hint(GraphicsContext g, ViewPort port, SpotHint.Spot spot) {
    double r = spot.radius() * port.zoom();
    double x = port.viewX(spot.middle().x()) - r;
    double y = port.viewY(spot.middle().y()) - r;
    for (int pass = 0; pass < 2; pass++) {
      g.setStroke(pass == 0 ? DARK : LIGHT);
      g.setLineWidth(pass == 0 ? 3.5 : 1.6);
      for (int quarter = 0; quarter < 4; quarter++) {
        g.strokeArc(x, y, 2 * r, 2 * r, 25 + 90 * quarter, 40, javafx.scene.shape.ArcType.OPEN);
      }
    }
  }

  /** Outer ring: radius. Inner, dashed: where the full strength ends. Its arc is the strength. */
  private static void ring(GraphicsContext g, ViewPort port, Point at, Brush brush) {
    double x = port.viewX(at.x());
    double y = port.viewY(at.y());
    double r = Math.max(2, brush.radius() * port.zoom());
    double inner = r * (1 - brush.softness());
    for (int pass = 0; pass < 2; pass++) {
      g.setStroke(pass == 0 ? DARK : LIGHT);
      g.setLineWidth(pass == 0 ? 3 : 1.2);
      g.strokeOval(x - r, y - r, 2 * r, 2 * r);
      if (inner > 3 && brush.softness() > 0.02) {
        g.setLineDashes(3, 4);
        g.strokeOval(x - inner, y - inner, 2 * inner, 2 * inner);
        g.setLineDashes();
      }
      double s = r + 5;
      g.setLineWidth(pass == 0 ? 4 : 2);
      g.strokeArc(
          x - s, y - s, 2 * s, 2 * s, 90, -360 * brush.strength(), javafx.scene.shape.ArcType.OPEN);
    }
  }

  private static void cross(GraphicsContext g, double x, double y) {
    for (int pass = 0; pass < 2; pass++) {
      g.setStroke(pass == 0 ? DARK : LIGHT);
      g.setLineWidth(pass == 0 ? 3 : 1.2);
      g.strokeOval(x - 7, y - 7, 14, 14);
      g.strokeLine(x, y - 12, x, y - 4);
      g.strokeLine(x, y + 4, x, y + 12);
      g.strokeLine(x - 12, y, x - 4, y);
      g.strokeLine(x + 4, y, x + 12, y);
    }
  }

  /** The stroke or outline being drawn, at once, before its pixels are there. */
  private static void underWay(GraphicsContext g, Gestures gestures, Brush brush, ViewPort port) {
    float[] path = gestures.path();
    if (path.length > 0) {
      g.setStroke(VEIL);
      g.setLineWidth(2 * brush.radius() * port.zoom());
      g.setLineCap(StrokeLineCap.ROUND);
      g.setLineJoin(StrokeLineJoin.ROUND);
      g.beginPath();
      g.moveTo(port.viewX(path[0]), port.viewY(path[1]));
      g.lineTo(port.viewX(path[0]) + 0.01, port.viewY(path[1]));
      for (int i = 4; i < path.length; i += 4) {
        g.lineTo(port.viewX(path[i]), port.viewY(path[i + 1]));
      }
      g.stroke();
    }
    List<Point> outline = gestures.outline();
    for (int pass = 0; pass < 2 && outline.size() > 1; pass++) {
      g.setStroke(pass == 0 ? DARK : LIGHT);
      g.setLineWidth(pass == 0 ? 3 : 1.2);
      g.beginPath();
      g.moveTo(port.viewX(outline.getFirst().x()), port.viewY(outline.getFirst().y()));
      outline.forEach(p -> g.lineTo(port.viewX(p.x()), port.viewY(p.y())));
      g.stroke();
    }
  }

  /** A fine ring on each repair; of the chosen ones, or one under the pointer, the source as well. */
  private static void repairs(
      GraphicsContext g, HealLayer layer, ViewPort port, Point pointer, Set<Integer> chosen) {
    for (int i = 0; i < layer.patches().size(); i++) {
      Patch patch = layer.patches().get(i);
      boolean near = pointer != null && RepairHandles.holds(patch.area(), pointer, 6 / port.zoom());
      boolean held = chosen.contains(i);
      for (int pass = 0; pass < 2; pass++) {
        g.setStroke(pass == 0 ? Color.gray(0, 0.35) : Color.gray(1, near || held ? 0.95 : 0.5));
        g.setLineWidth((pass == 0 ? 2 : 0.8) * (held ? 1.8 : 1));
        area(g, patch.area(), p -> p, port, near || held);
        if (near || held) {
          patch.pieces().stream()
              .filter(Piece::takesFromElsewhere)
              .forEach(p -> source(g, p, port, held && chosen.size() == 1));
        }
      }
    }
  }

  private static void source(GraphicsContext g, Piece piece, ViewPort port, boolean handle) {
    Point from = RepairHandles.sourceCentre(piece);
    Point to = piece.area().centre();
    g.strokeLine(
        port.viewX(to.x()), port.viewY(to.y()), port.viewX(from.x()), port.viewY(from.y()));
    g.setLineDashes(2, 3);
    area(g, piece.area(), p -> RepairHandles.taken(piece, p), port, true);
    g.setLineDashes();
    if (handle) {
      Point at = RepairHandles.turnHandle(piece);
      g.strokeRect(port.viewX(at.x()) - 4, port.viewY(at.y()) - 4, 8, 8);
    }
  }

  /** The outline of a repair; of a stroke a ring at its start, and where asked its path. */
  private static void area(
      GraphicsContext g,
      RepairArea area,
      UnaryOperator<Point> mapped,
      ViewPort port,
      boolean whole) {
    switch (area) {
      case Stroke s -> {
        for (int i = 0; i < s.size(); i += Math.max(1, s.size() - 1)) {
          Point c = mapped.apply(new Point(s.x(i), s.y(i)));
          Point rim = mapped.apply(new Point(s.x(i) + s.radius(), s.y(i)));
          double r = c.distance(rim) * port.zoom();
          double x = port.viewX(c.x());
          double y = port.viewY(c.y());
          if (s.size() == 1 || whole) {
            g.strokeOval(x - r, y - r, 2 * r, 2 * r);
          } else {
            g.strokeOval(x - 2, y - 2, 4, 4);
          }
        }
        if (s.size() > 1) {
          line(g, places(s).stream().map(mapped).toList(), port, false);
        }
      }
      case Mask.Polygon p -> line(g, p.points().stream().map(mapped).toList(), port, true);
    }
  }

  private static List<Point> places(Stroke s) {
    List<Point> places = new ArrayList<>();
    for (int i = 0; i < s.size(); i++) {
      places.add(new Point(s.x(i), s.y(i)));
    }
    return places;
  }

  private static void line(GraphicsContext g, List<Point> points, ViewPort port, boolean closed) {
    double[] x = points.stream().mapToDouble(p -> port.viewX(p.x())).toArray();
    double[] y = points.stream().mapToDouble(p -> port.viewY(p.y())).toArray();
    if (closed) {
      g.strokePolygon(x, y, x.length);
    } else {
      g.strokePolyline(x, y, x.length);
    }
  }

  /** A whole ring for what will pass, a broken one for a mark; the one to decide on with its name. */
  private static void proposals(
      GraphicsContext g, List<Blemish> all, Blemish current, ViewPort port) {
    for (Blemish b : all) {
      double x = port.viewX(b.x());
      double y = port.viewY(b.y());
      double r = Math.max(5, b.radius() * port.zoom());
      boolean now = b.equals(current);
      for (int pass = 0; pass < 2; pass++) {
        g.setStroke(pass == 0 ? DARK : LIGHT);
        g.setLineWidth((pass == 0 ? 3 : 1.2) * (now ? 1.6 : 1));
        if (b.kind() == Blemish.Kind.MARK) {
          g.setLineDashes(5, 4);
        }
        g.strokeOval(x - r, y - r, 2 * r, 2 * r);
        g.setLineDashes();
      }
      if (now) {
        label(
            g,
            b.kind() == Blemish.Kind.MARK
                ? "A mark of their own?  K keeps it, Enter heals it"
                : "Will pass?  Enter heals it, K keeps it",
            x,
            y + r + 18);
      }
    }
  }

  private static void label(GraphicsContext g, String words, double x, double y) {
    g.setTextAlign(TextAlignment.CENTER);
    g.setLineWidth(3);
    g.setStroke(DARK);
    g.strokeText(words, x, y);
    g.setFill(LIGHT);
    g.fillText(words, x, y);
  }

  private static void outlines(GraphicsContext g, FaceOutlines o, ViewPort port) {
    for (List<Point> outline :
        List.of(
            o.outerLips(), o.innerLips(), o.leftEye(), o.rightEye(), o.leftBrow(), o.rightBrow())) {
      double[] x = outline.stream().mapToDouble(p -> port.viewX(p.x())).toArray();
      double[] y = outline.stream().mapToDouble(p -> port.viewY(p.y())).toArray();
      g.strokePolygon(x, y, x.length);
    }
    for (FaceOutlines.Circle iris : List.of(o.leftIris(), o.rightIris())) {
      double r = iris.radius() * port.zoom();
      g.strokeOval(
          port.viewX(iris.middle().x()) - r, port.viewY(iris.middle().y()) - r, 2 * r, 2 * r);
    }
  }

  private static void faces(GraphicsContext g, Project project, ViewPort port) {
    for (int pass = 0; pass < 2; pass++) {
      g.setStroke(pass == 0 ? DARK : LIGHT);
      g.setLineWidth(pass == 0 ? 3 : 1.2);
      for (FaceMap face : project.allFaces()) {
        FaceOval o = face.oval();
        oval(g, port, o.x(), o.y(), o.radiusX(), o.radiusY(), o.angle());
        if (face.outlines() != null) {
          outlines(g, face.outlines(), port);
        }
      }
      for (FaceHandles.Handle handle : FaceHandles.of(project)) {
        handle(g, handle.glyph(), handle.place(), port);
      }
    }
  }

  private static void handle(
      GraphicsContext g, FaceHandles.Glyph glyph, Point place, ViewPort port) {
    double x = port.viewX(place.x());
    double y = port.viewY(place.y());
    double r = 5;
    switch (glyph) {
      case ROUND -> g.strokeOval(x - r, y - r, 2 * r, 2 * r);
      case DIAMOND -> {
        g.strokeLine(x - r, y, x, y - r);
        g.strokeLine(x, y - r, x + r, y);
        g.strokeLine(x + r, y, x, y + r);
        g.strokeLine(x, y + r, x - r, y);
      }
      case SQUARE -> g.strokeRect(x - r, y - r, 2 * r, 2 * r);
      case DOT -> g.strokeOval(x - 2.5, y - 2.5, 5, 5);
    }
  }

  private static void oval(
      GraphicsContext g, ViewPort port, double x, double y, double rx, double ry, double angle) {
    g.save();
    g.translate(port.viewX(x), port.viewY(y));
    g.rotate(angle);
    double w = rx * port.zoom();
    double h = ry * port.zoom();
    g.strokeOval(-w, -h, 2 * w, 2 * h);
    g.restore();
  }

  /** The chosen part of the mask, where it has a place, with its handles. */
  private static void part(GraphicsContext g, Mask own, ViewPort port) {
    for (int pass = 0; pass < 2; pass++) {
      g.setStroke(pass == 0 ? DARK : LIGHT);
      g.setLineWidth(pass == 0 ? 3 : 1.2);
      switch (own) {
        case Mask.Oval o -> {
          oval(g, port, o.x(), o.y(), o.radiusX(), o.radiusY(), o.angle());
          g.setLineDashes(3, 4);
          double full = 1 - o.softness();
          oval(g, port, o.x(), o.y(), full * o.radiusX(), full * o.radiusY(), o.angle());
          g.setLineDashes();
        }
        case Mask.Gradient a -> {
          g.strokeLine(
              port.viewX(a.from().x()), port.viewY(a.from().y()),
              port.viewX(a.to().x()), port.viewY(a.to().y()));
          // Across the end where it is full.
          double dx = port.viewX(a.to().x()) - port.viewX(a.from().x());
          double dy = port.viewY(a.to().y()) - port.viewY(a.from().y());
          double length = Math.max(1, Math.hypot(dx, dy));
          double ax = -dy / length * 40;
          double ay = dx / length * 40;
          double x = port.viewX(a.to().x());
          double y = port.viewY(a.to().y());
          g.strokeLine(x - ax, y - ay, x + ax, y + ay);
        }
        case Mask.Polygon p -> {
          double[] x = p.points().stream().mapToDouble(q -> port.viewX(q.x())).toArray();
          double[] y = p.points().stream().mapToDouble(q -> port.viewY(q.y())).toArray();
          g.strokePolygon(x, y, x.length);
        }
        default -> {
          // Other parts have no place.
        }
      }
      for (PartHandles.Handle handle : PartHandles.of(own)) {
        handle(g, FaceHandles.Glyph.SQUARE, handle.place(), port);
      }
    }
  }

  private static void placing(GraphicsContext g, List<Point> points, Point pointer, ViewPort port) {
    for (int pass = 0; pass < 2; pass++) {
      g.setStroke(pass == 0 ? DARK : LIGHT);
      g.setLineWidth(pass == 0 ? 3 : 1.2);
      Point corner = points.size() > 1 ? points.get(1) : pointer;
      if (!points.isEmpty() && corner != null) {
        Point a = points.getFirst();
        oval(
            g,
            port,
            (a.x() + corner.x()) / 2,
            (a.y() + corner.y()) / 2,
            Math.abs(a.x() - corner.x()) / 2,
            Math.abs(a.y() - corner.y()) / 2,
            0);
      }
      for (int i = 2; i < points.size(); i++) {
        handle(g, i < 4 ? FaceHandles.Glyph.ROUND : FaceHandles.Glyph.DIAMOND, points.get(i), port);
      }
    }
  }
}
