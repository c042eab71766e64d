package carezza.desktop.app;

import java.nio.file.Path;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

import carezza.codec.PictureReader;

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
    Button replacing = new Button("Replace it");
    replacing.setId("replace-yes");
    replacing.setTooltip(new Tooltip("Writes over what is there"));
    replacing.setOnAction(e -> replace.run());
    Button keeping = new Button("Keep it");
    keeping.setId("replace-no");
    keeping.setDefaultButton(true);
    keeping.getStyleClass().add("strong");
    keeping.setTooltip(new Tooltip("Nothing is written; pick another name (Escape)"));
    keeping.setOnAction(e -> keep.run());
    getChildren().addAll(heading, words, new HBox(8, keeping, replacing));
  }
}
