package carezza.desktop.control;

import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.paint.Color;
import javafx.scene.shape.ArcType;

import carezza.colour.Lab;
import carezza.desktop.text.Texts;
import carezza.measure.ColourPlot;
import carezza.model.SkinToneEveningLayer.Target;
import carezza.model.SkinToneEveningLayer.Wedge;

/**
 * The colours that a layer gets, on the plane of a* and b*, with the range that it acts on as a
 * wedge: drag inside to turn it, near its sides to widen it, near its inner and outer arc to move
 * them.
 */
public final class HuePlot extends CanvasEditor {

  private static final Texts TEXTS = Texts.of("controls");

  private static final String COLOURS = TEXTS.get("huePlot.colours-of-this-picture-where-the");

  private static final double SIZE = 200;
  private static final double GRAB_DEGREES = 9;
  private static final double STEP_DEGREES = 2;
  private static final double GRAB_CHROMA = 3;

  private final Supplier<ColourPlot> plot;
  private final Supplier<Wedge> wedge;
  private final Supplier<Target> target;
  private final Consumer<Wedge> change;
  private Hold held = Hold.NONE;

  private enum Hold {
    NONE,
    TURN,
    WIDTH,
    INNER,
    OUTER
  }

  /**
   * @param plot the colours that are shown, or null while they are not known
   * @param wedge the range that is shown, or null for none
   * @param target a tone that is marked, or null
   * @param change takes another range
   * @param settled runs when the hand lets go
   */
  public HuePlot(
      Supplier<ColourPlot> plot,
      Supplier<Wedge> wedge,
      Supplier<Target> target,
      Consumer<Wedge> change,
      Runnable settled) {
    super(
        SIZE,
        SIZE,
        TEXTS.get("huePlot.range-of-hues-left-and-right"),
        COLOURS + TEXTS.get("huePlot.drag-the-wedge-its-sides-and"),
        settled);
    this.plot = plot;
    this.wedge = wedge;
    this.target = target;
    this.change = change;
    setId("hue-plot");
  }

  /** The colours alone, without a range. */
  public static HuePlot plain(Supplier<ColourPlot> colours) {
    HuePlot plain = new HuePlot(colours, () -> null, () -> null, w -> {}, () -> {});
    plain.tip(COLOURS);
    plain.setFocusTraversable(false);
    return plain;
  }

  @Override
  boolean key(KeyEvent e) {
    Wedge w = wedge.get();
    if (w == null) {
      return false;
    }
    switch (e.getCode()) {
      case LEFT -> change.accept(turned(w, STEP_DEGREES));
      case RIGHT -> change.accept(turned(w, -STEP_DEGREES));
      case UP -> change.accept(widened(w, STEP_DEGREES));
      case DOWN -> change.accept(widened(w, -STEP_DEGREES));
      default -> {
        return false;
      }
    }
    return true;
  }

  private static Wedge turned(Wedge w, double by) {
    return new Wedge((w.hue() + by + 360) % 360, w.width(), w.from(), w.to());
  }

  private static Wedge widened(Wedge w, double by) {
    return new Wedge(w.hue(), Math.clamp(w.width() + by, 5, 120), w.from(), w.to());
  }

  private static double x(double a) {
    return (a - ColourPlot.LOW) / (ColourPlot.HIGH - ColourPlot.LOW) * SIZE;
  }

  private static double y(double b) {
    return SIZE - x(b);
  }

  private static double value(double at) {
    return ColourPlot.LOW + at / SIZE * (ColourPlot.HIGH - ColourPlot.LOW);
  }

  private static double hue(MouseEvent e) {
    double h = Math.toDegrees(Math.atan2(value(SIZE - e.getY()), value(e.getX())));
    return h < 0 ? h + 360 : h;
  }

  private static double chroma(MouseEvent e) {
    return Math.hypot(value(SIZE - e.getY()), value(e.getX()));
  }

