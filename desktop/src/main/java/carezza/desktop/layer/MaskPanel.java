package carezza.desktop.layer;

import java.util.List;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;

import carezza.desktop.control.Titled;
import carezza.desktop.control.TrapezoidEditor;
import carezza.desktop.picture.MaskView;
import carezza.desktop.state.AppState;
import carezza.desktop.state.MaskPartState;
import carezza.desktop.state.Pen;
import carezza.desktop.state.ToolKind;
import carezza.desktop.text.MaskWords;
import carezza.desktop.text.Names;
import carezza.desktop.text.Texts;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Mask;
import carezza.model.Mask.ChangeMask;
import carezza.model.Mask.Dilate;
import carezza.model.Mask.Ellipse;
import carezza.model.Mask.Feather;
import carezza.model.Mask.Gradient;
import carezza.model.Mask.Invert;
import carezza.model.Mask.LinkedMask;
import carezza.model.Mask.Nothing;
import carezza.model.Mask.Opacity;
import carezza.model.Mask.Polygon;
import carezza.model.Mask.Quantity;
import carezza.model.Mask.Range;
import carezza.model.Mask.Refine;
import carezza.model.Mask.RegionMask;
import carezza.model.Mask.Strokes;
import carezza.model.MaskParts;
import carezza.model.MaskParts.Join;
import carezza.model.MaskParts.Part;
import carezza.model.SemanticRegion;

/**
 * Where the selected layer acts, as a sentence and as its parts: each can be switched, joined in another
 * way, changed, placed on the picture or taken out.
 */
public final class MaskPanel {

  private static final Texts TEXTS = Texts.of("panels");


  private static final String PIXELS = "%.0f px";

  private final AppState state;
  private final PanelRows rows;

  private MaskPanel(AppState state, PanelRows rows) {
    this.state = state;
    this.rows = rows;
  }

  /** What the rows depend on besides values: the kinds of the parts, and which is chosen. */
  public static String shape(Layer layer, int chosen) {
    StringBuilder shape = new StringBuilder().append(chosen);
    for (Part part : MaskParts.of(layer.attributes().mask()).parts()) {
      shape.append(part.join()).append(part.own().getClass().getSimpleName());
    }
    return shape.toString();
  }

  public static void build(Layer layer, PanelRows rows, AppState state) {
    new MaskPanel(state, rows).build(layer);
  }

  private void build(Layer layer) {
    rows.words("mask-sentence", Layer.class, l -> sentence(l.attributes().mask()));
    paint();
    List<Part> parts = MaskParts.of(layer.attributes().mask()).parts();
    int chosen = state.part().placeProperty().get();
    for (int i = 0; i < parts.size(); i++) {
      rows.custom(row(i, parts.get(i)), this::nothing);
      if (i == chosen) {
        editor(i, parts.get(i));
      }
    }
    rows.custom(new HBox(6, addMenu(layer), outlineButton()), this::nothing);
  }

  private void nothing() {
    // Its state needs no refreshing.
  }

  // --- the parts

  private MaskParts parts(Layer layer) {
    return MaskParts.of(layer.attributes().mask());
  }

  private void edit(String label, UnaryOperator<MaskParts> change) {
    state.selection().edit(label, l -> l.with(l.attributes().withMask(change.apply(parts(l)).mask())));
  }

  private Mask own(Layer layer, int place) {
    List<Part> all = parts(layer).parts();
    return place < all.size() ? all.get(place).own() : new Nothing();
  }

