package carezza.desktop.view.deliver;

import java.nio.file.Path;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

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

  private static final String WAY = "deliver.way";
  private static final String RECIPE = "recipe";

  private final AppState state;
  private final BorderPane pane = new BorderPane();
  private final PictureArea area;
  private final DeliverPanel panel;
  private final RecipePanel recipe;
  private final Settings settings;
  private final VBox side = new VBox();
  private final ToggleButton one = new ToggleButton(TEXTS.get("deliverView.one-file"));
  private final ToggleButton many = new ToggleButton(TEXTS.get("deliverView.by-a-recipe"));

  /** The tool that the bench had, and has again for the same document. */
  private ToolKind benchTool = ToolKind.HAND;

  private @Nullable Session document;

  /**
   * @param recipes that can be delivered by
   * @param area is shown by other views, too, and closed by whoever made it
   */
  public DeliverView(
      AppState state, WorkState work, PictureArea area, Settings settings, Recipes recipes) {
    this.state = state;
    this.area = area;
    this.settings = settings;
    panel = new DeliverPanel(state, work, settings);
    recipe = new RecipePanel(state, work, settings, recipes);
    one.setId("deliver-one");
    one.setTooltip(new Tooltip(TEXTS.get("deliverView.one-file.tip")));
    one.setOnAction(e -> turn(false));
    many.setId("deliver-many");
    many.setTooltip(new Tooltip(TEXTS.get("deliverView.by-a-recipe.tip")));
    many.setOnAction(e -> turn(true));
    HBox ways = new HBox(6, one, many);
    ways.setPadding(new Insets(12, 14, 0, 14));
    side.getStyleClass().add("panel");
    side.getChildren().addAll(ways, panel);
    pane.setRight(side);
    turn(RECIPE.equals(settings.get(WAY, "")));
  }

  /** One file by hand, or all of a recipe. */
  private void turn(boolean byRecipe) {
    one.setSelected(!byRecipe);
    many.setSelected(byRecipe);
    settings.set(WAY, byRecipe ? RECIPE : "");
    Region shown = byRecipe ? recipe : panel;
    VBox.setVgrow(shown, Priority.ALWAYS);
    side.getChildren().set(1, shown);
    if (pane.getCenter() != null) {
      propose();
    }
  }

  private void propose() {
    if (many.isSelected()) {
      recipe.propose();
    } else {
      panel.propose();
    }
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
    pane.setCenter(area);
    propose();
    putDown();
    takeFocus();
  }

  /** What is delivered is looked at: nothing lies over it, and no stroke changes it. */
  private void putDown() {
    state.view().maskShownProperty().set(false);
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
    if (many.isSelected()) {
      recipe.takeFocus();
    } else {
      panel.takeFocus();
    }
  }

  @Override
  public void deactivate() {
    pane.setCenter(null);
    panel.leave();
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
    recipe.close();
  }
}
