package carezza.desktop.tool;

import org.jspecify.annotations.Nullable;

import carezza.desktop.state.RepairState;
import carezza.desktop.state.SelectionController;
import carezza.desktop.state.ToolKind;
import carezza.desktop.state.ToolState;
import carezza.model.HealLayer;
import carezza.model.Point;
import carezza.model.Stroke;

/** Finds the hair that a stroke is drawn along, and heals it alone. */
final class HairTool implements DrawingTool {

  private final SelectionController selection;
  private final RepairState repairs;
  private final StrokePath path;

  HairTool(SelectionController selection, ToolState tools, RepairState repairs) {
    this.selection = selection;
    this.repairs = repairs;
    path = new StrokePath(tools);
  }

  @Override
  public ToolKind kind() {
    return ToolKind.HAIR;
  }

  @Override
  public void press(Press at) {
    if (selection.layer(HealLayer.class).isPresent()) {
      path.begin(at.place());
    }
  }

  @Override
  public void release(Point at) {
    if (!path.isEmpty()) {
      Stroke drawn = path.adding();
      path.clear();
      repairs.hair(drawn);
    }
  }

  @Override
  public StrokePath path() {
    return path;
  }

  @Override
  public void paint(Pencil pencil, @Nullable Point pointer) {
    selection
        .layer(HealLayer.class)
        .ifPresent(l -> RepairMarks.repairs(pencil, l, pointer, repairs.chosenProperty().get()));
    path.paint(pencil, pointer);
  }
}
