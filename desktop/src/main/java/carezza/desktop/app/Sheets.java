package carezza.desktop.app;

import javafx.scene.Node;
import javafx.scene.layout.StackPane;

import carezza.desktop.control.Sheet;

/**
 * The one sheet that may lie over the window: it has all keys, and what is behind takes neither
 * keys nor the focus.
 */
final class Sheets {

  private final StackPane over;
  private final Node behind;
  private final Runnable closed;
  private Sheet sheet;
  private Node before;

  /**
   * @param over what the sheet is laid on
   * @param behind what is disabled meanwhile
   * @param closed puts the focus back where nothing had it
   */
  Sheets(StackPane over, Node behind, Runnable closed) {
    this.over = over;
    this.behind = behind;
    this.closed = closed;
  }

  void show(Node content) {
    Node focus = over.getScene() == null ? null : over.getScene().getFocusOwner();
    boolean first = sheet == null;
    remove();
    if (first) {
      before = focus;
    }
    sheet = new Sheet(content, this::close);
    over.getChildren().add(sheet);
    behind.setDisable(true);
    sheet.takeFocus();
  }

  boolean isOpen() {
    return sheet != null;
  }

  /** What the sheet holds, or null. */
  Node content() {
    return sheet == null ? null : sheet.content();
  }

  /** Closes the sheet that is open; false if there was none. */
  boolean close() {
    if (sheet == null) {
      return false;
    }
    remove();
    behind.setDisable(false);
    if (before != null && before.getScene() != null && before.isFocusTraversable()) {
      before.requestFocus();
    } else {
      closed.run();
    }
    return true;
  }

  private void remove() {
    if (sheet != null) {
      over.getChildren().remove(sheet);
      sheet = null;
    }
  }
}
