package carezza.desktop.control;

import java.util.List;
import java.util.function.Supplier;
import javafx.beans.property.IntegerProperty;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.paint.Color;

import carezza.colour.Lab;
import carezza.desktop.text.Texts;

/**
 * Colours from dark to light under the tones of the picture, with a mark under each stop: press a
 * mark to choose it, drag it along, drag it off to drop it; press between marks to add one.
 */
public final class StopStrip extends CanvasEditor {

  private static final Texts TEXTS = Texts.of("controls");

  private static final double WIDTH = 256;
  private static final double TONES = 44;
  private static final double BAND = 22;
  private static final double MARKS = 13;
  private static final double HEIGHT = TONES + BAND + MARKS;
  private static final double GRAB = 8;

  /** Pixels beyond the strip at which a mark that is dragged drops off. */
  private static final double OFF = 26;

  /** Nearest that two stops come to each other. */
  public static final double GAP = 0.005;

  private static final double STEP = 0.01;

  /** How stops are kept; their colours go along. */
  public interface Stops {
    List<Double> positions();

    Lab colour(double position);

    /** One more at a position, with the colour that is there. */
    void add(double position);

    void move(int stop, double position);

    void drop(int stop);

    /** Most that there can be. */
    int most();
  }

  private final Supplier<Stops> stops;
  private final IntegerProperty chosen;
  private double[] shares = new double[0];
  private boolean held;
  private boolean off;

  /**
   * @param stops as they are now, or null for none
   * @param chosen the stop that is chosen, shared with what shows its colour
   * @param settled runs when the hand lets go
   */
  public StopStrip(Supplier<Stops> stops, IntegerProperty chosen, Runnable settled) {
    super(WIDTH, HEIGHT, TEXTS.get("stopStrip.stops"), TEXTS.get("stopStrip.tip"), settled);
    this.stops = stops;
    this.chosen = chosen;
    setId("stops");
  }

  /**
   * @param counts shares of the picture by lightness, in even bins
   */
  public void show(double[] counts) {
    shares = counts.clone();
    refresh();
  }

  @Override
  void press(MouseEvent e) {
    Stops now = stops.get();
    if (now == null) {
      return;
    }
    int near = nearest(now.positions(), e.getX());
    held = Math.abs(now.positions().get(near) * WIDTH - e.getX()) < GRAB;
    if (held) {
      chosen.set(near);
    } else if (now.positions().size() < now.most()) {
      double position = Math.clamp(e.getX() / WIDTH, 0, 1);
      now.add(position);
      chosen.set((int) now.positions().stream().filter(p -> p < position).count());
      held = true;
    }
    refresh();
  }

  @Override
  void release() {
    if (held && off) {
      drop();
    }
    held = false;
    off = false;
  }

  private void drop() {
    Stops now = stops.get();
    int left = now.positions().size() - 1;
    now.drop(Math.clamp(chosen.get(), 0, left));
    chosen.set(Math.clamp(chosen.get(), 0, left - 1));
  }

  private static int nearest(List<Double> positions, double x) {
    int near = 0;
    for (int i = 1; i < positions.size(); i++) {
      if (Math.abs(positions.get(i) * WIDTH - x) < Math.abs(positions.get(near) * WIDTH - x)) {
        near = i;
      }
    }
    return near;
  }

  @Override
  void drag(MouseEvent e) {
    Stops now = stops.get();
    if (!held || now == null) {
      return;
    }
    boolean beyond = e.getY() < -OFF || e.getY() > HEIGHT + OFF;
    off = beyond && now.positions().size() > 2;
    if (off) {
      refresh();
    } else {
      move(now, e.getX() / WIDTH);
    }
  }

  private void move(Stops now, double position) {
    List<Double> at = now.positions();
    int i = Math.clamp(chosen.get(), 0, at.size() - 1);
    double low = i == 0 ? 0 : at.get(i - 1) + GAP;
    double high = i == at.size() - 1 ? 1 : at.get(i + 1) - GAP;
    if (low <= high) {
      now.move(i, Math.clamp(position, low, high));
    }
  }

  @Override
  boolean key(KeyEvent e) {
    Stops now = stops.get();
    if (now == null) {
      return false;
    }
    List<Double> at = now.positions();
    int i = Math.clamp(chosen.get(), 0, at.size() - 1);
    switch (e.getCode()) {
      case LEFT, RIGHT -> {
        int way = e.getCode() == KeyCode.LEFT ? -1 : 1;
        if (e.isShiftDown()) {
          move(now, at.get(i) + way * STEP);
        } else {
          chosen.set(Math.clamp(i + way, 0, at.size() - 1));
        }
      }
      case DELETE -> {
        if (at.size() > 2) {
          drop();
        }
      }
      case INSERT -> {
        int next = Math.min(i, at.size() - 2);
        if (at.size() < now.most()) {
          now.add((at.get(next) + at.get(next + 1)) / 2);
          chosen.set(next + 1);
        }
      }
      default -> {
        return false;
      }
    }
    return true;
  }

  @Override
  public void refresh() {
    GraphicsContext g = graphics();
    g.clearRect(0, 0, WIDTH, HEIGHT);
    g.setFill(Color.gray(0.2));
    g.fillRect(0, 0, WIDTH, TONES);
    tones(g);
    Stops now = stops.get();
    if (now == null) {
      return;
    }
    for (int x = 0; x < WIDTH; x++) {
      g.setFill(ShadeStrip.colour(now.colour(x / (WIDTH - 1))));
      g.fillRect(x, TONES, 1, BAND);
    }
    List<Double> marks = now.positions();
    for (int i = 0; i < marks.size(); i++) {
      boolean own = i == Math.min(chosen.get(), marks.size() - 1);
      double x = Math.clamp(marks.get(i) * WIDTH, 5, WIDTH - 5);
      double top = TONES + BAND + 1;
      double[] xs = {x, x + 5, x + 5, x - 5, x - 5};
      double[] ys = {top, top + 5, HEIGHT - 1, HEIGHT - 1, top + 5};
      g.setFill(ShadeStrip.colour(now.colour(marks.get(i))));
      g.setGlobalAlpha(own && off ? 0.25 : 1);
      g.fillPolygon(xs, ys, 5);
      g.setStroke(own ? Color.WHITE : Color.gray(0.5));
      g.setLineWidth(own ? 1.8 : 1);
      g.strokePolygon(xs, ys, 5);
      g.setGlobalAlpha(1);
    }
  }

  private void tones(GraphicsContext g) {
    double most = 0;
    for (double share : shares) {
      most = Math.max(most, Math.sqrt(share));
    }
    g.setFill(Color.gray(0.5));
    for (int i = 0; most > 0 && i < shares.length; i++) {
      double h = Math.sqrt(shares[i]) / most * (TONES - 4);
      g.fillRect(i * WIDTH / shares.length, TONES - h, WIDTH / shares.length, h);
    }
  }
}
