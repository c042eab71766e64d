package carezza.desktop.text;

import java.util.Locale;
import java.util.Map;
import java.util.ResourceBundle;
import java.util.concurrent.ConcurrentHashMap;

import org.jspecify.annotations.Nullable;

/** What the window says, by name, from one bundle a part of it; see {@link Language}. */
public final class Texts {

  private static final Map<String, Texts> KNOWN = new ConcurrentHashMap<>();

  /** Words of the language, or English; never those of a third. */
  private static final ResourceBundle.Control NO_OTHER =
      ResourceBundle.Control.getNoFallbackControl(ResourceBundle.Control.FORMAT_PROPERTIES);

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
                ResourceBundle.getBundle(
                    "carezza.desktop.text." + name, Language.now().locale(), NO_OTHER)));
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
  public String get(String name, @Nullable Object... things) {
    return String.format(Locale.ROOT, bundle.getString(name), things);
  }

  public boolean has(String name) {
    return bundle.containsKey(name);
  }
}
