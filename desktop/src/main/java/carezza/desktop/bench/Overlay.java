package carezza.desktop.bench;

import java.util.List;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.shape.StrokeLineCap;
import javafx.scene.shape.StrokeLineJoin;

import carezza.model.FaceMap;
import carezza.model.FaceMap.FaceOval;
import carezza.model.FaceOutlines;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.Point;

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
    if (tool == Tool.FACE && model.projectProperty().get().faces() != null) {
      face(g, model.projectProperty().get().faces(), port);
    }
    if (tool == Tool.HEAL) {
      model.selectedLayer().ifPresent(l -> repairs(g, (HealLayer) l, port, pointer));
    }
    Brush brush = model.brushProperty().get();
    underWay(g, gestures, brush, port);
    if (pointer != null && tool.brush()) {
      ring(g, port, pointer, brush);
    } else if (pointer != null && tool != Tool.HAND && tool != Tool.FACE) {
      cross(g, port.viewX(pointer.x()), port.viewY(pointer.y()));
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

  /** A fine ring on each repair; the one under the pointer shows the line to its source. */
  private static void repairs(GraphicsContext g, HealLayer layer, ViewPort port, Point pointer) {
    for (Patch patch : layer.patches()) {
      Point c = patch.area().centre();
      double r = patch.area().radius() * port.zoom();
      double x = port.viewX(c.x());
      double y = port.viewY(c.y());
      boolean near =
          pointer != null && c.distance(pointer) < Math.max(patch.area().radius(), 6 / port.zoom());
      for (int pass = 0; pass < 2; pass++) {
        g.setStroke(pass == 0 ? Color.gray(0, 0.35) : Color.gray(1, near ? 0.95 : 0.5));
        g.setLineWidth(pass == 0 ? 2 : 0.8);
        if (patch.area().size() == 1) {
          g.strokeOval(x - r, y - r, 2 * r, 2 * r);
        } else {
          g.strokeOval(x - 2, y - 2, 4, 4);
        }
        if (near && patch.source() != null) {
          double sx = port.viewX(c.x() + patch.source().dx());
          double sy = port.viewY(c.y() + patch.source().dy());
          g.strokeLine(x, y, sx, sy);
          g.setLineDashes(2, 3);
          g.strokeOval(sx - r, sy - r, 2 * r, 2 * r);
          g.setLineDashes();
        }
      }
    }
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

  private static void face(GraphicsContext g, FaceMap faces, ViewPort port) {
    FaceOval o = faces.oval();
    for (int pass = 0; pass < 2; pass++) {
      g.setStroke(pass == 0 ? DARK : LIGHT);
      g.setLineWidth(pass == 0 ? 3 : 1.2);
      g.save();
      g.translate(port.viewX(o.x()), port.viewY(o.y()));
      g.rotate(o.angle());
      double rx = o.radiusX() * port.zoom();
      double ry = o.radiusY() * port.zoom();
      g.strokeOval(-rx, -ry, 2 * rx, 2 * ry);
      g.restore();
      if (faces.outlines() != null) {
        outlines(g, faces.outlines(), port);
      }
      for (FaceHandles.Handle handle : FaceHandles.Handle.values()) {
        Point p = handle.place(faces);
        double x = port.viewX(p.x());
        double y = port.viewY(p.y());
        double r = 5;
        switch (handle) {
          case LEFT_PUPIL, RIGHT_PUPIL -> g.strokeOval(x - r, y - r, 2 * r, 2 * r);
          case LEFT_MOUTH, RIGHT_MOUTH -> {
            g.strokeLine(x - r, y, x, y - r);
            g.strokeLine(x, y - r, x + r, y);
            g.strokeLine(x + r, y, x, y + r);
            g.strokeLine(x, y + r, x - r, y);
          }
          default -> g.strokeRect(x - r, y - r, 2 * r, 2 * r);
        }
      }
    }
  }
}
