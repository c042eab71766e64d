package carezza.desktop.view.bench;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javafx.collections.MapChangeListener;
import javafx.geometry.Pos;
import javafx.geometry.Side;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Tooltip;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.image.WritableImage;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

import carezza.desktop.control.Spring;
import carezza.desktop.state.AppState;
import carezza.desktop.state.LowKey;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.state.ToolKind;
import carezza.desktop.style.Icon;
import carezza.model.Layer;
import carezza.model.LayerKind;
import carezza.model.LockedLayer;
import carezza.model.Stage;

/**
 * The course: the whole stack from the photograph on the left to the finished picture on the right, in
 * eight stages along a rail. The playhead on the rail says up to which layer the picture is shown.
 */
public final class CourseView extends VBox {

  private static final double CARD_WIDTH = 86;

  /** Room for the picture of a layer's mask on its card. */
  private static final double THUMB_WIDTH = 19;

  private static final double THUMB_HEIGHT = 26;

  private final AppState state;
  private final Subscriptions subscriptions = new Subscriptions();
  private final HBox stages = new HBox(4);
  private final Pane rail = new Pane();
  private final Region track = new Region();
  private final Region passed = new Region();
  private final Region head = new Region();
  private final List<Node> cards = new ArrayList<>();
  private final MaskThumbs thumbs;
  private final Map<String, ImageView> thumbViews = new HashMap<>();
  private Shown shown;
  private final Node start = photograph();

  public CourseView(AppState state) {
    this.state = state;
    thumbs = new MaskThumbs(state);
    thumbs
        .images()
        .addListener((MapChangeListener<String, WritableImage>) c -> thumb(c.getKey()));
    setId("course");
    getStyleClass().add("course");
    stages.getStyleClass().add("stages");
    rail.setMinHeight(18);
    rail.setPrefHeight(18);
    rail.setId("rail");
    track.getStyleClass().add("track");
    passed.getStyleClass().add("passed");
    head.getStyleClass().add("playhead");
    head.setId("playhead");
    rail.getChildren().addAll(track, passed, head);
    rail.getChildren().forEach(n -> n.setManaged(false));
    Tooltip.install(
        rail,
        new Tooltip("Playhead: drag to see the picture after any layer (Page Up, Page Down)"));
    rail.setOnMousePressed(this::movePlayhead);
    rail.setOnMouseDragged(this::movePlayhead);
    VBox content = new VBox(2, rail, stages);
    ScrollPane scroll = new ScrollPane(content);
    scroll.setFitToHeight(true);
    scroll.setFitToWidth(true);
    scroll.setVbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    getChildren().add(scroll);
    subscriptions.on(this::show, state.document().projectProperty(), state.selection().selectedProperty(), state.view().playheadProperty());
    stages.needsLayoutProperty().addListener((o, was, is) -> placePlayhead());
    show();
  }

  private static Node photograph() {
    Label label = new Label("Photo-\ngraph");
    label.getStyleClass().add("start-card");
    label.setMinWidth(Region.USE_PREF_SIZE);
    return label;
  }

  /** What a card shows of its layer; strokes do not. */
  private record Card(String id, String name, Stage stage, boolean on, double amount) {}

  private record Shown(List<Card> cards, String selected, int playhead, boolean empty) {}

  /** Builds the cards anew if anything they show has changed: not at every dab. */
  private void show() {
    Shown now =
        new Shown(
            state.document().stack().layers().stream()
                .map(Layer::attributes)
                .map(h -> new Card(h.id(), h.name(), h.stage(), h.on(), h.amount()))
                .toList(),
            state.selection().selected(),
            state.view().playhead(),
            state.document().isEmpty());
    if (now.equals(shown)) {
      return;
    }
    shown = now;
    stages.getChildren().clear();
    cards.clear();
    thumbViews.clear();
    start.setOnMouseClicked(e -> state.selection().select(null));
    VBox first = new VBox(4, new Label(" "), start);
    stages.getChildren().add(first);
    for (Stage stage : Stage.values()) {
      stages.getChildren().add(column(stage));
    }
  }

  private VBox column(Stage stage) {
    Label name = new Label((stage.ordinal() + 1) + "  " + stage.title());
    name.getStyleClass().add("stage-name");
    name.setMinWidth(Region.USE_PREF_SIZE);
    name.setId("stage-" + stage.name().toLowerCase(java.util.Locale.ROOT));
    name.setTooltip(new Tooltip("Hold: the picture without what " + stage.title() + " does"));
    name.setOnMousePressed(e -> state.view().stageHeldProperty().set(stage));
    name.setOnMouseReleased(e -> state.view().stageHeldProperty().set(null));
    Button add = new Button();
    add.setId("add-" + stage.name().toLowerCase(java.util.Locale.ROOT));
    add.getStyleClass().add("add");
    add.setGraphic(Icon.PLUS.node());
    add.setTooltip(new Tooltip("Add a layer to " + stage.title()));
    add.setAccessibleText("Add a layer to " + stage.title());
    add.setDisable(state.document().isEmpty());
    add.setOnAction(e -> choose(stage, add));
    HBox top = new HBox(4, name, new Spring(), add);
    top.setAlignment(Pos.CENTER_LEFT);
    HBox row = new HBox(4);
    for (Layer layer : state.document().stack().layers()) {
      if (layer.attributes().stage() == stage) {
        Node card = card(layer);
        cards.add(card);
        row.getChildren().add(card);
      }
    }
    VBox column = new VBox(4, top, row);
    column.getStyleClass().add("stage");
    HBox.setHgrow(column, Priority.SOMETIMES);
    return column;
  }

