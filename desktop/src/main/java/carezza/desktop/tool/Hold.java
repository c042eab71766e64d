package carezza.desktop.tool;

import java.util.function.Function;
import java.util.function.UnaryOperator;

import org.jspecify.annotations.Nullable;

import carezza.desktop.state.DocumentState;
import carezza.model.Point;
import carezza.model.Project;

/**
 * Something on the picture that is held: shown where the hand takes it, and a step once it is let
 * go.
 */
final class Hold {

  private final DocumentState document;
  private @Nullable Function<Point, UnaryOperator<Project>> held;
  private @Nullable Point moved;

  Hold(DocumentState document) {
    this.document = document;
  }

  /**
   * @param change what it makes when it is somewhere else; null for nothing
   */
  void take(@Nullable Function<Point, UnaryOperator<Project>> change) {
    held = change;
    moved = null;
  }

  /**
   * As {@link #take}, of something that is set where it is pressed even if it is not dragged on.
   */
  void set(Point at, Function<Point, UnaryOperator<Project>> change) {
    held = change;
    moved = at;
  }

  void drag(Point at) {
    if (held != null) {
      document.preview(held.apply(at));
      moved = at;
    }
  }

  /** Lets go; false if nothing was held, or it was not moved. */
  boolean release() {
    Function<Point, UnaryOperator<Project>> change = held;
    Point to = moved;
    held = null;
    moved = null;
    if (change == null || to == null) {
      return false;
    }
    document.edit(null, change.apply(to));
    return true;
  }
}
