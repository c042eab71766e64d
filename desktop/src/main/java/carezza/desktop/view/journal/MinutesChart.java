package carezza.desktop.view.journal;

import java.util.List;
import java.util.Locale;
import javafx.scene.AccessibleRole;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polyline;

import carezza.desktop.text.Texts;
import carezza.filter.RobustStatistics;

/**
 * Minutes of delivered pictures in the order they were delivered: a dot each, a line for the median
 * of up to five, dashes for that of all.
 */
final class MinutesChart extends Pane {

  private static final Texts TEXTS = Texts.of("journal");

  private static final int RUN = 5;
  private static final double MARGIN = 8;
  private static final double DOT = 3;

  private List<Double> minutes = List.of();

  MinutesChart() {
    setId("journal-chart");
    setMinSize(0, 110);
    setPrefHeight(110);
    setAccessibleRole(AccessibleRole.NODE);
  }

  void show(List<Double> each) {
    minutes = each;
    setAccessibleText(
        TEXTS.get(
            "chart.accessible",
            each.size(),
            String.format(Locale.ROOT, "%.1f", RobustStatistics.interpolated(each, 0.5))));
    draw();
  }

  @Override
  protected void layoutChildren() {
    super.layoutChildren();
    draw();
  }

  private void draw() {
    getChildren().clear();
    double base = getHeight() - MARGIN;
    Line floor = new Line(0, base, getWidth(), base);
    floor.getStyleClass().add("gauge-line");
    getChildren().add(floor);
    if (minutes.isEmpty() || getWidth() < 4 * MARGIN) {
      return;
    }
    double most = minutes.stream().mapToDouble(m -> m).max().orElse(1);
    double up = (base - MARGIN) / Math.max(1e-6, most);
    double step = (getWidth() - 2 * MARGIN) / Math.max(1, minutes.size() - 1);
    double middle = base - up * RobustStatistics.interpolated(minutes, 0.5);
    Line median = new Line(0, middle, getWidth(), middle);
    median.getStyleClass().addAll("gauge-line", "dashed");
    Polyline run = new Polyline();
    run.getStyleClass().add("chart-run");
    getChildren().addAll(median, run);
    for (int i = 0; i < minutes.size(); i++) {
      double x = MARGIN + i * step;
      List<Double> last = minutes.subList(Math.max(0, i - RUN + 1), i + 1);
      run.getPoints().addAll(x, base - up * RobustStatistics.interpolated(last, 0.5));
      Circle dot = new Circle(x, base - up * minutes.get(i), DOT);
      dot.getStyleClass().add("gauge-now");
      getChildren().add(dot);
    }
  }
}
