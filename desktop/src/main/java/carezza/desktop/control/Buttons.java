package carezza.desktop.control;

import javafx.scene.control.Button;
import javafx.scene.control.Tooltip;

/** Buttons with words, as sheets and panels have them. */
public final class Buttons {

  private Buttons() {}

  /**
   * @param id by which tests and styles find it
   * @param tip what it does
   */
  public static Button of(String id, String words, String tip, Runnable action) {
    Button button = new Button(words);
    button.setId(id);
    button.setTooltip(new Tooltip(tip));
    button.setOnAction(e -> action.run());
    return button;
  }

  /** The turn passes from one button to another, and with it the focus, if it had that. */
  public static void pass(Button from, Button to) {
    to.setDisable(false);
    if (from.isFocused()) {
      to.requestFocus();
    }
    from.setDisable(true);
  }

  /** The one that a sheet is about: Enter presses it. */
  public static Button main(String id, String words, String tip, Runnable action) {
    Button button = of(id, words, tip, action);
    button.setDefaultButton(true);
    button.getStyleClass().add("strong");
    return button;
  }
}
