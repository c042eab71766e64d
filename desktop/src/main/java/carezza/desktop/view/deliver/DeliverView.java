package carezza.desktop.view.deliver;

import java.nio.file.Path;
import javafx.scene.Node;
import javafx.scene.layout.BorderPane;

import org.jspecify.annotations.Nullable;

import carezza.desktop.action.Scope;
import carezza.desktop.journal.WorkState;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Settings;
import carezza.desktop.state.ToolKind;
import carezza.desktop.text.Texts;
import carezza.desktop.view.AppView;
import carezza.desktop.view.picture.PictureArea;
import carezza.session.Session;

/** Where the finished picture is written: it on the left, what becomes of it on the right. */
public final class DeliverView implements AppView {

  private static final Texts TEXTS = Texts.of("deliver");

  private final AppState state;
  private final BorderPane pane = new BorderPane();
  private final PictureArea area;
  private final DeliverPanel panel;

  /** The tool that the bench had, and has again for the same document. */
  private ToolKind benchTool = ToolKind.HAND;

  private @Nullable Session document;

  /**
   * @param area is shown by other views, too, and closed by whoever made it
   */
  public DeliverView(AppState state, WorkState work, PictureArea area, Settings settings) {
    this.state = state;
    this.area = area;
    panel = new DeliverPanel(state, work, settings);
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
    putDown();
    takeFocus();
  }

  /** What is delivered is looked at: nothing lies over it, and no stroke changes it. */
  private void putDown() {
    ToolKind tool = state.tools().tool();
    if (tool != ToolKind.HAND) {
      benchTool = tool;
      document = state.document().session();
    }
    state.tools().toolProperty().set(ToolKind.HAND);
    state.view().marksShownProperty().set(false);
  }

  private void takeUp() {
    state.view().marksShownProperty().set(true);
    if (document == state.document().session()) {
      state.tools().toolProperty().set(benchTool);
    }
    benchTool = ToolKind.HAND;
    document = null;
  }

  @Override
  public void takeFocus() {
    panel.takeFocus();
  }

  @Override
  public void deactivate() {
    pane.setCenter(null);
    takeUp();
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
