package carezza.desktop.tool;

import org.jspecify.annotations.Nullable;

import carezza.desktop.state.DocumentState;
import carezza.desktop.state.PinState;
import carezza.desktop.state.ToolKind;
import carezza.model.Point;

/** Sets pins whose colours stay in sight, drags them elsewhere, and takes them out with a click. */
final class PinTool implements Tool {

  private final PinState pins;
  private final Hold hold;
  private double reach;

  PinTool(DocumentState document, PinState pins) {
    this.pins = pins;
    hold = new Hold(document);
  }

  @Override
  public ToolKind kind() {
    return ToolKind.PIN;
  }

  @Override
  public void press(Press at) {
    reach = at.reach();
    int pin = pins.at(at.place(), reach);
    hold.take(pin < 0 ? null : to -> p -> PinState.moved(p, pin, to));
  }

  @Override
  public void drag(Point at) {
    hold.drag(at);
  }

  @Override
  public void release(Point at) {
    if (hold.release()) {
      return;
    }
    int pin = pins.at(at, reach);
    if (pin < 0) {
      pins.add(at);
    } else {
      pins.remove(pin);
    }
  }

  @Override
  public void putDown() {
    hold.take(null);
  }

  @Override
  public void paint(Pencil pencil, @Nullable Point pointer) {
    if (pointer != null) {
      pencil.cross(pointer);
    }
  }
}
