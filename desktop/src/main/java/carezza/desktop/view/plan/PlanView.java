package carezza.desktop.view.plan;

import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;

import org.jspecify.annotations.Nullable;

import carezza.desktop.action.Action;
import carezza.desktop.action.ActionMap;
import carezza.desktop.action.Scope;
import carezza.desktop.control.Buttons;
import carezza.desktop.control.NumberRow;
import carezza.desktop.control.Spring;
import carezza.desktop.state.AppState;
import carezza.desktop.state.PlanState;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.style.TextSize;
import carezza.desktop.text.Names;
import carezza.desktop.text.PlanWords;
import carezza.desktop.text.Texts;
import carezza.desktop.view.AppView;
import carezza.desktop.view.picture.SmallPicture;
import carezza.job.JobLevel;
import carezza.model.Brief;
import carezza.plan.Finding;
import carezza.plan.Plan;
import carezza.session.Planning;

/** What there is to do, beside the picture as it stands and as a draft would make it. */
public final class PlanView implements AppView {

  private static final Texts TEXTS = Texts.of("plan");

  private static final double LIST_WIDTH = 340;

  /** Long edges of deliveries, in pixels; 0 for full size. */
  private static final List<Integer> SIZES = List.of(0, 4000, 2400, 1600, 1080, 640);

  private static final double MOST_MINUTES = 120;

  private final AppState state;
  private final Subscriptions subscriptions = new Subscriptions();
  private final BorderPane pane = new BorderPane();
  private final FindingList list;
  private final HBox jobs = new HBox();
  private final Label about = new Label();
  private final ComboBox<Integer> size = new ComboBox<>();
  private final NumberRow minutes;
  private final SmallPicture now;
  private final SmallPicture drafted;
  private final StackPane draftPlace = new StackPane();
  private final Label noDraft = new Label(TEXTS.get("planView.no-draft"));
  private final Label leftOut = new Label();
  private final Label marks = new Label();
  private final Label unseen = new Label();
  private final Button see;
  private final Button take;
  private final Button drop;
  private final ToggleButton edits = new ToggleButton(TEXTS.get("planView.numbers"));
  private final Button putBack;
  private final JobNumbers numbers;
  private final HBox beside;
  private final PromiseList promises;
  private boolean active;
  private boolean following;

  /**
   * @param pictures of the findings' places, closed by whoever made them
   */
  public PlanView(AppState state, FindingPictures pictures) {
    this.state = state;
    list = new FindingList(state, pictures);
    list.setPrefWidth(TextSize.px(LIST_WIDTH));
    list.setMinWidth(TextSize.px(LIST_WIDTH));
    now = new SmallPicture(state);
    drafted = new SmallPicture(state);
    minutes =
        new NumberRow(
            "plan-minutes",
            TEXTS.get("planView.minutes"),
            TEXTS.get("planView.minutes.tip"),
            0,
            MOST_MINUTES,
            this::saidMinutes);
    minutes.setMaxWidth(TextSize.px(330));
    minutes.onChange(
        v -> ifAsked(() -> state.plan().spend(Math.round(v * 2) / 2.0)),
        () -> state.document().settle(),
        () -> state.plan().spend(0));
    size.setId("plan-size");
    size.getItems().addAll(SIZES);
    size.setTooltip(new Tooltip(TEXTS.get("planView.size.tip")));
    size.setAccessibleText(TEXTS.get("planView.size"));
    size.setConverter(new SizeWords());
    size.setOnAction(
        e ->
            ifAsked(
                () -> {
                  if (size.getValue() != null) {
                    state.plan().deliverAt(size.getValue());
                  }
                }));
    see =
        Buttons.of(
            "plan-see",
            TEXTS.get("planView.see-draft"),
            TEXTS.get("planView.see-draft.tip"),
            this::look);
    take =
        Buttons.of(
            "plan-draft",
            TEXTS.get("planView.take-draft"),
            TEXTS.get("planView.take-draft.tip"),
            state.plan()::draft);
    take.getStyleClass().add("strong");
    drop =
        Buttons.of(
            "plan-drop",
            TEXTS.get("planView.drop-draft"),
            TEXTS.get("planView.drop-draft.tip"),
            state.plan()::dropDraft);
    putBack =
        Buttons.of(
            "plan-numbers-back",
            TEXTS.get("planView.put-back"),
            TEXTS.get("planView.put-back.tip"),
            state.plan()::resetLimits);
    numbers = new JobNumbers(state);
    promises = new PromiseList(state);
    beside =
        new HBox(
            16,
            titled(TEXTS.get("planView.now"), new StackPane(now)),
            titled(TEXTS.get("planView.draft"), draftPlace));
    layOut();
    subscriptions.on(
        this::show,
        state.document().projectProperty(),
        state.plan().planProperty(),
        state.plan().draftProperty());
    show();
  }

