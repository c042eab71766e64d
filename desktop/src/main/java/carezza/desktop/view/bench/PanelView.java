package carezza.desktop.view.bench;

import java.util.List;
import java.util.Objects;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

import org.jspecify.annotations.Nullable;

import carezza.colour.BlendMode;
import carezza.desktop.control.NumberRow;
import carezza.desktop.control.Spring;
import carezza.desktop.control.Titled;
import carezza.desktop.layer.AmountSweepChart;
import carezza.desktop.layer.LayerPanels;
import carezza.desktop.layer.MaskPanel;
import carezza.desktop.layer.PanelRows;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.style.Icon;
import carezza.desktop.style.TextSize;
import carezza.desktop.text.Names;
import carezza.desktop.text.PlanWords;
import carezza.desktop.text.Texts;
import carezza.desktop.view.ExplainButton;
import carezza.kernel.FaceNeeds;
import carezza.kernel.LayerType;
import carezza.model.Layer;
import carezza.model.LockedLayer;
import carezza.model.ShapeLayer;
import carezza.session.Promises.Broken;

/**
 * The panel of the selected layer: its name, switch and amount, its parameters, its mask; below,
 * the gauges.
 */
public final class PanelView extends VBox {

  private static final Texts TEXTS = Texts.of("bench");

  /** Height of the gauges where there are many. */
  private static final double FOOT = 270;

  private static final double LEAST_FOOT = 190;

  private final AppState state;
  private final Subscriptions subscriptions = new Subscriptions();
  private final VBox editor = new VBox(9);
  private final BooleanProperty where = new SimpleBooleanProperty();
  private final GaugeList gauges;
  private final PersonChoice whose;
  private final ScrollPane upper;
  private final ToneView tones;
  private PanelRows rows;
  private final Label broken = new Label();
  private final Label idle = new Label(TEXTS.get("panelView.without-a-face"));
  private String shown = "";
  private @Nullable String shownLayer;

  public PanelView(AppState state) {
    this.state = state;
    setId("panel");
    getStyleClass().add("panel");
    tones = new ToneView(state);
    editor.setPadding(new Insets(12, 14, 12, 14));
    upper = new ScrollPane(editor);
    upper.setFitToWidth(true);
    upper.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    VBox.setVgrow(upper, Priority.ALWAYS);
    Label heading = new Label();
    heading.getStyleClass().add("heading");
    gauges = new GaugeList(state);
    ToggleButton all = new ToggleButton(TEXTS.get("panelView.all"));
    all.setId("all-gauges");
    all.getStyleClass().add("check");
    all.setTooltip(new Tooltip(TEXTS.get("panelView.all-gauges-or-those-that-the")));
    all.selectedProperty().bindBidirectional(gauges.allProperty());
    subscriptions.on(
        () -> sayHeading(heading, all), state.selection().selectedProperty(), gauges.allProperty());
    sayHeading(heading, all);
    whose = new PersonChoice(state);
    HBox top = new HBox(6, heading, new Spring(), whose, all);
    top.setAlignment(Pos.BOTTOM_LEFT);
    ScrollPane lower = new ScrollPane(gauges);
    lower.setFitToWidth(true);
    lower.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    VBox foot = new VBox(6, top, lower);
    foot.getStyleClass().add("foot");
    foot.setPadding(new Insets(10, 14, 8, 14));
    foot.setMaxHeight(FOOT);
    foot.setMinHeight(LEAST_FOOT);
    VBox.setVgrow(lower, Priority.ALWAYS);
    getChildren().addAll(tones, upper, foot);
    subscriptions.on(
        this::show, state.selection().selectedProperty(), state.document().projectProperty());
    // A layer is begun with what it does; whoever works on a part of its mask is where it acts.
    subscriptions.on(state.selection().selectedProperty(), is -> where.set(false));
    subscriptions.on(
        state.part().placeProperty(),
        is -> {
          where.set(where.get() || is.intValue() >= 0);
          show();
        });
    subscriptions.on(this::sayBroken, state.plan().brokenProperty());
    subscriptions.on(
        where,
        is -> {
          if (!is) {
            // Its switch goes away with the page, and what the layer does is to be seen.
            state.view().maskShownProperty().set(false);
          }
        });
    subscriptions.on(this::show, where);
    subscriptions.on(
        this::refresh,
        state.view().playheadProperty(),
        state.tools().toolProperty(),
        state.tools().brushProperty(),
        state.advice().pushProperty(),
        state.advice().radiusProperty(),
        state.colours().foundProperty(),
        state.measurements().gaugesProperty(),
        state.pins().readProperty(),
        state.crop().linesProperty(),
        state.crop().ratioProperty(),
        state.measurements().radiiProperty(),
        state.repairs().chosenProperty(),
        state.proposals().allProperty());
    show();
  }

