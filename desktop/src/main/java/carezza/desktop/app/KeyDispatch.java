package carezza.desktop.app;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

import carezza.desktop.action.Action;
import carezza.desktop.action.ActionMap;
import carezza.desktop.action.Scope;
import carezza.desktop.control.NumberRow;

/**
 * Runs the action of a key that the control in focus did not take itself. While a sheet is open it
 * has all keys; while a text is typed only keys that write nothing run anything.
 */
final class KeyDispatch {

  private final Parent root;
  private final ActionMap actions;
  private final Supplier<List<Scope>> scopes;
  private final BooleanSupplier covered;
  private final Runnable uncover;
  private final Runnable leaveText;
  private final Map<KeyCode, Action> held = new HashMap<>();

  /**
   * @param scopes that are at hand, the widest first
   * @param covered whether a sheet is open
   * @param uncover closes the sheet
   * @param leaveText puts the focus back where keys are the view's
   */
  KeyDispatch(
      Parent root,
      ActionMap actions,
      Supplier<List<Scope>> scopes,
      BooleanSupplier covered,
      Runnable uncover,
      Runnable leaveText) {
    this.root = root;
    this.actions = actions;
    this.scopes = scopes;
    this.covered = covered;
    this.uncover = uncover;
    this.leaveText = leaveText;
  }

  /** On the scene: keys come there even while nothing has the focus. */
  void install() {
    root.sceneProperty()
        .subscribe(
            scene -> {
              if (scene != null) {
                scene.addEventFilter(KeyEvent.KEY_PRESSED, this::entered);
                scene.addEventHandler(KeyEvent.KEY_PRESSED, this::pressed);
                scene.addEventFilter(KeyEvent.KEY_RELEASED, this::released);
                scene.focusOwnerProperty().subscribe(this::keepFocus);
              }
            });
  }

  /**
   * What had the focus is gone, as a button whose press made its row anew, or can do nothing more:
   * the view has it again, and not whatever comes next in the panel.
   */
  private void keepFocus(Node was, Node owner) {
    if (owner == null || was != null && was.isDisabled() && was.getScene() == root.getScene()) {
      Platform.runLater(
          () -> {
            if (root.getScene() != null
                && root.getScene().getFocusOwner() == owner
                && !covered.getAsBoolean()) {
              leaveText.run();
            }
          });
    }
  }

  /** A field of a panel takes what was typed and is left; it would keep the caret. */
  private void entered(KeyEvent e) {
    Node focus = root.getScene() == null ? null : root.getScene().getFocusOwner();
    if (e.getCode() == KeyCode.ENTER
        && focus instanceof TextInputControl
        && focus.getStyleClass().contains(NumberRow.LEFT_ON_ENTER)) {
      Platform.runLater(leaveText);
    }
  }

  private void pressed(KeyEvent e) {
    if (covered.getAsBoolean()) {
      if (e.getCode() == KeyCode.ESCAPE) {
        uncover.run();
        e.consume();
      }
      return;
    }
    if (writes(e)) {
      if (e.getCode() == KeyCode.ESCAPE) {
        leave();
        e.consume();
      }
      return;
    }
    actions
        .of(e, scopes.get())
        .ifPresent(
            action -> {
              if (action.isHeld()) {
                if (held.putIfAbsent(e.getCode(), action) == null) {
                  action.run();
                }
              } else {
                action.run();
              }
              e.consume();
            });
  }

  /**
   * A field of a panel is left for the view; any other is left with the view that it is the first
   * of.
   */
  private void leave() {
    if (root.getScene().getFocusOwner().getStyleClass().contains(NumberRow.LEFT_ON_ENTER)) {
      leaveText.run();
    } else {
      actions.get("back").run();
    }
  }

  private boolean writes(KeyEvent e) {
    Node focus = root.getScene() == null ? null : root.getScene().getFocusOwner();
    return focus instanceof TextInputControl
        && !e.isShortcutDown()
        && !e.isAltDown()
        && !e.getCode().isFunctionKey();
  }

  /** Whatever has the focus by now, what a key began ends with it. */
  private void released(KeyEvent e) {
    Action action = held.remove(e.getCode());
    if (action != null) {
      action.release();
    }
  }
}