  private HBox row(int place, Part part) {
    ToggleButton on = new ToggleButton();
    on.setId("part-on-" + place);
    on.getStyleClass().add("part-switch");
    on.setTooltip(new Tooltip(TEXTS.get("maskPanel.whether-this-part-of-the-mask")));
    on.setOnAction(e -> edit(null, p -> p.switched(place, on.isSelected())));
    Button words = new Button();
    words.setId("part-" + place);
    words.getStyleClass().add("part");
    words.setMaxWidth(Double.MAX_VALUE);
    words.setTooltip(new Tooltip(TEXTS.get("maskPanel.change-this-part-its-handles-show")));
    words.setOnAction(e -> state.part().choose(state.part().placeProperty().get() == place ? -1 : place));
    HBox.setHgrow(words, Priority.ALWAYS);
    HBox row = new HBox(4, on);
    if (part.join() != Join.START && part.join() != Join.CHANGE) {
      row.getChildren().add(join(place, part));
    }
    Button out = new Button("×");
    out.setId("part-out-" + place);
    out.getStyleClass().add("part-out");
    out.setAccessibleText(TEXTS.get("maskPanel.take-this-part-out"));
    out.setTooltip(new Tooltip(TEXTS.get("maskPanel.take-this-part-out-of-the")));
    out.setOnAction(
        e -> {
          state.part().drop();
          edit(null, p -> p.without(place));
        });
    row.getChildren().addAll(words, out);
    row.setAlignment(Pos.CENTER_LEFT);
    rows.follow(
        () ->
            state.selection().layer()
                .map(l -> parts(l).parts())
                .filter(all -> place < all.size())
                .ifPresent(
                    all -> {
                      Part now = all.get(place);
                      on.setSelected(now.on());
                      on.setText(now.on() ? "●" : "○");
                      String said = MaskWords.own(now.own());
                      words.setText(said);
                      words.setOpacity(now.on() ? 1 : 0.6);
                    }));
    return row;
  }

  private Button join(int place, Part part) {
    Button join = new Button(Names.of(part.join()));
    join.setId("part-join-" + place);
    join.getStyleClass().add("part-join");
    join.setTooltip(new Tooltip(TEXTS.get("maskPanel.how-this-part-is-joined-plus")));
    Join next =
        switch (part.join()) {
          case PLUS -> Join.MINUS;
          case MINUS -> Join.WITHIN;
          default -> Join.PLUS;
        };
    join.setOnAction(e -> edit(null, p -> p.joined(place, next)));
    return join;
  }

  // --- changing a part

  private void editor(int place, Part part) {
    switch (part.own()) {
      case RegionMask n -> region(place);
      case Ellipse o ->
          number(
              place,
              "oval-softness",
              TEXTS.get("maskPanel.soft-edge"),
              TEXTS.get("maskPanel.share-of-the-radius-over-which"),
              0,
              100,
              "%.0f %%",
              m -> 100 * ((Ellipse) m).softness(),
              (m, v) -> {
                Ellipse was = (Ellipse) m;
                return new Ellipse(
                    was.x(), was.y(), was.radiusX(), was.radiusY(), was.angle(), v / 100);
              });
      case Gradient g -> hint(TEXTS.get("maskPanel.drag-its-two-ends-on-the"));
      case Polygon p ->
          number(
              place,
              "outline-feather",
              TEXTS.get("maskPanel.soft-edge"),
              TEXTS.get("maskPanel.sigma-of-the-edge-in-pixels"),
              0,
              200,
              PIXELS,
              m -> ((Polygon) m).feather(),
              (m, v) -> new Polygon(((Polygon) m).points(), v));
      case Range r -> range(place);
      case Strokes s ->
          rows.action(
              "drop-stroke",
              TEXTS.get("maskPanel.take-back-the-last-stroke"),
              TEXTS.get("maskPanel.removes-the-newest-stroke-of-this"),
              () -> dropStroke(place));
      case Feather f ->
          number(
              place,
              "feather-sigma",
              TEXTS.get("maskPanel.softened-by"),
              TEXTS.get("maskPanel.sigma-in-pixels-of-the-photograph"),
              0,
              200,
              PIXELS,
              m -> ((Feather) m).sigma(),
              (m, v) -> new Feather(new Nothing(), v));
      case Dilate g ->
          number(
              place,
              "grow-radius",
              TEXTS.get("maskPanel.grown-by"),
              TEXTS.get("maskPanel.radius-in-pixels-of-the-photograph"),
              -100,
              100,
              "%+.0f px",
              m -> ((Dilate) m).radius(),
              (m, v) -> new Dilate(new Nothing(), v));
      case Opacity s ->
          number(
              place,
              "scale-factor",
              TEXTS.get("maskPanel.times"),
              TEXTS.get("maskPanel.what-stands-before-it-is-multiplied"),
              0,
              200,
              "%.0f %%",
              m -> 100 * ((Opacity) m).factor(),
              (m, v) -> new Opacity(new Nothing(), v / 100));
      case Refine r ->
          number(
              place,
              "refine-sigma",
              TEXTS.get("maskPanel.looks-for-edges-within"),
              TEXTS.get("maskPanel.sigma-in-pixels-of-the-photograph"),
              0.5,
              60,
              "%.1f px",
              m -> ((Refine) m).sigma(),
              (m, v) -> new Refine(new Nothing(), v));
      case ChangeMask c -> {
        String other =
            state.document().stack().find(c.layer()).map(l -> l.attributes().name()).orElse(null);
        hint(
            other == null
                ? TEXTS.get("maskPanel.the-layer-that-it-followed-is")
                : TEXTS.get("maskPanel.where-and-as-far-as-changes", other));
        number(
            place,
            "changed-full",
            TEXTS.get("maskPanel.full-from"),
            TEXTS.get("maskPanel.difference-that-counts-as-full-in"),
            0.5,
            20,
            "ΔE %.1f",
            m -> ((ChangeMask) m).full(),
            (m, v) -> new ChangeMask(((ChangeMask) m).layer(), v));
      }
      case LinkedMask l ->
          rows.action(
              "unlink",
              TEXTS.get("maskPanel.make-it-a-copy"),
              TEXTS.get("maskPanel.keeps-the-mask-as-it-is"),
              () -> unlink(place));
      default -> hint(TEXTS.get("maskPanel.there-is-nothing-to-set-here"));
    }
  }

