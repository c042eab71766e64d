package carezza.desktop.app;

import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

import carezza.desktop.control.Buttons;

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
    getChildren()
        .addAll(
            heading,
            words,
            new HBox(
                8,
                Buttons.main(
                    "unsaved-save", "Save and go on", "Saves the project, then goes on", save),
                Buttons.of("unsaved-leave", "Give it up", "The work since the last save is gone", leave),
                Buttons.of("unsaved-stay", "Go back", "Nothing happens (Escape)", stay)));
  }
}
