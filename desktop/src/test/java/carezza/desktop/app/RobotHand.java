package carezza.desktop.app;

import java.util.Arrays;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.function.Predicate;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.geometry.VerticalDirection;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.robot.Robot;

import org.testfx.api.FxRobot;
import org.testfx.service.query.NodeQuery;
import org.testfx.util.WaitForAsyncUtils;

/**
 * A pointer and keys as the toolkit's own robot moves them: each step is over when it returns, and
 * nothing is slept through in between.
 */
public final class RobotHand {

  private static final int PATIENCE_SECONDS = 120;

  /** Pixels from which a click begins to count anew. */
  private static final double ELSEWHERE = 30;

  private final FxRobot finder = new FxRobot();
  private final Robot robot = onStage(Robot::new);

  /** Runs on the interface thread. */
  static <T> T onStage(Callable<T> work) {
    return WaitForAsyncUtils.waitForAsyncFx(TimeUnit.SECONDS.toMillis(PATIENCE_SECONDS), work);
  }

  /** Waits until what was asked of the interface thread is done, and laid out. */
  static void settle() {
    for (int pulse = 0; pulse < 2; pulse++) {
      CountDownLatch begun = new CountDownLatch(1);
      Platform.runLater(
          () -> {
            new AnimationTimer() {
              @Override
              public void handle(long now) {
                stop();
                begun.countDown();
              }
            }.start();
            Platform.requestNextPulse();
          });
      try {
        if (!begun.await(PATIENCE_SECONDS, TimeUnit.SECONDS)) {
          throw new IllegalStateException("The interface thread does not answer");
        }
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
        throw new IllegalStateException(e);
      }
    }
  }

  private RobotHand step(Runnable work) {
    onStage(
        () -> {
          work.run();
          return null;
        });
    // What the step has caused is behind it in the queue.
    onStage(() -> null);
    return this;
  }

  NodeQuery lookup(String query) {
    return finder.lookup(query);
  }

  NodeQuery lookup(Predicate<Node> wanted) {
    return finder.lookup(wanted);
  }

  RobotHand moveTo(double x, double y) {
    return step(() -> robot.mouseMove(x, y));
  }

  RobotHand moveTo(Point2D at) {
    return moveTo(at.getX(), at.getY());
  }

  RobotHand moveBy(double dx, double dy) {
    return step(() -> robot.mouseMove(robot.getMouseX() + dx, robot.getMouseY() + dy));
  }

  /** To the middle of what is seen of that name. */
  RobotHand moveTo(String query) {
    return moveTo(middle(query));
  }

  private Point2D middle(String query) {
    Bounds place =
        onStage(
            () ->
                finder.lookup(query).queryAll().stream()
                    .filter(RobotHand::isSeen)
                    .findFirst()
                    .map(n -> n.localToScreen(n.getBoundsInLocal()))
                    .orElseThrow(() -> new AssertionError("Nothing is seen of " + query)));
    return new Point2D(place.getCenterX(), place.getCenterY());
  }

  private static boolean isSeen(Node node) {
    for (Node at = node; at != null; at = at.getParent()) {
      if (!at.isVisible()) {
        return false;
      }
    }
    return node.getScene() != null && node.localToScreen(0, 0) != null;
  }

  RobotHand press(MouseButton button) {
    return step(() -> robot.mousePress(button));
  }

  RobotHand release(MouseButton button) {
    return step(() -> robot.mouseRelease(button));
  }

  RobotHand clickOn(MouseButton button) {
    return press(button).release(button);
  }

  /** Comes from elsewhere, so that two clicks in a row are two and no double one. */
  RobotHand clickOn(String query) {
    Point2D middle = middle(query);
    return moveTo(middle.add(0, -ELSEWHERE)).moveTo(middle).clickOn(MouseButton.PRIMARY);
  }

  RobotHand doubleClickOn(String query) {
    return clickOn(query).clickOn(MouseButton.PRIMARY);
  }

  RobotHand scroll(int clicks, VerticalDirection direction) {
    int towards = direction == VerticalDirection.UP ? -1 : 1;
    for (int i = 0; i < clicks; i++) {
      step(() -> robot.mouseWheel(towards));
    }
    return this;
  }

  RobotHand press(KeyCode... keys) {
    for (KeyCode key : keys) {
      step(() -> robot.keyPress(key));
    }
    return this;
  }

  RobotHand release(KeyCode... keys) {
    for (KeyCode key : keys) {
      step(() -> robot.keyRelease(key));
    }
    return this;
  }

  RobotHand type(KeyCode key) {
    return press(key).release(key);
  }

  /** All together. */
  RobotHand push(KeyCode... keys) {
    return press(keys).release(Arrays.asList(keys).reversed().toArray(KeyCode[]::new));
  }

  RobotHand write(String text) {
    finder.write(text);
    return this;
  }
}