  private void layOut() {
    for (String id : JobLevel.IDS) {
      ToggleButton job = new ToggleButton(PlanWords.job(id));
      job.setId("job-" + id);
      job.setTooltip(new Tooltip(PlanWords.aboutJob(id)));
      job.setOnAction(
          e -> {
            state.plan().chooseJob(id);
            show();
          });
      jobs.getChildren().add(job);
    }
    jobs.getStyleClass().add("joined");
    about.getStyleClass().add("hint");
    HBox delivery = new HBox(8, new Label(TEXTS.get("planView.size")), size);
    delivery.setAlignment(Pos.CENTER_LEFT);
    HBox terms = new HBox(24, delivery, minutes);
    terms.setAlignment(Pos.CENTER_LEFT);
    VBox brief = new VBox(8, new HBox(8, jobs, new Spring(), putBack, edits), about, terms);
    HBox.setHgrow(minutes, Priority.ALWAYS);
    brief.getStyleClass().add("plan-brief");
    noDraft.getStyleClass().add("hint");
    draftPlace.getChildren().addAll(noDraft, drafted);
    StackPane middle = new StackPane(beside, numbers);
    VBox.setVgrow(middle, Priority.ALWAYS);
    numbers.setVisible(false);
    putBack.setVisible(false);
    edits.setId("plan-numbers");
    edits.setTooltip(new Tooltip(TEXTS.get("planView.numbers.tip")));
    edits
        .selectedProperty()
        .subscribe(
            is -> {
              numbers.setVisible(is);
              beside.setVisible(!is);
              show();
            });
    draftPlace.widthProperty().subscribe(w -> show());
    draftPlace.heightProperty().subscribe(h -> show());
    beside.setId("plan-pictures");
    for (Label words : List.of(leftOut, marks, unseen)) {
      words.setWrapText(true);
      words.setMinHeight(Region.USE_PREF_SIZE);
    }
    HBox doing = new HBox(8, see, drop, new Spring(), take);
    doing.setAlignment(Pos.CENTER_LEFT);
    VBox right = new VBox(10, brief, middle, leftOut, marks, unseen, promises, doing);
    right.getStyleClass().add("plan-right");
    pane.setId("plan");
    pane.getStyleClass().add("plan");
    pane.setLeft(list);
    pane.setCenter(right);
  }

  private static VBox titled(String words, StackPane place) {
    Label title = new Label(words);
    title.getStyleClass().add("heading");
    place.getStyleClass().add("plan-picture");
    place.setMinSize(0, 0);
    VBox.setVgrow(place, Priority.ALWAYS);
    VBox box = new VBox(4, title, place);
    box.setMinWidth(0);
    box.setPrefWidth(0);
    HBox.setHgrow(box, Priority.ALWAYS);
    return box;
  }

  private String saidMinutes(double v) {
    return v == 0 && !state.document().isEmpty()
        ? TEXTS.get(
            "planView.job-minutes",
            PlanWords.minutes(Planning.budget(state.document().project().brief().withMinutes(0))))
        : PlanWords.minutes(v);
  }

  private void look() {
    Plan plan = state.plan().planProperty().get();
    if (plan != null) {
      state.plan().look(plan.proposed());
    }
  }

  /** What controls say while they follow is not asked for. */
  private void ifAsked(Runnable work) {
    if (!following) {
      work.run();
    }
  }

