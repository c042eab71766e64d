package carezza.desktop.tool;

import java.util.Optional;

import org.jspecify.annotations.Nullable;

import carezza.desktop.geometry.FacePlacing;
import carezza.desktop.state.FaceState;
import carezza.desktop.state.Status;
import carezza.desktop.state.ToolKind;
import carezza.desktop.state.ToolState;
import carezza.desktop.text.Texts;
import carezza.model.FaceMap;
import carezza.model.Point;

/** Places a face map by five clicks. */
final class FacePlaceTool implements Tool {

  private static final Texts TEXTS = Texts.of("tools");

  private final ToolState tools;
  private final FaceState faces;
  private final Status status;
  private final FacePlacing placing = new FacePlacing();
  private Point pressed = new Point(0, 0);
  private double reach;

  FacePlaceTool(ToolState tools, FaceState faces, Status status) {
    this.tools = tools;
    this.faces = faces;
    this.status = status;
  }

  @Override
  public ToolKind kind() {
    return ToolKind.PLACE_FACE;
  }

  @Override
  public void press(Press at) {
    pressed = at.place();
    reach = at.reach();
    placing.add(pressed);
    status.say(placing.next());
  }

  @Override
  public void release(Point at) {
    if (placing.boxOpen() && at.distance(pressed) > 2 * reach) {
      placing.add(at);
    }
    if (!placing.complete()) {
      status.say(placing.next());
      return;
    }
    Optional<FaceMap> map = placing.map();
    placing.points().clear();
    if (map.isEmpty()) {
      status.say(TEXTS.get("facePlaceTool.these-points-make-no-face", FacePlacing.START));
      return;
    }
    faces.add(map.get());
    tools.toolProperty().set(ToolKind.FACE);
    status.say(TEXTS.get("facePlaceTool.face-placed-drag-its-handles-where"));
  }

  @Override
  public void putDown() {
    placing.points().clear();
  }

  @Override
  public void paint(Pencil pencil, @Nullable Point pointer) {
    FaceMarks.placing(pencil, placing.points(), pointer);
    if (pointer != null) {
      pencil.cross(pointer);
    }
  }
}
