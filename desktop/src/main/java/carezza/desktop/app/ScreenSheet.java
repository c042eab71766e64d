package carezza.desktop.app;

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

/** Names the profile of the display that the picture is shown on. */
final class ScreenSheet extends VBox {

  private static final double WIDTH = 560;

  private final TextField path = new TextField();
  private final Label wrong = new Label();

  /**
   * @param use takes the profile's file, or null for none; says what is wrong, or nothing
   */
  ScreenSheet(String known, java.util.function.Function<Path, String> use, Runnable done) {
    super(12);
    setId("screen");
    setPrefWidth(WIDTH);
    Label heading = new Label("The screen’s colours");
    heading.getStyleClass().add("title");
    Label words =
        new Label(
            "Without a profile the picture is shown as sRGB. Name the one that was measured for"
                + " this display (.icc), and the picture is shown through it.");
    words.setWrapText(true);
    path.setId("screen-path");
    path.setText(known);
    path.setPromptText("Profile of the display");
    HBox.setHgrow(path, Priority.ALWAYS);
    wrong.setId("screen-wrong");
    wrong.setWrapText(true);
    Button ok = button("screen-ok", "Use it", "Shows the picture through this profile", this::typed, use, done);
    ok.setDefaultButton(true);
    ok.getStyleClass().add("strong");
    Button none = button("screen-none", "Plain sRGB", "Shows the picture without a profile", () -> null, use, done);
    Button browse = new Button("Browse …");
    browse.setTooltip(new Tooltip("Pick the file in the system's own window"));
    browse.setOnAction(e -> browse(path::setText));
    getChildren().addAll(heading, words, new HBox(8, path, browse), wrong, new HBox(8, ok, none));
  }

  private Path typed() {
    return path.getText().isBlank() ? null : Path.of(path.getText().strip());
  }

  private Button button(
      String id,
      String words,
      String tip,
      java.util.function.Supplier<Path> file,
      java.util.function.Function<Path, String> use,
      Runnable done) {
    Button button = new Button(words);
    button.setId(id);
    button.setTooltip(new Tooltip(tip));
    button.setOnAction(
        e -> {
          String problem = use.apply(file.get());
          wrong.setText(problem);
          if (problem.isEmpty()) {
            done.run();
          }
        });
    return button;
  }

  private void browse(Consumer<String> take) {
    FileChooser chooser = new FileChooser();
    chooser.setTitle("The profile of the display");
    java.io.File picked = chooser.showOpenDialog(getScene().getWindow());
    if (picked != null) {
      take.accept(picked.getPath());
    }
  }
}
