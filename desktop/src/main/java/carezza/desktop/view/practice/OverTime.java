package carezza.desktop.view.practice;

import java.util.List;
import javafx.scene.AccessibleRole;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polyline;

import carezza.desktop.text.Texts;
import carezza.record.PracticeResult;

/** Results one after another, the newest on the right. */
final class OverTime extends Pane {

  private static final Texts TEXTS = Texts.of("practice");

  private static final double MARGIN = 8;
  private static final double DOT = 3;
  private static final double HEIGHT = 84;

  private final List<PracticeResult> results;
  private final double most;

  /**
   * @param results of one exercise or quality, the oldest first
   */
  OverTime(List<PracticeResult> results) {
    this.results = results;
    boolean exercise =
        results.isEmpty() || results.getFirst().kind() == PracticeResult.Kind.EXERCISE;
    most =
        exercise
            ? 1
            : results.stream().mapToDouble(PracticeResult::value).max().orElseThrow() * 1.1;
    setMinSize(0, HEIGHT);
    setPrefHeight(HEIGHT);
    setMaxHeight(HEIGHT);
    setAccessibleRole(AccessibleRole.NODE);
    setAccessibleText(TEXTS.get("chart.accessible", results.size()));
  }

  @Override
  protected void layoutChildren() {
    getChildren().clear();
    double base = getHeight() - MARGIN;
    Line floor = new Line(0, base, getWidth(), base);
    floor.getStyleClass().add("gauge-line");
    getChildren().add(floor);
    double step = (getWidth() - 2 * MARGIN) / Math.max(1, results.size() - 1);
    Polyline line = new Polyline();
    line.getStyleClass().add("gauge-line");
    getChildren().add(line);
    for (int i = 0; i < results.size(); i++) {
      double x = MARGIN + (results.size() == 1 ? 0 : i * step);
      double y = base - (base - MARGIN) * results.get(i).value() / most;
      line.getPoints().addAll(x, y);
      Circle dot = new Circle(x, y, DOT);
      dot.getStyleClass().add("gauge-now");
      getChildren().add(dot);
    }
  }
}
