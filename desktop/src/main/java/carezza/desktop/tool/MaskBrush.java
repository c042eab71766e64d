package carezza.desktop.tool;

import java.util.function.UnaryOperator;

import org.jspecify.annotations.Nullable;

import carezza.desktop.state.DocumentState;
import carezza.desktop.state.SelectionController;
import carezza.desktop.state.ToolKind;
import carezza.model.Layer;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.Stroke;

/**
 * A brush whose strokes join the layer in hand while they are drawn: its mask, its light, its
 * evened places.
 */
final class MaskBrush implements Tool {

  /** What a stroke makes of a layer. */
  @FunctionalInterface
  interface Laying {

    /**
     * @param turned whether Shift was held
     */
    Layer on(Layer layer, Stroke stroke, boolean turned);
  }

  private final ToolKind kind;
  private final DocumentState document;
  private final SelectionController selection;
  private final Laying laying;
  private final StrokePath path;
  private boolean turned;

  MaskBrush(
      ToolKind kind,
      DocumentState document,
      SelectionController selection,
      StrokePath path,
      Laying laying) {
    this.kind = kind;
    this.document = document;
    this.selection = selection;
    this.laying = laying;
    this.path = path;
  }

  @Override
  public ToolKind kind() {
    return kind;
  }

  @Override
  public void press(Press at) {
    if (selection.layer().isPresent()) {
      turned = at.shift();
      path.begin(at.place());
      document.preview(painted());
    }
  }

  @Override
  public void drag(Point at) {
    if (!path.isEmpty() && path.goTo(at)) {
      document.preview(painted());
    }
  }

  @Override
  public void release(Point at) {
    if (!path.isEmpty()) {
      UnaryOperator<Project> change = painted();
      path.clear();
      document.edit(null, change);
    }
  }

  /** The project with the stroke as far as it has come. */
  private UnaryOperator<Project> painted() {
    Stroke stroke = path.stroke();
    String id = selection.selected();
    boolean other = turned;
    return p -> p.edit(id, l -> laying.on(l, stroke, other));
  }

  @Override
  public void putDown() {
    path.clear();
  }

  @Override
  public void paint(Pencil pencil, @Nullable Point pointer) {
    path.paint(pencil, pointer);
  }
}
