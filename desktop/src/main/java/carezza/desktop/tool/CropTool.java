package carezza.desktop.tool;

import javafx.scene.Cursor;

import org.jspecify.annotations.Nullable;

import carezza.desktop.geometry.CropHand;
import carezza.desktop.state.CropState;
import carezza.desktop.state.DocumentState;
import carezza.desktop.state.ToolKind;
import carezza.model.Point;

/** Moves the frame of what is delivered, its sides and corners, and turns it from outside. */
final class CropTool implements HoldingTool {

  private final CropState crop;
  private final Hold hold;

  CropTool(DocumentState document, CropState crop) {
    this.crop = crop;
    hold = new Hold(document);
  }

  @Override
  public ToolKind kind() {
    return ToolKind.FRAME;
  }

  @Override
  public void press(Press at) {
    CropHand hand = crop.hold(at.place(), at.reach());
    hold.take(to -> p -> p.withCrop(hand.dragged(to)));
  }

  @Override
  public Hold hold() {
    return hold;
  }

  @Override
  public void paint(Pencil pencil, @Nullable Point pointer) {
    // The frame is drawn whether it is in hand or not.
  }

  @Override
  public Cursor cursor() {
    return Cursor.MOVE;
  }
}
