package carezza.desktop.view.picture;

import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.PauseTransition;
import javafx.animation.Timeline;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.event.Event;
import javafx.event.EventType;
import javafx.scene.Cursor;
import javafx.scene.canvas.Canvas;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Region;
import javafx.util.Duration;

import org.jspecify.annotations.Nullable;

import carezza.desktop.picture.ViewPort;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Comparison;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.state.ToolKind;
import carezza.desktop.state.ViewState;
import carezza.desktop.text.Texts;
import carezza.desktop.tool.Overlay;
import carezza.desktop.tool.Tools;
import carezza.desktop.tool.ViewPlaces;
import carezza.image.Area;
import carezza.model.Point;
import carezza.model.Project;
import carezza.shape.Shapes;

/**
 * The picture: shows the rendered view through one pixel buffer of its own size, and on a canvas
 * above it the brush ring, handles and what is just being drawn. Wheel zooms at the pointer;
 * dragging with the hand, the middle button or Space held moves the view.
 */
public final class PictureView extends Region {

  private static final Texts TEXTS = Texts.of("picture");

  static final double WHEEL_STEP = 1.15;
  private static final double WIPE_WIDTH = 9;
  private static final double BLINK_MILLIS = 700;

  /** How long the numbers of the brush stay beside its ring. */
  private static final Duration BRUSH_SAID = Duration.seconds(1.4);

  /** Pixels of the photograph around the frame, to take hold of and to turn it by. */
  private static final int FRAME_ROOM = 60;

  /** Radius on the screen of a proposal that is being decided on. */
  private static final double DECIDING = 70;

  /** Radius on the screen of a finding that is looked at. */
  private static final double FOUND = 150;

  private final AppState state;
  private final Subscriptions subscriptions = new Subscriptions();
  private final ViewRenderer renderer;
  private final Tools tools;
  private final Screen image = new Screen();

  /** The photograph as it was seen while it was opened, until there is a frame. */
  private final SmallImage arriving = new SmallImage();

  private final CanvasBeyond beyond;
  private final SettledPicture settled;
  private final Region wipe = new Region();
  private final Canvas overlay = new Canvas();
  private final ArmsLength armsLength;
  private final ReadOnlyObjectWrapper<ViewPort> shownPort = new ReadOnlyObjectWrapper<>();
  private final Timeline blinking;
  private double wipeShare = 0.5;
  private ViewPort port = new ViewPort(0, 0, 1, 1, 1);
  private boolean fitted = true;
  private @Nullable Area fittedTo;
  private final PictureHand hand;
  private boolean exact;
  private final PauseTransition brushSaid = new PauseTransition(BRUSH_SAID);
  private final Label waiting = new Label(TEXTS.get("pictureView.making-the-picture"));
  private Shapes shapes = Shapes.NONE;
  private final ReadOnlyObjectWrapper<Project> shown = new ReadOnlyObjectWrapper<>();

  public PictureView(AppState state) {
    this.state = state;
    this.renderer = new ViewRenderer(state.tasks(), this::show, state.status()::fail);
    this.tools = new Tools(state);
    this.hand = new PictureHand(this, state, tools);
    setId("picture");
    getStyleClass().add("picture");
    armsLength = new ArmsLength(state, place -> lookAt(place, port.zoom()));
    beyond = new CanvasBeyond(state);
    settled = new SettledPicture(state);
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
    waiting.setId("waiting");
    waiting.getStyleClass().add("picture-label");
    waiting.setMouseTransparent(true);
    waiting.setVisible(false);
    getChildren().addAll(beyond, image, arriving, settled, overlay, wipe, armsLength, waiting);
    overlay.setMouseTransparent(true);
    compare();
    setFocusTraversable(true);
    setAccessibleText(TEXTS.get("pictureView.the-picture"));
    listen();
    hand.install();
  }