  void close() {
    subscriptions.close();
    rows.close();
    gauges.close();
    whose.close();
    tones.close();
  }

  private void sayHeading(Label heading, ToggleButton all) {
    boolean inHand = state.selection().selected() != null;
    heading.setText(
        inHand && !all.isSelected()
            ? TEXTS.get("panelView.what-it-moves")
            : TEXTS.get("panelView.gauges-as-settled-now"));
    all.setVisible(inHand);
    all.setManaged(inHand);
  }

  private void refresh() {
    if (rows != null) {
      rows.refresh();
    }
  }

  /** Builds the rows anew for another layer; for the same one only its values follow. */
  private void show() {
    String id =
        state.document().isEmpty()
            ? "empty"
            : state
                .selection()
                .layer()
                .map(
                    l ->
                        "layer "
                            + l.attributes().id()
                            + (where.get()
                                ? MaskPanel.shape(l, state.part().placeProperty().get())
                                    + state.document().stack().size()
                                : LayerPanels.shape(l)))
                .orElse("photograph");
    String layer = state.selection().selected();
    if (!Objects.equals(id, shown)) {
      shown = id;
      if (rows != null) {
        rows.close();
      }
      rows = new PanelRows(state);
      state
          .selection()
          .layer()
          .ifPresentOrElse(this::layer, () -> PhotographPanel.build(rows, state));
      editor.getChildren().setAll(rows.nodes());
      if (!Objects.equals(layer, shownLayer)) {
        shownLayer = layer;
        upper.setVvalue(0);
      }
    }
    rows.refresh();
  }

  // --- a layer

  private void layer(Layer layer) {
    if (layer instanceof LockedLayer locked) {
      locked(locked);
      return;
    }
    rows.custom(head(layer), () -> {});
    rows.number(
        "amount",
        TEXTS.get("panelView.amount"),
        TEXTS.get("panelView.how-much-of-the-change-is"),
        0,
        200,
        "%.0f %%",
        Layer.class,
        l -> 100 * l.attributes().amount(),
        (l, v) -> l.with(l.attributes().withAmount(v / 100)));
    if (FaceNeeds.needsFace(layer)) {
      rows.custom(idle, this::sayIdle);
    }
    rows.custom(broken, this::sayBroken);
    rows.custom(pages(), () -> {});
    if (where.get()) {
      MaskPanel.build(layer, rows, state);
    } else {
      LayerPanels.build(layer, rows, state);
      AmountSweepChart push = new AmountSweepChart(state);
      rows.custom(push, push::refresh);
    }
  }

  /** Says so where a layer can do nothing for want of a face. */
  private void sayIdle() {
    idle.setWrapText(true);
    idle.setMinHeight(Region.USE_PREF_SIZE);
    boolean known = state.document().project().faces() != null;
    idle.setVisible(!known);
    idle.setManaged(!known);
  }

  /** Says so where the layer in hand does not keep a promise. */
  private void sayBroken() {
    List<Broken> own =
        state.plan().brokenProperty().get().stream()
            .filter(b -> Objects.equals(b.layer(), state.selection().selected()))
            .toList();
    String itself = TEXTS.get("panelView.this-layer");
    broken.setText(own.isEmpty() ? "" : PlanWords.broken(own, id -> itself));
    broken.setWrapText(true);
    broken.setMinHeight(Region.USE_PREF_SIZE);
    broken.setVisible(!own.isEmpty());
    broken.setManaged(!own.isEmpty());
  }

  private void locked(LockedLayer layer) {
    Label name = new Label(layer.attributes().name());
    name.getStyleClass().add("title");
    HBox box = new HBox(8, Icon.of(layer).node(), name);
    box.setAlignment(Pos.CENTER_LEFT);
    rows.custom(box, () -> {});
    Label words = new Label(TEXTS.get("panelView.this-layer-was-made-by-a", layer.kind()));
    words.setId("locked");
    words.setWrapText(true);
    rows.custom(words, () -> {});
  }

