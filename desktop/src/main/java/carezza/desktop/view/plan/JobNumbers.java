package carezza.desktop.view.plan;

import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

import carezza.desktop.control.Buttons;
import carezza.desktop.control.NumberRow;
import carezza.desktop.state.AppState;
import carezza.desktop.style.Glyph;
import carezza.desktop.style.TextSize;
import carezza.desktop.text.PlanWords;
import carezza.desktop.text.Texts;
import carezza.job.JobLevel;
import carezza.model.Brief;

/**
 * The numbers of the job in hand: each can be changed for this project and those that follow, and
 * put back.
 */
final class JobNumbers extends ScrollPane {

  private static final Texts TEXTS = Texts.of("plan");

  private static final double GROUP_WIDTH = 210;
  private static final double FIELD_WIDTH = 62;

  private final AppState state;
  private final FlowPane groups = new FlowPane(20, 10);
  private Brief shown = Brief.USUAL;

  JobNumbers(AppState state) {
    this.state = state;
    setId("job-numbers");
    setContent(groups);
    setFitToWidth(true);
    setFocusTraversable(false);
    build();
  }

  /** Shows the numbers as they are now. */
  void show() {
    Brief brief = state.document().project().brief();
    if (!brief.job().equals(shown.job()) || !brief.limits().equals(shown.limits())) {
      shown = brief;
      build();
    }
  }

  private void build() {
    groups.getChildren().clear();
    Map<String, VBox> boxes = new LinkedHashMap<>();
    JobLevel shipped = JobLevel.of(shown.job());
    JobLevel.of(shown)
        .numbers()
        .forEach(
            (name, value) -> {
              String group = name.substring(0, name.indexOf('.'));
              VBox box = boxes.computeIfAbsent(group, JobNumbers::box);
              box.getChildren().add(row(name, value, shipped.number(name)));
            });
    groups.getChildren().setAll(boxes.values());
  }

  private static VBox box(String group) {
    Label title = new Label(PlanWords.group(group));
    title.getStyleClass().add("finding-title");
    VBox box = new VBox(3, title);
    box.setPrefWidth(TextSize.px(GROUP_WIDTH));
    return box;
  }

  private HBox row(String name, double value, double shipped) {
    Label words = new Label(PlanWords.limit(name));
    words.getStyleClass().add("row-value");
    words.setPrefWidth(TextSize.px(GROUP_WIDTH - FIELD_WIDTH - 34));
    TextField field = new TextField(written(value));
    field.setId("limit-" + name);
    field.getStyleClass().addAll("row-number", NumberRow.LEFT_ON_ENTER);
    field.setAccessibleText(PlanWords.group(name.replaceAll("\\..*", "")) + ", " + words.getText());
    field.setPrefWidth(TextSize.px(FIELD_WIDTH));
    field.setMinWidth(TextSize.px(FIELD_WIDTH));
    field.setAlignment(Pos.CENTER_RIGHT);
    field.setOnAction(e -> take(name, field, value));
    field.focusedProperty().subscribe((was, is) -> leave(is, name, field, value));
    HBox row = new HBox(6, words, field);
    row.setAlignment(Pos.CENTER_LEFT);
    if (value != shipped) {
      Button back =
          Buttons.of(
              "limit-back-" + name,
              "",
              TEXTS.get("numbers.back", written(shipped)),
              () -> state.plan().setLimit(name, null));
      back.setGraphic(Glyph.UNDO.node());
      back.setAccessibleText(TEXTS.get("numbers.back", written(shipped)));
      back.getStyleClass().add("part-out");
      row.getChildren().add(back);
    }
    return row;
  }

  private void leave(boolean focused, String name, TextField field, double value) {
    if (!focused) {
      take(name, field, value);
    }
  }

  private void take(String name, TextField field, double value) {
    OptionalDouble typed = NumberRow.number(field.getText());
    if (typed.isEmpty()) {
      field.setText(written(value));
    } else if (!written(typed.getAsDouble()).equals(written(value))) {
      state.plan().setLimit(name, typed.getAsDouble());
    }
  }

  private static String written(double value) {
    String said = String.format(Locale.ROOT, "%.3f", value);
    return said.replaceAll("0+$", "").replaceAll("\\.$", "");
  }
}
