package carezza.desktop.control;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.layout.Pane;

/** What a pane holds. */
public final class Children {

  private Children() {}

  /**
   * Has a pane show these nodes in their order. Those that it shows already stay in the scene: what
   * comes new into it is styled and laid out, which takes its time.
   */
  public static void show(Pane pane, List<? extends Node> wanted) {
    List<Node> shown = pane.getChildren();
    Set<Node> stay = new HashSet<>(wanted);
    shown.removeIf(node -> !stay.contains(node));
    for (int i = 0; i < wanted.size(); i++) {
      Node node = wanted.get(i);
      if (i < shown.size() && shown.get(i) == node) {
        continue;
      }
      shown.remove(node);
      shown.add(i, node);
    }
  }
}
