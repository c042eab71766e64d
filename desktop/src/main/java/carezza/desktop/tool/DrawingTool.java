package carezza.desktop.tool;

import carezza.model.Point;

/** A tool that draws a path and does something with it once it is drawn. */
interface DrawingTool extends Tool {

  StrokePath path();

  @Override
  default void drag(Point at) {
    if (!path().isEmpty()) {
      path().goTo(at);
    }
  }

  @Override
  default void putDown() {
    path().clear();
  }
}
