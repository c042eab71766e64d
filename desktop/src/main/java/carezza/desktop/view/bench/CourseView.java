package carezza.desktop.view.bench;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import javafx.collections.MapChangeListener;
import javafx.geometry.Bounds;
import javafx.geometry.Side;
import javafx.scene.Node;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Tooltip;
import javafx.scene.image.WritableImage;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

import org.jspecify.annotations.Nullable;

import carezza.desktop.state.AppState;
import carezza.desktop.state.LowKey;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.state.ToolKind;
import carezza.desktop.style.Icon;
import carezza.desktop.text.Names;
import carezza.desktop.text.Texts;
import carezza.kernel.LayerType;
import carezza.model.Layer;
import carezza.model.Stage;
import carezza.plan.Plan;

/**
 * The course: the whole stack from the photograph on the left to the finished picture on the right,
 * in eight stages along a rail. The playhead on the rail says up to which layer the picture is
 * shown.
 */
public final class CourseView extends VBox {

  private static final Texts TEXTS = Texts.of("bench");

  private final AppState state;
  private final Subscriptions subscriptions = new Subscriptions();
  private final HBox stages = new HBox(4);
  private final Pane rail = new Pane();
  private final Region track = new Region();
  private final Region passed = new Region();
  private final Region head = new Region();
  private final ScrollPane scroll;
  private final List<LayerCard> cards = new ArrayList<>();
  private final Map<Stage, StageColumn> columns = new EnumMap<>(Stage.class);
  private final MaskThumbs thumbs;
  private final Node start = photograph();
  private @Nullable Shown shown;
  private ContextMenu menu = new ContextMenu();

  public CourseView(AppState state) {
    this.state = state;
    thumbs = new MaskThumbs(state);
    thumbs.images().addListener((MapChangeListener<String, WritableImage>) c -> thumb(c.getKey()));
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
    Tooltip.install(rail, new Tooltip(TEXTS.get("courseView.playhead-drag-to-see-the-picture")));
    rail.setOnMousePressed(this::movePlayhead);
    rail.setOnMouseDragged(this::movePlayhead);
    stages.getChildren().add(new VBox(4, new Label(" "), start));
    for (Stage stage : Stage.values()) {
      StageColumn column =
          new StageColumn(stage, state.view().stageHeldProperty()::set, this::choose);
      columns.put(stage, column);
      stages.getChildren().add(column);
    }
    VBox content = new VBox(2, rail, stages);
    scroll = new ScrollPane(content);
    scroll.setFitToHeight(true);
    scroll.setFitToWidth(true);
    scroll.setFocusTraversable(false);
    scroll.setVbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    getChildren().add(scroll);
    start.setOnMouseClicked(e -> state.selection().select(null));
    subscriptions.on(this::show, state.document().projectProperty());
    subscriptions.on(this::mark, state.view().playheadProperty());
    subscriptions.on(this::takeUp, state.selection().selectedProperty());
    subscriptions.on(this::fold, state.view().foldedProperty());
    subscriptions.on(this::markOpen, state.plan().planProperty());
    stages.needsLayoutProperty().subscribe((was, is) -> placePlayhead());
    show();
  }

  /** What can be done with a layer, for the menu on its card. */
  void use(ContextMenu layerMenu) {
    menu = layerMenu;
  }

  private static Node photograph() {
    Label label = new Label(TEXTS.get("courseView.photo-graph"));
    label.getStyleClass().add("start-card");
    label.setMinWidth(Region.USE_PREF_SIZE);
    label.setTooltip(new Tooltip(TEXTS.get("courseView.the-photograph-its-faces-frame-and")));
    return label;
  }

  private record Shown(List<LayerCard.Face> faces, boolean empty) {

    /** What the cards are, and where; all else they show of themselves. */
    List<Object> cards() {
      List<Object> all = new ArrayList<>(List.of(empty));
      faces.forEach(f -> all.addAll(List.of(f.id(), f.stage(), String.valueOf(f.group()))));
      return all;
    }
  }

  /**
   * Sorts the cards anew where one came, went or moved; otherwise they show what has changed of
   * their layers.
   */
  private void show() {
    Shown now =
        new Shown(
            state.document().stack().layers().stream().map(LayerCard.Face::of).toList(),
            state.document().isEmpty());
    if (now.equals(shown)) {
      return;
    }
    boolean sameCards = shown != null && now.cards().equals(shown.cards());
    shown = now;
    if (sameCards) {
      for (int i = 0; i < cards.size(); i++) {
        cards.get(i).show(now.faces().get(i));
      }
    } else {
      build();
      fold();
      mark();
    }
  }

  /** Makes the cards that are new; the others stay, as making one takes its time. */
  private void build() {
    Map<LayerCard.Key, LayerCard> known = new HashMap<>();
    cards.forEach(c -> known.put(c.key(), c));
    cards.clear();
    columns.forEach(
        (stage, column) -> {
          List<LayerCard> own = new ArrayList<>();
          for (Layer layer : state.document().stack().layers()) {
            if (layer.attributes().stage() == stage) {
              LayerCard card = known.get(LayerCard.Key.of(layer));
              own.add(card == null ? made(layer) : card);
              own.getLast().show(LayerCard.Face.of(layer));
              own.getLast().show(thumbs.images().get(own.getLast().id()));
            }
          }
          column.allow(!state.document().isEmpty());
          column.show(own);
          cards.addAll(own);
        });
    markOpen();
  }

