package carezza.desktop.tool;

import java.util.List;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import javafx.scene.Cursor;

import org.jspecify.annotations.Nullable;

import carezza.desktop.geometry.FaceHandles;
import carezza.desktop.geometry.PartHandles;
import carezza.desktop.state.DocumentState;
import carezza.desktop.state.MaskPartState;
import carezza.desktop.state.SelectionController;
import carezza.desktop.state.ToolKind;
import carezza.model.Mask;
import carezza.model.Point;
import carezza.model.Project;

/** Moves the handles of the mask's part in hand. */
final class PartTool implements HoldingTool {

  private final SelectionController selection;
  private final MaskPartState part;
  private final Hold hold;

  PartTool(DocumentState document, SelectionController selection, MaskPartState part) {
    this.selection = selection;
    this.part = part;
    hold = new Hold(document);
  }

  @Override
  public ToolKind kind() {
    return ToolKind.PART;
  }

  @Override
  public void press(Press at) {
    hold.take(part.mask().map(own -> handle(own, at)).orElse(null));
  }

  /** The handle that is near; dragged where it would make no shape it stays. */
  private @Nullable Function<Point, UnaryOperator<Project>> handle(Mask own, Press at) {
    int near = PartHandles.near(own, at.place(), at.reach());
    if (near < 0) {
      return null;
    }
    PartHandles.Handle handle = PartHandles.of(own).get(near);
    String id = selection.selected();
    return to ->
        p -> {
          try {
            Mask shaped = handle.move().apply(to);
            return p.edit(id, l -> part.changed(l, shaped));
          } catch (IllegalArgumentException e) {
            return p;
          }
        };
  }

  @Override
  public Hold hold() {
    return hold;
  }

  @Override
  public void paint(Pencil pencil, @Nullable Point pointer) {
    part.mask().ifPresent(own -> marks(pencil, own));
  }

  @Override
  public Cursor cursor() {
    return Cursor.DEFAULT;
  }

  private static void marks(Pencil pencil, Mask own) {
    pencil.twice(
        () -> {
          switch (own) {
            case Mask.Ellipse o -> {
              Point middle = new Point(o.x(), o.y());
              double full = 1 - o.softness();
              pencil.oval(middle, o.radiusX(), o.radiusY(), o.angle());
              pencil.dashed(
                  3,
                  4,
                  () -> pencil.oval(middle, full * o.radiusX(), full * o.radiusY(), o.angle()));
            }
            case Mask.Gradient a -> gradient(pencil, a);
            case Mask.Polygon p -> pencil.line(p.points(), true);
            default -> {
              // Other parts have no place.
            }
          }
          for (PartHandles.Handle handle : PartHandles.of(own)) {
            pencil.handle(FaceHandles.Glyph.SQUARE, handle.place());
          }
        });
  }

  /** Its length, and a line across the end where it is full. */
  private static void gradient(Pencil pencil, Mask.Gradient gradient) {
    pencil.line(List.of(gradient.from(), gradient.to()), false);
    double x = pencil.x(gradient.to());
    double y = pencil.y(gradient.to());
    double dx = x - pencil.x(gradient.from());
    double dy = y - pencil.y(gradient.from());
    double length = Math.max(1, Math.hypot(dx, dy));
    double ax = -dy / length * 40;
    double ay = dx / length * 40;
    pencil.context().strokeLine(x - ax, y - ay, x + ax, y + ay);
  }
}
