package carezza.desktop.view.picture;

import javafx.scene.control.Label;
import javafx.scene.layout.Region;
import javafx.scene.shape.Rectangle;

import org.jspecify.annotations.Nullable;

import carezza.desktop.picture.MaskView;
import carezza.desktop.picture.ViewPort;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Beside;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.text.Texts;
import carezza.model.Project;
import carezza.model.Stage;
import carezza.session.Session;

/**
 * What the picture is compared with: itself as stage Settle leaves it, another variant, or another
 * picture; at the same place as the view that it follows.
 */
public final class SettledPicture extends Region implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("picture");

  private final AppState state;
  private final Subscriptions subscriptions = new Subscriptions();
  private final ViewRenderer renderer;
  private final Screen screen = new Screen();
  private final Label words = new Label(TEXTS.get("settledPicture.as-settled"));
  private @Nullable ViewPort port;

  /** Over the picture, or beside it. */
  public SettledPicture(AppState state) {
    this.state = state;
    this.renderer = new ViewRenderer(state.tasks(), this::show, state.status()::fail);
    words.getStyleClass().add("picture-label");
    getChildren().addAll(screen, words);
    setMouseTransparent(true);
    setMinSize(0, 0);
    subscriptions.on(
        this::refresh,
        state.document().projectProperty(),
        state.view().checkProperty(),
        state.view().besideProperty());
    visibleProperty().addListener((o, was, is) -> refresh());
  }

  /** Shows the same part of the photograph as another view of the same size. */
  void follow(ViewPort other) {
    port = other;
    refresh();
  }

  /** Follows a view beside it. */
  public void follow(PictureView view) {
    view.portProperty().addListener((o, was, is) -> follow(is));
    follow(view.portProperty().get());
  }

  /** Shows only what lies left of a place. */
  void cut(double x) {
    setClip(new Rectangle(0, 0, x, port == null ? 0 : port.height()));
  }

  private void refresh() {
    if (state.document().isEmpty() || port == null || !isVisible()) {
      return;
    }
    screen.resizeTo(port.width(), port.height());
    Project atWork = state.document().project();
    Session own = state.document().session();
    Beside beside = state.view().besideProperty().get();
    Project other = beside == null ? null : beside.project().apply(atWork);
    if (other == null) {
      words.setText(TEXTS.get("settledPicture.as-settled"));
      request(own, atWork, atWork.stack().through(Stage.SETTLE), port);
    } else {
      words.setText(beside.title());
      request(
          beside.session() == null ? own : beside.session(),
          other,
          other.stack().size(),
          beside.port(port, own, atWork, other));
    }
    requestLayout();
  }

  private void request(Session session, Project project, int layers, ViewPort seen) {
    renderer.request(
        new ViewRenderer.Request(
            session,
            project,
            layers,
            null,
            false,
            MaskView.GREY_OUTSIDE,
            state.view().checkProperty().get(),
            state.view().screenProperty().get(),
            seen));
  }

  private void show(ViewRenderer.Frame frame) {
    screen.show(frame);
  }

  @Override
  protected void layoutChildren() {
    words.autosize();
    words.relocate(8, 8);
  }

  @Override
  public void close() {
    subscriptions.close();
    renderer.close();
  }
}
