package carezza.desktop.tool;

import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;

import org.jspecify.annotations.Nullable;

import carezza.desktop.state.ToolKind;
import carezza.model.Point;

/** Draws around a place in one drag; what becomes of the outline is the tool's own. */
final class LassoTool implements Tool {

  private final ToolKind kind;
  private final BooleanSupplier usable;
  private final Consumer<List<Point>> done;
  private final OutlinePath outline = new OutlinePath();

  /**
   * @param usable whether there is anything to draw for
   * @param done takes an outline of three points or more
   */
  LassoTool(ToolKind kind, BooleanSupplier usable, Consumer<List<Point>> done) {
    this.kind = kind;
    this.usable = usable;
    this.done = done;
  }

  @Override
  public ToolKind kind() {
    return kind;
  }

  @Override
  public void press(Press at) {
    if (usable.getAsBoolean()) {
      outline.begin(at.place());
    }
  }

  @Override
  public void drag(Point at) {
    if (!outline.isEmpty()) {
      outline.add(at);
    }
  }

  @Override
  public void release(Point at) {
    boolean closes = outline.closes();
    List<Point> drawn = outline.take();
    if (closes) {
      done.accept(drawn);
    }
  }

  @Override
  public void putDown() {
    outline.clear();
  }

  @Override
  public void paint(Pencil pencil, @Nullable Point pointer) {
    outline.paint(pencil, pointer);
  }
}
