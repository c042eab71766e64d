package carezza.desktop.tool;

import java.util.Set;
import javafx.scene.Cursor;

import org.jspecify.annotations.Nullable;

import carezza.desktop.geometry.RepairHandles;
import carezza.desktop.state.DocumentState;
import carezza.desktop.state.RepairState;
import carezza.desktop.state.SelectionController;
import carezza.desktop.state.ToolKind;
import carezza.model.HealLayer;
import carezza.model.Layer;
import carezza.model.Point;

/**
 * Chooses repairs, one by a click or several by drawing around them; moves them and their sources.
 */
final class RepairTool implements Tool {

  private final SelectionController selection;
  private final RepairState repairs;
  private final Hold hold;
  private final OutlinePath outline = new OutlinePath();

  RepairTool(DocumentState document, SelectionController selection, RepairState repairs) {
    this.selection = selection;
    this.repairs = repairs;
    hold = new Hold(document);
  }

  @Override
  public ToolKind kind() {
    return ToolKind.REPAIR;
  }

  @Override
  public void press(Press at) {
    RepairHandles.Grip grip = grip(at);
    if (grip == null) {
      int hit = repairs.at(at.place(), at.reach());
      repairs.choose(hit < 0 ? Set.of() : Set.of(hit));
      grip = grip(at);
    }
    if (grip == null) {
      outline.begin(at.place());
      return;
    }
    RepairHandles.Grip own = grip;
    String id = selection.selected();
    hold.take(to -> p -> p.edit(id, l -> gripped(l, own, to)));
  }

  private RepairHandles.@Nullable Grip grip(Press at) {
    return repairs.single().map(p -> RepairHandles.grip(p, at.place(), at.reach())).orElse(null);
  }

  private Layer gripped(Layer layer, RepairHandles.Grip grip, Point at) {
    return RepairState.changed(
        (HealLayer) layer, repairs.chosenProperty().get(), p -> grip.dragged(at));
  }

  @Override
  public void drag(Point at) {
    if (outline.isEmpty()) {
      hold.drag(at);
    } else {
      outline.add(at);
    }
  }

  @Override
  public void release(Point at) {
    if (outline.closes()) {
      repairs.chooseInside(outline.take());
    }
    outline.clear();
    hold.release();
  }

  @Override
  public void putDown() {
    outline.clear();
    hold.take(null);
  }

  @Override
  public void paint(Pencil pencil, @Nullable Point pointer) {
    selection
        .layer(HealLayer.class)
        .ifPresent(l -> RepairMarks.repairs(pencil, l, pointer, repairs.chosenProperty().get()));
    outline.paint(pencil, null);
  }

  @Override
  public Cursor cursor() {
    return Cursor.DEFAULT;
  }
}
