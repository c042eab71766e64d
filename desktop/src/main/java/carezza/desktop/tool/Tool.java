package carezza.desktop.tool;

import javafx.scene.Cursor;

import org.jspecify.annotations.Nullable;

import carezza.desktop.state.ToolKind;
import carezza.model.Point;

/**
 * What a press on the picture, a drag and a release mean while a tool is in hand, and what it shows
 * over the picture. Places are in photograph coordinates. One class a tool; {@link Tools} knows
 * them all.
 */
public interface Tool {

  ToolKind kind();

  /**
   * @param place where
   * @param shift whether Shift is held
   * @param shortcut whether Control, or Command, is held
   * @param reach how far from a handle it is still taken hold of, in photograph pixels
   */
  record Press(Point place, boolean shift, boolean shortcut, double reach) {}

  void press(Press at);

  /** With the button held. */
  default void drag(Point at) {}

  default void release(Point at) {}

  /** Another tool is taken up; what was begun is forgotten. */
  default void putDown() {}

  /**
   * Draws what belongs to the tool over the picture.
   *
   * @param pointer its place, or null while it is elsewhere
   */
  void paint(Pencil pencil, @Nullable Point pointer);

  /** None where a ring or a cross is drawn instead. */
  default Cursor cursor() {
    return Cursor.NONE;
  }
}
