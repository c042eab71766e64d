package carezza.desktop.view.deliver;

import java.nio.file.Path;
import javafx.scene.Node;
import javafx.scene.layout.BorderPane;

import carezza.desktop.action.Scope;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Settings;
import carezza.desktop.text.Texts;
import carezza.desktop.view.AppView;
import carezza.desktop.view.picture.PictureArea;

/** Where the finished picture is written: it on the left, what becomes of it on the right. */
public final class DeliverView implements AppView {

  private static final Texts TEXTS = Texts.of("deliver");

  private final AppState state;
  private final BorderPane pane = new BorderPane();
  private final PictureArea area;
  private final DeliverPanel panel;

  /**
   * @param area is shown by other views, too, and closed by whoever made it
   */
  public DeliverView(AppState state, PictureArea area, Settings settings) {
    this.state = state;
    this.area = area;
    panel = new DeliverPanel(state, settings);
    pane.setRight(panel);
  }

  @Override
  public String id() {
    return "deliver";
  }

  @Override
  public String title() {
    return TEXTS.get("deliverView.deliver");
  }

  @Override
  public String hint() {
    return TEXTS.get("deliverView.write-the-finished-picture");
  }

  @Override
  public Node node() {
    return pane;
  }

  @Override
  public void activate() {
    state.view().moveTo(state.document().stack().size());
    panel.propose();
    pane.setCenter(area);
    takeFocus();
  }

  @Override
  public void takeFocus() {
    panel.takeFocus();
  }

  @Override
  public void deactivate() {
    pane.setCenter(null);
  }

  @Override
  public Scope scope() {
    return Scope.DOCUMENT;
  }

  /** Takes a profile from its file into the list and chooses it. */
  public void useProfile(Path file) {
    panel.useProfile(file);
  }

  @Override
  public void close() {
    panel.close();
  }
}
