package carezza.desktop.dialog;

import java.util.List;
import java.util.stream.IntStream;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.VBox;

import carezza.desktop.state.DocumentState;
import carezza.desktop.state.StepNames;
import carezza.desktop.text.Texts;
import carezza.model.Project;

/** The steps taken, as a list that can be walked: the picture follows the step that is chosen. */
public final class StepsSheet extends VBox {

  private static final Texts TEXTS = Texts.of("app");

  private static final double WIDTH = 380;
  private static final double HEIGHT = 420;

  public StepsSheet(DocumentState document) {
    super(10);
    setId("steps-sheet");
    setPrefWidth(WIDTH);
    Label heading = new Label(TEXTS.get("stepsSheet.steps"));
    heading.getStyleClass().add("title");
    List<Project> course = document.course();
    ListView<Integer> list = new ListView<>();
    list.setId("steps");
    list.setPrefHeight(HEIGHT);
    list.setAccessibleText(TEXTS.get("stepsSheet.steps"));
    list.getItems().addAll(IntStream.range(0, course.size()).boxed().toList());
    list.setCellFactory(
        view ->
            new ListCell<>() {
              @Override
              protected void updateItem(Integer place, boolean empty) {
                super.updateItem(place, empty);
                setText(
                    empty || place == null
                        ? null
                        : place == 0
                            ? TEXTS.get("stepsSheet.as-it-was-opened")
                            : StepNames.of(course.get(place - 1), course.get(place)));
              }
            });
    list.getSelectionModel().select(document.steps());
    list.scrollTo(Math.max(0, document.steps() - 6));
    list.getSelectionModel()
        .selectedItemProperty()
        .subscribe(
            (was, is) -> {
              if (is != null) {
                document.walkTo(is);
              }
            });
    Label hint = new Label(TEXTS.get("stepsSheet.arrows-walk-escape-stays-where-you"));
    hint.getStyleClass().add("hint");
    hint.setWrapText(true);
    getChildren().addAll(heading, list, hint);
  }
}
