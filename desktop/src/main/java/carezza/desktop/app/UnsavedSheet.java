package carezza.desktop.app;

import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** Asks what becomes of unsaved work before something else takes its place. */
final class UnsavedSheet extends VBox {

  private static final double WIDTH = 460;

  UnsavedSheet(String title, Runnable save, Runnable leave, Runnable stay) {
    super(14);
    setId("unsaved");
    setPrefWidth(WIDTH);
    Label heading = new Label("“" + title + "” has work that is not saved");
    heading.getStyleClass().add("title");
    heading.setWrapText(true);
    Label words = new Label("Save it first, give it up for good, or go back to it.");
    words.setWrapText(true);
    Button saving = button("unsaved-save", "Save and go on", "Saves the project, then goes on", save);
    saving.setDefaultButton(true);
    saving.getStyleClass().add("strong");
    getChildren()
        .addAll(
            heading,
            words,
            new HBox(
                8,
                saving,
                button("unsaved-leave", "Give it up", "The work since the last save is gone", leave),
                button("unsaved-stay", "Go back", "Nothing happens (Escape)", stay)));
  }

  private static Button button(String id, String words, String tip, Runnable action) {
    Button button = new Button(words);
    button.setId(id);
    button.setTooltip(new Tooltip(tip));
    button.setOnAction(e -> action.run());
    return button;
  }
}
