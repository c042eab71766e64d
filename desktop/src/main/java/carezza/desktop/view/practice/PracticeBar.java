package carezza.desktop.view.practice;

import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

import carezza.desktop.action.ActionButtons;
import carezza.desktop.action.ActionMap;
import carezza.desktop.practice.PracticeState;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.text.Names;
import carezza.desktop.text.Texts;
import carezza.kernel.LayerType;
import carezza.practice.Task;

/** Above the picture while an exercise is at work: what there is to do, and with what. */
public final class PracticeBar extends HBox implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("practice");

  private final AppState state;
  private final PracticeState practice;
  private final Subscriptions subscriptions = new Subscriptions();
  private final Label words = new Label();
  private final HBox layers = new HBox(4);

  public PracticeBar(AppState state, PracticeState practice, ActionMap actions) {
    super(10);
    this.state = state;
    this.practice = practice;
    setId("practice-bar");
    getStyleClass().add("strip");
    setAlignment(Pos.CENTER_LEFT);
    setPadding(new Insets(4, 12, 4, 12));
    words.setWrapText(true);
    words.setMinWidth(0);
    words.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(words, Priority.ALWAYS);
    Region done = ActionButtons.named(actions.get("practice-done"));
    Region up = ActionButtons.named(actions.get("practice-give-up"));
    done.setMinWidth(Region.USE_PREF_SIZE);
    up.setMinWidth(Region.USE_PREF_SIZE);
    layers.setMinWidth(Region.USE_PREF_SIZE);
    layers.setAlignment(Pos.CENTER_LEFT);
    getChildren().addAll(words, layers, done, up);
    subscriptions.on(this::show, practice.taskProperty(), state.document().sessionProperty());
    show();
  }

  private void show() {
    boolean at = practice.isAtWork();
    setVisible(at);
    setManaged(at);
    Task task = practice.taskProperty().get();
    if (task == null || !at) {
      return;
    }
    words.setText(TEXTS.get("exercise." + task.exercise() + ".task"));
    layers.getChildren().clear();
    for (LayerType type : LayerType.values()) {
      if (task.exercise().allows(type)) {
        layers.getChildren().add(adding(type));
      }
    }
  }

  private Button adding(LayerType type) {
    Button add = new Button("+ " + Names.of(type));
    add.setId("practice-add-" + type.key());
    add.setTooltip(new Tooltip(TEXTS.get("add.tip", Names.of(type))));
    add.setOnAction(e -> state.selection().add(type));
    return add;
  }

  @Override
  public void close() {
    subscriptions.close();
  }
}
