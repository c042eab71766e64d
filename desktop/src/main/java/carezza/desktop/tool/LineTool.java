package carezza.desktop.tool;

import carezza.desktop.state.CropState;
import carezza.desktop.state.ToolKind;
import carezza.desktop.state.ToolState;
import carezza.model.Point;

/** Turns the frame so that a line that is drawn is level, or upright. */
final class LevelTool implements Tool {

  private final ToolState tools;
  private final CropState crop;
  private final OutlinePath line = new OutlinePath();
  private Point pressed;
  private double reach;

  LevelTool(ToolState tools, CropState crop) {
    this.tools = tools;
    this.crop = crop;
  }

  @Override
  public ToolKind kind() {
    return ToolKind.LEVEL;
  }

  @Override
  public void press(Press at) {
    pressed = at.place();
    reach = at.reach();
    line.begin(pressed);
  }

  @Override
  public void drag(Point at) {
    if (!line.isEmpty()) {
      line.begin(pressed);
      line.add(at);
    }
  }

  @Override
  public void release(Point at) {
    boolean drawn = !line.isEmpty() && at.distance(pressed) > reach;
    line.clear();
    if (drawn) {
      crop.level(pressed, at);
      tools.toolProperty().set(ToolKind.FRAME);
    }
  }

  @Override
  public void putDown() {
    line.clear();
  }

  @Override
  public void paint(Pencil pencil, Point pointer) {
    line.paint(pencil, pointer);
  }
}
