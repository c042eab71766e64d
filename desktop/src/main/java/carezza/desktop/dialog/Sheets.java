package carezza.desktop.dialog;

import javafx.scene.Node;
import javafx.scene.layout.StackPane;

import atlantafx.base.controls.ModalPane;
import org.jspecify.annotations.Nullable;

import carezza.desktop.control.Sheet;

/**
 * The one sheet that may lie over the window: it has all keys, and what is behind is dimmed and
 * takes neither keys nor the focus. Escape or a click beside it closes it.
 */
public final class Sheets {

  private final StackPane over;
  private final Node behind;
  private final Runnable closed;
  private final ModalPane pane = new ModalPane();
  private @Nullable Node before;

  /**
   * @param over what the sheet is laid on
   * @param behind what is disabled meanwhile
   * @param closed puts the focus back where nothing had it
   */
  public Sheets(StackPane over, Node behind, Runnable closed) {
    this.over = over;
    this.behind = behind;
    this.closed = closed;
    pane.setInTransitionFactory(null);
    pane.setOutTransitionFactory(null);
    pane.displayProperty()
        .subscribe(
            (was, is) -> {
              if (!is) {
                takeBack();
              }
            });
    pane.visibleProperty().bind(pane.displayProperty());
    pane.setFocusTraversable(false);
    over.getChildren().add(pane);
  }

  public void show(Node content) {
    if (!isOpen()) {
      before = over.getScene() == null ? null : over.getScene().getFocusOwner();
    }
    Sheet sheet = new Sheet(content);
    pane.show(sheet);
    behind.setDisable(true);
    sheet.takeFocus();
  }

  public boolean isOpen() {
    return pane.isDisplay();
  }

  /** What the sheet holds, or null. */
  public @Nullable Node content() {
    return isOpen() && pane.getContent() instanceof Sheet sheet ? sheet.content() : null;
  }

  /** Closes the sheet that is open; false if there was none. */
  public boolean close() {
    if (!isOpen()) {
      return false;
    }
    pane.hide(true);
    return true;
  }

  private void takeBack() {
    pane.setContent(null);
    behind.setDisable(false);
    if (before != null && before.getScene() != null && before.isFocusTraversable()) {
      before.requestFocus();
    } else {
      closed.run();
    }
  }
}