  private void hint(String words) {
    Label label = new Label(words);
    label.setWrapText(true);
    label.getStyleClass().add("row-words");
    rows.custom(label, this::nothing);
  }

  /** Changes a mask by a number. */
  private interface Change {
    Mask of(Mask own, double value);
  }

  private void number(
      int place,
      String id,
      String title,
      String tip,
      double low,
      double high,
      String format,
      Function<Mask, Double> value,
      Change change) {
    rows.number(
        id,
        title,
        tip,
        low,
        high,
        format,
        Layer.class,
        l -> value.apply(own(l, place)),
        (l, v) ->
            l.with(l.attributes().withMask(parts(l).changed(place, change.of(own(l, place), v)).mask())));
  }

  private void region(int place) {
    ComboBox<SemanticRegion> regions =
        choice("mask-region", TEXTS.get("maskPanel.the-area-by-its-name"), Names::title, List.of(SemanticRegion.values()));
    follow(
        regions,
        l -> own(l, place) instanceof RegionMask(SemanticRegion r) ? r : null,
        picked -> edit(null, p -> p.changed(place, new RegionMask(picked))));
  }

  private void range(int place) {
    ComboBox<Quantity> quantities =
        choice(
            "range-quantity",
            TEXTS.get("maskPanel.what-the-range-is-of-the"),
            q ->
                switch (q) {
                  case LIGHTNESS -> TEXTS.get("maskPanel.lightness-l");
                  case HUE -> TEXTS.get("maskPanel.hue");
                  case CHROMA -> TEXTS.get("maskPanel.chroma-c");
                },
            List.of(Quantity.values()));
    follow(
        quantities,
        l -> own(l, place) instanceof Range r ? r.quantity() : null,
        picked -> edit(null, p -> p.changed(place, MaskPartState.wholeRange(picked))));
    TrapezoidEditor editor =
        new TrapezoidEditor(
            () ->
                state.selection().layer()
                    .map(l -> own(l, place))
                    .map(m -> m instanceof Range r ? r : null)
                    .orElse(null),
            change ->
                edit(
                    "range",
                    p ->
                        p.parts().get(place).own() instanceof Range r
                            ? p.changed(place, change.apply(r))
                            : p),
            state.document()::settle,
            new RangeHistogram(state)::count);
    rows.custom(editor, editor::refresh);
    rows.words(
        "range-words",
        Layer.class,
        l ->
            own(l, place) instanceof Range r
                ? TEXTS.get("maskPanel.from-full-to-until", r.start(), r.full(), r.fullEnd(), r.end())
                : "");
  }

  private void dropStroke(int place) {
    edit(
        null,
        p -> {
          Strokes s = (Strokes) p.parts().get(place).own();
          return s.strokes().size() > 1
              ? p.changed(
                  place, new Strokes(s.base(), s.strokes().subList(0, s.strokes().size() - 1)))
              : p.without(place);
        });
  }

