package carezza.desktop.practice;

import java.util.Locale;

import carezza.desktop.text.Texts;
import carezza.practice.Quality;
import carezza.record.PracticeResult;

/** What was practised, in words. */
public final class PracticeWords {

  private static final Texts TEXTS = Texts.of("practice");

  private PracticeWords() {}

  /** What it was and what it came to, in a line. */
  public static String line(PracticeResult result) {
    String name =
        TEXTS.get(
            (result.kind() == PracticeResult.Kind.EYE ? "eye." : "exercise.") + result.subject());
    String value =
        result.kind() == PracticeResult.Kind.EYE
            ? value(Quality.valueOf(result.subject()), result.value())
            : Math.round(100 * result.value()) + " %";
    return TEXTS.get("line", name, value, minutes(result));
  }

  /** Minutes that were worked on it. */
  public static String minutes(PracticeResult result) {
    return String.format(Locale.ROOT, "%.1f", result.active().toMillis() / 60_000.0);
  }

  /** A threshold, and between what it lies. */
  public static String threshold(PracticeResult result) {
    Quality quality = Quality.valueOf(result.subject());
    Double spread = result.spread();
    double factor = spread == null ? 1 : spread;
    return TEXTS.get(
        "eye." + quality + ".threshold",
        value(quality, result.value()),
        value(quality, result.value() / factor),
        value(quality, result.value() * factor));
  }

  private static String value(Quality quality, double value) {
    return switch (quality) {
      case TEXTURE, FORM -> String.format(Locale.ROOT, "%.0f %%", 100 * value);
      case REDNESS -> String.format(Locale.ROOT, "%.0f mD", 1000 * value);
      case HUE -> String.format(Locale.ROOT, "%.1f°", value);
      case TEETH, EYES -> String.format(Locale.ROOT, "%.1f b*", value);
      case HALO -> String.format(Locale.ROOT, "%.2f", value);
    };
  }
}
