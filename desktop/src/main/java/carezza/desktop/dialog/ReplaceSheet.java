package carezza.desktop.dialog;

import java.nio.file.Path;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

import carezza.codec.PictureReader;
import carezza.desktop.control.Buttons;
import carezza.desktop.text.Texts;

/** Asks before a file is replaced. */
public final class ReplaceSheet extends VBox {

  private static final Texts TEXTS = Texts.of("app");

  private static final double WIDTH = 460;

  public ReplaceSheet(Path file, Runnable replace, Runnable keep) {
    super(14);
    setId("replace");
    setPrefWidth(WIDTH);
    Label heading = new Label(TEXTS.get("replaceSheet.is-there-already", PictureReader.name(file)));
    heading.getStyleClass().add("title");
    heading.setWrapText(true);
    Label words =
        new Label(
            TEXTS.get("replaceSheet.in-what-it-holds-would-be", file.toAbsolutePath().getParent()));
    words.setWrapText(true);
    getChildren()
        .addAll(
            heading,
            words,
            new HBox(
                8,
                Buttons.main(
                    "replace-no",
                    TEXTS.get("replaceSheet.keep-it"),
                    TEXTS.get("replaceSheet.nothing-is-written-pick-another-name"),
                    keep),
                Buttons.of(
                    "replace-yes",
                    TEXTS.get("replaceSheet.replace-it"),
                    TEXTS.get("replaceSheet.writes-over-what-is-there"),
                    replace)));
  }
}
