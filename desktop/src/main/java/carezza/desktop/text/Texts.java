package carezza.desktop.text;

import java.util.Locale;
import java.util.ResourceBundle;

/**
 * What the window says, by name, from one bundle a part of it. Words follow the language of the system where there is a
 * bundle for it; numbers are written with a point everywhere, as in files and on gauges.
 */
public final class Texts {

  private final ResourceBundle bundle;

  private Texts(ResourceBundle bundle) {
    this.bundle = bundle;
  }

  /**
   * @param part as {@code "actions"}
   */
  public static Texts of(String part) {
    return new Texts(ResourceBundle.getBundle("carezza.desktop.text." + part, Locale.getDefault()));
  }

  /**
   * @throws MissingResourceException if nothing is called that
   */
  public String get(String name) {
    return bundle.getString(name);
  }

  public boolean has(String name) {
    return bundle.containsKey(name);
  }
}
