package carezza.desktop.view.bench;

import java.util.function.BiConsumer;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.Cursor;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

import org.jspecify.annotations.Nullable;

import carezza.desktop.control.NumberRow;
import carezza.desktop.control.Spring;
import carezza.desktop.state.SelectionController;
import carezza.desktop.style.Glyph;
import carezza.desktop.style.Icon;
import carezza.desktop.style.TextSize;
import carezza.desktop.text.Texts;
import carezza.model.GroupLayer;
import carezza.model.Layer;
import carezza.model.LayerAttributes;
import carezza.model.LockedLayer;
import carezza.model.Stage;

/**
 * A layer on the course: a click or Enter takes it in hand, a double click renames it, a drag moves
 * it, the other button shows what can be done with it.
 */
final class LayerCard extends VBox {

  private static final Texts TEXTS = Texts.of("bench");

  private static final double LEAST_WIDTH = 86;
  private static final double WIDTH = 108;

  /** Room for the picture of a layer's mask. */
  private static final double THUMB_WIDTH = 19;

  private static final double THUMB_HEIGHT = 26;

  /** Way of the pointer from which a press is a drag. */
  private static final double DRAG = 8;

  private final Key key;
  private final String id;
  private final Stage stage;
  private final SelectionController selection;
  private final Label name = new Label();
  private final Label amount = new Label();
  private final Button on = new Button();
  private final Button fold = new Button();
  private final Tooltip whole = new Tooltip();
  private final Tooltip onTip = new Tooltip();
  private Face face;
  private final HBox foot;
  private final ImageView thumb = new ImageView();
  private double pressedX;
  private boolean dragged;

  /** What a card shows of its layer; strokes do not. */
  record Face(
      String id, String name, Stage stage, @Nullable String group, boolean on, double amount) {

    static Face of(Layer layer) {
      LayerAttributes a = layer.attributes();
      return new Face(a.id(), a.name(), a.stage(), a.group(), a.on(), a.amount());
    }
  }

  /** What a card is made for; with another of these it is another card. */
  record Key(String id, Stage stage, boolean member, Class<?> kind) {

    static Key of(Layer layer) {
      LayerAttributes a = layer.attributes();
      return new Key(a.id(), a.stage(), a.group() != null, layer.getClass());
    }
  }

  /**
   * @param turnFold folds the group of that id, or unfolds it
   * @param dropped takes the card and where in the scene it was let go
   * @param menu shows what can be done with it
   */
  LayerCard(
      Layer layer,
      SelectionController selection,
      Consumer<String> turnFold,
      BiConsumer<LayerCard, Double> dropped,
      Consumer<LayerCard> menu) {
    super(3);
    LayerAttributes attributes = layer.attributes();
    key = Key.of(layer);
    id = attributes.id();
    stage = attributes.stage();
    this.selection = selection;
    face = Face.of(layer);
    name.setWrapText(true);
    name.getStyleClass().add("card-name");
    name.setMinHeight(TextSize.px(30));
    name.setPrefHeight(TextSize.px(30));
    name.setAlignment(Pos.TOP_LEFT);
    dressSwitch(layer instanceof LockedLayer);
    amount.getStyleClass().add("card-amount");
    amount.setMinWidth(Region.USE_PREF_SIZE);
    HBox top = new HBox(2, Icon.of(layer).node(), new Spring(), amount, on);
    if (layer instanceof GroupLayer) {
      getStyleClass().add("group");
      dressFold(turnFold);
      top.getChildren().add(1, fold);
    }
    turn("member", attributes.group() != null);
    top.setAlignment(Pos.CENTER_LEFT);
    thumb.setId("thumb-" + id);
    thumb.setPreserveRatio(true);
    thumb.setFitWidth(THUMB_WIDTH);
    thumb.setFitHeight(THUMB_HEIGHT);
    thumb.setMouseTransparent(true);
    foot = new HBox(2, name, new Spring(), thumb);
    getChildren().addAll(top, foot);
    setId("card-" + id);
    getStyleClass().add("card");
    setMinWidth(TextSize.px(LEAST_WIDTH));
    setPrefWidth(TextSize.px(WIDTH));
    setFocusTraversable(true);
    setAccessibleRole(AccessibleRole.BUTTON);
    Tooltip.install(this, whole);
    dress(face);
    addEventHandler(KeyEvent.KEY_PRESSED, this::pressed);
    setOnMousePressed(
        e -> {
          pressedX = e.getSceneX();
          dragged = false;
        });
    setOnMouseDragged(this::drag);
    setOnMouseReleased(e -> release(e, dropped));
    setOnMouseClicked(this::click);
    setOnContextMenuRequested(e -> menu.accept(this));
  }

