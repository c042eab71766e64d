package carezza.desktop.layer;

import java.util.Arrays;
import java.util.Objects;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;

import carezza.desktop.state.AppState;
import carezza.desktop.task.Lane;
import carezza.model.LayerStack;
import carezza.model.Mask.Quantity;
import carezza.model.Mask.Range;

/**
 * A range as a trapezoid over the histogram of its quantity in the layer's input: four points to drag,
 * and the plateau to drag as a whole.
 */
final class TrapezoidEditor extends Region {

  private static final double WIDTH = 256;
  private static final double HEIGHT = 96;
  private static final double TOP = 8;
  private static final double BASE = HEIGHT - 12;
  private static final double GRAB = 9;
  private static final int BINS = 128;

  private final AppState state;
  private final Supplier<Range> range;
  private final java.util.function.Consumer<UnaryOperator<Range>> change;
  private final Canvas canvas = new Canvas(WIDTH, HEIGHT);
  private final Lane counting;
  private double[] shares = new double[BINS];
  private LayerStack countedUnder;
  private Quantity counted;

  /** Which of the four points is held; 4 for the plateau, −1 for none. */
  private int held = -1;

  private double heldAt;
  private Range heldRange;

  /**
   * @param range the range shown, or null when it is gone
   * @param change changes it
   */
  TrapezoidEditor(
      AppState state,
      Supplier<Range> range,
      java.util.function.Consumer<UnaryOperator<Range>> change) {
    this.state = state;
    counting = state.tasks().droppable("histogram");
    this.range = range;
    this.change = change;
    setId("range");
    getChildren().add(canvas);
    setPrefSize(WIDTH, HEIGHT);
    setMinSize(WIDTH, HEIGHT);
    setMaxSize(WIDTH, HEIGHT);
    Tooltip.install(
        canvas,
        new Tooltip(
            "The lower points: where it begins and ends; the upper ones: where it is full. Drag"
                + " between them to move all"));
    canvas.setOnMousePressed(this::press);
    canvas.setOnMouseDragged(this::drag);
    canvas.setOnMouseReleased(
        e -> {
          held = -1;
          state.document().settle();
        });
  }

  /** Shows the range as it is now. */
  void refresh() {
    Range r = range.get();
    if (r == null) {
      return;
    }
    count(r.quantity());
    draw(r);
  }

  private void count(Quantity quantity) {
    String layer = state.selection().selected();
    LayerStack under = state.document().stack().lowest(Math.max(0, state.document().stack().indexOf(layer)));
    if (quantity == counted && Objects.equals(under, countedUnder)) {
      return;
    }
    counted = quantity;
    countedUnder = under;
    var session = state.document().session();
    var project = state.document().project();
    counting.newest(
        cancellation -> session.histogram(project, layer, quantity, BINS, cancellation),
        found -> {
          shares = found;
          refresh();
        },
        state.status()::fail);
  }

  private double x(double value, Range r) {
    return value / r.quantity().span() * WIDTH;
  }

  private void draw(Range r) {
    GraphicsContext g = canvas.getGraphicsContext2D();
    g.clearRect(0, 0, WIDTH, HEIGHT);
    g.setFill(Color.gray(0, 0.35));
    g.fillRect(0, TOP, WIDTH, BASE - TOP);
    double most = Arrays.stream(shares).max().orElse(0);
    g.setFill(Color.gray(0.75));
    for (int i = 0; most > 0 && i < BINS; i++) {
      double h = Math.sqrt(shares[i] / most) * (BASE - TOP);
      g.fillRect(i * WIDTH / BINS, BASE - h, WIDTH / BINS, h);
    }
    double[] px = {x(r.start(), r), x(r.full(), r), x(r.fullEnd(), r), x(r.end(), r)};
    double[] py = {BASE, TOP, TOP, BASE};
    g.setFill(Color.gray(1, 0.25));
    g.fillPolygon(px, py, 4);
    for (int pass = 0; pass < 2; pass++) {
      g.setStroke(pass == 0 ? Color.gray(0, 0.8) : Color.WHITE);
      g.setLineWidth(pass == 0 ? 3.5 : 1.5);
      g.strokePolyline(px, py, 4);
    }
    for (int i = 0; i < 4; i++) {
      g.setFill(Color.BLACK);
      g.fillOval(px[i] - 5, py[i] - 5, 10, 10);
      g.setFill(Color.WHITE);
      g.fillOval(px[i] - 3.5, py[i] - 3.5, 7, 7);
    }
  }

  private static double[] values(Range r) {
    return new double[] {r.start(), r.full(), r.fullEnd(), r.end()};
  }

  private void press(MouseEvent e) {
    Range r = range.get();
    if (r == null) {
      return;
    }
    double[] v = values(r);
    held = -1;
    double nearest = GRAB;
    for (int i = 0; i < 4; i++) {
      double y = i == 1 || i == 2 ? TOP : BASE;
      double d = Math.hypot(x(v[i], r) - e.getX(), (y - e.getY()) / 2);
      if (d < nearest) {
        nearest = d;
        held = i;
      }
    }
    if (held < 0 && e.getX() > x(v[0], r) && e.getX() < x(v[3], r)) {
      held = 4;
    }
    heldAt = e.getX();
    heldRange = r;
  }

  private void drag(MouseEvent e) {
    if (held < 0) {
      return;
    }
    Range was = heldRange;
    double by = (e.getX() - heldAt) / WIDTH * was.quantity().span();
    change.accept(r -> moved(was, held, by));
  }

  /** A point pushes its neighbours along; nothing leaves the quantity's span. */
  private static Range moved(Range was, int which, double by) {
    double span = was.quantity().span();
    double[] v = values(was);
    if (which == 4) {
      double d = Math.clamp(by, -v[0], span - v[3]);
      for (int i = 0; i < 4; i++) {
        v[i] += d;
      }
    } else {
      v[which] = Math.clamp(v[which] + by, 0, span);
      for (int i = which + 1; i < 4; i++) {
        v[i] = Math.max(v[i], v[which]);
      }
      for (int i = which - 1; i >= 0; i--) {
        v[i] = Math.min(v[i], v[which]);
      }
    }
    return new Range(was.quantity(), v[0], v[1], v[2], v[3]);
  }
}
