package carezza.desktop.view.plan;

import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

import org.jspecify.annotations.Nullable;

import carezza.desktop.control.Buttons;
import carezza.desktop.control.Titled;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.style.Glyph;
import carezza.desktop.style.TextSize;
import carezza.desktop.text.Names;
import carezza.desktop.text.PlanWords;
import carezza.desktop.text.Texts;
import carezza.model.Mask;
import carezza.model.Point;
import carezza.model.Project;
import carezza.model.Promise;
import carezza.model.SemanticRegion;
import carezza.session.Promises.Broken;

/** What must not be touched, whether that is kept, and a line to promise more. */
final class PromiseList extends VBox implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("plan");

  /** Radius of a place that is promised by its pin, as a share of the photograph's shorter side. */
  private static final double PLACE = 1 / 60.0;

  private final AppState state;
  private final Subscriptions subscriptions = new Subscriptions();
  private final FlowPane chips = new FlowPane(8, 4);
  private final ToggleButton more = new ToggleButton(TEXTS.get("promise.more"));
  private final TextField words = new TextField();
  private final ComboBox<Promise.Rule> rule = new ComboBox<>();

  /** A region, or null for the place of the newest pin. */
  private final ComboBox<SemanticRegion> region = new ComboBox<>();

  private List<Object> shown = List.of();
  private final ToggleButton pin = new ToggleButton(TEXTS.get("promise.pin"));

  PromiseList(AppState state) {
    super(6);
    this.state = state;
    more.setId("promise-more");
    more.setTooltip(new Tooltip(TEXTS.get("promise.more.tip")));
    words.setId("promise-words");
    words.setPromptText(TEXTS.get("promise.words"));
    words.setAccessibleText(TEXTS.get("promise.words"));
    words.setPrefWidth(TextSize.px(220));
    rule.setId("promise-rule");
    rule.getItems().setAll(Promise.Rule.values());
    rule.setValue(Promise.Rule.UNCHANGED);
    rule.setConverter(new Titled<>(PlanWords::rule));
    rule.setAccessibleText(TEXTS.get("promise.rule"));
    region.setId("promise-region");
    region.getItems().setAll(SemanticRegion.values());
    region.setValue(SemanticRegion.FACE_SKIN);
    region.setConverter(new Titled<>(Names::title));
    region.setAccessibleText(TEXTS.get("promise.where"));
    pin.setId("promise-pin");
    pin.setTooltip(new Tooltip(TEXTS.get("promise.pin.tip")));
    region.disableProperty().bind(pin.selectedProperty());
    Button add =
        Buttons.of(
            "promise-add", TEXTS.get("promise.add"), TEXTS.get("promise.add.tip"), this::add);
    words.setOnAction(e -> add());
    HBox line = new HBox(8, words, rule, region, pin, add);
    line.setAlignment(Pos.CENTER_LEFT);
    line.visibleProperty().bind(more.selectedProperty());
    line.managedProperty().bind(more.selectedProperty());
    getChildren().addAll(chips, line);
    subscriptions.on(this::show, state.document().projectProperty(), state.plan().brokenProperty());
    show();
  }

  /** Anew where the promises, the pins or what is broken changed, and for no stroke. */
  private void show() {
    if (state.document().isEmpty()) {
      return;
    }
    Project project = state.document().project();
    List<Object> wanted =
        List.of(project.brief().promises(), project.pins(), state.plan().brokenProperty().get());
    if (wanted.equals(shown)) {
      return;
    }
    shown = wanted;
    chips.getChildren().clear();
    boolean pinned = !state.document().project().pins().isEmpty();
    pin.setDisable(!pinned);
    if (!pinned) {
      pin.setSelected(false);
    }
    for (Promise promise : state.document().project().brief().promises()) {
      chips.getChildren().add(chip(promise));
    }
    chips.getChildren().add(more);
  }

  private HBox chip(Promise promise) {
    List<Broken> broken =
        state.plan().brokenProperty().get().stream()
            .filter(b -> b.promise().equals(promise))
            .toList();
    Label said =
        new Label(broken.isEmpty() ? promise.words() : PlanWords.broken(broken, this::name));
    Button away =
        Buttons.of(
            "promise-away", "", TEXTS.get("promise.away"), () -> state.plan().release(promise));
    away.setGraphic(Glyph.REMOVE.node());
    away.setAccessibleText(TEXTS.get("promise.away") + ": " + promise.words());
    away.getStyleClass().add("part-out");
    Label sign = new Label("", (broken.isEmpty() ? Glyph.DONE : Glyph.WARNING).node());
    HBox chip = new HBox(4, sign, said, away);
    chip.getStyleClass().add("promise");
    chip.setAlignment(Pos.CENTER_LEFT);
    Tooltip.install(
        chip,
        new Tooltip(
            PlanWords.rule(promise.rule())
                + ": "
                + (promise.region() == null
                    ? TEXTS.get("promise.a-place")
                    : Names.of(promise.region()))));
    return chip;
  }

  private String name(@Nullable String layer) {
    return layer == null
        ? ""
        : state.document().stack().find(layer).map(l -> l.attributes().name()).orElse(layer);
  }

  private void add() {
    String said = words.getText().strip();
    if (state.document().isEmpty()) {
      return;
    }
    Promise.Rule what = rule.getValue();
    SemanticRegion where = region.getValue();
    if (pin.isSelected()) {
      Point at = state.document().project().pins().getLast();
      var size = state.document().session().size();
      double r = Math.max(4, PLACE * Math.min(size.width(), size.height()));
      state
          .plan()
          .promise(
              new Promise(
                  said.isEmpty() ? PlanWords.rule(what) : said,
                  what,
                  null,
                  new Mask.Ellipse(at.x(), at.y(), r, r, 0, 0.2)));
    } else {
      String usual = PlanWords.rule(what) + ": " + Names.of(where);
      state.plan().promise(Promise.of(said.isEmpty() ? usual : said, what, where));
    }
    words.clear();
    more.setSelected(false);
  }

  @Override
  public void close() {
    subscriptions.close();
  }
}
