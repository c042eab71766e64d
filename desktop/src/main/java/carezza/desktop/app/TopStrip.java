package carezza.desktop.app;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.DoubleConsumer;
import javafx.beans.InvalidationListener;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuBar;
import javafx.scene.control.Slider;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;

import org.jspecify.annotations.Nullable;

import carezza.desktop.action.ActionButtons;
import carezza.desktop.action.ActionMap;
import carezza.desktop.action.MenuBars;
import carezza.desktop.control.Spring;
import carezza.desktop.state.AppState;
import carezza.desktop.state.DocumentState;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.state.Workspace;
import carezza.desktop.style.Glyph;
import carezza.desktop.style.Tone;
import carezza.desktop.text.PlanWords;
import carezza.desktop.text.Texts;
import carezza.desktop.view.AppView;
import carezza.record.WorkRecord;

/**
 * The strip at the top: menus, a tab for each view, what is at work, steps back and forth, the grey
 * around the picture.
 */
final class TopStrip extends HBox implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("app");

  private static final double BESIDE = 40;

  private final AppState state;
  private final Workspace workspace;
  private final Subscriptions subscriptions = new Subscriptions();
  private final List<ToggleButton> tabs = new ArrayList<>();
  private final ReadOnlyObjectProperty<@Nullable AppView> shown;
  private final ReadOnlyStringWrapper words = new ReadOnlyStringWrapper("");

  TopStrip(
      AppState state,
      Workspace workspace,
      ActionMap actions,
      List<AppView> views,
      ReadOnlyObjectProperty<@Nullable AppView> shown,
      Consumer<AppView> show,
      DoubleConsumer grey) {
    super(8);
    this.state = state;
    this.workspace = workspace;

    MenuBar menus = MenuBars.of(actions);
    HBox row = new HBox(2);
    row.setAlignment(Pos.CENTER);
    // Beside the menus, which never change: tabs stay where they are whatever the picture is
    // called.
    row.setPadding(new Insets(0, 0, 0, BESIDE));
    ToggleGroup group = new ToggleGroup();
    for (AppView view : views) {
      if (view.listed()) {
        row.getChildren().add(tab(view, group, show));
      }
    }
    // Arrow keys go from tab to tab without pressing it.
    group
        .selectedToggleProperty()
        .subscribe(
            (was, is) -> {
              if (is != null && shown.get() != null && is.getUserData() != shown.get()) {
                show.accept((AppView) is.getUserData());
              }
            });
    Slider tone = new Slider(Tone.DARKEST, Tone.LIGHTEST, Tone.USUAL);
    tone.setId("tone");
    tone.setPrefWidth(64);
    tone.setMinWidth(40);
    tone.setAccessibleText(TEXTS.get("topStrip.grey-of-the-surround"));
    tone.setTooltip(new Tooltip(TEXTS.get("topStrip.grey-of-the-surround-darker-to")));
    tone.valueProperty().subscribe((was, is) -> grey.accept(is.doubleValue()));
    getChildren()
        .addAll(
            menus,
            row,
            new Spring(),
            title(),
            clock(actions),
            ActionButtons.drawn(actions.get("undo"), Glyph.UNDO.node()),
            ActionButtons.drawn(actions.get("redo"), Glyph.REDO.node()),
            tone);
    getStyleClass().add("strip");
    setAlignment(Pos.CENTER_LEFT);
    setPadding(new Insets(0, 12, 0, 12));
    subscriptions.on(
        this::sayTitle, state.document().projectProperty(), state.document().dirtyProperty());
    workspace.waiting().addListener((InvalidationListener) list -> sayTitle());
    this.shown = shown;
    subscriptions.on(this::mark, shown, state.document().sessionProperty());
  }

  private ToggleButton tab(AppView view, ToggleGroup group, Consumer<AppView> show) {
    ToggleButton tab = new ToggleButton(view.title());
    tab.setId("view-" + view.id());
    tab.getStyleClass().add("tab-button");
    tab.setToggleGroup(group);
    tab.setUserData(view);
    tab.setTooltip(new Tooltip(view.hint()));
    tab.setOnAction(e -> show.accept(view));
    tabs.add(tab);
    return tab;
  }

  /** What is at work, and whether it is saved; nothing where nothing is. */
  private Label title() {
    Label title = new Label();
    title.setId("title");
    // Whatever a picture is called, all else stays in sight.
    title.setMinWidth(0);
    title.getStyleClass().add("project-title");
    title.textProperty().bind(words);
    return title;
  }

  /** The time that went into the picture, of that which was planned. */
  private Button clock(ActionMap actions) {
    Button clock = new Button();
    clock.setId("clock");
    clock.getStyleClass().add("clock");
    clock.setTooltip(new Tooltip(TEXTS.get("topStrip.clock.tip")));
    clock.setOnAction(e -> actions.get("journal").run());
    clock.setFocusTraversable(false);
    Runnable say =
        () -> {
          boolean shown = state.document().project() != null;
          clock.setVisible(shown);
          if (shown) {
            WorkRecord work = state.document().recordProperty().get();
            clock.setText(
                TEXTS.get(
                    "topStrip.clock",
                    (int) WorkRecord.minutes(work.active()),
                    PlanWords.minutes(Math.round(work.estimate()))));
          }
        };
    clock.setMinWidth(Region.USE_PREF_SIZE);
    clock.managedProperty().bind(clock.visibleProperty());
    subscriptions.on(say, state.document().recordProperty(), state.document().projectProperty());
    say.run();
    return clock;
  }

  private void sayTitle() {
    DocumentState document = state.document();
    if (document.isEmpty()) {
      words.set("");
      return;
    }
    String title = document.project().title();
    String said = document.dirtyProperty().get() ? TEXTS.get("topStrip.not-saved", title) : title;
    int waiting = workspace.waiting().size();
    words.set(waiting == 0 ? said : TEXTS.get("topStrip.waiting", said, waiting));
  }

  ReadOnlyStringProperty titleProperty() {
    return words.getReadOnlyProperty();
  }

  /** Which view is shown, and which can be. */
  private void mark() {
    AppView now = shown.get();
    for (ToggleButton tab : tabs) {
      AppView own = (AppView) tab.getUserData();
      tab.setSelected(own == now);
      tab.setDisable(own.needsDocument() && state.document().isEmpty());
    }
  }

  @Override
  public void close() {
    subscriptions.close();
  }
}
