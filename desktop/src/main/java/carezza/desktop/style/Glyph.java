package carezza.desktop.style;

import javafx.scene.Node;

import org.kordamp.ikonli.Ikon;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;

/** Signs that mean the same in any application; what is Carezza's own is an {@link Icon}. */
public enum Glyph {
  ADD(Feather.PLUS),
  REMOVE(Feather.X),
  UNDO(Feather.CORNER_UP_LEFT),
  REDO(Feather.CORNER_UP_RIGHT),
  KEEP(Feather.STAR),
  DONE(Feather.CHECK),
  WARNING(Feather.ALERT_TRIANGLE),
  FOLD(Feather.CHEVRON_LEFT),
  UNFOLD(Feather.CHEVRON_RIGHT);

  private final Ikon drawing;

  Glyph(Ikon drawing) {
    this.drawing = drawing;
  }

  /** The style sheet gives size and colour. */
  public Node node() {
    FontIcon icon = new FontIcon(drawing);
    icon.getStyleClass().add("glyph");
    icon.setMouseTransparent(true);
    return icon;
  }
}
