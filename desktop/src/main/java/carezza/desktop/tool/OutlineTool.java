package carezza.desktop.tool;

import org.jspecify.annotations.Nullable;

import carezza.desktop.state.MaskPartState;
import carezza.desktop.state.SelectionController;
import carezza.desktop.state.ToolKind;
import carezza.desktop.state.ToolState;
import carezza.model.Mask;
import carezza.model.MaskParts.Join;
import carezza.model.Point;

/**
 * Draws an outline that joins the mask: in one drag, or corner by corner and the first one again.
 */
final class OutlineTool implements Tool {

  private final SelectionController selection;
  private final ToolState tools;
  private final MaskPartState part;
  private final OutlinePath outline = new OutlinePath();
  private Point pressed = new Point(0, 0);
  private double reach;

  /** Whether the outline under way goes on with further clicks. */
  private boolean clicking;

  OutlineTool(SelectionController selection, ToolState tools, MaskPartState part) {
    this.selection = selection;
    this.tools = tools;
    this.part = part;
  }

  @Override
  public ToolKind kind() {
    return ToolKind.OUTLINE;
  }

  @Override
  public void press(Press at) {
    pressed = at.place();
    reach = at.reach();
    if (selection.layer().isEmpty()) {
      return;
    }
    if (clicking && outline.closes() && outline.first().distance(at.place()) <= reach) {
      finish();
    } else {
      outline.add(at.place());
    }
  }

  @Override
  public void drag(Point at) {
    if (!outline.isEmpty() && (!clicking || at.distance(pressed) > reach / 2)) {
      outline.add(at);
    }
  }

  @Override
  public void release(Point at) {
    if (outline.isEmpty()) {
      return;
    }
    // A drag draws the outline at once; a click sets a corner and waits for the next.
    clicking |= at.distance(pressed) <= reach;
    if (!clicking && outline.closes()) {
      finish();
    }
  }

  private void finish() {
    double feather = tools.brush().radius() * tools.brush().softness() / 2;
    Mask own = new Mask.Polygon(outline.take(), feather);
    clicking = false;
    tools.toolProperty().set(ToolKind.HAND);
    part.add(tools.erasingProperty().get() ? Join.MINUS : Join.PLUS, own);
  }

  @Override
  public void putDown() {
    outline.clear();
    clicking = false;
  }

  @Override
  public void paint(Pencil pencil, @Nullable Point pointer) {
    outline.paint(pencil, pointer);
  }
}
