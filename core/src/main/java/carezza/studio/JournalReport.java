package carezza.studio;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

import org.jspecify.annotations.Nullable;

import carezza.filter.RobustStatistics;
import carezza.job.JobLevel;
import carezza.plan.Finding;
import carezza.plan.FindingKind;
import carezza.record.FindingEnd;
import carezza.record.LayerChange;
import carezza.record.Phase;
import carezza.record.Span;
import carezza.record.WorkRecord;

/** What the journal says of a stretch of time, in rows and numbers. */
public final class JournalReport {

  private final List<JournalEntry> whole;
  private final List<JournalEntry> during;
  private final ZoneId zone;

  /**
   * @param entries all work on pictures, so that it can be compared with what was estimated for all
   *     of it
   * @param from beginning of the stretch
   * @param to its end, left out
   */
  public JournalReport(List<JournalEntry> entries, Instant from, Instant to, ZoneId zone) {
    this.zone = zone;
    List<JournalEntry> all = new ArrayList<>();
    List<JournalEntry> some = new ArrayList<>();
    for (JournalEntry entry : entries) {
      JournalEntry part = entry.worked(entry.work().within(from, to));
      if (!part.work().spans().isEmpty()) {
        all.add(entry);
        some.add(part);
      }
    }
    whole = List.copyOf(all);
    during = List.copyOf(some);
  }

  // --- rows

  /** The newest first; jobs in their own order. */
  public List<JournalRow> rows(Grouping by) {
    Map<String, List<Integer>> members = new LinkedHashMap<>();
    Map<String, List<Span>> spans = new LinkedHashMap<>();
    for (int i = 0; i < during.size(); i++) {
      for (Span span : during.get(i).work().spans()) {
        String key = key(during.get(i), span, by);
        spans.computeIfAbsent(key, k -> new ArrayList<>()).add(span);
        List<Integer> group = members.computeIfAbsent(key, k -> new ArrayList<>());
        if (!group.contains(i)) {
          group.add(i);
        }
      }
    }
    List<JournalRow> rows = new ArrayList<>();
    members.forEach(
        (key, group) -> rows.add(row(key, by, group, spans.getOrDefault(key, List.of()))));
    rows.sort(
        by == Grouping.JOB
            ? Comparator.comparingInt(r -> JobLevel.IDS.indexOf(r.key()))
            : Comparator.comparing(JournalRow::last).reversed());
    return rows;
  }

  private String key(JournalEntry entry, Span span, Grouping by) {
    return switch (by) {
      case PICTURE -> entry.id();
      case JOB -> entry.job();
      case WEEK ->
          DateTimeFormatter.ISO_WEEK_DATE
              .format(span.start().atZone(zone).toLocalDate())
              .substring(0, "2026-W01".length());
    };
  }

  private JournalRow row(String key, Grouping by, List<Integer> group, List<Span> spans) {
    Map<Phase, Duration> byPhase = new EnumMap<>(Phase.class);
    spans.forEach(s -> byPhase.merge(s.activity().phase(), s.active(), Duration::plus));
    return new JournalRow(
        key,
        by == Grouping.PICTURE ? during.get(group.getFirst()).title() : key,
        group.size(),
        spans.stream().map(Span::end).max(Comparator.naturalOrder()).orElseThrow(),
        byPhase,
        sum(spans.stream().map(Span::active).toList()),
        sum(spans.stream().map(Span::waiting).toList()),
        quantile(ratios(group.stream().map(whole::get).toList()), 0.5));
  }

  private static Duration sum(List<Duration> times) {
    return times.stream().reduce(Duration.ZERO, Duration::plus);
  }

  // --- numbers

  /** Pictures that were worked on. */
  public int pictures() {
    return during.size();
  }

  /** Pictures that a file was written of. */
  public int delivered() {
    return (int) during.stream().filter(JournalEntry::isDelivered).count();
  }

  /** Time that was worked. */
  public Duration active() {
    return sum(during.stream().map(e -> e.work().active()).toList());
  }

  /** Time that was waited. */
  public Duration waiting() {
    return sum(during.stream().map(e -> e.work().waiting()).toList());
  }

  /** Share of the time worked that went into a phase; NaN where none was worked. */
  public double share(Phase phase) {
    Duration spent =
        sum(
            during.stream()
                .map(e -> e.work().byPhase().getOrDefault(phase, Duration.ZERO))
                .toList());
    return (double) spent.toMillis() / active().toMillis();
  }

  /** Minutes that a delivered picture took in all, oldest delivery first. */
  public List<Double> minutesEach() {
    return whole.stream()
        .filter(JournalEntry::isDelivered)
        .sorted(Comparator.comparing((JournalEntry e) -> e.work().deliveries().getLast().at()))
        .map(e -> WorkRecord.minutes(e.work().active()))
        .toList();
  }

  /**
   * A quantile of the minutes that delivered pictures took; NaN of none.
   *
   * @param share 0 … 1
   */
  public double minutes(double share) {
    return quantile(minutesEach(), share);
  }

  /**
   * A quantile of worked to estimated of delivered pictures; NaN of none.
   *
   * @param share 0 … 1
   */
  public double ratio(double share) {
    return quantile(ratios(whole), share);
  }

  private static List<Double> ratios(Collection<JournalEntry> entries) {
    return entries.stream()
        .filter(JournalEntry::isDelivered)
        .map(e -> e.work().toEstimate())
        .filter(Double::isFinite)
        .toList();
  }

  private static double quantile(List<Double> values, double share) {
    return RobustStatistics.interpolated(values, share);
  }

  // --- what came back

  /**
   * A kind of finding that was treated and came back.
   *
   * @param layer kind of the layer that brought it back, as in files; empty where it is not known
   * @param times how often
   */
  public record Comeback(FindingKind kind, String layer, int times) {}

  /** The most frequent first. */
  public List<Comeback> comebacks() {
    Map<List<Object>, Integer> counts = new LinkedHashMap<>();
    for (JournalEntry entry : during) {
      for (FindingEnd end : entry.work().findings()) {
        if (end.state() == Finding.State.BACK) {
          counts.merge(List.of(end.kind(), kindOf(entry, end.layer())), 1, Integer::sum);
        }
      }
    }
    return counts.entrySet().stream()
        .map(
            e ->
                new Comeback(
                    (FindingKind) e.getKey().getFirst(),
                    (String) e.getKey().getLast(),
                    e.getValue()))
        .sorted(Comparator.comparingInt(Comeback::times).reversed())
        .toList();
  }

  private String kindOf(JournalEntry entry, @Nullable String layer) {
    return entry.work().changes().stream()
        .filter(c -> c.layer().equals(layer))
        .map(LayerChange::kind)
        .findFirst()
        .orElse("");
  }

  /** Whether a picture's title, file or job has these words in it. */
  public static boolean matches(JournalEntry entry, String words) {
    String all = entry.title() + " " + entry.photograph() + " " + entry.job();
    return all.toLowerCase(Locale.ROOT).contains(words.strip().toLowerCase(Locale.ROOT));
  }
}
