package carezza.desktop.layer;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;

import carezza.colour.MonotoneCurve;
import carezza.colour.MonotoneCurve.Point;
import carezza.desktop.state.AppState;
import carezza.model.CurveLayer;
import carezza.model.CurveLayer.Channel;

/**
 * A curve of the selected layer, on luminance or a channel: press to take up a point or set a new one, drag it,
 * double-click to take it away. Points never pass their neighbours, so the curve always rises.
 */
final class CurveEditor extends Region {

  private static final double SIZE = 220;
  private static final double GRAB = 12;
  private static final double GAP = 0.01;

  private final AppState state;
  private final Canvas canvas = new Canvas(SIZE, SIZE);
  private int held = -1;

  CurveEditor(AppState state) {
    this.state = state;
    setId("curve");
    getChildren().add(canvas);
    setPrefSize(SIZE, SIZE);
    setMinSize(SIZE, SIZE);
    Tooltip.install(
        canvas,
        new Tooltip("Dark left to light right; drag to bend, double-click a point to drop it"));
    canvas.setOnMousePressed(this::press);
    canvas.setOnMouseDragged(this::drag);
    canvas.setOnMouseReleased(e -> state.document().settle());
  }

  /** Buttons for what the curve is on. */
  HBox channels() {
    HBox row = new HBox(6);
    ToggleGroup group = new ToggleGroup();
    for (Channel each : Channel.values()) {
      String name = each.name().charAt(0) + each.name().substring(1).toLowerCase(Locale.ROOT);
      ToggleButton button = new ToggleButton(name);
      button.setId("channel-" + name.toLowerCase(Locale.ROOT));
      button.setToggleGroup(group);
      button.setSelected(each == state.tools().curveChannelProperty().get());
      button.setOnAction(
          e -> {
            state.tools().curveChannelProperty().set(each);
            button.setSelected(true);
            refresh();
          });
      row.getChildren().add(button);
    }
    return row;
  }

  private List<Point> points() {
    return state.selection().layer()
        .filter(CurveLayer.class::isInstance)
        .map(l -> ((CurveLayer) l).of(state.tools().curveChannelProperty().get()))
        .orElse(List.of(new Point(0, 0), new Point(1, 1)));
  }

  private void set(List<Point> points) {
    state.selection().edit(
        "curve", l -> ((CurveLayer) l).with(state.tools().curveChannelProperty().get(), points));
  }

  private void press(MouseEvent e) {
    List<Point> points = new ArrayList<>(points());
    held = -1;
    for (int i = 0; i < points.size(); i++) {
      if (Math.hypot(px(points.get(i)) - e.getX(), py(points.get(i)) - e.getY()) < GRAB) {
        held = i;
      }
    }
    if (held >= 0 && e.getClickCount() == 2 && points.size() > 2) {
      points.remove(held);
      held = -1;
      set(points);
    } else if (held < 0) {
      double x = Math.clamp(e.getX() / SIZE, 0, 1);
      boolean free = points.stream().allMatch(p -> Math.abs(p.x() - x) > GAP);
      if (free) {
        Point fresh = new Point(x, Math.clamp(new MonotoneCurve(points).at(x), 0, 1));
        points.add(fresh);
        points.sort(Comparator.comparingDouble(Point::x));
        held = points.indexOf(fresh);
        set(points);
      }
    }
  }

  private void drag(MouseEvent e) {
    if (held < 0) {
      return;
    }
    List<Point> points = new ArrayList<>(points());
    double lowX = held == 0 ? 0 : points.get(held - 1).x() + GAP;
    double highX = held == points.size() - 1 ? 1 : points.get(held + 1).x() - GAP;
    double lowY = held == 0 ? 0 : points.get(held - 1).y();
    double highY = held == points.size() - 1 ? 1 : points.get(held + 1).y();
    points.set(
        held,
        new Point(
            Math.clamp(e.getX() / SIZE, lowX, highX),
            Math.clamp(1 - e.getY() / SIZE, lowY, highY)));
    set(points);
  }

  private static double px(Point p) {
    return p.x() * SIZE;
  }

  private static double py(Point p) {
    return (1 - p.y()) * SIZE;
  }

  void refresh() {
    GraphicsContext g = canvas.getGraphicsContext2D();
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
  }
}
