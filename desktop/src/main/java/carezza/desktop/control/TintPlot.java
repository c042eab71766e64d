package carezza.desktop.control;

import java.util.List;
import java.util.Locale;
import java.util.function.Supplier;
import javafx.beans.property.IntegerProperty;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.paint.Color;
import javafx.scene.shape.ArcType;

import carezza.colour.Lab;
import carezza.desktop.text.Texts;

/**
 * Several tints together on one plane of a* and b*, so that what stands against what is seen: drag
 * one to choose its hue and its strength.
 */
public final class TintPlot extends CanvasEditor {

  private static final Texts TEXTS = Texts.of("controls");

  private static final double SIZE = 200;
  private static final double MIDDLE = SIZE / 2;

  /** Below the plane, for the name and the values of the one that is chosen. */
  private static final double LINE = 18;

  /** Pixels of the rim that shows where hues lie. */
  private static final double RIM = 7;

  private static final double REACH = MIDDLE - RIM - 8;
  private static final double GRAB = 13;
  private static final double TURN = 2;
  private static final double RIM_STEP = 5;

  /**
   * One of the tints.
   *
   * @param name that is shown while it is chosen
   * @param lightness at which it is drawn
   */
  public record Handle(String name, double lightness, double hue, double chroma) {}

  /** Takes another hue and chroma for one of them. */
  @FunctionalInterface
  public interface Change {
    void to(int handle, double hue, double chroma);
  }

  private final double most;
  private final Supplier<List<Handle>> handles;
  private final IntegerProperty chosen;
  private final Change change;

  /**
   * @param most chroma at the rim
   * @param handles as they are now; none while there is nothing to show
   * @param chosen the one that is chosen, shared with what else shows it
   * @param settled runs when the hand lets go
   */
  public TintPlot(
      double most,
      Supplier<List<Handle>> handles,
      IntegerProperty chosen,
      Change change,
      Runnable settled) {
    super(SIZE, SIZE + LINE, TEXTS.get("tintPlot.tints"), TEXTS.get("tintPlot.tip"), settled);
    this.most = most;
    this.handles = handles;
    this.chosen = chosen;
    this.change = change;
    setId("tint-plot");
    chosen.subscribe(this::refresh);
  }

  private double x(Handle h) {
    return MIDDLE + radius(h) * Math.cos(Math.toRadians(h.hue()));
  }

  private double y(Handle h) {
    return MIDDLE - radius(h) * Math.sin(Math.toRadians(h.hue()));
  }

  private double radius(Handle h) {
    return Math.min(1, h.chroma() / most) * REACH;
  }

  @Override
  void press(MouseEvent e) {
    List<Handle> now = handles.get();
    double nearest = GRAB;
    int found = -1;
    for (int i = 0; i < now.size(); i++) {
      double away = Math.hypot(x(now.get(i)) - e.getX(), y(now.get(i)) - e.getY());
      // Of several in one place the chosen one is taken.
      if (away < nearest || away == nearest && i == chosen.get()) {
        nearest = away;
        found = i;
      }
    }
    if (found >= 0) {
      chosen.set(found);
    } else {
      drag(e);
    }
  }

  @Override
  void drag(MouseEvent e) {
    double dx = e.getX() - MIDDLE;
    double dy = MIDDLE - e.getY();
    double hue = (Math.toDegrees(Math.atan2(dy, dx)) + 360) % 360;
    to(hue, Math.min(1, Math.hypot(dx, dy) / REACH) * most);
  }

  private void to(double hue, double chroma) {
    int count = handles.get().size();
    if (count > 0) {
      change.to(Math.clamp(chosen.get(), 0, count - 1), hue, chroma);
      refresh();
    }
  }

  @Override
  boolean key(KeyEvent e) {
    List<Handle> now = handles.get();
    if (now.isEmpty()) {
      return false;
    }
    Handle own = now.get(Math.clamp(chosen.get(), 0, now.size() - 1));
    switch (e.getCode()) {
      case SPACE -> chosen.set((chosen.get() + 1) % now.size());
      case LEFT -> to((own.hue() + TURN) % 360, own.chroma());
      case RIGHT -> to((own.hue() - TURN + 360) % 360, own.chroma());
      case UP -> to(own.hue(), Math.min(most, own.chroma() + most / 60));
      case DOWN -> to(own.hue(), Math.max(0, own.chroma() - most / 60));
      case DELETE -> to(own.hue(), 0);
      default -> {
        return false;
      }
    }
    return true;
  }

  @Override
  public void refresh() {
    GraphicsContext g = graphics();
    g.setFill(Color.gray(0.2));
    g.fillRect(0, 0, SIZE, SIZE + LINE);
    rim(g);
    g.setStroke(Color.gray(0.36));
    g.setLineWidth(1);
    for (int i = 1; i <= 3; i++) {
      double r = REACH * i / 3;
      g.strokeOval(MIDDLE - r, MIDDLE - r, 2 * r, 2 * r);
    }
    g.strokeLine(MIDDLE, MIDDLE - REACH, MIDDLE, MIDDLE + REACH);
    g.strokeLine(MIDDLE - REACH, MIDDLE, MIDDLE + REACH, MIDDLE);
    List<Handle> now = handles.get();
    for (int i = 0; i < now.size(); i++) {
      if (i != chosen.get()) {
        draw(g, now.get(i), false);
      }
    }
    if (chosen.get() >= 0 && chosen.get() < now.size()) {
      Handle own = now.get(chosen.get());
      draw(g, own, true);
      g.setFill(Color.gray(0.82));
      g.fillText(
          String.format(Locale.ROOT, "%s  %.0f°  %.0f", own.name(), own.hue(), own.chroma()),
          6,
          SIZE + LINE - 6);
    }
  }

  private static void rim(GraphicsContext g) {
    double r = MIDDLE - RIM / 2 - 1;
    g.setLineWidth(RIM);
    for (double hue = 0; hue < 360; hue += RIM_STEP) {
      g.setStroke(ShadeStrip.colour(Lab.ofLch(62, 34, hue)));
      g.strokeArc(
          MIDDLE - r, MIDDLE - r, 2 * r, 2 * r, hue - RIM_STEP / 2, RIM_STEP + 0.5, ArcType.OPEN);
    }
  }

  private void draw(GraphicsContext g, Handle handle, boolean own) {
    double x = x(handle);
    double y = y(handle);
    g.setStroke(own ? Color.gray(0.85) : Color.gray(0.5));
    g.setLineWidth(1);
    g.strokeLine(MIDDLE, MIDDLE, x, y);
    g.setFill(ShadeStrip.colour(Lab.ofLch(handle.lightness(), handle.chroma(), handle.hue())));
    g.fillOval(x - 6, y - 6, 12, 12);
    g.setStroke(Color.BLACK);
    g.setLineWidth(own ? 4 : 3);
    g.strokeOval(x - 7, y - 7, 14, 14);
    g.setStroke(own ? Color.WHITE : Color.gray(0.62));
    g.setLineWidth(own ? 2 : 1.2);
    g.strokeOval(x - 7, y - 7, 14, 14);
  }
}
