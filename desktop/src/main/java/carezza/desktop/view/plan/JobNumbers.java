package carezza.desktop.view.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
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
  private final List<Runnable> rows = new ArrayList<>();
  private String job = "";

  JobNumbers(AppState state) {
    this.state = state;
    setId("job-numbers");
    setContent(groups);
    setFitToWidth(true);
    setFocusTraversable(false);
  }

  /** Shows the numbers as they are now; the one that is being typed stays in hand. */
  void show() {
    Brief brief = state.document().project().brief();
    if (!brief.job().equals(job)) {
      job = brief.job();
      build();
    }
    rows.forEach(Runnable::run);
  }

  private void build() {
    rows.clear();
    Map<String, VBox> boxes = new LinkedHashMap<>();
    for (String name : JobLevel.of(job).numbers().keySet()) {
      String group = name.substring(0, name.indexOf('.'));
      boxes.computeIfAbsent(group, JobNumbers::box).getChildren().add(row(name));
    }
    groups.getChildren().setAll(boxes.values());
  }

  private double now(String name) {
    return JobLevel.of(state.document().project().brief()).number(name);
  }

  private static VBox box(String group) {
    Label title = new Label(PlanWords.group(group));
    title.getStyleClass().add("finding-title");
    VBox box = new VBox(3, title);
    box.setPrefWidth(TextSize.px(GROUP_WIDTH));
    return box;
  }

  private HBox row(String name) {
    Label words = new Label(PlanWords.limit(name));
    words.getStyleClass().add("row-value");
    words.setPrefWidth(TextSize.px(GROUP_WIDTH - FIELD_WIDTH - 34));
    TextField field = new TextField();
    field.setId("limit-" + name);
    field.getStyleClass().add("row-number");
    field.setAccessibleText(PlanWords.group(name.replaceAll("\\..*", "")) + ", " + words.getText());
    field.setPrefWidth(TextSize.px(FIELD_WIDTH));
    field.setMinWidth(TextSize.px(FIELD_WIDTH));
    field.setAlignment(Pos.CENTER_RIGHT);
    field.setOnAction(e -> take(name, field));
    field.focusedProperty().subscribe((was, is) -> leave(is, name, field));
    String shipped = written(JobLevel.of(job).number(name));
    Button back =
        Buttons.of(
            "limit-back-" + name,
            "",
            TEXTS.get("numbers.back", shipped),
            () -> state.plan().setLimit(name, null));
    back.setGraphic(Glyph.UNDO.node());
    back.setAccessibleText(TEXTS.get("numbers.back", shipped));
    back.getStyleClass().add("part-out");
    rows.add(
        () -> {
          String value = written(now(name));
          if (!field.isFocused() || !field.getText().equals(value)) {
            field.setText(value);
          }
          back.setVisible(!value.equals(shipped));
        });
    HBox row = new HBox(6, words, field, back);
    row.setAlignment(Pos.CENTER_LEFT);
    return row;
  }

  private void leave(boolean focused, String name, TextField field) {
    if (!focused) {
      take(name, field);
    }
  }

  /** What was typed; put back where it is no number. */
  private void take(String name, TextField field) {
    OptionalDouble typed = NumberRow.number(field.getText());
    String value = written(now(name));
    if (typed.isEmpty()) {
      field.setText(value);
    } else if (!written(typed.getAsDouble()).equals(value)) {
      state.plan().setLimit(name, typed.getAsDouble());
    }
  }

  private static String written(double value) {
    String said = String.format(Locale.ROOT, "%.3f", value);
    return said.replaceAll("0+$", "").replaceAll("\\.$", "");
  }
}
