package carezza.desktop.action;

import javafx.scene.input.KeyCombination;

/** Keys as they are written for the retoucher. */
final class KeyNames {

  private KeyNames() {}

  static String of(KeyCombination key) {
    return key.getName()
        .replace("'", "")
        .replace("Shortcut+", "Ctrl + ")
        .replace("Ctrl+", "Ctrl + ")
        .replace("Shift+", "Shift + ")
        .replace("Alt+", "Alt + ")
        .replace("Page_Up", "Page Up")
        .replace("Page_Down", "Page Down")
        .replace("Open_Bracket", "[")
        .replace("Close_Bracket", "]")
        .replace("Comma", ",")
        .replace("Period", ".")
        .replace("Plus", "+")
        .replace("Minus", "-")
        .replace("Esc", "Escape");
  }
}
