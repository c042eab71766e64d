package carezza.desktop.view.bench;

import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.scene.Cursor;
import javafx.scene.canvas.Canvas;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Region;
import javafx.util.Duration;

import carezza.desktop.picture.ViewPort;
import carezza.desktop.state.BenchModel;
import carezza.desktop.state.Brush;
import carezza.desktop.state.Comparison;
import carezza.desktop.state.ProposalState;
import carezza.desktop.state.RepairState;
import carezza.desktop.state.ToolKind;
import carezza.desktop.tool.Gestures;
import carezza.desktop.tool.Overlay;
import carezza.model.Point;
import carezza.model.Project;

/**
 * The picture: shows the rendered view through one pixel buffer of its own size, and on a canvas above
 * it the brush ring, handles and what is just being drawn. Wheel zooms at the pointer; dragging with
 * the hand, the middle button or Space held moves the view.
 */
public final class PictureView extends Region {

  private static final double WHEEL_STEP = 1.15;
  private static final double BRUSH_STEP = 1.08;
  private static final double WIPE_WIDTH = 9;
  private static final double BLINK_MILLIS = 700;

  /** Radius on the screen of a proposal that is being decided on. */
  private static final double DECIDING = 70;

  private final BenchModel model;
  private final ViewRenderer renderer;
  private final Screen image = new Screen();
  private final SettledPicture settled;
  private final Region wipe = new Region();
  private final Canvas overlay = new Canvas();
  private final Gestures gestures;
  private final ArmsLength armsLength;
  private final ReadOnlyObjectWrapper<ViewPort> shownPort = new ReadOnlyObjectWrapper<>();
  private final Timeline blinking;
  private double wipeShare = 0.5;
  private ViewPort port = new ViewPort(0, 0, 1, 1, 1);
  private boolean fitted = true;
  private boolean spaceHeld;
  private boolean panning;
  private double lastX;
  private double lastY;
  private Point pointer;
  private boolean exact;
  private final ReadOnlyObjectWrapper<Project> shown = new ReadOnlyObjectWrapper<>();

  public PictureView(BenchModel model) {
    this.model = model;
    this.renderer = new ViewRenderer(this::show, model::fail);
    this.gestures = new Gestures(model);
    setId("picture");
    getStyleClass().add("picture");
    armsLength = new ArmsLength(model, place -> lookAt(place, port.zoom()));
    settled = new SettledPicture(model);
    settled.setVisible(false);
    wipe.setId("wipe");
    wipe.getStyleClass().add("wipe");
    wipe.setCursor(Cursor.H_RESIZE);
    wipe.setOnMouseDragged(
        e -> {
          wipeShare =
              Math.clamp((wipe.getLayoutX() + e.getX()) / Math.max(1, getWidth()), 0.02, 0.98);
          placeWipe();
          e.consume();
        });
    wipe.setOnMousePressed(MouseEvent::consume);
    wipe.setOnMouseReleased(MouseEvent::consume);
    blinking =
        new Timeline(
            new KeyFrame(
                Duration.millis(BLINK_MILLIS), e -> settled.setVisible(!settled.isVisible())));
    blinking.setCycleCount(Animation.INDEFINITE);
    getChildren().addAll(image, settled, overlay, wipe, armsLength);
    overlay.setMouseTransparent(true);
    compare();
    setFocusTraversable(true);
    setAccessibleText("The picture");
    listen();
    handle();
  }

  private void listen() {
    model.projectProperty().addListener((o, was, is) -> refresh());
    model.playheadProperty().addListener((o, was, is) -> refresh());
    model.viewing().asShotProperty().addListener((o, was, is) -> refresh());
    model.viewing().maskShownProperty().addListener((o, was, is) -> refresh());
    model.viewing().maskViewProperty().addListener((o, was, is) -> refresh());
    model.viewing().checkProperty().addListener((o, was, is) -> refresh());
    model.viewing().screenProperty().addListener((o, was, is) -> refresh());
    model.spotHint().spotsProperty().addListener((o, was, is) -> drawOverlay());
    model.advising().contoursProperty().addListener((o, was, is) -> drawOverlay());
    model.advising().distractionsProperty().addListener((o, was, is) -> drawOverlay());
    model.colouring().foundProperty().addListener((o, was, is) -> drawOverlay());
    model.pins().readProperty().addListener((o, was, is) -> drawOverlay());
    model.framing().linesProperty().addListener((o, was, is) -> drawOverlay());
    // The pointer's places are mirrored with the node.
    model.viewing().mirroredProperty().addListener((o, was, is) -> setScaleX(is ? -1 : 1));
    model.viewing().comparisonProperty().addListener((o, was, is) -> compare());
    model.viewing().surroundProperty().addListener((o, was, is) -> setStyle(is.style()));
    model.viewing().stageHeldProperty().addListener((o, was, is) -> refresh());
    model.selectedProperty().addListener((o, was, is) -> refresh());
    model.brushProperty().addListener((o, was, is) -> drawOverlay());
    model.part().placeProperty().addListener((o, was, is) -> drawOverlay());
    RepairState mending = model.mending();
    mending.chosenProperty().addListener((o, was, is) -> drawOverlay());
    ProposalState proposals = model.proposals();
    proposals.allProperty().addListener((o, was, is) -> drawOverlay());
    proposals
        .currentProperty()
        .addListener(
            (o, was, is) -> {
              if (is != null) {
                lookAt(new Point(is.x(), is.y()), Math.clamp(DECIDING / is.radius(), 0.5, 2));
              }
              drawOverlay();
            });
    model
        .toolProperty()
        .addListener(
            (o, was, is) -> {
              gestures.abandon();
              drawOverlay();
            });
  }

