package carezza.desktop.layer;

import java.util.List;
import java.util.function.UnaryOperator;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

import carezza.desktop.picture.MaskView;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Pen;
import carezza.desktop.state.ToolKind;
import carezza.desktop.style.Glyph;
import carezza.desktop.text.MaskWords;
import carezza.desktop.text.Names;
import carezza.desktop.text.Texts;
import carezza.model.Layer;
import carezza.model.Mask;
import carezza.model.Mask.Nothing;
import carezza.model.MaskParts;
import carezza.model.MaskParts.Join;
import carezza.model.MaskParts.Part;

/**
 * Where the selected layer acts, as a sentence and as its parts: each can be switched, joined in
 * another way, changed, placed on the picture or taken out.
 */
public final class MaskPanel {

  private static final Texts TEXTS = Texts.of("panels");

  private final AppState state;
  private final PanelRows rows;
  private final MaskPartEditor editor;

  private MaskPanel(AppState state, PanelRows rows) {
    this.state = state;
    this.rows = rows;
    this.editor = new MaskPartEditor(state, rows);
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
        editor.show(i, parts.get(i));
      }
    }
    rows.custom(new HBox(6, new MaskAdding(state).menu(layer), outlineButton()), this::nothing);
  }

  private void nothing() {
    // Its state needs no refreshing.
  }

  // --- the parts

  private HBox row(int place, Part part) {
    ToggleButton on = new ToggleButton();
    on.setId("part-on-" + place);
    on.getStyleClass().add("part-switch");
    on.setTooltip(new Tooltip(TEXTS.get("maskPanel.whether-this-part-of-the-mask")));
    on.setOnAction(e -> editor.edit(null, p -> p.switched(place, on.isSelected())));
    Button words = new Button();
    words.setId("part-" + place);
    words.getStyleClass().add("part");
    words.setMaxWidth(Double.MAX_VALUE);
    words.setTooltip(new Tooltip(TEXTS.get("maskPanel.change-this-part-its-handles-show")));
    words.setOnAction(
        e -> state.part().choose(state.part().placeProperty().get() == place ? -1 : place));
    HBox.setHgrow(words, Priority.ALWAYS);
    HBox row = new HBox(4, on);
    if (part.join() != Join.START && part.join() != Join.CHANGE) {
      row.getChildren().add(join(place, part));
    }
    Button out = new Button("", Glyph.REMOVE.node());
    out.setId("part-out-" + place);
    out.getStyleClass().add("part-out");
    out.setAccessibleText(TEXTS.get("maskPanel.take-this-part-out"));
    out.setTooltip(new Tooltip(TEXTS.get("maskPanel.take-this-part-out-of-the")));
    out.setOnAction(
        e -> {
          state.part().drop();
          editor.edit(null, p -> p.without(place));
        });
    row.getChildren().addAll(words, out);
    row.setAlignment(Pos.CENTER_LEFT);
    rows.follow(
        () ->
            state
                .selection()
                .layer()
                .map(l -> MaskPartEditor.parts(l).parts())
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
    join.setOnAction(e -> editor.edit(null, p -> p.joined(place, next)));
    return join;
  }

  private Node outlineButton() {
    ToggleButton outline = new ToggleButton(TEXTS.get("maskPanel.draw-an-outline"));
    outline.setId("tool-outline");
    outline.setTooltip(new Tooltip(ToolKind.OUTLINE.words()));
    outline.setOnAction(
        e ->
            state
                .tools()
                .toolProperty()
                .set(outline.isSelected() ? ToolKind.OUTLINE : ToolKind.HAND));
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
    view.setMinWidth(Region.USE_PREF_SIZE);
    view.setTooltip(new Tooltip(TEXTS.get("maskPanel.shows-the-mask-over-what-the")));
    view.selectedProperty().bindBidirectional(state.view().maskShownProperty());
    ComboBox<MaskView> how =
        MaskPartEditor.choice(
            "mask-view",
            TEXTS.get("maskPanel.how-the-mask-is-shown-v"),
            MaskView::title,
            List.of(MaskView.values()));
    how.valueProperty().bindBidirectional(state.view().maskViewProperty());
    ToggleButton pen = new ToggleButton(TEXTS.get("maskPanel.pen"));
    pen.setId("pen");
    pen.setSelected(state.tools().penProperty().get() != Pen.MOUSE);
    pen.setTooltip(new Tooltip(TEXTS.get("maskPanel.slow-strokes-press-quick-ones-go")));
    pen.setOnAction(
        e -> state.tools().penProperty().set(pen.isSelected() ? new Pen.OfSpeed() : Pen.MOUSE));
    rows.custom(new HBox(6, view, how, pen), this::nothing);
  }

  private static String sentence(Mask mask) {
    String words = MaskWords.of(mask);
    return Character.toUpperCase(words.charAt(0)) + words.substring(1) + ".";
  }
}
