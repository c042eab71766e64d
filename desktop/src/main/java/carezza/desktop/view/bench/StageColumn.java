package carezza.desktop.view.bench;

import java.util.List;
import java.util.Locale;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;

import carezza.desktop.control.Children;
import carezza.desktop.control.Spring;
import carezza.desktop.style.Glyph;
import carezza.desktop.text.Names;
import carezza.desktop.text.Texts;
import carezza.model.Stage;

/** A stage of the course: its name, what adds a layer to it, and the cards of its layers. */
final class StageColumn extends VBox {

  private static final Texts TEXTS = Texts.of("bench");
  private static final Texts PLAN = Texts.of("plan");

  private final Button add = new Button();
  private final Circle open = new Circle(3);
  private final HBox row = new HBox(4);

  /**
   * @param held takes the stage while its name is pressed, then null
   * @param choose what is added, beside the button
   */
  StageColumn(Stage stage, Consumer<Stage> held, BiConsumer<Stage, Node> choose) {
    super(4);
    String id = stage.name().toLowerCase(Locale.ROOT);
    Label name = new Label((stage.ordinal() + 1) + "  " + Names.of(stage));
    name.getStyleClass().add("stage-name");
    name.setMinWidth(Region.USE_PREF_SIZE);
    name.setId("stage-" + id);
    name.setTooltip(
        new Tooltip(TEXTS.get("courseView.hold-the-picture-without-what-does", Names.of(stage))));
    name.setOnMousePressed(e -> held.accept(stage));
    name.setOnMouseReleased(e -> held.accept(null));
    add.setId("add-" + id);
    add.getStyleClass().add("add");
    add.setGraphic(Glyph.ADD.node());
    add.setTooltip(new Tooltip(TEXTS.get("courseView.add-a-layer-to", Names.of(stage))));
    add.setAccessibleText(TEXTS.get("courseView.add-a-layer-to", Names.of(stage)));
    add.setOnAction(e -> choose.accept(stage, add));
    open.getStyleClass().add("stage-open");
    open.setId("open-" + id);
    open.setAccessibleText(PLAN.get("course.open"));
    Tooltip.install(open, new Tooltip(PLAN.get("course.open")));
    HBox top = new HBox(4, name, open, new Spring(), add);
    top.setAlignment(Pos.CENTER_LEFT);
    getChildren().addAll(top, row);
    getStyleClass().add("stage");
    HBox.setHgrow(this, Priority.SOMETIMES);
  }

  /** Whether layers can be added. */
  void allow(boolean adding) {
    add.setDisable(!adding);
  }

  /** A dot where the plan has something open. */
  void mark(boolean planned) {
    open.setVisible(planned);
  }

  /** Shows these cards; those that are here already stay as they are. */
  void show(List<LayerCard> cards) {
    Children.show(row, cards);
  }
}
