package carezza.desktop.tool;

import carezza.desktop.state.AppState;
import carezza.desktop.state.ToolKind;
import carezza.desktop.task.Lane;
import carezza.desktop.text.Texts;
import carezza.model.Lens;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.ShapeLayer;
import carezza.session.Session;

/** Draws along something that is straight in the world; the lens is told from it. */
final class LensLineTool implements Tool {

  private static final Texts TEXTS = Texts.of("tools");

  private final AppState state;
  private final Lane reading;
  private final OutlinePath line = new OutlinePath();
  private Point pressed;
  private double reach;

  LensLineTool(AppState state) {
    this.state = state;
    reading = state.tasks().lane("lens");
  }

  @Override
  public ToolKind kind() {
    return ToolKind.LENS_LINE;
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
    boolean drawn = !line.isEmpty() && at.distance(pressed) > 4 * reach;
    line.clear();
    state.selection().layer(ShapeLayer.class).filter(l -> drawn).ifPresent(l -> read(l, at));
  }

  private void read(ShapeLayer layer, Point to) {
    String id = layer.attributes().id();
    Point from = pressed;
    Project project = state.document().project();
    Session session = state.document().session();
    reading.newest(
        cancellation -> session.advice().lens(project, layer.lens(), from, to, cancellation),
        found ->
            found.ifPresentOrElse(
                lens -> take(id, lens),
                () -> state.status().say(TEXTS.get("lensLineTool.no-edge"))),
        state.status()::fail);
  }

  private void take(String id, Lens lens) {
    state
        .document()
        .edit(null, p -> p.edit(id, l -> l instanceof ShapeLayer own ? own.withLens(lens) : l));
  }

  @Override
  public void putDown() {
    line.clear();
  }

  @Override
  public void paint(Pencil pencil, Point pointer) {
    state
        .selection()
        .layer(ShapeLayer.class)
        .ifPresent(
            l ->
                l.lens()
                    .lines()
                    .forEach(own -> pencil.twice(() -> pencil.line(own.places(), false))));
    line.paint(pencil, pointer);
  }
}
