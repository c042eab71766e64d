package carezza.desktop.tool;

import javafx.scene.Cursor;

import org.jspecify.annotations.Nullable;

import carezza.desktop.state.ToolKind;
import carezza.model.Point;

/** Moves the view, which is the view's own business. */
final class HandTool implements Tool {

  @Override
  public ToolKind kind() {
    return ToolKind.HAND;
  }

  @Override
  public void press(Press at) {}

  @Override
  public void paint(Pencil pencil, @Nullable Point pointer) {}

  @Override
  public Cursor cursor() {
    return Cursor.OPEN_HAND;
  }
}
