package carezza.desktop.tool;

import java.util.List;
import java.util.function.UnaryOperator;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.shape.ArcType;
import javafx.scene.text.Font;
import javafx.scene.text.TextAlignment;

import carezza.desktop.geometry.FaceHandles;
import carezza.desktop.picture.ViewPort;
import carezza.model.Point;

/**
 * Draws over the picture, in photograph coordinates: always a dark line under a light one, so that
 * it shows on any skin, and never a colour.
 */
final class Pencil {

  static final Color DARK = Color.gray(0, 0.65);
  static final Color LIGHT = Color.gray(1, 0.95);

  private static final double DARK_WIDTH = 3;
  private static final double LIGHT_WIDTH = 1.2;
  private static final Font FONT = Font.font("Inter", 12);

  private final GraphicsContext g;
  private final ViewPort port;
  private final UnaryOperator<Point> seen;

  /**
   * @param seen where a place that is drawn at is seen in the picture
   */
  Pencil(GraphicsContext g, ViewPort port, UnaryOperator<Point> seen) {
    this.g = g;
    this.port = port;
    this.seen = seen;
  }

  GraphicsContext context() {
    return g;
  }

  double x(Point p) {
    return port.viewX(seen.apply(p).x());
  }

  double y(Point p) {
    return port.viewY(seen.apply(p).y());
  }

  /** View pixels for one of the photograph. */
  double zoom() {
    return port.zoom();
  }

  /** Draws in dark and once more in light. */
  void twice(Runnable drawing) {
    twice(1, drawing);
  }

  void twice(double weight, Runnable drawing) {
    twice(DARK, DARK_WIDTH * weight, LIGHT, LIGHT_WIDTH * weight, drawing);
  }

  void twice(Color dark, double darkWidth, Color light, double lightWidth, Runnable drawing) {
    g.setStroke(dark);
    g.setLineWidth(darkWidth);
    drawing.run();
    g.setStroke(light);
    g.setLineWidth(lightWidth);
    drawing.run();
  }

  void dashed(double on, double off, Runnable drawing) {
    g.setLineDashes(on, off);
    drawing.run();
    g.setLineDashes();
  }

  void line(List<Point> points, boolean closed) {
    double[] x = points.stream().mapToDouble(this::x).toArray();
    double[] y = points.stream().mapToDouble(this::y).toArray();
    if (closed) {
      g.strokePolygon(x, y, x.length);
    } else {
      g.strokePolyline(x, y, x.length);
    }
  }

  /**
   * @param r in view pixels
   */
  void circle(Point middle, double r) {
    g.strokeOval(x(middle) - r, y(middle) - r, 2 * r, 2 * r);
  }

  /**
   * @param r in view pixels
   */
  void arc(Point middle, double r, double from, double extent) {
    g.strokeArc(x(middle) - r, y(middle) - r, 2 * r, 2 * r, from, extent, ArcType.OPEN);
  }

  /** Radii in photograph pixels, the angle in degrees. */
  void oval(Point middle, double radiusX, double radiusY, double angle) {
    g.save();
    g.translate(x(middle), y(middle));
    g.rotate(angle);
    double w = radiusX * port.zoom();
    double h = radiusY * port.zoom();
    g.strokeOval(-w, -h, 2 * w, 2 * h);
    g.restore();
  }

  void cross(Point at) {
    double x = x(at);
    double y = y(at);
    twice(
        () -> {
          circle(at, 7);
          g.strokeLine(x, y - 12, x, y - 4);
          g.strokeLine(x, y + 4, x, y + 12);
          g.strokeLine(x - 12, y, x - 4, y);
          g.strokeLine(x + 4, y, x + 12, y);
        });
  }

  /** A small square, in view pixels around a place. */
  void square(Point at, double half) {
    g.strokeRect(x(at) - half, y(at) - half, 2 * half, 2 * half);
  }

  void handle(FaceHandles.Glyph glyph, Point at) {
    double x = x(at);
    double y = y(at);
    double r = 5;
    switch (glyph) {
      case ROUND -> circle(at, r);
      case DIAMOND ->
          g.strokePolygon(new double[] {x - r, x, x + r, x}, new double[] {y, y - r, y, y + r}, 4);
      case SQUARE -> square(at, r);
      case DOT -> circle(at, r / 2);
    }
  }

  /** Words that begin beside a place, by view pixels. */
  void label(String words, Point beside, double dx, double dy) {
    write(words, TextAlignment.LEFT, x(beside) + dx, y(beside) + dy);
  }

  /** Words with their middle under a place, by view pixels. */
  void caption(String words, Point over, double dy) {
    write(words, TextAlignment.CENTER, x(over), y(over) + dy);
  }

  private void write(String words, TextAlignment alignment, double x, double y) {
    g.setFont(FONT);
    g.setTextAlign(alignment);
    g.setLineWidth(DARK_WIDTH);
    g.setStroke(DARK);
    g.strokeText(words, x, y);
    g.setFill(LIGHT);
    g.fillText(words, x, y);
  }
}
