package carezza.desktop.view.picture;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import javafx.geometry.Bounds;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.TilePane;
import javafx.scene.layout.VBox;
import javafx.stage.Popup;

import carezza.desktop.control.Spring;
import carezza.desktop.state.AppState;
import carezza.desktop.style.Glyph;
import carezza.desktop.style.Icon;
import carezza.desktop.text.Names;
import carezza.desktop.text.Texts;
import carezza.measure.CheckView;

/** All ways of seeing the picture, with the picture itself, small, seen in each. */
final class WayPalette {

  private static final Texts TEXTS = Texts.of("picture");

  private static final double LONG_EDGE = 104;
  private static final int COLUMNS = 5;

  private final AppState state;
  private final BesidePictures beside;
  private final Consumer<CheckView> favourite;
  private final Popup popup = new Popup();
  private final List<SmallPicture> pictures = new ArrayList<>();

  /**
   * @param beside where views are kept
   * @param favourite keeps a way in sight, or no longer
   */
  WayPalette(AppState state, BesidePictures beside, Consumer<CheckView> favourite) {
    this.state = state;
    this.beside = beside;
    this.favourite = favourite;
    popup.setAutoHide(true);
    popup.setHideOnEscape(true);
    popup.setOnHidden(e -> close());
  }

  /**
   * @param favourites that are in sight now
   */
  void show(Node under, List<CheckView> favourites) {
    close();
    TilePane tiles = new TilePane(8, 8);
    tiles.setId("way-palette");
    tiles.setPrefColumns(COLUMNS);
    for (CheckView way : CheckView.values()) {
      tiles.getChildren().add(tile(way, favourites.contains(way)));
    }
    VBox box = new VBox(tiles);
    box.getStyleClass().addAll("carezza", "palette");
    box.setStyle(under.getScene().getRoot().getStyle());
    box.getStylesheets().setAll(under.getScene().getRoot().getStylesheets());
    popup.getContent().setAll(box);
    Bounds at = under.localToScreen(under.getBoundsInLocal());
    popup.show(under, at.getMinX(), at.getMaxY() + 4);
  }

  private VBox tile(CheckView way, boolean kept) {
    SmallPicture small = new SmallPicture(state);
    pictures.add(small);
    small.show(way, LONG_EDGE);
    Button see = new Button("", small);
    see.setId("way-" + way.name().toLowerCase(Locale.ROOT));
    see.getStyleClass().add("way-tile");
    see.setMinSize(LONG_EDGE, LONG_EDGE + 8);
    see.setAccessibleText(Names.of(way));
    see.setTooltip(new Tooltip(Names.hint(way)));
    see.setOnAction(
        e -> {
          state.view().checkProperty().set(way);
          popup.hide();
        });
    ToggleButton star = new ToggleButton("", Glyph.KEEP.node());
    star.setId("favourite-" + way.name().toLowerCase(Locale.ROOT));
    star.getStyleClass().add("check");
    star.setSelected(kept);
    star.setAccessibleText(TEXTS.get("wayPalette.stays-in-sight", Names.of(way)));
    star.setTooltip(new Tooltip(TEXTS.get("wayPalette.stays-in-sight-above-the-picture")));
    star.setOnAction(e -> favourite.accept(way));
    Button keep = new Button("", Icon.BESIDE.node());
    keep.setId("keep-beside-" + way.name().toLowerCase(Locale.ROOT));
    keep.getStyleClass().add("check");
    keep.setAccessibleText(TEXTS.get("wayPalette.beside-the-picture", Names.of(way)));
    keep.setTooltip(new Tooltip(TEXTS.get("wayPalette.kept-beside-the-picture-small-again")));
    keep.setOnAction(e -> beside.turn(way));
    Label key = new Label(CheckStrip.key(way).replace("+", " + "));
    key.getStyleClass().add("row-value");
    HBox foot = new HBox(3, new Label(Names.of(way)), new Spring(), key);
    HBox marks = new HBox(3, star, keep);
    foot.setAlignment(Pos.CENTER_LEFT);
    VBox tile = new VBox(3, see, foot, marks);
    tile.setMaxWidth(LONG_EDGE + 20);
    return tile;
  }

  void close() {
    pictures.forEach(SmallPicture::close);
    pictures.clear();
  }
}
