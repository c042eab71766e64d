package carezza.desktop.control;

import java.util.Arrays;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.paint.Color;

import org.jspecify.annotations.Nullable;

import carezza.desktop.text.Texts;
import carezza.model.Mask.Quantity;
import carezza.model.Mask.Range;

/**
 * A range as a trapezoid over the histogram of its quantity in the layer's input: four points to
 * drag, and the plateau to drag as a whole.
 */
public final class TrapezoidEditor extends CanvasEditor {

  private static final Texts TEXTS = Texts.of("controls");

  private static final double WIDTH = 256;
  private static final double HEIGHT = 96;
  private static final double TOP = 8;
  private static final double BASE = HEIGHT - 12;
  private static final double GRAB = 9;

  /** Bins of the histogram. */
  public static final int BINS = 128;

  private final Supplier<Range> range;
  private final Consumer<UnaryOperator<Range>> change;
  private final BiConsumer<Quantity, Consumer<double[]>> wanted;
  private double[] shares = new double[BINS];

  /** The point that keys move; 4 for all of them. */
  private int chosen = 4;

  /** Which of the four points is held; 4 for the plateau, −1 for none. */
  private int held = -1;

  private double heldAt;
  private @Nullable Range heldRange;

  /**
   * @param range the range shown, or null when it is gone
   * @param change changes it
   * @param settled runs when the hand lets go
   * @param wanted is asked for the histogram of a quantity, which {@link #show} then takes
   */
  public TrapezoidEditor(
      Supplier<Range> range,
      Consumer<UnaryOperator<Range>> change,
      Runnable settled,
      BiConsumer<Quantity, Consumer<double[]>> wanted) {
    super(
        WIDTH,
        HEIGHT,
        TEXTS.get("trapezoidEditor.range-up-and-down-choose-a"),
        TEXTS.get("trapezoidEditor.the-lower-points-where-it-begins"),
        settled);
    this.wanted = wanted;
    this.range = range;
    this.change = change;
    setId("range");
  }

  @Override
  public void refresh() {
    Range r = range.get();
    if (r == null) {
      return;
    }
    wanted.accept(r.quantity(), this::show);
    draw(r);
  }

  /**
   * @param counts shares in {@link #BINS} bins
   */
  public void show(double[] counts) {
    shares = counts;
    Range r = range.get();
    if (r != null) {
      draw(r);
    }
  }

  @Override
  boolean key(KeyEvent e) {
    Range r = range.get();
    if (r == null) {
      return false;
    }
    double step = r.quantity().span() / 100;
    int which = chosen;
    switch (e.getCode()) {
      case LEFT -> change.accept(now -> moved(now, which, -step));
      case RIGHT -> change.accept(now -> moved(now, which, step));
      case UP -> chosen = (chosen + 1) % 5;
      case DOWN -> chosen = (chosen + 4) % 5;
      default -> {
        return false;
      }
    }
    return true;
  }

  private double x(double value, Range r) {
    return value / r.quantity().span() * WIDTH;
  }

  private void draw(Range r) {
    GraphicsContext g = graphics();
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
      if (isFocused() && (i == chosen || chosen == 4)) {
        g.strokeOval(px[i] - 6.5, py[i] - 6.5, 13, 13);
      }
    }
  }

  private static double[] values(Range r) {
    return new double[] {r.start(), r.full(), r.fullEnd(), r.end()};
  }

  @Override
  void press(MouseEvent e) {
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

  @Override
  void release() {
    held = -1;
  }

  @Override
  void drag(MouseEvent e) {
    Range was = heldRange;
    if (held < 0 || was == null) {
      return;
    }
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