  private void choose(Stage stage, Button at) {
    List<LayerKind> kinds =
        List.of(LayerKind.values()).stream().filter(k -> k.stage() == stage).toList();
    if (kinds.size() == 1) {
      state.selection().add(kinds.getFirst());
      return;
    }
    ContextMenu menu = new ContextMenu();
    for (LayerKind kind : kinds) {
      MenuItem item = new MenuItem(kind.title(), Icon.of(kind).node());
      item.setId("add-" + kind.key());
      item.setOnAction(e -> state.selection().add(kind));
      menu.getItems().add(item);
    }
    if (stage == Stage.SETTLE) {
      MenuItem lowKey = new MenuItem("Low-key base: exposure down, lights up");
      lowKey.setId("add-low-key");
      lowKey.setOnAction(e -> state.selection().add(LowKey.layers()));
      MenuItem frame = new MenuItem("Frame: cut, level, more canvas");
      frame.setId("add-frame");
      frame.setOnAction(
          e -> {
            state.selection().select(null);
            state.tools().toolProperty().set(ToolKind.FRAME);
          });
      menu.getItems().addAll(lowKey, frame);
    }
    menu.show(at, Side.TOP, 0, 0);
  }

  private Node card(Layer layer) {
    String id = layer.attributes().id();
    Label name = new Label(layer.attributes().name());
    name.setWrapText(true);
    name.getStyleClass().add("card-name");
    name.setMinHeight(30);
    name.setPrefHeight(30);
    name.setAlignment(Pos.TOP_LEFT);
    Label amount = new Label(Math.round(100 * layer.attributes().amount()) + " %");
    amount.getStyleClass().add("card-amount");
    amount.setMinWidth(Region.USE_PREF_SIZE);
    Button on = new Button(layer.attributes().on() ? "●" : "○");
    on.getStyleClass().add("card-switch");
    on.setMinWidth(Region.USE_PREF_SIZE);
    on.setId("switch-" + id);
    on.setTooltip(
        new Tooltip(
            layer.attributes().on()
                ? "Takes part; click to leave it out (O)"
                : "Left out; click to take it in (O)"));
    on.setOnAction(
        e -> state.document().edit(null, p -> p.edit(id, l -> l.with(l.attributes().switched(!l.attributes().on())))));
    on.setVisible(!(layer instanceof LockedLayer));
    HBox top = new HBox(2, Icon.of(layer).node(), new Spring(), amount, on);
    top.setAlignment(Pos.CENTER_LEFT);
    ImageView thumb = new ImageView();
    thumb.setId("thumb-" + id);
    thumb.setPreserveRatio(true);
    thumb.setFitWidth(THUMB_WIDTH);
    thumb.setFitHeight(THUMB_HEIGHT);
    thumb.setMouseTransparent(true);
    thumbViews.put(id, thumb);
    thumb(id);
    HBox foot = new HBox(2, name, new Spring(), thumb);
    VBox card = new VBox(3, top, foot);
    card.setId("card-" + id);
    card.getStyleClass().add("card");
    card.setMinWidth(CARD_WIDTH);
    card.setPrefWidth(CARD_WIDTH);
    if (id.equals(state.selection().selected())) {
      card.getStyleClass().add("selected");
    }
    if (!layer.attributes().on()) {
      card.getStyleClass().add("off");
    }
    if (state.document().stack().indexOf(id) >= state.view().playhead()) {
      card.getStyleClass().add("beyond");
    }
    card.setOnMouseClicked(e -> state.selection().select(id));
    card.setAccessibleText(layer.attributes().name());
    return card;
  }

  /** Shows where the layer acts; nothing takes no room on the card. */
  private void thumb(String id) {
    ImageView view = thumbViews.get(id);
    if (view != null) {
      Image image = thumbs.images().get(id);
      view.setImage(image);
      view.setManaged(image != null);
    }
  }

  public void close() {
    subscriptions.close();
    thumbs.close();
  }

  /** Right edge of the card before the playhead, in the rail's coordinates. */
  private double edge(int layers) {
    Node node =
        layers == 0 || cards.isEmpty() ? start : cards.get(Math.min(layers, cards.size()) - 1);
    return rail.sceneToLocal(node.localToScene(node.getBoundsInLocal())).getMaxX() + 2;
  }

  private void placePlayhead() {
    double x = edge(state.view().playhead());
    double end = edge(cards.size());
    double begin = edge(0);
    track.resizeRelocate(begin, 8, Math.max(0, end - begin), 2);
    passed.resizeRelocate(begin, 7, Math.max(0, x - begin), 4);
    head.resizeRelocate(x - 6, 1, 12, 16);
  }

  private void movePlayhead(MouseEvent e) {
    int nearest = 0;
    for (int i = 0; i <= cards.size(); i++) {
      if (Math.abs(edge(i) - e.getX()) < Math.abs(edge(nearest) - e.getX())) {
        nearest = i;
      }
    }
    state.view().moveTo(nearest);
  }

  @Override
  protected void layoutChildren() {
    super.layoutChildren();
    placePlayhead();
  }
}
