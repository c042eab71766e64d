package carezza.desktop.app;

import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;

/** A sheet laid over the window: dims what is behind, closes on Escape or a click beside it. */
final class Sheet extends StackPane {

  Sheet(Node content, Runnable close) {
    Region veil = new Region();
    veil.getStyleClass().add("veil");
    veil.setOnMouseClicked(e -> close.run());
    StackPane card = new StackPane(content);
    card.getStyleClass().add("sheet");
    card.setMaxSize(Region.USE_PREF_SIZE, Region.USE_PREF_SIZE);
    setAlignment(Pos.CENTER);
    getChildren().addAll(veil, card);
  }
}
