package carezza.desktop.action;

import java.util.function.Predicate;
import javafx.beans.binding.BooleanExpression;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.scene.input.KeyCombination;

import org.jspecify.annotations.Nullable;

import carezza.desktop.text.Texts;

/**
 * Something that can be done, once: its name, its sentence, its key, whether it can be done now,
 * and what it does. Menu, buttons, tooltips, the list of keys and the search for commands are made
 * from it.
 */
public final class Action {

  private static final Texts TEXTS = Texts.of("app");

  private final String id;
  private final Menu menu;
  private final Scope scope;
  private final String text;
  private final String hint;
  private final @Nullable KeyCombination usual;
  private final ReadOnlyObjectWrapper<KeyCombination> key = new ReadOnlyObjectWrapper<>();
  private final BooleanExpression enabled;
  private final Runnable run;
  private final @Nullable Runnable release;
  private Predicate<Scope> ready = at -> true;
  private @Nullable String part;

  Action(
      String id,
      Menu menu,
      Scope scope,
      String text,
      String hint,
      @Nullable KeyCombination key,
      @Nullable BooleanExpression enabled,
      Runnable run,
      @Nullable Runnable release) {
    this.id = id;
    this.menu = menu;
    this.scope = scope;
    this.text = text;
    this.hint = hint;
    this.usual = key;
    this.key.set(key);
    this.enabled = enabled == null ? new SimpleBooleanProperty(true) : enabled;
    this.run = run;
    this.release = release;
  }

  public String id() {
    return id;
  }

  public Menu menu() {
    return menu;
  }

  public Scope scope() {
    return scope;
  }

  /** Puts it in a part of its menu that opens by itself. */
  public void in(String partOfMenu) {
    part = partOfMenu;
  }

  /** The part of its menu that it stands in, or null. */
  public @Nullable String part() {
    return part;
  }

  /** Its name. */
  public String text() {
    return text;
  }

  /** What it does, in a sentence. */
  public String hint() {
    return hint;
  }

  /** The key that runs it, or null. */
  public ReadOnlyObjectProperty<KeyCombination> keyProperty() {
    return key.getReadOnlyProperty();
  }

  /** The key that it has unless it is changed, or null. */
  public @Nullable KeyCombination usualKey() {
    return usual;
  }

  void setKey(@Nullable KeyCombination combination) {
    key.set(combination);
  }

  /** The key as it is written, or nothing. */
  public String keyWords() {
    return key.get() == null ? "" : KeyNames.of(key.get());
  }

  /** The sentence and the key, as a tooltip has them. */
  public String tip() {
    if (key.get() == null) {
      return hint;
    }
    return isHeld()
        ? TEXTS.get("action.held", hint, keyWords())
        : "%s (%s)".formatted(hint, keyWords());
  }

  public BooleanExpression enabled() {
    return enabled;
  }

  /** Whether it lasts for as long as its key is held. */
  public boolean isHeld() {
    return release != null;
  }

  /**
   * @param gate goes to where a scope is, if need be; whether it is there
   */
  void passing(Predicate<Scope> gate) {
    ready = gate;
  }

  /** Does it, if it can be done now, where it is at hand. */
  public void run() {
    if (enabled.get() && ready.test(scope)) {
      run.run();
    }
  }

  /** Ends what lasts while a key is held. */
  public void release() {
    if (release != null) {
      release.run();
    }
  }
}
