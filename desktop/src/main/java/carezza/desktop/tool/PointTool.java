package carezza.desktop.tool;

import java.util.function.BiFunction;

import org.jspecify.annotations.Nullable;

import carezza.desktop.state.DocumentState;
import carezza.desktop.state.SelectionController;
import carezza.desktop.state.ToolKind;
import carezza.model.Layer;
import carezza.model.Point;

/** Sets a place of the layer in hand where it is pressed, and drags it on. */
final class PointTool<L extends Layer> implements HoldingTool {

  private final ToolKind kind;
  private final Class<L> type;
  private final BiFunction<L, Point, Layer> moved;
  private final SelectionController selection;
  private final Hold hold;

  /**
   * @param moved the layer with its place elsewhere
   */
  PointTool(
      ToolKind kind,
      Class<L> type,
      BiFunction<L, Point, Layer> moved,
      DocumentState document,
      SelectionController selection) {
    this.kind = kind;
    this.type = type;
    this.moved = moved;
    this.selection = selection;
    hold = new Hold(document);
  }

  @Override
  public ToolKind kind() {
    return kind;
  }

  @Override
  public void press(Press at) {
    if (selection.layer(type).isPresent()) {
      String id = selection.selected();
      hold.set(at.place(), to -> p -> p.edit(id, l -> moved.apply(type.cast(l), to)));
    }
  }

  @Override
  public Hold hold() {
    return hold;
  }

  @Override
  public void paint(Pencil pencil, @Nullable Point pointer) {
    if (pointer != null) {
      pencil.cross(pointer);
    }
  }
}