  /** How the layer is laid over what it gets. */
  private ComboBox<BlendMode> blend() {
    ComboBox<BlendMode> modes = new ComboBox<>();
    modes.setId("blend");
    modes.getItems().setAll(BlendMode.values());
    modes.setConverter(new Titled<>(Names::of));
    modes.setTooltip(new Tooltip(TEXTS.get("panelView.how-the-layers-result-is-laid")));
    rows.follow(
        () -> state.selection().layer().ifPresent(l -> modes.setValue(l.attributes().blend())));
    modes.setOnAction(
        e -> {
          BlendMode mode = modes.getValue();
          boolean other =
              state.selection().layer().filter(l -> l.attributes().blend() != mode).isPresent();
          if (mode != null && other) {
            state.selection().edit(null, l -> l.with(l.attributes().withBlend(mode)));
          }
        });
    modes.setAccessibleText(TEXTS.get("panelView.laid-on"));
    modes.setMinWidth(TextSize.px(102));
    modes.setPrefWidth(TextSize.px(102));
    return modes;
  }

  /** What the layer does, or where: both together are too long for a small screen. */
  private HBox pages() {
    ToggleButton what = new ToggleButton(TEXTS.get("panelView.what"));
    what.setId("page-what");
    ToggleButton place = new ToggleButton(TEXTS.get("panelView.where"));
    place.setId("page-where");
    what.setTooltip(new Tooltip(TEXTS.get("panelView.the-layers-parameters-w-goes-to")));
    place.setTooltip(new Tooltip(TEXTS.get("panelView.the-layers-mask-w-goes-to")));
    Runnable turned =
        () -> {
          what.setSelected(!where.get());
          place.setSelected(where.get());
        };
    what.setOnAction(
        e -> {
          where.set(false);
          turned.run();
        });
    place.setOnAction(
        e -> {
          where.set(true);
          turned.run();
        });
    rows.follow(turned);
    // Moving what is seen lays nothing over it.
    boolean lays = state.selection().layer(ShapeLayer.class).isEmpty();
    HBox pages = lays ? new HBox(6, what, place, blend()) : new HBox(6, what, place);
    for (ToggleButton page : new ToggleButton[] {what, place}) {
      page.setMaxWidth(Double.MAX_VALUE);
      HBox.setHgrow(page, Priority.ALWAYS);
      page.prefWidthProperty().bind(pages.widthProperty());
    }
    return pages;
  }

  /** Goes to the mask of the layer, or back. */
  public void turnPage() {
    where.set(!where.get());
  }

  private HBox head(Layer layer) {
    TextField name = new TextField(layer.attributes().name());
    name.setId("layer-name");
    name.getStyleClass().addAll("title-field", NumberRow.LEFT_ON_ENTER);
    name.setTooltip(new Tooltip(TEXTS.get("panelView.the-layers-name-enter-takes-it")));
    String id = layer.attributes().id();
    name.setOnAction(e -> state.selection().rename(id, name.getText().strip()));
    name.setAccessibleText(TEXTS.get("panelView.name-of-the-layer"));
    rows.follow(
        () ->
            state
                .selection()
                .layer()
                .filter(l -> !name.isFocused())
                .ifPresent(l -> name.setText(l.attributes().name())));
    HBox.setHgrow(name, Priority.ALWAYS);
    ToggleButton on = new ToggleButton(TEXTS.get("panelView.on"));
    on.setId("layer-on");
    on.setTooltip(new Tooltip(TEXTS.get("panelView.whether-the-layer-takes-part-o")));
    on.setMinWidth(Region.USE_PREF_SIZE);
    on.setOnAction(e -> state.selection().turnLayer(id));
    rows.custom(
        new HBox(),
        () ->
            state
                .selection()
                .layer()
                .ifPresent(
                    l -> {
                      on.setSelected(l.attributes().on());
                      on.setText(
                          l.attributes().on()
                              ? TEXTS.get("panelView.on")
                              : TEXTS.get("panelView.off"));
                    }));
    rows.nodes().removeLast();
    ExplainButton explain = new ExplainButton("layer-" + LayerType.key(layer));
    HBox box = new HBox(8, Icon.of(layer).node(), name, explain, on);
    box.setAlignment(Pos.CENTER_LEFT);
    return box;
  }
}
