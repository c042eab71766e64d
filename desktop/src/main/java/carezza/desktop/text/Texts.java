package carezza.desktop.text;

import java.util.Locale;
import java.util.Map;
import java.util.ResourceBundle;
import java.util.concurrent.ConcurrentHashMap;

/**
 * What the window says, by name, from one bundle a part of it. Words follow the language of the system where there is a
 * bundle for it; numbers are written with a point everywhere, as in files and on gauges.
 */
public final class Texts {

  private static final Map<String, Texts> KNOWN = new ConcurrentHashMap<>();

  private final ResourceBundle bundle;

  private Texts(ResourceBundle bundle) {
    this.bundle = bundle;
  }

  /**
   * @param part as {@code "actions"}
   */
  public static Texts of(String part) {
    return KNOWN.computeIfAbsent(
        part,
        name ->
            new Texts(
                ResourceBundle.getBundle("carezza.desktop.text." + name, Locale.getDefault())));
  }

  /**
   * @throws java.util.MissingResourceException if nothing is called that
   */
  public String get(String name) {
    return bundle.getString(name);
  }

  /**
   * A sentence with things put into it.
   *
   * @param things as {@link java.util.Formatter} takes them
   * @throws java.util.MissingResourceException if nothing is called that
   */
  public String get(String name, Object... things) {
    return String.format(Locale.ROOT, bundle.getString(name), things);
  }

  public boolean has(String name) {
    return bundle.containsKey(name);
  }
}