  private void listen() {
    ViewState view = state.view();
    subscriptions.on(this::begin, state.document().sessionProperty());
    subscriptions.on(this::change, state.document().projectProperty());
    subscriptions.on(
        this::refresh,
        view.playheadProperty(),
        view.asShotProperty(),
        view.maskShownProperty(),
        view.maskViewProperty(),
        view.checkProperty(),
        view.screenProperty(),
        view.stageHeldProperty(),
        state.selection().selectedProperty());
    subscriptions.on(
        this::drawOverlay,
        view.marksShownProperty(),
        state.spots().spotsProperty(),
        state.advice().contoursProperty(),
        state.advice().distractionsProperty(),
        state.colours().foundProperty(),
        state.pins().readProperty(),
        state.crop().linesProperty(),
        state.part().placeProperty(),
        state.repairs().chosenProperty(),
        state.proposals().allProperty());
    subscriptions.on(
        state.plan().focusProperty(),
        is -> {
          if (is != null && is.now().place() != null) {
            lookAt(is.now().place(), Math.clamp(FOUND / is.now().radius(), 0.2, 1));
          }
          drawOverlay();
        });
    // The pointer's places are mirrored with the node.
    subscriptions.on(view.mirroredProperty(), is -> setScaleX(is ? -1 : 1));
    subscriptions.on(this::compare, view.comparisonProperty());
    subscriptions.on(view.surroundProperty(), is -> setStyle(is.style()));
    subscriptions.on(this::sayBrush, state.tools().brushProperty());
    subscriptions.on(
        state.proposals().currentProperty(),
        is -> {
          if (is != null) {
            lookAt(new Point(is.x(), is.y()), Math.clamp(DECIDING / is.radius(), 0.5, 2));
          }
          drawOverlay();
        });
    subscriptions.on(this::takeUp, state.tools().toolProperty());
    brushSaid.setOnFinished(e -> drawOverlay());
  }

  /** Another document: nothing of the last one stays on the screen. */
  private void begin() {
    image.clear();
    exact = false;
    shown.set(null);
    arriving.show(state.view().comingProperty().get());
    state.view().comingProperty().set(null);
    shapes = Shapes.NONE;
    hand.forget();
    fitted = true;
    waiting.setVisible(true);
    fit();
  }

  /**
   * A frame that reaches further than before is seen whole again, but does not move in the hand.
   */
  private void change() {
    boolean inHand = state.tools().tool() == ToolKind.FRAME;
    if (fitted && !inHand && !state.document().isEmpty() && !whole().equals(fittedTo)) {
      fit();
    } else {
      refresh();
    }
  }

  private void takeUp() {
    boolean frame = state.tools().tool() == ToolKind.FRAME;
    setCursor(tools.inHand().cursor());
    if (frame) {
      fit();
    }
    drawOverlay();
  }

  /** The numbers of the brush stand beside its ring for a moment after they change. */
  private void sayBrush() {
    if (state.tools().tool().brush()) {
      brushSaid.playFromStart();
    }
    drawOverlay();
  }

