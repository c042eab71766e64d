package carezza.desktop.control;

import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;

/** A sheet laid over the window, as large as what it holds. */
public final class Sheet extends StackPane {

  private final Node content;

  public Sheet(Node content) {
    super(content);
    this.content = content;
    getStyleClass().add("sheet");
    setMaxSize(Region.USE_PREF_SIZE, Region.USE_PREF_SIZE);
  }

  public Node content() {
    return content;
  }

  /** Puts the first field or button of the sheet in hand. */
  public void takeFocus() {
    first(content).ifPresentOrElse(Node::requestFocus, this::requestFocus);
  }

  private static Optional<Node> first(Node node) {
    if (node.isFocusTraversable() && !node.isDisabled() && !(node instanceof ScrollPane)) {
      return Optional.of(node);
    }
    return node instanceof Parent parent
        ? parent.getChildrenUnmodifiable().stream()
            .map(Sheet::first)
            .flatMap(Optional::stream)
            .findFirst()
        : Optional.empty();
  }
}
