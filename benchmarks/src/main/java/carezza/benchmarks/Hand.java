package carezza.benchmarks;

import java.util.concurrent.locks.LockSupport;
import javafx.application.Platform;
import javafx.event.EventType;
import javafx.geometry.Point2D;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;

import carezza.desktop.app.Shell;
import carezza.model.Point;

/** Strokes over the large portrait, as a mouse draws them. */
final class Hand {

  /** Between events of a mouse that reports 125 times a second. */
  static final long EVENT_NANOS = 8_000_000;

  private static final int EVENTS = 40;

  private Hand() {}

  /** Draws one of the strokes, with the brush in hand. */
  static void stroke(Shell view, int number) throws Exception {
    for (int i = 0; i < EVENTS; i++) {
      long start = System.nanoTime();
      double t = i / (EVENTS - 1.0);
      double x = 1700 + 1400 * t;
      double y = 2100 + 160 * number + 150 * Math.sin(6 * t);
      EventType<MouseEvent> type =
          i == 0
              ? MouseEvent.MOUSE_PRESSED
              : i == EVENTS - 1 ? MouseEvent.MOUSE_RELEASED : MouseEvent.MOUSE_DRAGGED;
      Platform.runLater(() -> fire(view, type, x, y));
      LockSupport.parkNanos(EVENT_NANOS - (System.nanoTime() - start));
    }
    Thread.sleep(250);
  }

  private static void fire(Shell view, EventType<MouseEvent> type, double x, double y) {
    Point place = view.picture().toView(new Point(x, y));
    Point2D at = view.picture().localToScene(place.x(), place.y());
    boolean down = type != MouseEvent.MOUSE_RELEASED;
    view.picture()
        .fireEvent(
            new MouseEvent(
                type,
                at.getX(),
                at.getY(),
                at.getX(),
                at.getY(),
                MouseButton.PRIMARY,
                1,
                false,
                false,
                false,
                false,
                down,
                false,
                false,
                true,
                false,
                false,
                null));
  }
}
