package carezza.desktop.dialog;

import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

import org.jspecify.annotations.Nullable;

import carezza.desktop.control.Buttons;
import carezza.desktop.text.Texts;

/** Asks what becomes of unsaved work before something else takes its place. */
public final class UnsavedSheet extends VBox {

  private static final Texts TEXTS = Texts.of("app");

  private static final double WIDTH = 520;

  /**
   * @param aside keeps the work open while another document is at work; null where that cannot be
   */
  public UnsavedSheet(
      String title, Runnable save, Runnable leave, @Nullable Runnable aside, Runnable stay) {
    super(14);
    setId("unsaved");
    setPrefWidth(WIDTH);
    Label heading = new Label(TEXTS.get("unsavedSheet.has-work-that-is-not-saved", title));
    heading.getStyleClass().add("title");
    heading.setWrapText(true);
    Label words =
        new Label(
            aside == null
                ? TEXTS.get("unsavedSheet.save-it-first-give-it-up")
                : TEXTS.get("unsavedSheet.save-it-put-it-aside"));
    words.setWrapText(true);
    HBox row =
        new HBox(
            8,
            Buttons.main(
                "unsaved-save",
                TEXTS.get("unsavedSheet.save-and-go-on"),
                TEXTS.get("unsavedSheet.saves-the-project-then-goes-on"),
                save),
            Buttons.of(
                "unsaved-leave",
                TEXTS.get("unsavedSheet.give-it-up"),
                TEXTS.get("unsavedSheet.the-work-since-the-last-save"),
                leave),
            Buttons.of(
                "unsaved-stay",
                TEXTS.get("unsavedSheet.go-back"),
                TEXTS.get("unsavedSheet.nothing-happens-escape"),
                stay));
    if (aside != null) {
      row.getChildren()
          .add(
              1,
              Buttons.of(
                  "unsaved-aside",
                  TEXTS.get("unsavedSheet.put-aside"),
                  TEXTS.get("unsavedSheet.stays-open-and-waits"),
                  aside));
    }
    getChildren().addAll(heading, words, row);
  }
}
