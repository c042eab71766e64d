package carezza.desktop.control;

import javafx.event.Event;
import javafx.event.EventType;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;

/** A pointer and keys on a drawn control that stands in no window. */
final class EditorHand {

  private final CanvasEditor editor;
  private final Node canvas;
  private boolean passedOn;

  EditorHand(CanvasEditor editor) {
    this.editor = editor;
    canvas = editor.getChildrenUnmodifiable().getFirst();
    new Group(editor).setOnKeyPressed(e -> passedOn = true);
  }

  void press(double x, double y) {
    pointer(MouseEvent.MOUSE_PRESSED, x, y, 1);
  }

  void doublePress(double x, double y) {
    pointer(MouseEvent.MOUSE_PRESSED, x, y, 2);
  }

  void drag(double x, double y) {
    pointer(MouseEvent.MOUSE_DRAGGED, x, y, 1);
  }

  void release(double x, double y) {
    pointer(MouseEvent.MOUSE_RELEASED, x, y, 1);
  }

  /** From one place to another in one go. */
  void pull(double fromX, double fromY, double toX, double toY) {
    press(fromX, fromY);
    drag(toX, toY);
    release(toX, toY);
  }

  private void pointer(EventType<MouseEvent> type, double x, double y, int clicks) {
    boolean down = type != MouseEvent.MOUSE_RELEASED;
    MouseButton button = MouseButton.PRIMARY;
    Event.fireEvent(
        canvas,
        new MouseEvent(
            type, x, y, x, y, button, clicks, false, false, false, false, down, false, false, true,
            false, false, null));
  }

  /** Whether the control takes the key for itself. */
  boolean key(KeyCode code) {
    return key(code, false);
  }

  boolean withShift(KeyCode code) {
    return key(code, true);
  }

  private boolean key(KeyCode code, boolean shift) {
    passedOn = false;
    Event.fireEvent(
        editor, new KeyEvent(KeyEvent.KEY_PRESSED, "", "", code, shift, false, false, false));
    return !passedOn;
  }
}
