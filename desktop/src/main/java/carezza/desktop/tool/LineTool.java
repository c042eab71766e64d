package carezza.desktop.tool;

import java.util.function.BiConsumer;
import java.util.function.Consumer;

import org.jspecify.annotations.Nullable;

import carezza.desktop.state.ToolKind;
import carezza.model.Point;

/** Draws a line from where it is pressed to where it is let go. */
final class LineTool implements Tool {

  private final ToolKind kind;
  private final double reaches;
  private final BiConsumer<Point, Point> drawn;
  private final Consumer<Pencil> beside;
  private final OutlinePath line = new OutlinePath();
  private Point pressed = new Point(0, 0);
  private double reach;

  /**
   * @param reaches how long a line is at least, in reaches of a handle
   * @param drawn takes its ends
   * @param beside draws what else belongs to it
   */
  LineTool(ToolKind kind, double reaches, BiConsumer<Point, Point> drawn, Consumer<Pencil> beside) {
    this.kind = kind;
    this.reaches = reaches;
    this.drawn = drawn;
    this.beside = beside;
  }

  @Override
  public ToolKind kind() {
    return kind;
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
    boolean enough = !line.isEmpty() && at.distance(pressed) > reaches * reach;
    line.clear();
    if (enough) {
      drawn.accept(pressed, at);
    }
  }

  @Override
  public void putDown() {
    line.clear();
  }

  @Override
  public void paint(Pencil pencil, @Nullable Point pointer) {
    beside.accept(pencil);
    line.paint(pencil, pointer);
  }
}
