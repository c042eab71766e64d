package carezza.studio;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeSet;

import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

import carezza.plan.Finding;
import carezza.project.RecordJson;
import carezza.record.FindingEnd;
import carezza.record.Phase;
import carezza.record.Span;
import carezza.record.WorkRecord;

/** The journal for other programs. */
public final class JournalFile {

  private JournalFile() {}

  /**
   * A line for each picture on each day: minutes worked, waited, by phase, how findings ended and
   * how many files were written that day.
   *
   * @return UTF-8, fields and lines as RFC 4180 has them
   */
  public static byte[] csv(List<JournalEntry> entries, ZoneId zone) {
    StringBuilder text = new StringBuilder();
    try (CSVPrinter lines = new CSVPrinter(text, CSVFormat.RFC4180)) {
      lines.printRecord(columns());
      for (JournalEntry entry : entries) {
        for (LocalDate day : days(entry, zone)) {
          lines.printRecord(line(entry, day, zone));
        }
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return text.toString().getBytes(StandardCharsets.UTF_8);
  }

  private static List<String> columns() {
    List<String> columns =
        new ArrayList<>(
            List.of(
                "date", "title", "photograph", "job", "estimate_min", "active_min", "waiting_min"));
    for (Phase phase : Phase.values()) {
      columns.add(phase.name().toLowerCase(Locale.ROOT) + "_min");
    }
    columns.addAll(List.of("treated", "left", "came_back", "deliveries"));
    return columns;
  }

  private static TreeSet<LocalDate> days(JournalEntry entry, ZoneId zone) {
    TreeSet<LocalDate> days = new TreeSet<>();
    for (Span span : entry.work().spans()) {
      days.add(LocalDate.ofInstant(span.start(), zone));
    }
    return days;
  }

  private static List<Object> line(JournalEntry entry, LocalDate day, ZoneId zone) {
    WorkRecord work =
        entry
            .work()
            .within(
                day.atStartOfDay(zone).toInstant(), day.plusDays(1).atStartOfDay(zone).toInstant());
    List<Object> fields = new ArrayList<>();
    fields.add(day);
    fields.add(plain(entry.title()));
    fields.add(plain(entry.photograph()));
    fields.add(entry.job());
    fields.add(minutes(work.estimate()));
    fields.add(minutes(work.active()));
    fields.add(minutes(work.waiting()));
    Map<Phase, Duration> byPhase = work.byPhase();
    for (Phase phase : Phase.values()) {
      fields.add(minutes(byPhase.getOrDefault(phase, Duration.ZERO)));
    }
    fields.add(ended(work, Finding.State.TREATED));
    fields.add(ended(work, Finding.State.LEFT));
    fields.add(ended(work, Finding.State.BACK));
    fields.add(work.deliveries().size());
    return fields;
  }

  /** A name that no table takes for a formula. */
  private static String plain(String name) {
    return name.matches("(?s)[=+@\t\r-].*") ? "'" + name : name;
  }

  private static String minutes(Duration time) {
    return minutes(WorkRecord.minutes(time));
  }

  private static String minutes(double minutes) {
    return String.format(Locale.ROOT, "%.2f", minutes);
  }

  /** Findings whose last end is of a kind. */
  private static long ended(WorkRecord work, Finding.State state) {
    Map<String, FindingEnd> last = new LinkedHashMap<>();
    work.findings().forEach(f -> last.put(f.key(), f));
    return last.values().stream().filter(f -> f.state() == state).count();
  }

  /** All that the journal has, as docs/format.md describes it. */
  public static byte[] json(List<JournalEntry> entries) {
    return RecordJson.text(Map.of("pictures", entries));
  }
}
