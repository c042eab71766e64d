package carezza.desktop.app;

import java.io.File;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;

/** Asks for a file by its path, typed or picked. */
final class PathSheet extends VBox {

  private static final double WIDTH = 560;

  private final TextField path = new TextField();
  private final Label wrong = new Label();

  /**
   * @param saving whether the file may be new
   */
  PathSheet(String title, String button, Path proposal, boolean saving, Consumer<Path> take) {
    super(12);
    setPrefWidth(WIDTH);
    Label heading = new Label(title);
    heading.getStyleClass().add("title");
    path.setId("path");
    path.setText(proposal == null ? "" : proposal.toString());
    path.setPromptText("Folder and name of the file");
    Button browse = new Button("Browse …");
    browse.setTooltip(new Tooltip("Pick the file in the system's own window"));
    browse.setOnAction(e -> browse(title, saving));
    Button ok = new Button(button);
    ok.setId("path-ok");
    ok.setDefaultButton(true);
    ok.setOnAction(e -> accept(take));
    HBox.setHgrow(path, Priority.ALWAYS);
    wrong.setWrapText(true);
    getChildren().addAll(heading, new HBox(8, path, browse), wrong, new HBox(8, ok));
  }

  private void accept(Consumer<Path> take) {
    try {
      if (path.getText().isBlank()) {
        wrong.setText("Name a file first.");
        return;
      }
      take.accept(Path.of(path.getText().strip()).toAbsolutePath());
    } catch (InvalidPathException e) {
      wrong.setText("This is no name for a file; use letters, digits and dots.");
    }
  }

  private void browse(String title, boolean saving) {
    FileChooser chooser = new FileChooser();
    chooser.setTitle(title);
    File picked =
        saving
            ? chooser.showSaveDialog(getScene().getWindow())
            : chooser.showOpenDialog(getScene().getWindow());
    if (picked != null) {
      path.setText(picked.getPath());
    }
  }
}
