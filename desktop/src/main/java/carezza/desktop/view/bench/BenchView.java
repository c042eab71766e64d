package carezza.desktop.view.bench;

import javafx.scene.Node;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.VBox;

import carezza.desktop.action.ActionMap;
import carezza.desktop.action.MenuBars;
import carezza.desktop.action.Scope;
import carezza.desktop.state.AppState;
import carezza.desktop.style.TextSize;
import carezza.desktop.text.Texts;
import carezza.desktop.variant.VariantDesk;
import carezza.desktop.view.AppView;
import carezza.desktop.view.picture.PictureArea;
import carezza.desktop.view.plan.FindingList;
import carezza.desktop.view.plan.FindingPictures;

/**
 * Where the picture is worked on: it in the middle, the layer in hand on the right, the course at
 * the foot.
 */
public final class BenchView implements AppView {

  private static final Texts TEXTS = Texts.of("bench");

  private static final double PANEL_WIDTH = 300;
  private static final double RAIL_WIDTH = 236;
  private static final double COURSE_HEIGHT = 138;

  private final BorderPane pane = new BorderPane();
  private final PictureArea area;
  private final PanelView panel;
  private final CourseView course;
  private final FindingList rail;
  private final VariantStrip variants;
  private final VBox foot;

  /**
   * @param area is shown by other views, too, and closed by whoever made it
   * @param pictures of the findings' places, closed by whoever made them
   */
  public BenchView(AppState state, PictureArea area, FindingPictures pictures) {
    this.area = area;
    rail = new FindingList(state, pictures);
    rail.setId("rail-plan");
    rail.setPrefWidth(TextSize.px(RAIL_WIDTH));
    rail.setMinWidth(TextSize.px(RAIL_WIDTH));
    rail.setMaxWidth(TextSize.px(RAIL_WIDTH));
    pane.setLeft(rail);
    panel = new PanelView(state);
    course = new CourseView(state);
    panel.setPrefWidth(TextSize.px(PANEL_WIDTH));
    panel.setMinWidth(TextSize.px(PANEL_WIDTH));
    course.setPrefHeight(TextSize.px(COURSE_HEIGHT));
    course.setMinHeight(TextSize.px(COURSE_HEIGHT));
    pane.setRight(panel);
    variants = new VariantStrip(state.document(), new VariantDesk(state.document(), state.view()));
    foot = new VBox(variants, course);
    pane.setBottom(foot);
  }

  @Override
  public String id() {
    return "bench";
  }

  @Override
  public String title() {
    return TEXTS.get("benchView.bench");
  }

  @Override
  public String hint() {
    return TEXTS.get("benchView.work-on-the-picture");
  }

  @Override
  public Node node() {
    return pane;
  }

  @Override
  public void activate() {
    pane.setCenter(area);
    takeFocus();
  }

  @Override
  public void takeFocus() {
    area.picture().requestFocus();
  }

  @Override
  public void deactivate() {
    pane.setCenter(null);
  }

  @Override
  public Scope scope() {
    return Scope.BENCH;
  }

  /** What can be done with a layer stands on the menu of its card. */
  public void use(ActionMap actions) {
    course.use(
        MenuBars.context(
            actions,
            "layer-on",
            "layer-double",
            "layer-down",
            "layer-up",
            "layer-group",
            "layer-apart",
            "page",
            "remove"));
  }

  /** Shows what the layer in hand does, or where it acts. */
  public void turnPage() {
    panel.turnPage();
  }

  /** Folds the panel away, or unfolds it. */
  public void turnPanel() {
    pane.setRight(pane.getRight() == null ? panel : null);
  }

  /** Folds the plan away, or unfolds it. */
  public void turnRail() {
    pane.setLeft(pane.getLeft() == null ? rail : null);
  }

  /** Whether the plan is to be seen. */
  public boolean railShown() {
    return pane.getLeft() != null;
  }

  /** Folds the course away, or unfolds it. */
  public void turnCourse() {
    pane.setBottom(pane.getBottom() == null ? foot : null);
  }

  @Override
  public void close() {
    panel.close();
    course.close();
    variants.close();
    rail.close();
  }
}