  @Override
  void press(MouseEvent e) {
    Wedge w = wedge.get();
    if (w == null) {
      return;
    }
    double off = Lab.hueDistance(hue(e), w.hue());
    double c = chroma(e);
    if (Math.abs(off - w.width()) < GRAB_DEGREES) {
      held = Hold.WIDTH;
    } else if (Math.abs(c - w.to()) < GRAB_CHROMA) {
      held = Hold.OUTER;
    } else if (Math.abs(c - w.from()) < GRAB_CHROMA) {
      held = Hold.INNER;
    } else {
      held = Hold.TURN;
    }
    drag(e);
  }

  @Override
  void release() {
    held = Hold.NONE;
  }

  @Override
  void drag(MouseEvent e) {
    Wedge w = wedge.get();
    if (w == null) {
      return;
    }
    switch (held) {
      case TURN -> change.accept(new Wedge(hue(e), w.width(), w.from(), w.to()));
      case WIDTH ->
          change.accept(
              new Wedge(
                  w.hue(), Math.clamp(Lab.hueDistance(hue(e), w.hue()), 5, 120), w.from(), w.to()));
      case INNER ->
          change.accept(
              new Wedge(w.hue(), w.width(), Math.clamp(chroma(e), 0, w.to() - 1), w.to()));
      case OUTER ->
          change.accept(
              new Wedge(w.hue(), w.width(), w.from(), Math.clamp(chroma(e), w.from() + 1, 80)));
      case NONE -> {
        // Nothing is held.
      }
    }
  }

  @Override
  public void refresh() {
    GraphicsContext g = graphics();
    g.setFill(Color.gray(0.2));
    g.fillRect(0, 0, SIZE, SIZE);
    g.setStroke(Color.gray(0.36));
    g.setLineWidth(1);
    g.strokeLine(x(0), 0, x(0), SIZE);
    g.strokeLine(0, y(0), SIZE, y(0));
    for (int c = 20; c <= 60; c += 20) {
      double r = x(c) - x(0);
      g.strokeOval(x(0) - r, y(0) - r, 2 * r, 2 * r);
    }
    Optional.ofNullable(plot.get()).ifPresent(p -> colours(g, p));
    Wedge w = wedge.get();
    if (w != null) {
      g.setStroke(Color.WHITE);
      g.setLineWidth(1.4);
      for (double c : new double[] {w.from(), w.to()}) {
        double r = x(c) - x(0);
        g.strokeArc(
            x(0) - r, y(0) - r, 2 * r, 2 * r, w.hue() - w.width(), 2 * w.width(), ArcType.OPEN);
      }
      for (double h : new double[] {w.hue() - w.width(), w.hue() + w.width()}) {
        double cos = Math.cos(Math.toRadians(h));
        double sin = Math.sin(Math.toRadians(h));
        g.strokeLine(x(w.from() * cos), y(w.from() * sin), x(w.to() * cos), y(w.to() * sin));
      }
    }
    Target t = target.get();
    if (t != null) {
      double a = x(t.chroma() * Math.cos(Math.toRadians(t.hue())));
      double b = y(t.chroma() * Math.sin(Math.toRadians(t.hue())));
      g.setStroke(Color.BLACK);
      g.setLineWidth(3);
      g.strokeOval(a - 5, b - 5, 10, 10);
      g.setStroke(Color.WHITE);
      g.setLineWidth(1.4);
      g.strokeOval(a - 5, b - 5, 10, 10);
    }
    g.setFill(Color.gray(0.75));
    g.fillText("b*", x(0) + 4, 12);
    g.fillText("a*", SIZE - 16, y(0) - 4);
  }

  private static void colours(GraphicsContext g, ColourPlot plot) {
    double step = SIZE / ColourPlot.SIDE;
    for (int row = 0; row < ColourPlot.SIDE; row++) {
      for (int column = 0; column < ColourPlot.SIDE; column++) {
        float share = plot.counts()[row * ColourPlot.SIDE + column];
        if (share > 0.004) {
          g.setFill(Color.gray(Math.min(0.92, 0.32 + 0.6 * Math.sqrt(share))));
          g.fillRect(column * step, SIZE - (row + 1) * step, step + 0.4, step + 0.4);
        }
      }
    }
  }
}
