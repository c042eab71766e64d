package carezza.desktop.control;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.paint.Color;

import carezza.colour.MonotoneCurve;
import carezza.colour.MonotoneCurve.Point;
import carezza.desktop.text.Texts;

/**
 * A curve of the selected layer, on luminance or a channel: press to take up a point or set a new
 * one, drag it, double-click to take it away. Points never pass their neighbours, so the curve
 * always rises.
 */
public final class CurveEditor extends CanvasEditor {

  private static final Texts TEXTS = Texts.of("controls");

  private static final double SIZE = 220;
  private static final double GRAB = 12;
  private static final double GAP = 0.01;

  /** What an arrow bends by. */
  private static final double STEP = 0.01;

  private final Supplier<List<Point>> points;
  private final Consumer<List<Point>> change;
  private int held = -1;

  /** The point that keys move. */
  private int chosen;

  /**
   * @param points of the curve, from dark to light
   * @param change takes other points
   * @param settled runs when the hand lets go
   */
  public CurveEditor(Supplier<List<Point>> points, Consumer<List<Point>> change, Runnable settled) {
    super(
        SIZE,
        SIZE,
        TEXTS.get("curveEditor.curve-left-and-right-choose-a"),
        TEXTS.get("curveEditor.dark-left-to-light-right-drag"),
        settled);
    this.points = points;
    this.change = change;
    setId("curve");
  }

  private void set(List<Point> next) {
    change.accept(next);
  }

  private List<Point> points() {
    return points.get();
  }

  @Override
  boolean key(KeyEvent e) {
    List<Point> now = new ArrayList<>(points());
    chosen = Math.clamp(chosen, 0, now.size() - 1);
    switch (e.getCode()) {
      case LEFT -> chosen = Math.max(0, chosen - 1);
      case RIGHT -> chosen = Math.min(now.size() - 1, chosen + 1);
      case UP -> bend(now, STEP);
      case DOWN -> bend(now, -STEP);
      case DELETE -> {
        if (now.size() > 2) {
          now.remove(chosen);
          set(now);
        }
      }
      default -> {
        return false;
      }
    }
    return true;
  }

  private void bend(List<Point> now, double by) {
    Point p = now.get(chosen);
    double low = chosen == 0 ? 0 : now.get(chosen - 1).y();
    double high = chosen == now.size() - 1 ? 1 : now.get(chosen + 1).y();
    now.set(chosen, new Point(p.x(), Math.clamp(p.y() + by, low, high)));
    set(now);
  }

  @Override
  void press(MouseEvent e) {
    List<Point> now = new ArrayList<>(points());
    held = -1;
    for (int i = 0; i < now.size(); i++) {
      if (Math.hypot(px(now.get(i)) - e.getX(), py(now.get(i)) - e.getY()) < GRAB) {
        held = i;
      }
    }
    if (held >= 0 && e.getClickCount() == 2 && now.size() > 2) {
      now.remove(held);
      held = -1;
      set(now);
    } else if (held < 0) {
      double x = Math.clamp(e.getX() / SIZE, 0, 1);
      boolean free = now.stream().allMatch(p -> Math.abs(p.x() - x) > GAP);
      if (free) {
        held = (int) now.stream().filter(p -> p.x() < x).count();
        // What is computed may miss its neighbours by a last bit.
        double low = held == 0 ? 0 : now.get(held - 1).y();
        double high = held == now.size() ? 1 : now.get(held).y();
        now.add(held, new Point(x, Math.clamp(new MonotoneCurve(now).at(x), low, high)));
        set(now);
      }
    }
  }

  @Override
  void drag(MouseEvent e) {
    if (held < 0) {
      return;
    }
    List<Point> now = new ArrayList<>(points());
    double lowX = held == 0 ? 0 : now.get(held - 1).x() + GAP;
    double highX = held == now.size() - 1 ? 1 : now.get(held + 1).x() - GAP;
    double lowY = held == 0 ? 0 : now.get(held - 1).y();
    double highY = held == now.size() - 1 ? 1 : now.get(held + 1).y();
    now.set(
        held,
        new Point(
            Math.clamp(e.getX() / SIZE, lowX, highX),
            Math.clamp(1 - e.getY() / SIZE, lowY, highY)));
    set(now);
  }

  private static double px(Point p) {
    return p.x() * SIZE;
  }

  private static double py(Point p) {
    return (1 - p.y()) * SIZE;
  }

  @Override
  public void refresh() {
    GraphicsContext g = graphics();
    g.setFill(Color.gray(0.2));
    g.fillRect(0, 0, SIZE, SIZE);
    g.setStroke(Color.gray(0.34));
    g.setLineWidth(1);
    for (int i = 1; i < 4; i++) {
      g.strokeLine(i * SIZE / 4, 0, i * SIZE / 4, SIZE);
      g.strokeLine(0, i * SIZE / 4, SIZE, i * SIZE / 4);
    }
    g.strokeLine(0, SIZE, SIZE, 0);
    MonotoneCurve curve = new MonotoneCurve(points());
    g.setStroke(Color.WHITE);
    g.setLineWidth(1.6);
    g.beginPath();
    for (int x = 0; x <= SIZE; x++) {
      double y = (1 - Math.clamp(curve.at(x / SIZE), 0, 1)) * SIZE;
      if (x == 0) {
        g.moveTo(x, y);
      } else {
        g.lineTo(x, y);
      }
    }
    g.stroke();
    g.setFill(Color.WHITE);
    points().forEach(p -> g.fillRect(px(p) - 3.5, py(p) - 3.5, 7, 7));
    if (isFocused() && chosen < points().size()) {
      Point p = points().get(chosen);
      g.strokeRect(px(p) - 6.5, py(p) - 6.5, 13, 13);
    }
  }
}