  /** What drafts the plan by key has the same tooltip here. */
  public void use(ActionMap actions) {
    Action draft = actions.get("plan-draft");
    draft.keyProperty().subscribe(key -> take.setTooltip(new Tooltip(draft.tip())));
  }

  private void show() {
    // A brush under way at the bench is not followed here.
    if (!active || state.document().isEmpty() || following) {
      return;
    }
    following = true;
    Brief brief = state.document().project().brief();
    jobs.getChildren()
        .forEach(b -> ((ToggleButton) b).setSelected(b.getId().equals("job-" + brief.job())));
    about.setText(PlanWords.aboutJob(brief.job()));
    if (!size.getItems().contains(brief.longEdge())) {
      size.getItems().add(brief.longEdge());
    }
    size.setValue(brief.longEdge());
    minutes.show(brief.minutes());
    following = false;
    putBack.setVisible(edits.isSelected() && !brief.limits().isEmpty());
    numbers.show();
    Plan plan = state.plan().planProperty().get();
    PlanState.@Nullable Draft draft = state.plan().draftProperty().get();
    boolean proposed = plan != null && !plan.proposed().isEmpty();
    see.setDisable(!proposed || draft != null);
    take.setDisable(!proposed && draft == null);
    drop.setDisable(draft == null);
    say(leftOut, plan == null ? "" : leftOut(plan));
    say(marks, plan == null || plan.marks().isEmpty() ? "" : marks(plan.marks().size()));
    say(
        unseen,
        plan == null || plan.unseen().isEmpty()
            ? ""
            : TEXTS.get(
                "planView.unseen",
                plan.unseen().stream().map(Names::of).collect(Collectors.joining(", "))));
    pictures(draft);
  }

  private static void say(Label label, String words) {
    label.setText(words);
    label.setManaged(!words.isEmpty());
  }

  private static String leftOut(Plan plan) {
    List<Finding> left = plan.leftOut();
    return left.isEmpty()
        ? TEXTS.get("planView.nothing-left-out")
        : TEXTS.get(
            "planView.left-out",
            left.stream()
                .map(f -> PlanWords.title(f) + " (" + PlanWords.minutes(f.minutes()) + ")")
                .collect(Collectors.joining(", ")));
  }

  private static String marks(int count) {
    return count == 1 ? TEXTS.get("planView.mark") : TEXTS.get("planView.marks", count);
  }

  private void pictures(PlanState.@Nullable Draft draft) {
    noDraft.setVisible(draft == null);
    drafted.setVisible(draft != null);
    double w = draftPlace.getWidth();
    double h = draftPlace.getHeight();
    if (w < 20 || h < 20) {
      return;
    }
    var photo = state.document().session().size();
    double zoom = Math.min(1, Math.min(w / photo.width(), h / photo.height()));
    double longEdge = Math.floor(zoom * photo.longEdge());
    now.showFinished(state.document().project(), longEdge);
    if (draft != null) {
      drafted.showFinished(draft.project(), longEdge);
    }
  }

  /** Sizes in words. */
  private static final class SizeWords extends StringConverter<Integer> {
    @Override
    public String toString(@Nullable Integer pixels) {
      return pixels == null
          ? ""
          : pixels == 0 ? TEXTS.get("planView.size.all") : TEXTS.get("planView.pixels", pixels);
    }

    @Override
    public Integer fromString(String words) {
      return Integer.parseInt(words.toLowerCase(Locale.ROOT).replaceAll("\\D", "0"));
    }
  }

  @Override
  public String id() {
    return "plan";
  }

  @Override
  public String title() {
    return TEXTS.get("planView.plan");
  }

  @Override
  public String hint() {
    return TEXTS.get("planView.what-there-is-to-do");
  }

  @Override
  public Node node() {
    return pane;
  }

  @Override
  public void activate() {
    active = true;
    show();
    takeFocus();
  }

  @Override
  public void takeFocus() {
    (take.isDisabled() ? size : take).requestFocus();
  }

  @Override
  public void deactivate() {
    active = false;
    now.rest();
    drafted.rest();
  }

  @Override
  public Scope scope() {
    return Scope.WORK;
  }

  @Override
  public void close() {
    subscriptions.close();
    list.close();
    promises.close();
    now.close();
    drafted.close();
  }
}
