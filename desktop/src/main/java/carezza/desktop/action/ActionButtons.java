package carezza.desktop.action;

import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Tooltip;

/** Buttons that are made from actions. */
public final class ActionButtons {

  private ActionButtons() {}

  /** With the action's name on it; its id finds it. */
  public static Button named(Action action) {
    return dressed(new Button(action.text()), action);
  }

  /** With a sign on it. */
  public static Button drawn(Action action, Node graphic) {
    Button button = new Button();
    button.setGraphic(graphic);
    return dressed(button, action);
  }

  private static Button dressed(Button button, Action action) {
    button.setId(action.id());
    button.setAccessibleText(action.text());
    Tooltip tip = new Tooltip(action.tip());
    action.keyProperty().subscribe((was, is) -> tip.setText(action.tip()));
    button.setTooltip(tip);
    button.disableProperty().bind(action.enabled().not());
    button.setOnAction(e -> action.run());
    return button;
  }
}
