package carezza.desktop.view.journal;

import java.time.Duration;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.Locale;

import carezza.desktop.text.Language;
import carezza.desktop.text.Names;
import carezza.desktop.text.PlanWords;
import carezza.desktop.text.Texts;
import carezza.kernel.LayerType;
import carezza.record.WorkRecord;
import carezza.studio.Grouping;
import carezza.studio.JournalReport.Comeback;
import carezza.studio.JournalRow;

/** What the journal says of times and rows. */
final class JournalWords {

  private static final Texts TEXTS = Texts.of("journal");

  private static final double HOUR = 60;

  private JournalWords() {}

  /** A time in the unit that suits it. */
  static String time(Duration time) {
    double minutes = WorkRecord.minutes(time);
    return minutes < HOUR
        ? PlanWords.minutes(minutes)
        : TEXTS.get("hours", (int) (minutes / HOUR), (int) (minutes % HOUR));
  }

  /** A factor; nothing where there is none. */
  static String ratio(double ratio) {
    return Double.isNaN(ratio) ? "" : String.format(Locale.ROOT, "× %.2f", ratio);
  }

  /**
   * A middle value and where half of all lie.
   *
   * @param pattern of each number
   */
  static String spread(double low, double middle, double high, String pattern) {
    if (Double.isNaN(middle)) {
      return "–";
    }
    String said = String.format(Locale.ROOT, pattern, middle);
    String from = String.format(Locale.ROOT, pattern, low);
    String to = String.format(Locale.ROOT, pattern, high);
    return from.equals(to) ? said : said + " (" + from + " … " + to + ")";
  }

  static String title(JournalRow row, Grouping by) {
    return switch (by) {
      case PICTURE -> row.title();
      case JOB -> PlanWords.job(row.key());
      case WEEK ->
          TEXTS.get(
              "week",
              DateTimeFormatter.ofLocalizedDate(FormatStyle.MEDIUM)
                  .withLocale(Language.now().locale())
                  .format(LocalDate.parse(row.key() + "-1", DateTimeFormatter.ISO_WEEK_DATE)));
    };
  }

  /** What came back, after what, and how often. */
  static String comeback(Comeback back) {
    String what = PlanWords.group(back.kind().key());
    String layer = LayerType.of(back.layer()).map(Names::of).orElse("");
    String words = layer.isEmpty() ? what : TEXTS.get("comeback.after", what, layer);
    return TEXTS.get("comeback.times", words, back.times());
  }
}
