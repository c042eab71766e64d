package carezza.desktop.action;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.CustomMenuItem;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuBar;
import javafx.scene.layout.HBox;

import carezza.desktop.control.Spring;
import carezza.desktop.text.Texts;

/**
 * The menu bar, made from the actions. Keys stand beside the names; pressing them is the window's
 * business.
 */
public final class MenuBars {

  private static final double WIDTH = 260;

  private MenuBars() {}

  public static MenuBar of(ActionMap actions) {
    Texts texts = Texts.of("actions");
    MenuBar bar = new MenuBar();
    bar.setId("menus");
    for (carezza.desktop.action.Menu each : carezza.desktop.action.Menu.values()) {
      Menu menu = new Menu(texts.get("menu." + each.name()));
      menu.setId("menu-" + each.name().toLowerCase(Locale.ROOT));
      List<Action> own = actions.of(each).stream().filter(a -> !a.isHeld()).toList();
      Map<String, Menu> parts = new HashMap<>();
      for (Action action : own) {
        part(menu, parts, action).getItems().add(item(action));
      }
      bar.getMenus().add(menu);
    }
    return bar;
  }

  /** Where an action stands: the menu itself, or the part of it that it belongs to. */
  private static Menu part(Menu menu, Map<String, Menu> parts, Action action) {
    if (action.part() == null) {
      return menu;
    }
    return parts.computeIfAbsent(
        action.part(),
        title -> {
          Menu fresh = new Menu(title);
          menu.getItems().add(fresh);
          return fresh;
        });
  }

  /** A menu of some actions. */
  public static ContextMenu context(ActionMap actions, String... ids) {
    ContextMenu menu = new ContextMenu();
    for (String id : ids) {
      menu.getItems().add(item(actions.get(id)));
    }
    return menu;
  }

  private static CustomMenuItem item(Action action) {
    Label name = new Label(action.text());
    Label key = new Label(action.keyWords());
    key.getStyleClass().add("menu-key");
    action.keyProperty().subscribe((was, is) -> key.setText(action.keyWords()));
    Spring spring = new Spring();
    HBox row = new HBox(16, name, spring, key);
    row.setPrefWidth(WIDTH);
    CustomMenuItem item = new CustomMenuItem(row);
    item.setId("menu-item-" + action.id());
    item.disableProperty().bind(action.enabled().not());
    item.setOnAction(e -> action.run());
    return item;
  }
}
