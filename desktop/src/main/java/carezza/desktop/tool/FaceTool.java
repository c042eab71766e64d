package carezza.desktop.tool;

import javafx.scene.Cursor;

import org.jspecify.annotations.Nullable;

import carezza.desktop.geometry.FaceHandles;
import carezza.desktop.state.DocumentState;
import carezza.desktop.state.ToolKind;
import carezza.model.Point;

/** Moves the handles of the face maps. */
final class FaceTool implements HoldingTool {

  private final DocumentState document;
  private final Hold hold;

  FaceTool(DocumentState document) {
    this.document = document;
    hold = new Hold(document);
  }

  @Override
  public ToolKind kind() {
    return ToolKind.FACE;
  }

  @Override
  public void press(Press at) {
    FaceHandles.Handle handle = FaceHandles.near(document.project(), at.place(), at.reach());
    hold.take(handle == null ? null : to -> p -> handle.moved(p, to));
  }

  @Override
  public Hold hold() {
    return hold;
  }

  @Override
  public void paint(Pencil pencil, @Nullable Point pointer) {
    FaceMarks.faces(pencil, document.project());
  }

  @Override
  public Cursor cursor() {
    return Cursor.DEFAULT;
  }
}
