package carezza.desktop.control;

import javafx.scene.AccessibleRole;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Region;

/**
 * A drawn control that a pointer drags in and keys move: it has the focus once it is pressed, and
 * what was changed is settled when the hand lets go.
 */
abstract class CanvasEditor extends Region {

  private final Canvas canvas;
  private final Tooltip tip = new Tooltip();

  /**
   * @param said what it is and what keys do, for those who cannot see it
   * @param tip what a pointer does
   * @param settled runs when the hand lets go
   */
  CanvasEditor(double width, double height, String said, String tip, Runnable settled) {
    canvas = new Canvas(width, height);
    getChildren().add(canvas);
    setPrefSize(width, height);
    setMinSize(width, height);
    setMaxSize(width, height);
    setFocusTraversable(true);
    getStyleClass().add("editor");
    setAccessibleRole(AccessibleRole.SLIDER);
    setAccessibleText(said);
    tip(tip);
    Tooltip.install(canvas, this.tip);
    canvas.setOnMousePressed(
        e -> {
          requestFocus();
          press(e);
          // A panel that scrolls would take the focus for itself.
          e.consume();
        });
    canvas.setOnMouseDragged(this::drag);
    canvas.setOnMouseReleased(
        e -> {
          release();
          settled.run();
          refresh();
        });
    setOnKeyPressed(
        e -> {
          if (key(e)) {
            settled.run();
            refresh();
            e.consume();
          }
        });
    focusedProperty().subscribe((was, is) -> refresh());
  }

  /** Says something else of what a pointer does. */
  final void tip(String words) {
    tip.setText(words);
  }

  GraphicsContext graphics() {
    return canvas.getGraphicsContext2D();
  }

  abstract void press(MouseEvent e);

  abstract void drag(MouseEvent e);

  /** The hand lets go of what it held. */
  void release() {}

  /** Whether the key does anything here. */
  abstract boolean key(KeyEvent e);

  /** Shows its values as they are now. */
  public abstract void refresh();
}
