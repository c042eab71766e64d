package carezza.desktop.text;

import java.util.Locale;

/**
 * The languages that there are words in. One policy holds everywhere: words and dates follow the
 * language, which is the system's until another is chosen; numbers are written with a point, as in
 * files and on gauges.
 */
public enum Language {
  ENGLISH(Locale.ENGLISH),
  GERMAN(Locale.GERMAN);

  /** The setting that holds the chosen one. */
  public static final String SETTING = "language";

  private final Locale locale;

  Language(Locale locale) {
    this.locale = locale;
  }

  /** Its name in settings. */
  public String tag() {
    return locale.toLanguageTag();
  }

  public Locale locale() {
    return locale;
  }

  /** The next in turn. */
  public Language next() {
    return values()[(ordinal() + 1) % values().length];
  }

  /** The language that is spoken now; English where the system's is none of these. */
  public static Language now() {
    for (Language each : values()) {
      if (each.locale.getLanguage().equals(Locale.getDefault().getLanguage())) {
        return each;
      }
    }
    return ENGLISH;
  }

  /**
   * To be called before anything is said.
   *
   * @param tag of the chosen language; the system's stays where it is none of these
   */
  public static void speak(String tag) {
    for (Language each : values()) {
      if (each.tag().equals(tag)) {
        Locale.setDefault(each.locale);
      }
    }
    Locale.setDefault(Locale.Category.FORMAT, Locale.ROOT);
  }
}
