package carezza.desktop.view.bench;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import javafx.beans.property.ObjectProperty;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

import carezza.desktop.state.BenchModel;
import carezza.desktop.state.Comparison;
import carezza.desktop.state.Surround;
import carezza.measure.CheckView;

/**
 * Ways to see the picture, to judge it by: a row of names, each with its key, and under it what to look
 * for. A second click, or the key again, shows the picture as it is; a secondary click keeps the view
 * beside the picture, small.
 */
public final class CheckStrip extends VBox {

  private final Map<CheckView, ToggleButton> buttons = new EnumMap<>(CheckView.class);

  /**
   * @param beside where views are kept
   */
  public CheckStrip(BenchModel model, BesidePictures beside) {
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
      button.setOnAction(e -> turn(model, view));
      button.setOnContextMenuRequested(e -> beside.turn(view));
      buttons.put(view, button);
      row.getChildren().add(button);
    }
    ToggleButton mirrored =
        button("mirror", "Mirror", "Left for right: faults that the eye is used to stand out (X)");
    mirrored.selectedProperty().bindBidirectional(model.viewing().mirroredProperty());
    row.getChildren().add(mirrored);
    for (Comparison how : Comparison.values()) {
      if (how != Comparison.NONE) {
        row.getChildren()
            .add(
                choice(
                    button(
                        "compare-" + name(how), how.title(), how.hint() + " (C goes through them)"),
                    model.viewing().comparisonProperty(),
                    how,
                    Comparison.NONE));
      }
    }
    row.getChildren()
        .add(
            choice(
                button("on-white", "On white", "The picture on white: its darks look darker"),
                model.viewing().surroundProperty(),
                Surround.WHITE,
                Surround.INTERFACE));
    row.getChildren()
        .add(
            choice(
                button("on-black", "On black", "The picture on black: its lights look lighter"),
                model.viewing().surroundProperty(),
                Surround.BLACK,
                Surround.INTERFACE));
    Label hint = new Label();
    hint.setId("check-hint");
    hint.getStyleClass().add("row-words");
    HBox words = new HBox(hint);
    getChildren().addAll(row, words);
    Runnable show =
        () -> {
          CheckView now = model.viewing().checkProperty().get();
          buttons.forEach((view, button) -> button.setSelected(view == now));
          hint.setText(now == null ? "" : now.hint());
          words.setManaged(now != null);
          words.setVisible(now != null);
        };
    model.viewing().checkProperty().addListener((o, was, is) -> show.run());
    show.run();
  }

  private static String name(Enum<?> value) {
    return value.name().toLowerCase(java.util.Locale.ROOT);
  }

  private static ToggleButton button(String id, String title, String tip) {
    ToggleButton button = new ToggleButton(title);
    button.setId(id);
    button.getStyleClass().add("check");
    button.setFocusTraversable(false);
    button.setTooltip(new Tooltip(tip));
    return button;
  }

  /** A button that sets a value, and takes it back when it is pressed again. */
  private static <T> ToggleButton choice(
      ToggleButton button, ObjectProperty<T> value, T own, T otherwise) {
    button.setOnAction(e -> value.set(value.get() == own ? otherwise : own));
    value.addListener((o, was, is) -> button.setSelected(is == own));
    return button;
  }

  /** Sees the picture this way, or as it is if it is seen so already. */
  public static void turn(BenchModel model, CheckView view) {
    model.viewing().checkProperty().set(model.viewing().checkProperty().get() == view ? null : view);
  }

  /** Function keys from F2, then the same with Shift. */
  public static String key(CheckView view) {
    int n = view.ordinal();
    return n < KEYS ? "F" + (n + 2) : "Shift + F" + (n - KEYS + 2);
  }

  /**
   * The view of a function key, or null.
   *
   * @param number 2 … 12
   */
  public static CheckView at(int number, boolean shift) {
    int n = number - 2 + (shift ? KEYS : 0);
    List<CheckView> all = new ArrayList<>(List.of(CheckView.values()));
    return number >= 2 && n < all.size() ? all.get(n) : null;
  }

  private static final int KEYS = 11;
}
