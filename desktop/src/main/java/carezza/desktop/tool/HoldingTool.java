package carezza.desktop.tool;

import carezza.model.Point;

/** A tool whose press takes hold of something that the pointer then moves. */
interface HoldingTool extends Tool {

  /** What is held between a press and its release. */
  Hold hold();

  @Override
  default void drag(Point at) {
    hold().drag(at);
  }

  @Override
  default void release(Point at) {
    hold().release();
  }

  @Override
  default void putDown() {
    hold().take(null);
  }
}
