package carezza.desktop.layer;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.function.BiFunction;
import java.util.function.Function;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;

import carezza.desktop.control.NumberRow;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Brush;
import carezza.desktop.state.ToolKind;
import carezza.desktop.style.Glyph;
import carezza.desktop.task.Lane;
import carezza.desktop.text.Names;
import carezza.desktop.text.Texts;
import carezza.kernel.LayerType;
import carezza.model.Layer;
import carezza.model.Parameters;
import carezza.model.RecordValue;

/**
 * Builds the rows of a layer's panel. Each row shows a value of the selected layer and changes it;
 * a drag of its slider is one undo.
 */
public final class PanelRows implements AutoCloseable {

  private static final Texts TEXTS = Texts.of("panels");

  /** Changes a layer by a number. */
  @FunctionalInterface
  public interface Change<L extends Layer> {
    Layer of(L layer, double value);
  }

  /** Kinds and their numbers. */
  private static final Texts LAYERS = Texts.of("layers");

  private final AppState state;
  private final List<Node> nodes = new ArrayList<>();
  private final List<Runnable> refreshers = new ArrayList<>();
  private final List<Lane> lanes = new ArrayList<>();

  public PanelRows(AppState state) {
    this.state = state;
  }

  public List<Node> nodes() {
    return nodes;
  }

  /** For what a row reads behind; given back with the rows. */
  Lane lane(String name) {
    Lane lane = state.tasks().droppable(name);
    lanes.add(lane);
    return lane;
  }

  /** Nobody sees the rows any more: what is under way for them ends. */
  @Override
  public void close() {
    lanes.forEach(Lane::close);
    lanes.clear();
  }

  /** Shows the values of the selected layer as they are now. */
  public void refresh() {
    refreshers.forEach(Runnable::run);
  }

  /**
   * A number with a slider.
   *
   * @param format how the value reads, with its unit
   */
  public <L extends Layer> void number(
      String id,
      String title,
      String tip,
      double low,
      double high,
      String format,
      Class<L> type,
      Function<L, Double> value,
      Change<L> change) {
    NumberRow row =
        new NumberRow(id, title, tip, low, high, v -> String.format(Locale.ROOT, format, v));
    number(row, id, type, value, change);
  }

  /** A number in a row of one's own. */
  public <L extends Layer> void number(
      NumberRow row, String id, Class<L> type, Function<L, Double> value, Change<L> change) {
    row.onChange(
        v -> state.selection().edit(id, l -> change.of(type.cast(l), v)),
        state.document()::settle,
        () ->
            state
                .selection()
                .edit(
                    null,
                    l -> change.of(type.cast(l), value.apply(type.cast(LayerType.of(l).fresh())))));
    nodes.add(row);
    refreshers.add(() -> state.selection().layer(type).ifPresent(l -> row.show(value.apply(l))));
  }

  /** All numbers of a kind of layer, in the order of their declaration. */
  <L extends Layer> void parameters(Class<L> type) {
    Parameters.of(type.asSubclass(Record.class)).all().forEach(p -> parameter(type, p.name()));
  }

  /**
   * A number of the layer as it is declared.
   *
   * @param path as {@link RecordValue} has it; with dashes for dots it is the slider's id
   */
  <L extends Layer> void parameter(Class<L> type, String path) {
    Class<? extends Record> holder = RecordValue.holder(type, path);
    String name = path.substring(path.lastIndexOf('.') + 1);
    parameter(
        path.replace('.', '-'),
        Names.key(holder) + "." + name,
        Parameters.of(holder).get(name),
        type,
        l -> RecordValue.number(l, path),
        (l, v) -> RecordValue.with(l, path, v));
  }

  /**
   * A declared number.
   *
   * @param key of its name in the texts, that of its hint but for an end
   * @param value in the unit of the declaration
   */
  <L extends Layer> void parameter(
      String id,
      String key,
      Parameters.Declared declared,
      Class<L> type,
      Function<L, Double> value,
      Change<L> change) {
    double factor = declared.unit().factor();
    NumberRow row =
        new NumberRow(
            id,
            LAYERS.get(key),
            LAYERS.get(key + ".hint"),
            factor * declared.low(),
            factor * declared.high(),
            v -> Names.written(declared, v / factor));
    number(
        row,
        id,
        type,
        l -> factor * value.apply(l),
        (l, v) -> change.of(l, Math.clamp(v / factor, declared.least(), declared.most())));
  }

  /** Whether a layer keeps to its limits or may pass them. */
  <L extends Layer> void limits(Class<L> type, String tip) {
    choice(
        TEXTS.get("panelRows.limits"),
        tip,
        type,
        l -> (int) RecordValue.number(l, "force"),
        (l, i) -> RecordValue.with(l, "force", i == 1),
        TEXTS.get("panelRows.held"),
        TEXTS.get("panelRows.forced"));
  }

  /** A heading inside a panel. */
  public void heading(String words) {
    Label label = new Label(words);
    label.getStyleClass().add("heading");
    nodes.add(label);
  }

  /** A row of buttons. */
  public void buttons(Node... buttons) {
    FlowPane row = new FlowPane(6, 4, buttons);
    row.setAlignment(Pos.CENTER_LEFT);
    nodes.add(row);
  }

