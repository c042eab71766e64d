package carezza.desktop.app;

import java.nio.file.Path;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

import carezza.codec.PictureReader;
import carezza.desktop.control.Buttons;

/** Asks before a file is replaced. */
final class ReplaceSheet extends VBox {

  private static final double WIDTH = 460;

  ReplaceSheet(Path file, Runnable replace, Runnable keep) {
    super(14);
    setId("replace");
    setPrefWidth(WIDTH);
    Label heading = new Label(PictureReader.name(file) + " is there already");
    heading.getStyleClass().add("title");
    heading.setWrapText(true);
    Label words = new Label("In " + file.toAbsolutePath().getParent() + ". What it holds would be gone.");
    words.setWrapText(true);
    getChildren().addAll(heading, words, new HBox(
                8,
                Buttons.main(
                    "replace-no", "Keep it", "Nothing is written; pick another name (Escape)", keep),
                Buttons.of("replace-yes", "Replace it", "Writes over what is there", replace)));
  }
}
