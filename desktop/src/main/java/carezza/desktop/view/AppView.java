package carezza.desktop.view;

import javafx.scene.Node;

import carezza.desktop.action.Scope;

/**
 * One of the window's views. It is made once, shown and hidden as often as asked, and closed with
 * the window.
 */
public interface AppView extends AutoCloseable {

  /** By which it is found. */
  String id();

  /** Its name on its tab. */
  String title();

  /** What its tab's tooltip says. */
  String hint();

  /** Whether it has a tab. */
  default boolean listed() {
    return true;
  }

  /** Whether it shows the document at work, and so needs one. */
  default boolean needsDocument() {
    return true;
  }

  Node node();

  /** It is shown from now on. */
  void activate();

  /** Puts the focus where it has it; asked when nothing else took it. */
  default void takeFocus() {}

  /** Another view is shown from now on. */
  default void deactivate() {}

  /** What its keys are for. */
  Scope scope();

  @Override
  void close();
}
