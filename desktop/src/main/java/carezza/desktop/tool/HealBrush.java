package carezza.desktop.tool;

import org.jspecify.annotations.Nullable;

import carezza.desktop.state.RepairState;
import carezza.desktop.state.SelectionController;
import carezza.desktop.state.SpotState;
import carezza.desktop.state.ToolKind;
import carezza.desktop.state.ToolState;
import carezza.model.HealLayer;
import carezza.model.Point;

/** Mends a spot, or along a stroke; with Control, sets where clones are taken from. */
final class HealBrush implements DrawingTool {

  private final SelectionController selection;
  private final RepairState repairs;
  private final SpotState spots;
  private final StrokePath path;

  HealBrush(SelectionController selection, ToolState tools, RepairState repairs, SpotState spots) {
    this.selection = selection;
    this.repairs = repairs;
    this.spots = spots;
    path = new StrokePath(tools);
  }

  @Override
  public ToolKind kind() {
    return ToolKind.HEAL;
  }

  @Override
  public void press(Press at) {
    if (at.shortcut()) {
      repairs.cloneFrom(at.place());
    } else if (selection.layer(HealLayer.class).isPresent()) {
      path.begin(at.place());
    }
  }

  @Override
  public void release(Point at) {
    if (!path.isEmpty()) {
      HealLayer.Patch repair = repairs.repair(path.stroke());
      path.clear();
      selection.edit(null, l -> ((HealLayer) l).plus(repair));
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
    if (repairs.wayProperty().get().clones()) {
      repairs.cloneFrom().ifPresent(pencil::cross);
    }
    path.paint(pencil, pointer);
    if (pointer != null) {
      spots.at(pointer).ifPresent(spot -> RepairMarks.hint(pencil, spot));
    }
  }
}