  private void compare() {
    Comparison how = model.viewing().comparisonProperty().get();
    blinking.stop();
    settled.setClip(null);
    wipe.setVisible(how == Comparison.WIPE);
    settled.setVisible(how == Comparison.WIPE || how == Comparison.BLINK);
    if (how == Comparison.BLINK) {
      blinking.play();
    }
    settled.follow(port);
    placeWipe();
  }

  private void placeWipe() {
    double x = Math.rint(wipeShare * getWidth());
    wipe.resizeRelocate(x - WIPE_WIDTH / 2, 0, WIPE_WIDTH, getHeight());
    if (wipe.isVisible()) {
      settled.cut(x);
    }
  }

  private void handle() {
    setOnScroll(this::wheel);
    setOnMousePressed(this::press);
    setOnMouseDragged(this::drag);
    setOnMouseReleased(this::release);
    setOnMouseMoved(this::move);
    setOnMouseExited(
        e -> {
          pointer = null;
          drawOverlay();
        });
  }

  // --- view

  /** Shows the whole photograph. */
  public void fit() {
    if (!model.isEmpty()) {
      fitted = true;
      port = ViewPort.fit(model.session().size(), (int) getWidth(), (int) getHeight());
      refresh();
    }
  }

  /** One photograph pixel to one view pixel, about the pointer or the middle. */
  public void actualSize() {
    zoomTo(1, pointer);
  }

  /** Between the whole photograph and 100 %. */
  public void toggleZoom() {
    if (Math.abs(port.zoom() - 1) < 1e-9) {
      fit();
    } else {
      actualSize();
    }
  }

  /** Puts a place of the photograph in the middle of the view. */
  public void lookAt(Point place, double zoom) {
    fitted = false;
    port =
        new ViewPort(
            place.x() - port.width() / (2 * zoom),
            place.y() - port.height() / (2 * zoom),
            zoom,
            port.width(),
            port.height());
    refresh();
  }

  private void zoomTo(double zoom, Point at) {
    fitted = false;
    double x = at == null ? port.width() / 2.0 : port.viewX(at.x());
    double y = at == null ? port.height() / 2.0 : port.viewY(at.y());
    port = port.zoomed(zoom, x, y);
    refresh();
  }

  public double zoom() {
    return port.zoom();
  }

  /** Where a place of the photograph stands in this view, in its own coordinates. */
  public Point toView(Point photo) {
    return new Point(port.viewX(photo.x()), port.viewY(photo.y()));
  }

  /** Makes the brush as wide as the spot under the pointer asks for; false where there is none. */
  public boolean takeHint() {
    if (pointer == null || model.toolProperty().get() != ToolKind.HEAL) {
      return false;
    }
    return model
        .spotHint()
        .at(pointer)
        .map(
            spot -> {
              Brush brush = model.brushProperty().get();
              model.brushProperty().set(brush.radiusTimes(spot.radius() / brush.radius()));
              return true;
            })
        .orElse(false);
  }

  /** The place of the photograph under the pointer, or null. */
  public Point pointer() {
    return pointer;
  }

  /** Whether what is shown is exact: neither coarser nor waiting for the renderer. */
  public boolean isExact() {
    return exact;
  }

  /** The project whose pixels are in the view now; a little behind the model while it changes. */
  public ReadOnlyObjectProperty<Project> shownProperty() {
    return shown.getReadOnlyProperty();
  }

  /** While Space is held, dragging moves the view whatever the tool. */
  public void holdSpace(boolean held) {
    spaceHeld = held;
  }