  private void dressSwitch(boolean locked) {
    on.getStyleClass().add("card-switch");
    on.setMinWidth(Region.USE_PREF_SIZE);
    on.setFocusTraversable(false);
    on.setId("switch-" + id);
    on.setTooltip(onTip);
    on.setOnAction(e -> selection.turnLayer(id));
    on.setVisible(!locked);
  }

  private void dressFold(Consumer<String> turnFold) {
    fold.getStyleClass().add("card-switch");
    fold.setFocusTraversable(false);
    fold.setMinWidth(Region.USE_PREF_SIZE);
    fold.setId("fold-" + id);
    fold.setTooltip(new Tooltip(TEXTS.get("layerCard.shows-the-layers-of-the-group")));
    fold.setOnAction(e -> turnFold.accept(id));
    fold(false);
  }

  /** Whether the layers of this group are behind it. */
  void fold(boolean folded) {
    fold.setGraphic((folded ? Glyph.UNFOLD : Glyph.FOLD).node());
    fold.setAccessibleText(
        folded
            ? TEXTS.get("layerCard.its-layers-behind-it", face.name())
            : TEXTS.get("layerCard.its-layers-beside-it", face.name()));
    turn("folded", folded);
  }

  /**
   * Shows what has changed of the layer; the card stays where it is, under the hand as it may be.
   */
  void show(Face now) {
    if (!now.equals(face)) {
      face = now;
      dress(now);
    }
  }

  private void dress(Face now) {
    name.setText(now.name());
    amount.setText(Math.round(100 * now.amount()) + " %");
    whole.setText(now.name());
    setAccessibleText(TEXTS.get("layerCard.layer", now.name()));
    on.setText(now.on() ? "●" : "○");
    on.setAccessibleText(
        now.on() ? TEXTS.get("layerCard.on", now.name()) : TEXTS.get("layerCard.off", now.name()));
    onTip.setText(
        now.on()
            ? TEXTS.get("layerCard.takes-part-click-to-leave-it")
            : TEXTS.get("layerCard.left-out-click-to-take-it"));
    turn("off", !now.on());
  }

  String id() {
    return id;
  }

  Stage stage() {
    return stage;
  }

  Key key() {
    return key;
  }

  /** Shows where the layer acts; nothing takes no room. */
  void show(@Nullable Image where) {
    thumb.setImage(where);
    thumb.setManaged(where != null);
  }

  /**
   * @param beyond behind the playhead
   */
  void mark(boolean inHand, boolean beyond) {
    turn("selected", inHand);
    turn("beyond", beyond);
  }

  private void turn(String style, boolean wanted) {
    if (wanted != getStyleClass().contains(style)) {
      if (wanted) {
        getStyleClass().add(style);
      } else {
        getStyleClass().remove(style);
      }
    }
  }

  private void pressed(KeyEvent e) {
    if (e.getTarget() == this && (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE)) {
      selection.select(id);
      e.consume();
    }
  }

  private void click(MouseEvent e) {
    if (dragged || e.getButton() != MouseButton.PRIMARY) {
      return;
    }
    if (e.getClickCount() == 2) {
      rename();
    } else {
      selection.select(id);
    }
  }

  private void drag(MouseEvent e) {
    if (!dragged && Math.abs(e.getSceneX() - pressedX) > DRAG) {
      dragged = true;
      setCursor(Cursor.CLOSED_HAND);
      setViewOrder(-1);
      setOpacity(0.75);
    }
    if (dragged) {
      setTranslateX(e.getSceneX() - pressedX);
    }
  }

  private void release(MouseEvent e, BiConsumer<LayerCard, Double> dropped) {
    if (dragged) {
      setCursor(Cursor.DEFAULT);
      setViewOrder(0);
      setOpacity(1);
      setTranslateX(0);
      dropped.accept(this, e.getSceneX());
    }
  }

  private void rename() {
    TextField field = new TextField(name.getText());
    field.setId("rename-" + id);
    field.getStyleClass().addAll("card-name", NumberRow.LEFT_ON_ENTER);
    field.setAccessibleText(TEXTS.get("layerCard.name-of-the-layer"));
    Runnable take =
        () -> {
          if (foot.getChildren().contains(field)) {
            foot.getChildren().set(0, name);
            selection.rename(id, field.getText().strip());
          }
        };
    field.setOnAction(e -> take.run());
    field
        .focusedProperty()
        .subscribe(
            (was, is) -> {
              if (was && !is) {
                take.run();
              }
            });
    foot.getChildren().set(0, field);
    field.requestFocus();
    field.selectAll();
  }
}
