package carezza.desktop.tool;

import java.util.Arrays;
import java.util.function.Supplier;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.shape.StrokeLineCap;
import javafx.scene.shape.StrokeLineJoin;

import org.jspecify.annotations.Nullable;

import carezza.desktop.state.Brush;
import carezza.desktop.state.Pen;
import carezza.desktop.state.ToolState;
import carezza.model.Point;
import carezza.model.Stroke;

/** The stroke that a brush is drawing, point by point with its pressure. */
final class StrokePath {

  private static final Color VEIL = Color.gray(1, 0.22);

  /** A new point of a stroke is usually taken after this share of the radius. */
  static final double SPACING = 0.12;

  private final ToolState tools;
  private final double spacing;
  private final Supplier<Long> nanos;
  private float[] points = new float[0];
  private long started;

  StrokePath(ToolState tools) {
    this(tools, SPACING, System::nanoTime);
  }

  /**
   * @param spacing share of the radius after which a point is taken
   */
  StrokePath(ToolState tools, double spacing) {
    this(tools, spacing, System::nanoTime);
  }

  /**
   * @param nanos a clock
   */
  StrokePath(ToolState tools, double spacing, Supplier<Long> nanos) {
    this.tools = tools;
    this.spacing = spacing;
    this.nanos = nanos;
  }

  void begin(Point at) {
    started = nanos.get();
    points = new float[0];
    tools.penProperty().get().down();
    extend(at);
  }

  boolean isEmpty() {
    return points.length == 0;
  }

  /** Goes on to a place; false if that is too near to count. */
  boolean goTo(Point at) {
    float dx = points[points.length - 4] - (float) at.x();
    float dy = points[points.length - 3] - (float) at.y();
    if (Math.hypot(dx, dy) < spacing * tools.brush().radius()
        || points.length / 4 >= Stroke.MOST_POINTS) {
      return false;
    }
    extend(at);
    return true;
  }

  private void extend(Point at) {
    int n = points.length;
    points = Arrays.copyOf(points, n + 4);
    points[n] = (float) at.x();
    points[n + 1] = (float) at.y();
    double seconds = (nanos.get() - started) / 1e9;
    Pen pen = tools.penProperty().get();
    points[n + 2] = (float) pen.pressure(at.x(), at.y(), seconds, tools.brush().radius());
    points[n + 3] = (float) seconds;
  }

  /** The stroke as far as it has come. */
  Stroke stroke() {
    return tools.brush().stroke(points, tools.erasingProperty().get());
  }

  /** The stroke as far as it has come, that adds whatever else is set. */
  Stroke adding() {
    return tools.brush().stroke(points, false);
  }

  void clear() {
    points = new float[0];
  }

  /** Shows the stroke at once, before its pixels are there, and the brush's ring. */
  void paint(Pencil pencil, @Nullable Point pointer) {
    Brush brush = tools.brush();
    if (points.length > 0) {
      GraphicsContext g = pencil.context();
      g.setStroke(VEIL);
      g.setLineWidth(2 * brush.radius() * pencil.zoom());
      g.setLineCap(StrokeLineCap.ROUND);
      g.setLineJoin(StrokeLineJoin.ROUND);
      g.beginPath();
      Point start = new Point(points[0], points[1]);
      g.moveTo(pencil.x(start), pencil.y(start));
      // A dab shows, too.
      g.lineTo(pencil.x(start) + 0.01, pencil.y(start));
      for (int i = 4; i < points.length; i += 4) {
        Point next = new Point(points[i], points[i + 1]);
        g.lineTo(pencil.x(next), pencil.y(next));
      }
      g.stroke();
    }
    if (pointer != null) {
      ring(pencil, pointer, brush);
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
}
