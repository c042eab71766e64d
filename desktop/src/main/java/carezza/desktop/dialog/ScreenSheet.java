package carezza.desktop.dialog;

import java.io.File;
import java.nio.file.Path;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;

import org.jspecify.annotations.Nullable;

import carezza.desktop.control.Buttons;
import carezza.desktop.text.Texts;

/** Names the profile of the display that the picture is shown on. */
public final class ScreenSheet extends VBox {

  private static final Texts TEXTS = Texts.of("app");

  private static final double WIDTH = 560;

  private final TextField path = new TextField();
  private final Label wrong = new Label();

  /**
   * @param use takes the profile's file, or null for none; says what is wrong, or nothing
   */
  public ScreenSheet(String known, Function<Path, String> use, Runnable done) {
    super(12);
    setId("screen");
    setPrefWidth(WIDTH);
    Label heading = new Label(TEXTS.get("screenSheet.the-screen-s-colours"));
    heading.getStyleClass().add("title");
    Label words = new Label(TEXTS.get("screenSheet.without-a-profile-the-picture-is"));
    words.setWrapText(true);
    path.setId("screen-path");
    path.setText(known);
    path.setPromptText(TEXTS.get("screenSheet.profile-of-the-display"));
    HBox.setHgrow(path, Priority.ALWAYS);
    wrong.setId("screen-wrong");
    wrong.setWrapText(true);
    Button ok =
        Buttons.main(
            "screen-ok",
            TEXTS.get("screenSheet.use-it"),
            TEXTS.get("screenSheet.shows-the-picture-through-this-profile"),
            () -> use(typed(), use, done));
    Button none =
        Buttons.of(
            "screen-none",
            TEXTS.get("screenSheet.plain-srgb"),
            TEXTS.get("screenSheet.shows-the-picture-without-a-profile"),
            () -> use(null, use, done));
    Button browse = new Button(TEXTS.get("screenSheet.browse"));
    browse.setTooltip(new Tooltip(TEXTS.get("screenSheet.pick-the-file-in-the-systems")));
    browse.setOnAction(e -> browse(path::setText));
    getChildren().addAll(heading, words, new HBox(8, path, browse), wrong, new HBox(8, ok, none));
  }

  private @Nullable Path typed() {
    return path.getText().isBlank() ? null : Path.of(path.getText().strip());
  }

  private void use(@Nullable Path file, Function<Path, String> use, Runnable done) {
    String problem = use.apply(file);
    wrong.setText(problem);
    if (problem.isEmpty()) {
      done.run();
    }
  }

  private void browse(Consumer<String> take) {
    FileChooser chooser = new FileChooser();
    chooser.setTitle(TEXTS.get("screenSheet.the-profile-of-the-display"));
    File picked = chooser.showOpenDialog(getScene().getWindow());
    if (picked != null) {
      take.accept(picked.getPath());
    }
  }
}
