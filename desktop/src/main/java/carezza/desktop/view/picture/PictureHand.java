package carezza.desktop.view.picture;

import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;

import org.jspecify.annotations.Nullable;

import carezza.desktop.picture.ViewPort;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Brush;
import carezza.desktop.state.ToolKind;
import carezza.desktop.state.ToolKind.Places;
import carezza.desktop.tool.Tool;
import carezza.desktop.tool.Tools;
import carezza.model.Point;

/**
 * The pointer over the picture: it zooms, moves the view, works the tool in hand, and sets the
 * brush.
 */
public final class PictureHand {

  private static final double BRUSH_STEP = 1.08;

  /** Pixels of the pointer's way that change the brush by one step while its key is held. */
  private static final double BRUSH_WAY = 8;

  /** How far from a handle it is still taken hold of, in pixels of the screen. */
  private static final double REACH = 12;

  private final PictureView view;
  private final AppState state;
  private final Tools tools;
  private boolean spaceHeld;
  private boolean brushHeld;
  private boolean panning;
  private double lastX;
  private double lastY;
  private @Nullable Point pointer;

  PictureHand(PictureView view, AppState state, Tools tools) {
    this.view = view;
    this.state = state;
    this.tools = tools;
  }

  void install() {
    view.setOnScroll(this::wheel);
    view.setOnMousePressed(this::press);
    view.setOnMouseDragged(this::drag);
    view.setOnMouseReleased(this::release);
    view.setOnMouseMoved(this::move);
    view.setOnMouseExited(
        e -> {
          pointer = null;
          view.drawOverlay();
        });
  }

  private Point place(MouseEvent e) {
    return view.places().at(e.getX(), e.getY(), state.tools().tool().places());
  }

  /** The place under it as the tool in hand means it, or null. */
  @Nullable Point pointer() {
    return pointer;
  }

  /** It is over nothing that is known. */
  void forget() {
    pointer = null;
  }

  boolean isPanning() {
    return panning;
  }

  /** While Space is held, dragging moves the view whatever the tool. */
  public void holdSpace(boolean held) {
    spaceHeld = held;
  }

  /** Makes the brush as wide as the spot under the pointer asks for; false where there is none. */
  public boolean takeHint() {
    if (pointer == null || state.tools().tool() != ToolKind.HEAL) {
      return false;
    }
    return state
        .spots()
        .at(pointer)
        .map(
            spot -> {
              Brush brush = state.tools().brush();
              state.tools().brushProperty().set(brush.radiusTimes(spot.radius() / brush.radius()));
              return true;
            })
        .orElse(false);
  }

  /**
   * While the brush's key is held, the pointer sets its radius from side to side, its softness up
   * and down.
   */
  public void holdBrush(boolean held) {
    brushHeld = held;
    lastX = Double.NaN;
  }

  private void setBrush(MouseEvent e) {
    if (!Double.isNaN(lastX)) {
      Brush brush = state.tools().brush();
      state
          .tools()
          .brushProperty()
          .set(
              brush
                  .radiusTimes(Math.pow(BRUSH_STEP, (e.getX() - lastX) / BRUSH_WAY))
                  .softer(0.05 * (lastY - e.getY()) / BRUSH_WAY));
    }
    lastX = e.getX();
    lastY = e.getY();
  }

  private void wheel(ScrollEvent e) {
    if (state.document().isEmpty() || e.getDeltaY() == 0 && e.getDeltaX() == 0) {
      return;
    }
    // Shift turns the wheel sideways on some systems.
    double turn = Math.signum(e.getDeltaY() != 0 ? e.getDeltaY() : e.getDeltaX());
    Brush brush = state.tools().brush();
    if (e.isShortcutDown()) {
      state.tools().brushProperty().set(brush.radiusTimes(Math.pow(BRUSH_STEP, turn)));
    } else if (e.isShiftDown()) {
      state.tools().brushProperty().set(brush.stronger(0.02 * turn));
    } else if (e.isAltDown()) {
      state.tools().brushProperty().set(brush.softer(0.05 * turn));
    } else {
      ViewPort port = view.port();
      view.look(
          port.zoomed(port.zoom() * Math.pow(PictureView.WHEEL_STEP, turn), e.getX(), e.getY()));
    }
    e.consume();
  }

  private void press(MouseEvent e) {
    view.requestFocus();
    if (state.document().isEmpty()) {
      return;
    }
    lastX = e.getX();
    lastY = e.getY();
    boolean hand = state.tools().tool() == ToolKind.HAND;
    if (e.getButton() == MouseButton.SECONDARY) {
      return;
    }
    panning = spaceHeld || hand || e.getButton() != MouseButton.PRIMARY;
    if (!panning) {
      state.selection().showLayer();
      tools
          .inHand()
          .press(
              new Tool.Press(
                  place(e), e.isShiftDown(), e.isShortcutDown(), REACH / view.port().zoom()));
      view.drawOverlay();
    }
  }

  private void drag(MouseEvent e) {
    if (state.document().isEmpty() || e.getButton() == MouseButton.SECONDARY) {
      return;
    }
    pointer = place(e);
    if (panning) {
      view.look(view.port().panned(e.getX() - lastX, e.getY() - lastY));
      lastX = e.getX();
      lastY = e.getY();
    } else {
      tools.inHand().drag(pointer);
      view.drawOverlay();
    }
  }

  private void release(MouseEvent e) {
    if (!state.document().isEmpty() && !panning && e.getButton() != MouseButton.SECONDARY) {
      tools.inHand().release(place(e));
    }
    panning = false;
    view.drawOverlay();
  }

  private void move(MouseEvent e) {
    if (!state.document().isEmpty()) {
      if (brushHeld) {
        // The ring stays where it is while it changes.
        setBrush(e);
        return;
      }
      pointer = place(e);
      view.drawOverlay();
      view.fireEvent(
          new PictureView.PointerEvent(view.places().at(e.getX(), e.getY(), Places.PHOTOGRAPH)));
    }
  }
}
