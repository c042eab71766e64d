package carezza.desktop.control;

import java.util.Locale;
import javafx.scene.AccessibleRole;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polyline;

import carezza.desktop.text.Texts;

/**
 * A gauge's sign: a line, brackets for its band, a hollow mark for before, a full one for now. Its
 * colours are the style sheet's, so it is read on any grey.
 */
public final class GaugeBar extends Pane {

  private static final Texts TEXTS = Texts.of("controls");

  private static final double HEIGHT = 12;
  private static final double MARGIN = 4;
  private static final double BRACKET = 3;
  private static final double BEFORE_RADIUS = 3;
  private static final double NOW_RADIUS = 3.5;

  /** Share of what is shown that is added at both ends. */
  private static final double ROOM = 0.12;

  private final double start;
  private final double scale;

  /**
   * @param width in pixels
   * @param low of the band; infinite for none
   * @param high of the band; infinite for none
   */
  public GaugeBar(double width, double before, double now, double low, double high) {
    double from = Double.isInfinite(low) ? Math.min(before, now) : low;
    double to = Double.isInfinite(high) ? Math.max(before, now) : high;
    double least = Math.min(from, Math.min(before, now));
    double most = Math.max(to, Math.max(before, now));
    double room = Math.max(1e-6, most - least) * ROOM;
    start = least - room;
    scale = (width - 2 * MARGIN) / (most - least + 2 * room);
    setMinSize(width, HEIGHT);
    setPrefSize(width, HEIGHT);
    setMaxSize(width, HEIGHT);
    setAccessibleRole(AccessibleRole.NODE);
    setAccessibleText(
        String.format(
            Locale.ROOT, TEXTS.get("gaugeBar.before-now-band-to"), before, now, low, high));
    double middle = HEIGHT / 2;
    Line line = new Line(0, middle, width, middle);
    line.getStyleClass().add("gauge-line");
    getChildren().add(line);
    bracket(place(from), BRACKET);
    bracket(place(to), -BRACKET);
    Circle hollow = new Circle(place(before), middle, BEFORE_RADIUS);
    hollow.getStyleClass().add("gauge-before");
    Circle full = new Circle(place(now), middle, NOW_RADIUS);
    full.getStyleClass().add("gauge-now");
    getChildren().addAll(hollow, full);
  }

  /** Where a value stands, in pixels from the left. */
  double place(double value) {
    return MARGIN + (value - start) * scale;
  }

  private void bracket(double x, double inwards) {
    Polyline bracket = new Polyline(x + inwards, 1, x, 1, x, HEIGHT - 1, x + inwards, HEIGHT - 1);
    bracket.getStyleClass().add("gauge-band");
    getChildren().add(bracket);
  }
}
