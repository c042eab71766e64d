package carezza.desktop.view.picture;

import java.util.EnumMap;
import java.util.Map;
import javafx.beans.property.ObjectProperty;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

import carezza.desktop.state.AppState;
import carezza.desktop.state.Comparison;
import carezza.desktop.state.Subscriptions;
import carezza.desktop.state.Surround;
import carezza.measure.CheckView;

/**
 * Ways to see the picture, to judge it by: a row of names, each with its key, and under it what to look
 * for. A second click, or the key again, shows the picture as it is; a secondary click keeps the view
 * beside the picture, small.
 */
public final class CheckStrip extends VBox {

  private final Subscriptions subscriptions = new Subscriptions();
  private final Map<CheckView, ToggleButton> buttons = new EnumMap<>(CheckView.class);

  /**
   * @param beside where views are kept
   */
  public CheckStrip(AppState state, BesidePictures beside) {
    setId("checks");
    getStyleClass().add("checks");
    Label lead = new Label("See");
    lead.getStyleClass().add("row-name");
    FlowPane row = new FlowPane(3, 3, lead);
    row.setAlignment(Pos.CENTER_LEFT);
    for (CheckView view : CheckView.values()) {
      ToggleButton button =
          button(
              "check-" + name(view),
              view.title(),
              view.hint() + " (" + key(view) + "; secondary click: beside the picture)");
      button.setOnAction(e -> state.view().turn(view));
      button.setOnContextMenuRequested(e -> beside.turn(view));
      buttons.put(view, button);
      row.getChildren().add(button);
    }
    ToggleButton mirrored =
        button("mirror", "Mirror", "Left for right: faults that the eye is used to stand out (X)");
    mirrored.selectedProperty().bindBidirectional(state.view().mirroredProperty());
    row.getChildren().add(mirrored);
    for (Comparison how : Comparison.values()) {
      if (how != Comparison.NONE) {
        row.getChildren()
            .add(
                choice(
                    button(
                        "compare-" + name(how), how.title(), how.hint() + " (C goes through them)"),
                    state.view().comparisonProperty(),
                    how,
                    Comparison.NONE));
      }
    }
    row.getChildren()
        .add(
            choice(
                button("on-white", "On white", "The picture on white: its darks look darker"),
                state.view().surroundProperty(),
                Surround.WHITE,
                Surround.INTERFACE));
    row.getChildren()
        .add(
            choice(
                button("on-black", "On black", "The picture on black: its lights look lighter"),
                state.view().surroundProperty(),
                Surround.BLACK,
                Surround.INTERFACE));
    Label hint = new Label();
    hint.setId("check-hint");
    hint.getStyleClass().add("row-words");
    HBox words = new HBox(hint);
    getChildren().addAll(row, words);
    Runnable show =
        () -> {
          CheckView now = state.view().checkProperty().get();
          buttons.forEach((view, button) -> button.setSelected(view == now));
          hint.setText(now == null ? "" : now.hint());
          words.setManaged(now != null);
          words.setVisible(now != null);
        };
    subscriptions.on(show, state.view().checkProperty());
    show.run();
  }

  private static String name(Enum<?> value) {
    return value.name().toLowerCase(java.util.Locale.ROOT);
  }

  private static ToggleButton button(String id, String title, String tip) {
    ToggleButton button = new ToggleButton(title);
    button.setId(id);
    button.getStyleClass().add("check");
        button.setTooltip(new Tooltip(tip));
    return button;
  }

  /** A button that sets a value, and takes it back when it is pressed again. */
  private <T> ToggleButton choice(
      ToggleButton button, ObjectProperty<T> value, T own, T otherwise) {
    button.setOnAction(e -> value.set(value.get() == own ? otherwise : own));
    subscriptions.on(value, is -> button.setSelected(is == own));
    return button;
  }

  void close() {
    subscriptions.close();
  }

  /** The usual key of a way: function keys from F2, then the same with Shift. */
  public static String key(CheckView view) {
    int n = view.ordinal();
    return n < KEYS ? "F" + (n + 2) : "Shift+F" + (n - KEYS + 2);
  }

  private static final int KEYS = 11;
}
