package carezza.desktop.view.plan;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javafx.collections.MapChangeListener;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Tooltip;
import javafx.scene.image.ImageView;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

import org.jspecify.annotations.Nullable;

import carezza.desktop.control.Buttons;
import carezza.desktop.control.Spring;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.style.Glyph;
import carezza.desktop.text.Names;
import carezza.desktop.text.PlanWords;
import carezza.desktop.text.Texts;
import carezza.desktop.view.ExplainButton;
import carezza.model.Stage;
import carezza.plan.Finding;
import carezza.plan.Plan;

/**
 * The findings by stage: each with its crop, what was read, what it costs, and what can be done
 * about it.
 */
public final class FindingList extends VBox implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("plan");

  private static final double CROP = 44;

  private final AppState state;
  private final FindingPictures pictures;
  private final Subscriptions subscriptions = new Subscriptions();
  private final Label total = new Label();
  private final VBox rows = new VBox(2);
  private final MapChangeListener<String, WritableImage> drawn;
  private final Map<String, Part> parts = new HashMap<>();
  private List<Finding> shown = List.of();

  /** What of a row changes without its finding. */
  private record Part(HBox row, ImageView crop, @Nullable Button leave) {}

  /**
   * @param pictures of the places, closed by whoever made them
   */
  public FindingList(AppState state, FindingPictures pictures) {
    super(6);
    this.state = state;
    this.pictures = pictures;
    getStyleClass().add("findings");
    Label title = new Label(TEXTS.get("list.title"));
    title.getStyleClass().add("heading");
    total.getStyleClass().add("hint");
    HBox top = new HBox(6, title, new ExplainButton("view-plan"), new Spring(), total);
    top.setAlignment(Pos.BASELINE_LEFT);
    ScrollPane scroll = new ScrollPane(rows);
    scroll.setFitToWidth(true);
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    scroll.setFocusTraversable(false);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    getChildren().addAll(top, scroll, new PracticeHint(state, subscriptions));
    drawn = change -> draw(change.getKey());
    pictures.images().addListener(drawn);
    subscriptions.on(this::show, state.plan().planProperty(), state.document().sessionProperty());
    subscriptions.on(this::mark, state.plan().focusProperty());
    subscriptions.on(state.plan().underWayProperty(), is -> rows.setOpacity(is ? 0.7 : 1));
    show();
  }

  private void show() {
    Plan plan = state.plan().planProperty().get();
    String focused = focused();
    rows.getChildren().clear();
    parts.clear();
    shown = plan == null ? List.of() : plan.findings();
    total.setText(
        plan == null
            ? ""
            : TEXTS.get(
                "list.total", plan.open().size(), PlanWords.minutes(plan.minutes(plan.open()))));
    if (plan == null || shown.isEmpty()) {
      Label none = new Label(TEXTS.get(why(plan)));
      none.getStyleClass().add("hint");
      none.setWrapText(true);
      none.setMinHeight(Region.USE_PREF_SIZE);
      rows.getChildren().add(none);
      return;
    }
    Stage last = null;
    for (Finding finding : shown) {
      if (finding.kind().stage() != last) {
        last = finding.kind().stage();
        rows.getChildren().add(heading(plan, last));
      }
      rows.getChildren().add(row(finding));
    }
    mark();
    if (focused != null && parts.containsKey(focused)) {
      parts.get(focused).row().requestFocus();
    }
  }

  /** Why nothing is listed. */
  private String why(@Nullable Plan plan) {
    if (state.document().isRestrained()) {
      return "planView.exercise";
    }
    return plan == null ? "planView.reading" : "planView.nothing";
  }

  /** The finding whose row, or a button of it, has the focus. */
  private @Nullable String focused() {
    return parts.entrySet().stream()
        .filter(e -> e.getValue().row().isFocusWithin())
        .map(Map.Entry::getKey)
        .findFirst()
        .orElse(null);
  }

  /** Which finding is looked at, and what can be done about it. */
  private void mark() {
    Finding focus = state.plan().focusProperty().get();
    parts.forEach(
        (key, part) -> {
          boolean looked = focus != null && focus.key().equals(key);
          part.row().getStyleClass().removeAll("looked-at");
          if (looked) {
            part.row().getStyleClass().add("looked-at");
          }
          if (part.leave() != null) {
            part.leave().setVisible(looked);
            part.leave().setManaged(looked);
          }
        });
  }

  private HBox heading(Plan plan, Stage stage) {
    List<Finding> open =
        plan.open().stream().filter(f -> f.kind().stage() == stage && f.minutes() > 0).toList();
    Label name = new Label((stage.ordinal() + 1) + "  " + Names.of(stage));
    name.getStyleClass().add("stage-name");
    HBox heading = new HBox(6, name, new Spring());
    heading.getStyleClass().add("finding-stage");
    heading.setAlignment(Pos.CENTER_LEFT);
    if (!open.isEmpty()) {
      Button all =
          Buttons.of(
              "plan-stage-" + (stage.ordinal() + 1),
              PlanWords.minutes(plan.minutes(open)),
              TEXTS.get("list.stage.tip"),
              () -> state.plan().accept(stage));
      all.setGraphic(Glyph.ADD.node());
      all.getStyleClass().add("part-out");
      heading.getChildren().add(all);
    }
    return heading;
  }

  private HBox row(Finding finding) {
    ImageView crop = new ImageView();
    crop.getStyleClass().add("finding-crop");
    crop.setFitWidth(CROP);
    crop.setFitHeight(CROP);
    @Nullable WritableImage image = pictures.images().get(finding.key());
    crop.setImage(image);
    Label title = new Label(PlanWords.title(finding));
    title.getStyleClass().add("finding-title");
    Label reading = new Label(said(finding));
    reading.getStyleClass().add("row-value");
    reading.setWrapText(true);
    VBox words = new VBox(2, title, reading);
    words.setMinWidth(0);
    HBox.setHgrow(words, Priority.ALWAYS);
    HBox row = new HBox(8, crop, words);
    row.setId("finding-" + finding.key());
    row.getStyleClass().add("finding");
    row.setAlignment(Pos.CENTER_LEFT);
    Button leave = leave(finding);
    if (leave != null) {
      words.getChildren().add(leave);
    }
    parts.put(finding.key(), new Part(row, crop, leave));
    row.getChildren().add(sign(finding));
    row.setFocusTraversable(true);
    row.setAccessibleRole(AccessibleRole.BUTTON);
    String whole =
        "%s, %s, %s"
            .formatted(
                PlanWords.title(finding), PlanWords.reading(finding), PlanWords.state(finding));
    row.setAccessibleText(whole);
    Tooltip.install(row, new Tooltip(TEXTS.get("list.look.tip", whole)));
    row.setOnMouseClicked(e -> state.plan().turnFocus(finding));
    row.setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE) {
            state.plan().turnFocus(finding);
            e.consume();
          }
        });
    return row;
  }

  private String said(Finding finding) {
    String reading = PlanWords.reading(finding);
    return switch (finding.state()) {
      case LEFT -> TEXTS.get("list.left", String.valueOf(finding.reason()));
      case BACK ->
          reading
              + "\n"
              + TEXTS.get(
                  "list.undone-by",
                  state
                      .document()
                      .stack()
                      .find(String.valueOf(finding.undoneBy()))
                      .map(l -> l.attributes().name())
                      .orElse("–"));
      case OPEN ->
          finding.minutes() == 0 && finding.onlyPixels()
              ? reading + "\n" + TEXTS.get("list.only-pixels")
              : reading;
      case TREATED -> reading;
    };
  }

  private @Nullable Button leave(Finding finding) {
    return switch (finding.state()) {
      case LEFT ->
          Buttons.of(
              "plan-take-up",
              TEXTS.get("list.take-up"),
              TEXTS.get("list.take-up"),
              () -> state.plan().takeUp(finding));
      case OPEN, BACK ->
          Buttons.of(
              "plan-leave",
              TEXTS.get("list.leave"),
              TEXTS.get("list.leave.tip"),
              () -> state.plan().leave(finding, TEXTS.get("list.reason")));
      case TREATED -> null;
    };
  }

  /** What can be done about it, or that it is done. */
  private Region sign(Finding finding) {
    if (!finding.isOpen()) {
      Label done = new Label("", Glyph.DONE.node());
      done.setAccessibleText(PlanWords.state(finding));
      done.getStyleClass().add("finding-done");
      done.setMinWidth(Region.USE_PREF_SIZE);
      return done;
    }
    Button accept =
        Buttons.of(
            "accept-" + finding.key(),
            "",
            TEXTS.get("list.accept.tip") + ", " + PlanWords.minutes(finding.minutes()),
            () -> state.plan().accept(List.of(finding)));
    accept.setAccessibleText(TEXTS.get("list.accept") + ": " + PlanWords.title(finding));
    accept.setGraphic(Glyph.ADD.node());
    accept.getStyleClass().add("part-out");
    accept.setMinWidth(Region.USE_PREF_SIZE);
    return accept;
  }

  private void draw(String key) {
    Part part = parts.get(key);
    if (part != null) {
      part.crop().setImage(pictures.images().get(key));
    }
  }

  @Override
  public void close() {
    pictures.images().removeListener(drawn);
    subscriptions.close();
  }
}