  /** A row of tools, one of which is in hand; more buttons may be added to it. */
  public FlowPane tools(ToolKind... tools) {
    FlowPane row = new FlowPane(6, 4);
    row.setAlignment(Pos.CENTER_LEFT);
    for (ToolKind tool : tools) {
      ToggleButton button = new ToggleButton(tool.title());
      button.setId("tool-" + tool.name().toLowerCase(Locale.ROOT));
      button.setTooltip(new Tooltip(tool.words()));
      button.setOnAction(
          e -> {
            boolean inHand = state.tools().tool() == tool;
            state.tools().toolProperty().set(inHand ? ToolKind.HAND : tool);
            refresh();
          });
      refreshers.add(() -> button.setSelected(state.tools().tool() == tool));
      row.getChildren().add(button);
    }
    nodes.add(row);
    if (Arrays.stream(tools).anyMatch(ToolKind::brush)) {
      brush(List.of(tools));
    }
    return row;
  }

  /** Radius, softness and strength of the brush, while one of the tools that has it is in hand. */
  private void brush(List<ToolKind> tools) {
    NumberRow radius =
        new NumberRow(
            "brush-radius",
            TEXTS.get("panelRows.brush"),
            TEXTS.get("panelRows.radius-of-the-brush-in-pixels"),
            1,
            400,
            "%.0f px"::formatted);
    NumberRow softness =
        new NumberRow(
            "brush-softness",
            TEXTS.get("panelRows.softness"),
            TEXTS.get("panelRows.share-of-the-radius-over-which"),
            0,
            100,
            "%.0f %%"::formatted);
    NumberRow strength =
        new NumberRow(
            "brush-strength",
            TEXTS.get("panelRows.strength"),
            TEXTS.get("panelRows.of-one-stroke-in-percent-strokes"),
            1,
            100,
            "%.0f %%"::formatted);
    brush(radius, (b, v) -> new Brush(v, b.softness(), b.strength(), b.inside()));
    brush(softness, (b, v) -> new Brush(b.radius(), v / 100, b.strength(), b.inside()));
    brush(strength, (b, v) -> new Brush(b.radius(), b.softness(), v / 100, b.inside()));
    // A hand that shapes lets go softly by itself.
    boolean hand = tools.stream().allMatch(t -> t.places() == ToolKind.Places.HAND);
    VBox rows = hand ? new VBox(radius, strength) : new VBox(radius, softness, strength);
    rows.managedProperty().bind(rows.visibleProperty());
    custom(
        rows,
        () -> {
          Brush now = state.tools().brush();
          rows.setVisible(state.tools().tool().brush() && tools.contains(state.tools().tool()));
          radius.show(now.radius());
          softness.show(100 * now.softness());
          strength.show(100 * now.strength());
        });
  }

  private void brush(NumberRow row, BiFunction<Brush, Double, Brush> change) {
    row.onChange(
        v -> state.tools().brushProperty().set(change.apply(state.tools().brush(), v)),
        () -> {},
        () -> {});
  }

  /** A line of text that follows the layer. */
  <L extends Layer> void words(String id, Class<L> type, Function<L, String> words) {
    Label label = new Label();
    label.setId(id);
    label.setWrapText(true);
    label.getStyleClass().add("row-words");
    refreshers.add(
        () ->
            state
                .selection()
                .layer()
                .filter(type::isInstance)
                .ifPresent(l -> label.setText(words.apply(type.cast(l)))));
    nodes.add(label);
  }

  /**
   * A line of what is read of the layer's work, behind; anew once the hand rests.
   *
   * @param waiting what it says meanwhile
   */
  <L extends Layer> void read(
      String id, L layer, Class<L> type, String waiting, ReadLine.Reading<L> reading) {
    ReadLine<L> line = new ReadLine<>(id, state, lane(id), layer, type, waiting, reading);
    custom(line, line::refresh);
  }

  /** A switch between named values. */
  <L extends Layer> void choice(
      String title,
      String tip,
      Class<L> type,
      Function<L, Integer> value,
      BiFunction<L, Integer, Layer> change,
      String... names) {
    FlowPane row = new FlowPane(6, 4);
    row.setAlignment(Pos.CENTER_LEFT);
    Label label = new Label(title);
    label.getStyleClass().add("row-name");
    row.getChildren().add(label);
    for (int i = 0; i < names.length; i++) {
      int index = i;
      ToggleButton button = new ToggleButton(names[i]);
      button.setTooltip(new Tooltip(tip));
      button.setOnAction(e -> state.selection().edit(null, l -> change.apply(type.cast(l), index)));
      refreshers.add(
          () ->
              state
                  .selection()
                  .layer()
                  .filter(type::isInstance)
                  .ifPresent(l -> button.setSelected(value.apply(type.cast(l)) == index)));
      row.getChildren().add(button);
    }
    nodes.add(row);
  }

  void action(String id, String title, String tip, Runnable action) {
    nodes.add(button(id, title, tip, action));
  }

  /** A small button that takes one of several things out. */
  static Button out(String id, String words, Runnable action) {
    Button out = new Button("", Glyph.REMOVE.node());
    out.setId(id);
    out.getStyleClass().add("part-out");
    out.setAccessibleText(words);
    out.setTooltip(new Tooltip(words));
    out.setOnAction(e -> action.run());
    return out;
  }

  public static Button button(String id, String title, String tip, Runnable action) {
    Button button = new Button(title);
    button.setId(id);
    button.setTooltip(new Tooltip(tip));
    button.setOnAction(e -> action.run());
    return button;
  }

  /** Runs with every refresh, for a node that another row holds. */
  public void follow(Runnable refresher) {
    refreshers.add(refresher);
  }

  public void custom(Node node, Runnable refresher) {
    nodes.add(node);
    refreshers.add(refresher);
  }
}