  private void compare() {
    Comparison how = state.view().comparisonProperty().get();
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

  // --- view

  /** What can be done with the picture, for the other button. */
  public void use(ContextMenu menu) {
    setOnContextMenuRequested(e -> menu.show(this, e.getScreenX(), e.getScreenY()));
    addEventHandler(MouseEvent.MOUSE_PRESSED, e -> menu.hide());
  }

  /** Shows the whole photograph. */
  public void fit() {
    if (!state.document().isEmpty()) {
      fitted = true;
      fittedTo = whole();
      port = ViewPort.fit(fittedTo, (int) getWidth(), (int) getHeight());
      refresh();
    }
  }

  /** What fits into the view: the photograph, with what a frame reaches beyond it. */
  private Area whole() {
    Area all = state.document().session().size().area();
    boolean inHand = state.tools().tool() == ToolKind.FRAME;
    if (!inHand && !state.crop().beyond()) {
      return all;
    }
    for (Point corner : state.crop().frame().corners()) {
      all = all.union(Area.around(corner.x() - 1, corner.y() - 1, corner.x() + 1, corner.y() + 1));
    }
    return inHand ? all.grow(FRAME_ROOM) : all;
  }

  /** One photograph pixel to one view pixel, about the pointer or the middle. */
  public void actualSize() {
    zoomTo(1, pointer());
  }

  /**
   * Zooms about the pointer, or the middle.
   *
   * @param steps above 0 closer, below further away
   */
  public void zoomBy(int steps) {
    zoomTo(port.zoom() * Math.pow(WHEEL_STEP, 2 * steps), pointer());
  }

  /** Between the whole photograph and 100 %. */
  public void toggleZoom() {
    if (fitted) {
      actualSize();
    } else {
      fit();
    }
  }

  /** Puts a place of the photograph in the middle of the view. */
  public void lookAt(Point place, double zoom) {
    fitted = false;
    Point seen = shapes.shown(place);
    port =
        new ViewPort(
            seen.x() - port.width() / (2 * zoom),
            seen.y() - port.height() / (2 * zoom),
            zoom,
            port.width(),
            port.height());
    refresh();
  }

  private void zoomTo(double zoom, @Nullable Point at) {
    fitted = false;
    Point seen = at == null ? null : places().seen(at, state.tools().tool().places());
    double x = seen == null ? port.width() / 2.0 : port.viewX(seen.x());
    double y = seen == null ? port.height() / 2.0 : port.viewY(seen.y());
    port = port.zoomed(zoom, x, y);
    refresh();
  }

  /** Whether the whole picture is in the view, however the window changes. */
  public boolean isFitted() {
    return fitted;
  }

  public double zoom() {
    return port.zoom();
  }

  /** Where a place of the photograph stands in this view, in its own coordinates. */
  public Point toView(Point photo) {
    Point seen = shapes.shown(photo);
    return new Point(port.viewX(seen.x()), port.viewY(seen.y()));
  }

  /** What places of the view mean. */
  ViewPlaces places() {
    return new ViewPlaces(port, shapes);
  }

  /** The place of the photograph under the pointer, or null. */
  public @Nullable Point pointer() {
    return hand.pointer();
  }

  /** Whether what is shown is exact: neither coarser nor waiting for the renderer. */
  public boolean isExact() {
    return exact;
  }

  /** The project whose pixels are in the view now; a little behind the model while it changes. */
  public ReadOnlyObjectProperty<Project> shownProperty() {
    return shown.getReadOnlyProperty();
  }

  /** What the pointer and its keys do here. */
  public PictureHand hand() {
    return hand;
  }

  ViewPort port() {
    return port;
  }

  /** Looks through another port, chosen by hand. */
  void look(ViewPort other) {
    fitted = false;
    port = other;
    refresh();
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
      waiting.autosize();
      waiting.relocate((w - waiting.getWidth()) / 2, (h - waiting.getHeight()) / 2);
    }
  }

  /** The part of the photograph that is shown. */
  public ReadOnlyObjectProperty<ViewPort> portProperty() {
    return shownPort.getReadOnlyProperty();
  }

  /** Asks for the view anew. */
  public void refresh() {
    if (state.document().isEmpty() || !image.isReady()) {
      return;
    }
    exact = false;
    state.view().awaitedProperty().set(true);
    renderer.request(
        new ViewRenderer.Request(
            state.document().session(),
            state.view().project(),
            state.view().shownLayers(),
            state.selection().selected(),
            state.view().maskShownProperty().get(),
            state.view().maskViewProperty().get(),
            state.view().checkProperty().get(),
            state.view().screenProperty().get(),
            port));
    if (!port.equals(shownPort.get())) {
      shownPort.set(port);
      settled.follow(port);
      beyond.follow(port);
    }
    armsLength.follow(port);
    if (fitted) {
      arriving.follow(port, state.document().session().size());
    } else {
      // Not all of it is in the view any more: it would lie over the panels.
      arriving.show(null);
    }
    drawOverlay();
  }

  private void show(ViewRenderer.Frame frame) {
    if (!image.show(frame)) {
      return;
    }
    exact = frame.exact() && frame.port().equals(port);
    state.view().awaitedProperty().set(false);
    arriving.show(null);
    shown.set(frame.project());
    shapes = frame.shapes();
    waiting.setVisible(frame.isBare());
    if (exact) {
      state.document().beSeen(frame.session());
    }
    drawOverlay();
  }

  void drawOverlay() {
    Point at = hand.isPanning() ? null : pointer();
    Overlay.draw(overlay, state, places(), tools.inHand(), at);
    if (at != null && brushSaid.getStatus() == Animation.Status.RUNNING) {
      Overlay.brush(overlay, places(), state.tools().tool(), at, state.tools().brush());
    }
  }

  /** Tells the readouts that the pointer is over another place. */
  public static final class PointerEvent extends Event {

    private static final long serialVersionUID = 1L;

    public static final EventType<PointerEvent> MOVED = new EventType<>("POINTER_MOVED");

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
    subscriptions.close();
    blinking.stop();
    renderer.close();
    settled.close();
    beyond.close();
    armsLength.close();
  }
}
