package carezza.desktop.view.set;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.collections.MapChangeListener;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.stage.Screen;

import org.jspecify.annotations.Nullable;

import carezza.batch.SetFolder;
import carezza.desktop.action.Scope;
import carezza.desktop.control.Buttons;
import carezza.desktop.control.Spring;
import carezza.desktop.control.Titled;
import carezza.desktop.set.SetJobs;
import carezza.desktop.set.SetLook;
import carezza.desktop.set.SetOrder;
import carezza.desktop.set.SetOutcome;
import carezza.desktop.set.SetState;
import carezza.desktop.state.Status;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.style.TextSize;
import carezza.desktop.text.Texts;
import carezza.desktop.view.AppView;
import carezza.desktop.view.ExplainButton;
import carezza.desktop.view.WorkLine;
import carezza.model.Layer;
import carezza.recipe.Recipe;
import carezza.routine.Routine;
import carezza.set.DayPlan;
import carezza.set.Member;
import carezza.set.Member.State;
import carezza.set.PictureSet;

/** Many pictures as one piece of work. */
public final class SetView implements AppView {

  private static final Texts TEXTS = SetWords.TEXTS;

  private final SetState set;
  private final SetJobs jobs;
  private final Opening opening;
  private final Subscriptions subscriptions = new Subscriptions();
  private final BorderPane pane = new BorderPane();
  private final VBox empty = new VBox(14);
  private final VBox work;
  private final Label summary = new Label();
  private final Label gone = new Label();
  private final ComboBox<Routine> routine = new ComboBox<>();
  private final ComboBox<Recipe> recipe = new ComboBox<>();
  private final Label message = new Label();
  private final WorkLine line;
  private final MemberGrid grid;
  private final FaceStrip faces;
  private final MemberPanel panel;
  private final MapChangeListener<String, SetLook> looked;
  private final MapChangeListener<String, SetOutcome> became;
  private final TextField available = new TextField();
  private boolean active;

  /** What the view opens. */
  public interface Opening {

    /** Opens a file on the bench. */
    void open(Path file);

    /** Asks for a folder and opens it. */
    void askSet();

    void openDemoSet();
  }

  /**
   * @param status what is said and done
   * @param pin sets a member's file beside the picture on the bench
   */
  public SetView(SetState set, SetJobs jobs, Status status, Opening opening, Consumer<Path> pin) {
    this.set = set;
    this.jobs = jobs;
    this.opening = opening;
    pane.setId("set");
    pane.getStyleClass().add("plan");
    grid = new MemberGrid(set, this::openCurrent);
    faces = new FaceStrip(set);
    panel = new MemberPanel(set, jobs, this::openCurrent, () -> currentFile().ifPresent(pin));
    summary.setId("set-summary");
    gone.setId("set-missing");
    gone.setWrapText(true);
    gone.getStyleClass().add("heading");
    Label beside = new Label(TEXTS.get("beside"));
    beside.getStyleClass().add("heading");
    work = new VBox(10, commands(), orders(), gone, grid, beside, faces);
    work.getStyleClass().add("journal");
    VBox.setVgrow(grid, Priority.ALWAYS);
    Label none = new Label(TEXTS.get("none"));
    none.setWrapText(true);
    line = new WorkLine(status, "set-");
    message.textProperty().bind(status.messageProperty());
    message.setId("set-message");
    message.setWrapText(true);
    HBox foot = new HBox(14, message, line);
    foot.setMinHeight(22);
    foot.setAlignment(Pos.CENTER_LEFT);
    work.getChildren().add(foot);
    empty.setAlignment(Pos.CENTER);
    HBox ways =
        new HBox(
            10,
            Buttons.of("set-folder", TEXTS.get("folder"), TEXTS.get("folder.tip"), opening::askSet),
            Buttons.of("set-demo", TEXTS.get("demo"), TEXTS.get("demo.tip"), opening::openDemoSet));
    ways.setAlignment(Pos.CENTER);
    empty.getChildren().addAll(none, ways);
    looked = change -> looked();
    became = change -> panel.show();
    set.looks().addListener(looked);
    subscriptions.on(this::show, set.setProperty(), set.missingProperty());
    subscriptions.on(panel::show, set.chosenProperty());
    jobs.outcomes().addListener(became);
    subscriptions.on(jobs.routinesProperty(), is -> offer(routine, is));
    subscriptions.on(panel::show, jobs.answers().answersProperty());
    subscriptions.on(jobs.recipesProperty(), is -> offer(recipe, is));
    show();
  }

  /** Shorter side of a picture among others, in pixels of the screen. */
  public static double thumbnailSide() {
    return TextSize.px(MemberCard.SIDE) * Screen.getPrimary().getOutputScaleX();
  }

  private FlowPane commands() {
    routine.setId("set-routine");
    routine.setConverter(new Titled<>(Routine::name));
    routine.setAccessibleText(TEXTS.get("routine"));
    routine.setTooltip(new Tooltip(TEXTS.get("routine.tip")));
    recipe.setId("set-recipe");
    recipe.setConverter(new Titled<>(Recipe::name));
    recipe.setAccessibleText(TEXTS.get("recipe"));
    recipe.setTooltip(new Tooltip(TEXTS.get("recipe.tip")));
    HBox lay =
        joined(
            routine,
            Buttons.of(
                "set-apply",
                TEXTS.get("apply"),
                TEXTS.get("apply.tip"),
                () -> laidOn(routine.getValue())));
    HBox deliver =
        joined(
            recipe,
            Buttons.of(
                "set-deliver",
                TEXTS.get("deliver"),
                TEXTS.get("deliver.tip"),
                () -> delivered(recipe.getValue())),
            Buttons.of(
                "set-send",
                TEXTS.get("send"),
                TEXTS.get("send.tip"),
                () -> sent(recipe.getValue())),
            Buttons.of(
                "set-answers",
                TEXTS.get("look-for-answers"),
                TEXTS.get("look-for-answers.tip"),
                jobs.answers()::look));
    return new FlowPane(
        8,
        8,
        lay,
        Buttons.of("set-plan", TEXTS.get("plan"), TEXTS.get("plan.tip"), jobs::plan),
        Buttons.of(
            "set-bring", TEXTS.get("bring"), TEXTS.get("bring.tip"), () -> jobs.bring(this::named)),
        deliver);
  }

