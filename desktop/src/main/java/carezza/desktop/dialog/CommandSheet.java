package carezza.desktop.dialog;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyCombination.Modifier;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

import org.jspecify.annotations.Nullable;

import carezza.desktop.action.Action;
import carezza.desktop.action.ActionMap;
import carezza.desktop.control.Spring;
import carezza.desktop.text.Texts;

/**
 * All commands with their keys: found by typing, run by Enter, and given other keys. What is typed
 * goes to the field, the arrows to the list.
 */
public final class CommandSheet extends VBox {

  private static final Texts TEXTS = Texts.of("app");

  private static final double WIDTH = 660;
  private static final double HEIGHT = 460;

  private final ActionMap actions;
  private final Consumer<Action> keyChanged;
  private final TextField search = new TextField();
  private final ListView<Action> list = new ListView<>();
  private final Button change = new Button();
  private boolean waiting;

  /**
   * @param run runs a command once the sheet is gone
   * @param keyChanged is told of every key that was changed
   */
  public CommandSheet(ActionMap actions, Consumer<Action> run, Consumer<Action> keyChanged) {
    super(10);
    this.actions = actions;
    this.keyChanged = keyChanged;
    setId("keys");
    setPrefWidth(WIDTH);
    Label heading = new Label(TEXTS.get("commandSheet.commands-and-keys"));
    heading.getStyleClass().add("title");
    search.setId("command-search");
    search.setPromptText(TEXTS.get("commandSheet.what-do-you-want-to-do"));
    search.textProperty().subscribe((was, is) -> find());
    search.setOnAction(e -> runSelected(run));
    list.setId("commands");
    list.setPrefHeight(HEIGHT);
    list.setCellFactory(view -> new Row());
    list.setOnMouseClicked(
        e -> {
          if (e.getClickCount() == 2) {
            runSelected(run);
          }
        });
    list.setAccessibleText(TEXTS.get("commandSheet.commands"));
    change.setId("change-key");
    change.setTooltip(new Tooltip(TEXTS.get("commandSheet.gives-the-chosen-command-another-key")));
    change.setOnAction(e -> waitForKey());
    Button usual = new Button(TEXTS.get("commandSheet.its-usual-key"));
    usual.setId("usual-key");
    usual.setTooltip(new Tooltip(TEXTS.get("commandSheet.gives-the-chosen-command-the-key")));
    usual.setOnAction(e -> selected(a -> setKey(a, a.usualKey())));
    addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
    getChildren()
        .addAll(
            heading,
            search,
            list,
            new HBox(8, change, usual),
            hint(TEXTS.get("commandSheet.wheel-zoom-ctrl-shift-or-alt")));
    sayChange();
    find();
  }

  private static Label hint(String words) {
    Label label = new Label(words);
    label.setWrapText(true);
    label.setMaxWidth(WIDTH);
    label.getStyleClass().add("hint");
    return label;
  }

  private void find() {
    String[] words = search.getText().toLowerCase(Locale.ROOT).strip().split("\\s+");
    List<Action> found =
        actions.all().stream()
            .filter(
                a -> {
                  String all =
                      (a.text() + " " + a.hint() + " " + a.keyWords()).toLowerCase(Locale.ROOT);
                  return Arrays.stream(words).allMatch(all::contains);
                })
            .toList();
    list.getItems().setAll(found);
    if (!found.isEmpty()) {
      list.getSelectionModel().select(0);
    }
  }

  private void selected(Consumer<Action> use) {
    Action action = list.getSelectionModel().getSelectedItem();
    if (action != null) {
      use.accept(action);
    }
  }

  private void runSelected(Consumer<Action> run) {
    selected(run);
  }

  private void pressed(KeyEvent e) {
    if (waiting) {
      take(e);
      e.consume();
    } else if (e.getCode() == KeyCode.DOWN || e.getCode() == KeyCode.UP) {
      int by = e.getCode() == KeyCode.DOWN ? 1 : -1;
      int next = list.getSelectionModel().getSelectedIndex() + by;
      list.getSelectionModel().select(Math.clamp(next, 0, Math.max(0, list.getItems().size() - 1)));
      list.scrollTo(list.getSelectionModel().getSelectedIndex());
      e.consume();
    }
  }

  // --- changing keys

  private void waitForKey() {
    waiting = true;
    sayChange();
  }

  private void sayChange() {
    change.setText(
        waiting
            ? TEXTS.get("commandSheet.press-the-key-escape-leaves-it")
            : TEXTS.get("commandSheet.another-key"));
  }

  private void take(KeyEvent e) {
    if (e.getCode().isModifierKey()) {
      return;
    }
    waiting = false;
    sayChange();
    if (e.getCode() == KeyCode.ESCAPE) {
      return;
    }
    selected(a -> setKey(a, e.getCode() == KeyCode.DELETE ? null : combination(e)));
  }

  private static KeyCombination combination(KeyEvent e) {
    List<Modifier> held = new ArrayList<>();
    if (e.isShortcutDown()) {
      held.add(KeyCombination.SHORTCUT_DOWN);
    }
    if (e.isShiftDown()) {
      held.add(KeyCombination.SHIFT_DOWN);
    }
    if (e.isAltDown()) {
      held.add(KeyCombination.ALT_DOWN);
    }
    return new KeyCodeCombination(e.getCode(), held.toArray(Modifier[]::new));
  }

  private void setKey(Action action, @Nullable KeyCombination key) {
    if (key != null) {
      actions
          .rival(action, key)
          .ifPresent(
              rival -> {
                actions.setKey(rival, null);
                keyChanged.accept(rival);
              });
    }
    actions.setKey(action, key);
    keyChanged.accept(action);
    list.refresh();
  }

  /** A command's name, its sentence and its key. */
  private static final class Row extends ListCell<Action> {

    @Override
    protected void updateItem(Action action, boolean empty) {
      super.updateItem(action, empty);
      setText(null);
      if (empty || action == null) {
        setGraphic(null);
        return;
      }
      Label name = new Label(action.text());
      name.getStyleClass().add("key");
      name.setMinWidth(190);
      Label words = new Label(action.hint());
      words.getStyleClass().add("row-value");
      words.setMinWidth(0);
      Spring spring = new Spring();
      Label key =
          new Label(
              action.isHeld()
                  ? TEXTS.get("commandSheet.held", action.keyWords())
                  : action.keyWords());
      key.setMinWidth(Region.USE_PREF_SIZE);
      HBox row = new HBox(10, name, words, spring, key);
      row.setMaxWidth(WIDTH - 40);
      row.setOpacity(action.enabled().get() ? 1 : 0.55);
      setGraphic(row);
      setAccessibleText(action.text() + ", " + action.keyWords());
    }
  }
}
