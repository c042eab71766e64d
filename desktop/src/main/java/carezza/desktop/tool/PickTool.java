package carezza.desktop.tool;

import java.util.function.Consumer;

import org.jspecify.annotations.Nullable;

import carezza.desktop.state.ToolKind;
import carezza.model.Point;

/** Picks a colour of what the layer in hand gets. */
final class PickTool implements Tool {

  private final ToolKind kind;
  private final ColourProbe probe;
  private final Consumer<double[]> take;

  /**
   * @param take gets red, green and blue of the working space
   */
  PickTool(ToolKind kind, ColourProbe probe, Consumer<double[]> take) {
    this.kind = kind;
    this.probe = probe;
    this.take = take;
  }

  @Override
  public ToolKind kind() {
    return kind;
  }

  @Override
  public void press(Press at) {
    probe.read(at.place(), take);
  }

  @Override
  public void paint(Pencil pencil, @Nullable Point pointer) {
    if (pointer != null) {
      pencil.cross(pointer);
    }
  }
}
