package carezza.desktop.control;

import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/** Takes the room that is left in a row. */
public final class Spring extends Region {

  public Spring() {
    HBox.setHgrow(this, Priority.ALWAYS);
  }
}
