package carezza.desktop.tool;

import java.util.function.UnaryOperator;

import org.jspecify.annotations.Nullable;

import carezza.desktop.state.DocumentState;
import carezza.desktop.state.SelectionController;
import carezza.desktop.state.ToolKind;
import carezza.image.PictureSize;
import carezza.model.OverlayLayer;
import carezza.model.Point;
import carezza.model.Project;

/** Moves the picture of the overlay in hand. */
final class OverlayTool implements Tool {

  private final DocumentState document;
  private final SelectionController selection;

  /** Where it was taken hold of, and as it was then; null while it is not. */
  private @Nullable Point held;

  private @Nullable OverlayLayer was;

  OverlayTool(DocumentState document, SelectionController selection) {
    this.document = document;
    this.selection = selection;
  }

  @Override
  public ToolKind kind() {
    return ToolKind.PLACE_OVERLAY;
  }

  @Override
  public void press(Press at) {
    was = selection.layer(OverlayLayer.class).orElse(null);
    held = was == null ? null : at.place();
  }

  @Override
  public void drag(Point at) {
    if (held != null && was != null) {
      document.preview(moved(held, was, at));
    }
  }

  @Override
  public void release(Point at) {
    if (held != null && was != null && at.distance(held) > 0) {
      document.edit(null, moved(held, was, at));
    }
    putDown();
  }

  private UnaryOperator<Project> moved(Point from, OverlayLayer own, Point to) {
    PictureSize size = document.session().size();
    double x = Math.clamp(own.x() + (to.x() - from.x()) / size.width(), -1, 2);
    double y = Math.clamp(own.y() + (to.y() - from.y()) / size.height(), -1, 2);
    return p -> p.edit(own.attributes().id(), l -> ((OverlayLayer) l).at(x, y));
  }

  @Override
  public void putDown() {
    held = null;
    was = null;
  }

  @Override
  public void paint(Pencil pencil, @Nullable Point pointer) {
    if (pointer != null) {
      pencil.cross(pointer);
    }
  }
}