  private LayerCard made(Layer layer) {
    return new LayerCard(
        layer, state.selection(), state.view()::turnFold, this::dropped, this::showMenu);
  }

  /** Members of a folded group stand behind its card. */
  private void fold() {
    Set<String> behind = behind();
    for (LayerCard card : cards) {
      card.setVisible(!behind.contains(card.id()));
      card.setManaged(card.isVisible());
      card.fold(state.view().folded().contains(card.id()));
    }
    placePlayhead();
  }

  private Set<String> behind() {
    Set<String> behind = new HashSet<>();
    state.view().folded().forEach(g -> behind.addAll(state.document().stack().members(g)));
    return behind;
  }

  /** The card itself, or that of the group it stands behind. */
  private LayerCard seen(LayerCard card) {
    LayerCard seen = card;
    for (LayerCard each : cards) {
      if (each.isVisible() && state.document().stack().members(each.id()).contains(card.id())) {
        seen = seen.isVisible() ? seen : each;
      }
    }
    return seen;
  }

  /** Which card is in hand, and which lie beyond the playhead. */
  private void mark() {
    int playhead = state.view().playhead();
    for (int i = 0; i < cards.size(); i++) {
      cards.get(i).mark(cards.get(i).id().equals(state.selection().selected()), i >= playhead);
    }
    placePlayhead();
  }

  /** A dot where the plan has something open. */
  private void markOpen() {
    Plan plan = state.plan().planProperty().get();
    columns.forEach(
        (stage, column) ->
            column.mark(
                plan != null && plan.open().stream().anyMatch(f -> f.kind().stage() == stage)));
  }

  private void takeUp() {
    String selected = state.selection().selected();
    if (selected != null && behind().contains(selected)) {
      state.view().unfold(g -> state.document().stack().members(g).contains(selected));
    }
    mark();
    cards.stream()
        .filter(c -> c.id().equals(state.selection().selected()))
        .findFirst()
        .ifPresent(this::bringIntoSight);
  }

  private void bringIntoSight(Node card) {
    // A card that was just made has no place yet.
    applyCss();
    layout();
    double width = scroll.getContent().getLayoutBounds().getWidth();
    double seen = scroll.getViewportBounds().getWidth();
    if (width <= seen) {
      return;
    }
    Bounds at = scroll.getContent().sceneToLocal(card.localToScene(card.getBoundsInLocal()));
    double left = scroll.getHvalue() * (width - seen);
    double wanted = Math.min(at.getMinX(), Math.max(left, at.getMaxX() - seen));
    scroll.setHvalue(Math.clamp(wanted / (width - seen), 0, 1));
  }

  private void showMenu(LayerCard card) {
    state.selection().select(card.id());
    menu.show(card, Side.TOP, 0, 0);
  }

  /** A card was let go somewhere else: it goes to that stage, between the cards there. */
  private void dropped(LayerCard card, double sceneX) {
    for (Map.Entry<Stage, StageColumn> each : columns.entrySet()) {
      Bounds column = each.getValue().localToScene(each.getValue().getBoundsInLocal());
      if (sceneX >= column.getMinX() && sceneX < column.getMaxX()) {
        Set<String> own = state.document().stack().members(card.id());
        int place =
            (int)
                cards.stream()
                    .filter(c -> c != card && c.stage() == each.getKey() && !own.contains(c.id()))
                    .map(this::seen)
                    .filter(c -> c.localToScene(c.getBoundsInLocal()).getCenterX() < sceneX)
                    .count();
        state.selection().move(card.id(), each.getKey(), place);
        return;
      }
    }
  }

  private void choose(Stage stage, Node at) {
    List<LayerType> kinds = LayerType.MADE_ANEW.stream().filter(k -> k.stage() == stage).toList();
    if (kinds.size() == 1) {
      state.selection().add(kinds.getFirst());
      return;
    }
    ContextMenu kindMenu = new ContextMenu();
    for (LayerType kind : kinds) {
      MenuItem item = new MenuItem(Names.of(kind), Icon.of(kind).node());
      item.setId("add-" + kind.key());
      item.setOnAction(e -> state.selection().add(kind));
      kindMenu.getItems().add(item);
    }
    if (stage == Stage.SETTLE) {
      MenuItem lowKey = new MenuItem(TEXTS.get("courseView.low-key-base-exposure-down-lights"));
      lowKey.setId("add-low-key");
      lowKey.setOnAction(e -> state.selection().add(LowKey.layers()));
      MenuItem frame = new MenuItem(TEXTS.get("courseView.frame-cut-level-more-canvas"));
      frame.setId("add-frame");
      frame.setOnAction(
          e -> {
            state.selection().select(null);
            state.tools().toolProperty().set(ToolKind.FRAME);
          });
      kindMenu.getItems().addAll(lowKey, frame);
    }
    kindMenu.show(at, Side.TOP, 0, 0);
  }

  /** Shows where a layer acts. */
  private void thumb(String id) {
    cards.stream().filter(c -> c.id().equals(id)).forEach(c -> c.show(thumbs.images().get(id)));
  }

  public void close() {
    subscriptions.close();
    thumbs.close();
  }

  /** Right edge of the card before the playhead, in the rail's coordinates. */
  private double edge(int layers) {
    Node node =
        layers == 0 || cards.isEmpty()
            ? start
            : seen(cards.get(Math.min(layers, cards.size()) - 1));
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
      // Of the members behind a folded group none counts before the whole.
      if (Math.abs(edge(i) - e.getX()) <= Math.abs(edge(nearest) - e.getX())) {
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