  private void unlink(int place) {
    edit(
        null,
        p ->
            p.parts().get(place).own() instanceof LinkedMask(String id)
                ? p.changed(
                    place, state.document().stack().find(id).map(l -> l.attributes().mask()).orElse(new Nothing()))
                : p);
  }

  private <T> ComboBox<T> choice(String id, String tip, Function<T, String> title, List<T> items) {
    ComboBox<T> box = new ComboBox<>();
    box.setId(id);
    box.setAccessibleText(tip);
    box.getItems().addAll(items);
    box.setTooltip(new Tooltip(tip));
    box.setConverter(new Titled<>(title));
    return box;
  }

  /** Shows a value of the layer in a box, and takes what is picked there. */
  private <T> void follow(
      ComboBox<T> box, Function<Layer, T> value, java.util.function.Consumer<T> picked) {
    boolean[] following = new boolean[1];
    box.setOnAction(
        e -> {
          if (!following[0] && box.getValue() != null) {
            picked.accept(box.getValue());
          }
        });
    rows.custom(
        box,
        () -> {
          following[0] = true;
          state.selection().layer().ifPresent(l -> box.setValue(value.apply(l)));
          following[0] = false;
        });
  }

  // --- adding

  private MenuButton addMenu(Layer layer) {
    MenuButton add = new MenuButton(TEXTS.get("maskPanel.add-to-it"));
    add.setId("mask-add");
    add.setTooltip(new Tooltip(TEXTS.get("maskPanel.an-area-a-shape-a-range")));
    Menu regions = new Menu(TEXTS.get("maskPanel.area-by-name"));
    for (SemanticRegion region : SemanticRegion.values()) {
      regions
          .getItems()
          .add(item("add-region-" + region, Names.title(region), () -> plus(new RegionMask(region))));
    }
    add.getItems()
        .addAll(
            item(
                "add-everywhere", TEXTS.get("maskPanel.start-anew-from-everywhere"), () -> start(new Mask.Everything())),
            regions,
            item("add-oval", TEXTS.get("maskPanel.oval"), () -> plus(state.part().freshOval())),
            item("add-gradient", TEXTS.get("maskPanel.gradient"), () -> plus(state.part().freshGradient())));
    Menu ranges = new Menu(TEXTS.get("maskPanel.only-a-range-of"));
    for (Quantity q : Quantity.values()) {
      ranges
          .getItems()
          .add(
              item(
                  "add-range-" + q,
                  q == Quantity.LIGHTNESS ? TEXTS.get("maskPanel.lightness") : q == Quantity.HUE ? TEXTS.get("maskPanel.hue") : TEXTS.get("maskPanel.chroma"),
                  () -> join(Join.WITHIN, MaskPartState.wholeRange(q))));
    }
    add.getItems()
        .addAll(
            ranges,
            item("add-feather", TEXTS.get("maskPanel.soften"), () -> change(new Feather(new Nothing(), 12))),
            item("add-grow", TEXTS.get("maskPanel.grow-or-shrink"), () -> change(new Dilate(new Nothing(), 8))),
            item("add-refine", TEXTS.get("maskPanel.pull-to-edges"), () -> change(new Refine(new Nothing(), 8))),
            item("add-scale", TEXTS.get("maskPanel.weaken"), () -> change(new Opacity(new Nothing(), 0.5))),
            item("add-invert", TEXTS.get("maskPanel.turn-the-other-way-round"), this::invert));
    Menu copy = new Menu(TEXTS.get("maskPanel.copy-the-mask-of"));
    Menu link = new Menu(TEXTS.get("maskPanel.follow-the-mask-of"));
    for (Layer other : state.document().stack().layers()) {
      String id = other.attributes().id();
      if (!id.equals(layer.attributes().id())) {
        copy.getItems()
            .add(
                item(
                    "copy-" + id,
                    other.attributes().name(),
                    () -> start(state.document().stack().find(id).orElseThrow().attributes().mask())));
        link.getItems().add(item("link-" + id, other.attributes().name(), () -> start(new LinkedMask(id))));
      }
    }
    Menu changed = new Menu(TEXTS.get("maskPanel.only-what-a-layer-changed"));
    LayerStack stack = state.document().stack();
    for (Layer other : stack.lowest(stack.indexOf(layer.attributes().id())).layers()) {
      String id = other.attributes().id();
      changed
          .getItems()
          .add(
              item(
                  "changed-" + id,
                  other.attributes().name(),
                  () -> join(Join.WITHIN, new ChangeMask(id, ChangeMask.SEEN))));
    }
    changed.setDisable(changed.getItems().isEmpty());
    copy.setDisable(copy.getItems().isEmpty());
    link.setDisable(link.getItems().isEmpty());
    add.getItems().addAll(copy, link, changed);
    return add;
  }

