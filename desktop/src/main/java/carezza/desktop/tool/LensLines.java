package carezza.desktop.tool;

import carezza.desktop.state.AppState;
import carezza.desktop.task.Lane;
import carezza.desktop.text.Texts;
import carezza.model.Lens;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.ShapeLayer;
import carezza.session.Session;

/** Lines along what is straight in the world; the lens of the layer in hand is told from them. */
final class LensLines {

  private static final Texts TEXTS = Texts.of("tools");

  private final AppState state;
  private final Lane reading;

  LensLines(AppState state) {
    this.state = state;
    reading = state.tasks().lane("lens");
  }

  /** Leads a drawn line along its edge, and reads the lens anew with it. */
  void drawn(Point from, Point to) {
    ShapeLayer layer = state.selection().layer(ShapeLayer.class).orElse(null);
    if (layer == null) {
      return;
    }
    String id = layer.attributes().id();
    Project project = state.document().project();
    Session session = state.document().session();
    reading.newest(
        cancellation -> session.advice().lens(project, layer.lens(), from, to, cancellation),
        found ->
            found.ifPresentOrElse(
                lens -> take(id, lens), () -> state.status().say(TEXTS.get("lensLines.no-edge"))),
        state.status()::fail);
  }

  private void take(String id, Lens lens) {
    state
        .document()
        .edit(null, p -> p.edit(id, l -> l instanceof ShapeLayer own ? own.withLens(lens) : l));
  }

  void paint(Pencil pencil) {
    state
        .selection()
        .layer(ShapeLayer.class)
        .ifPresent(
            l ->
                l.lens()
                    .lines()
                    .forEach(own -> pencil.twice(() -> pencil.line(own.places(), false))));
  }
}