  private static HBox joined(Node... parts) {
    HBox box = new HBox(4, parts);
    box.setAlignment(Pos.CENTER_LEFT);
    return box;
  }

  private Layer named(Layer layer) {
    String of =
        Optional.ofNullable(set.setProperty().get())
            .flatMap(PictureSet::referenceMember)
            .map(Member::title)
            .orElse("");
    return layer.with(layer.attributes().named(TEXTS.get("like", of)));
  }

  private HBox orders() {
    ComboBox<SetOrder> order = new ComboBox<>();
    order.setId("set-order");
    order.getItems().addAll(SetOrder.values());
    order.setConverter(new Titled<>(o -> TEXTS.get("order." + o.name().toLowerCase(Locale.ROOT))));
    order.setAccessibleText(TEXTS.get("order"));
    order.setTooltip(new Tooltip(TEXTS.get("order.tip")));
    order.valueProperty().bindBidirectional(set.orderProperty());
    ComboBox<State> filter = new ComboBox<>();
    filter.setId("set-filter");
    List<State> states = new ArrayList<>();
    states.add(null);
    states.addAll(List.of(State.values()));
    filter.getItems().addAll(states);
    filter.setConverter(new Titled<>(TEXTS.get("all-states"), SetWords::state));
    filter.setAccessibleText(TEXTS.get("filter"));
    filter.setTooltip(new Tooltip(TEXTS.get("filter.tip")));
    filter.valueProperty().bindBidirectional(set.filterProperty());
    available.setId("set-available");
    available.setPrefColumnCount(4);
    available.setPromptText("min");
    available.setAccessibleText(TEXTS.get("available"));
    available.setTooltip(new Tooltip(TEXTS.get("available.tip")));
    available.textProperty().subscribe((was, is) -> show());
    HBox row =
        new HBox(8, summary, available, new Spring(), order, filter, new ExplainButton("view-set"));
    row.setAlignment(Pos.CENTER_LEFT);
    return row;
  }

  private void looked() {
    if (active) {
      grid.looked();
      faces.looked();
      panel.show();
    }
  }

  private void show() {
    PictureSet now = set.setProperty().get();
    pane.setCenter(now == null ? empty : work);
    pane.setRight(now == null ? null : panel);
    if (now == null) {
      return;
    }
    double minutes = minutes();
    DayPlan day = DayPlan.of(now, minutes);
    String said =
        TEXTS.get(
            "summary",
            now.name(),
            now.members().size(),
            day.order().size(),
            Math.round(day.minutes()));
    summary.setText(minutes > 0 ? said + " · " + TEXTS.get("in-time", day.inTime()) : said);
    List<String> missing = set.missingProperty().get();
    gone.setVisible(!missing.isEmpty());
    gone.setManaged(!missing.isEmpty());
    gone.setText(missing.isEmpty() ? "" : TEXTS.get("missing.these", String.join(", ", missing)));
    panel.show();
  }

  /** Minutes that there are; 0 where nothing, or no number, is said. */
  private double minutes() {
    try {
      return Math.clamp(Double.parseDouble(available.getText().strip()), 0, 100_000);
    } catch (NumberFormatException e) {
      return 0;
    }
  }

  private void openCurrent() {
    currentFile().ifPresent(opening::open);
  }

  /** The file of the member in hand, unless it is gone. */
  private Optional<Path> currentFile() {
    SetFolder folder = set.folderProperty().get();
    return set.current()
        .filter(m -> folder != null && !set.missingProperty().get().contains(m.photograph()))
        .map(m -> folder.path(m.file()));
  }

  @Override
  public String id() {
    return "set";
  }

  @Override
  public String title() {
    return TEXTS.get("title");
  }

  @Override
  public String hint() {
    return TEXTS.get("hint");
  }

  @Override
  public boolean needsDocument() {
    return false;
  }

  @Override
  public Node node() {
    return pane;
  }

  @Override
  public void activate() {
    active = true;
    jobs.lookAtShelf();
    set.refresh();
    looked();
  }

  private void laidOn(@Nullable Routine chosen) {
    if (chosen != null) {
      jobs.apply(chosen);
    }
  }

  private void delivered(@Nullable Recipe chosen) {
    if (chosen != null) {
      jobs.deliver(chosen);
    }
  }

  private void sent(@Nullable Recipe chosen) {
    if (chosen != null) {
      jobs.send(chosen);
    }
  }

  /** What is at hand now; what was chosen stays chosen. */
  private static <T> void offer(ComboBox<T> box, List<T> all) {
    T before = box.getValue();
    box.getItems().setAll(all);
    if (!all.isEmpty()) {
      box.setValue(before != null && all.contains(before) ? before : all.getFirst());
    }
  }

  @Override
  public void deactivate() {
    active = false;
  }

  @Override
  public void takeFocus() {
    grid.requestFocus();
  }

  @Override
  public Scope scope() {
    return Scope.APPLICATION;
  }

  @Override
  public void close() {
    set.looks().removeListener(looked);
    jobs.outcomes().removeListener(became);
    subscriptions.close();
    grid.close();
    faces.close();
    line.close();
  }
}
