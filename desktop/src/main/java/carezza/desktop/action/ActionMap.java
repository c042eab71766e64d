package carezza.desktop.action;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import javafx.beans.binding.BooleanExpression;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;

import org.jspecify.annotations.Nullable;

import carezza.desktop.text.Texts;

/** All actions by id, and the keys that run them. */
public final class ActionMap {

  private final Texts texts = Texts.of("actions");
  private final Map<String, Action> all = new LinkedHashMap<>();

  /**
   * @param key as {@link KeyCombination#valueOf} reads it, or null
   */
  public Action add(String id, Menu menu, Scope scope, @Nullable String key, Runnable run) {
    return add(id, menu, scope, key, null, run);
  }

  /**
   * @param enabled whether it can be done now; null for always
   */
  public Action add(
      String id,
      Menu menu,
      Scope scope,
      @Nullable String key,
      @Nullable BooleanExpression enabled,
      Runnable run) {
    return put(id, menu, scope, key, enabled, run, null);
  }

  /** Something that lasts for as long as its key is held. */
  public Action held(String id, Menu menu, Scope scope, String key, Runnable begin, Runnable end) {
    return put(id, menu, scope, key, null, begin, end);
  }

  /** An action whose words do not stand in the texts, as they are those of something else. */
  public Action named(
      String id,
      String text,
      String hint,
      Menu menu,
      Scope scope,
      @Nullable String key,
      Runnable run) {
    return put(
        new Action(
            id,
            menu,
            scope,
            text,
            hint,
            key == null ? null : KeyCombination.valueOf(key),
            null,
            run,
            null));
  }

  private Action put(Action action) {
    if (all.putIfAbsent(action.id(), action) != null) {
      throw new IllegalArgumentException("There are two actions " + action.id());
    }
    return action;
  }

  private Action put(
      String id,
      Menu menu,
      Scope scope,
      @Nullable String key,
      @Nullable BooleanExpression enabled,
      Runnable run,
      @Nullable Runnable release) {
    KeyCombination combination = key == null ? null : KeyCombination.valueOf(key);
    return put(
        new Action(
            id,
            menu,
            scope,
            texts.get(id),
            texts.get(id + ".hint"),
            combination,
            enabled,
            run,
            release));
  }

  public Action get(String id) {
    Action action = all.get(id);
    if (action == null) {
      throw new IllegalArgumentException("There is no action " + id);
    }
    return action;
  }

  /**
   * Menus and the search reach actions from everywhere: before one is run, the window goes to where
   * it is at hand.
   *
   * @param gate goes to where a scope is, if need be; whether it is there
   */
  public void passing(Predicate<Scope> gate) {
    all.values().forEach(a -> a.passing(gate));
  }

  /** In the order of the menus. */
  public List<Action> all() {
    return List.copyOf(all.values());
  }

  public List<Action> of(Menu menu) {
    return all.values().stream().filter(a -> a.menu() == menu).toList();
  }

  /** What a key runs in the scopes that are active; the narrowest comes first. */
  public Optional<Action> of(KeyEvent event, List<Scope> active) {
    for (Scope scope : active.reversed()) {
      for (Action action : all.values()) {
        KeyCombination key = action.keyProperty().get();
        if (action.scope() == scope && key != null && key.match(event)) {
          return Optional.of(action);
        }
      }
    }
    return Optional.empty();
  }

  /** Another action that has the key already where this one is at hand. */
  public Optional<Action> rival(Action action, KeyCombination key) {
    return all.values().stream()
        .filter(a -> a != action && key.equals(a.keyProperty().get()))
        .findFirst();
  }

  /** Gives an action another key, or none with null; it is taken from whatever has it. */
  public void setKey(Action action, @Nullable KeyCombination key) {
    if (key != null) {
      rival(action, key).ifPresent(r -> r.setKey(null));
    }
    action.setKey(key);
  }

  /** Pairs of actions with one key. */
  public List<String> conflicts() {
    List<String> found = new ArrayList<>();
    List<Action> actions = all();
    for (int i = 0; i < actions.size(); i++) {
      for (int j = i + 1; j < actions.size(); j++) {
        KeyCombination key = actions.get(i).keyProperty().get();
        if (key != null && key.equals(actions.get(j).keyProperty().get())) {
          found.add(actions.get(i).id() + " and " + actions.get(j).id() + " on " + key);
        }
      }
    }
    return found;
  }

  /**
   * Takes keys that the retoucher has set.
   *
   * @param set the key's name for an action's id, empty for none, or null where it was not set
   */
  public void recall(Function<String, @Nullable String> set) {
    for (Action action : all.values()) {
      String name = set.apply(action.id());
      if (name != null) {
        try {
          action.setKey(name.isEmpty() ? null : KeyCombination.valueOf(name));
        } catch (IllegalArgumentException e) {
          // No key that is known here: the usual one stays.
          action.setKey(action.usualKey());
        }
      }
    }
  }
}
