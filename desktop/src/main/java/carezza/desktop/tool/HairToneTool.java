package carezza.desktop.tool;

import org.jspecify.annotations.Nullable;

import carezza.desktop.state.AppState;
import carezza.desktop.state.ToolKind;
import carezza.desktop.task.Lane;
import carezza.model.PaintLayer;
import carezza.model.Point;
import carezza.model.Project;
import carezza.session.Session;

/**
 * Picks how a hair, or a light, differs from what lies about it, and goes on painting with that.
 */
final class HairToneTool implements Tool {

  private final AppState state;
  private final Lane reading;

  HairToneTool(AppState state) {
    this.state = state;
    reading = state.tasks().lane("hair tone");
  }

  @Override
  public ToolKind kind() {
    return ToolKind.PICK_HAIR;
  }

  @Override
  public void press(Press at) {
    PaintLayer layer = state.selection().layer(PaintLayer.class).orElse(null);
    if (layer == null) {
      return;
    }
    String id = layer.attributes().id();
    Project project = state.document().project();
    Session session = state.document().session();
    reading.newest(
        cancellation -> session.advice().hairTone(project, id, at.place(), cancellation),
        found -> {
          state
              .document()
              .edit(
                  null,
                  p ->
                      p.edit(
                          id,
                          l ->
                              ((PaintLayer) l)
                                  .adding(found.lightness(), found.redness(), found.yellowness())));
          state.tools().toolProperty().set(ToolKind.PAINT);
        },
        state.status()::fail);
  }

  @Override
  public void paint(Pencil pencil, @Nullable Point pointer) {
    if (pointer != null) {
      pencil.cross(pointer);
    }
  }
}