  @Override
  protected void layoutChildren() {
    int w = Math.max(1, (int) getWidth());
    int h = Math.max(1, (int) getHeight());
    if (image.resizeTo(w, h)) {
      overlay.setWidth(w);
      overlay.setHeight(h);
      port = port.resized(w, h);
      if (fitted) {
        fit();
      } else {
        refresh();
      }
      settled.resize(w, h);
      placeWipe();
    }
  }

  /** The part of the photograph that is shown. */
  public ReadOnlyObjectProperty<ViewPort> portProperty() {
    return shownPort.getReadOnlyProperty();
  }

  /** Asks for the view anew. */
  public void refresh() {
    if (model.isEmpty() || !image.isReady()) {
      return;
    }
    exact = false;
    renderer.request(
        new ViewRenderer.Request(
            model.session(),
            model.viewing().project(),
            model.viewing().shownLayers(),
            model.selectedProperty().get(),
            model.viewing().maskShownProperty().get(),
            model.viewing().maskViewProperty().get(),
            model.viewing().checkProperty().get(),
            model.viewing().screenProperty().get(),
            port));
    if (!port.equals(shownPort.get())) {
      shownPort.set(port);
      settled.follow(port);
    }
    armsLength.follow(port);
    drawOverlay();
  }

  private void show(ViewRenderer.Frame frame) {
    if (!image.show(frame)) {
      return;
    }
    exact = frame.exact() && frame.port().equals(port);
    shown.set(frame.project());
    drawOverlay();
  }

  private void drawOverlay() {
    Overlay.draw(overlay, model, port, gestures, panning ? null : pointer);
  }

  // --- input

  private void wheel(ScrollEvent e) {
    if (model.isEmpty() || e.getDeltaY() == 0 && e.getDeltaX() == 0) {
      return;
    }
    // Shift turns the wheel sideways on some systems.
    double turn = Math.signum(e.getDeltaY() != 0 ? e.getDeltaY() : e.getDeltaX());
    Brush brush = model.brushProperty().get();
    if (e.isShortcutDown()) {
      model.brushProperty().set(brush.radiusTimes(Math.pow(BRUSH_STEP, turn)));
    } else if (e.isShiftDown()) {
      model.brushProperty().set(brush.stronger(0.02 * turn));
    } else if (e.isAltDown()) {
      model.brushProperty().set(brush.softer(0.05 * turn));
    } else {
      fitted = false;
      port = port.zoomed(port.zoom() * Math.pow(WHEEL_STEP, turn), e.getX(), e.getY());
      refresh();
    }
    e.consume();
  }

  private void press(MouseEvent e) {
    requestFocus();
    if (model.isEmpty()) {
      return;
    }
    lastX = e.getX();
    lastY = e.getY();
    boolean hand = model.toolProperty().get() == ToolKind.HAND;
    panning = spaceHeld || hand || e.getButton() != MouseButton.PRIMARY;
    if (!panning) {
      gestures.press(
          port.toPhoto(e.getX(), e.getY()), e.isShiftDown(), e.isShortcutDown(), 12 / port.zoom());
      drawOverlay();
    }
  }

  private void drag(MouseEvent e) {
    if (model.isEmpty()) {
      return;
    }
    pointer = port.toPhoto(e.getX(), e.getY());
    if (panning) {
      fitted = false;
      port = port.panned(e.getX() - lastX, e.getY() - lastY);
      lastX = e.getX();
      lastY = e.getY();
      refresh();
    } else {
      gestures.drag(pointer);
      drawOverlay();
    }
  }

  private void release(MouseEvent e) {
    if (!model.isEmpty() && !panning) {
      gestures.release(port.toPhoto(e.getX(), e.getY()));
    }
    panning = false;
    drawOverlay();
  }

  private void move(MouseEvent e) {
    if (!model.isEmpty()) {
      pointer = port.toPhoto(e.getX(), e.getY());
      drawOverlay();
      fireEvent(new PointerEvent(pointer));
    }
  }

  /** Tells the readouts that the pointer is over another place. */
  public static final class PointerEvent extends javafx.event.Event {

    private static final long serialVersionUID = 1L;

    public static final javafx.event.EventType<PointerEvent> MOVED =
        new javafx.event.EventType<>("POINTER_MOVED");

    private final transient Point place;

    PointerEvent(Point place) {
      super(MOVED);
      this.place = place;
    }

    public Point place() {
      return place;
    }
  }

  public void close() {
    blinking.stop();
    renderer.close();
    settled.close();
    armsLength.close();
  }
}