  private static MenuItem item(String id, String title, Runnable action) {
    MenuItem item = new MenuItem(title);
    item.setId(id);
    item.setOnAction(e -> action.run());
    return item;
  }

  private void plus(Mask own) {
    join(state.tools().erasingProperty().get() ? Join.MINUS : Join.PLUS, own);
  }

  private void change(Mask own) {
    join(Join.CHANGE, own);
  }

  private void join(Join join, Mask own) {
    state.part().add(join, own);
  }

  private void start(Mask mask) {
    state.part().drop();
    state.selection().edit(null, l -> l.with(l.attributes().withMask(mask)));
  }

  /** Twice the other way round is as it was. */
  private void invert() {
    state.part().drop();
    state.selection().edit(
        null,
        l ->
            l.with(
                l.attributes()
                    .withMask(
                        l.attributes().mask() instanceof Invert(Mask of)
                            ? of
                            : new Invert(l.attributes().mask()))));
  }

  private Node outlineButton() {
    ToggleButton outline = new ToggleButton(TEXTS.get("maskPanel.draw-an-outline"));
    outline.setId("tool-outline");
    outline.setTooltip(new Tooltip(ToolKind.OUTLINE.words()));
    outline.setOnAction(
        e -> state.tools().toolProperty().set(outline.isSelected() ? ToolKind.OUTLINE : ToolKind.HAND));
    rows.follow(() -> outline.setSelected(state.tools().tool() == ToolKind.OUTLINE));
    return outline;
  }

  // --- painting and seeing

  private void paint() {
    FlowPane painting = rows.tools(ToolKind.MASK);
    ToggleButton lift = new ToggleButton(TEXTS.get("maskPanel.lift"));
    lift.setId("lift");
    lift.setTooltip(new Tooltip(TEXTS.get("maskPanel.the-brush-or-a-shape-takes")));
    lift.selectedProperty().bindBidirectional(state.tools().erasingProperty());
    ToggleButton inside = new ToggleButton(TEXTS.get("maskPanel.inside-edges"));
    inside.setId("inside-edges");
    inside.setTooltip(new Tooltip(TEXTS.get("maskPanel.the-brush-stays-inside-the-edge")));
    inside.setOnAction(
        e -> state.tools().brushProperty().set(state.tools().brush().staying(inside.isSelected())));
    rows.follow(() -> inside.setSelected(state.tools().brush().inside()));
    painting.getChildren().addAll(lift, inside);
    ToggleButton view = new ToggleButton(TEXTS.get("maskPanel.show"));
    view.setId("show-mask");
    view.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
    view.setTooltip(new Tooltip(TEXTS.get("maskPanel.shows-the-mask-over-what-the")));
    view.selectedProperty().bindBidirectional(state.view().maskShownProperty());
    ComboBox<MaskView> how =
        choice(
            "mask-view",
            TEXTS.get("maskPanel.how-the-mask-is-shown-v"),
            MaskView::title,
            List.of(MaskView.values()));
    how.valueProperty().bindBidirectional(state.view().maskViewProperty());
    ToggleButton pen = new ToggleButton(TEXTS.get("maskPanel.pen"));
    pen.setId("pen");
    pen.setSelected(state.tools().penProperty().get() != Pen.MOUSE);
    pen.setTooltip(new Tooltip(TEXTS.get("maskPanel.slow-strokes-press-quick-ones-go")));
    pen.setOnAction(e -> state.tools().penProperty().set(pen.isSelected() ? new Pen.OfSpeed() : Pen.MOUSE));
    rows.custom(new HBox(6, view, how, pen), this::nothing);
  }

  private static String sentence(Mask mask) {
    String words = MaskWords.of(mask);
    return Character.toUpperCase(words.charAt(0)) + words.substring(1) + ".";
  }
}
