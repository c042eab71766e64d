package carezza.desktop.tool;

import carezza.desktop.state.DocumentState;
import carezza.desktop.state.SelectionController;
import carezza.desktop.state.ToolKind;
import carezza.model.NeutralPointsLayer;
import carezza.model.NeutralPointsLayer.Tone;
import carezza.model.Point;

/** Sets a place that should be grey where it is pressed, and drags it on. */
final class NeutralPointTool implements HoldingTool {

  private final ToolKind kind;
  private final Tone tone;
  private final SelectionController selection;
  private final Hold hold;

  NeutralPointTool(
      ToolKind kind, Tone tone, DocumentState document, SelectionController selection) {
    this.kind = kind;
    this.tone = tone;
    this.selection = selection;
    hold = new Hold(document);
  }

  @Override
  public ToolKind kind() {
    return kind;
  }

  @Override
  public void press(Press at) {
    if (selection.layer(NeutralPointsLayer.class).isPresent()) {
      String id = selection.selected();
      hold.set(at.place(), to -> p -> p.edit(id, l -> ((NeutralPointsLayer) l).moved(tone, to)));
    }
  }

  @Override
  public Hold hold() {
    return hold;
  }

  @Override
  public void paint(Pencil pencil, Point pointer) {
    if (pointer != null) {
      pencil.cross(pointer);
    }
  }
}
