package carezza.record;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/**
 * What was done to one picture. Immutable; it goes with the project.
 *
 * @param id of its photograph, the same in every journal that knows it
 * @param estimate minutes that the plan had for it; 0 before there was one
 * @param spans of time, as they were worked
 * @param changes of layers
 * @param findings and how each ended
 * @param deliveries files that were written
 */
public record WorkRecord(
    String id,
    double estimate,
    List<Span> spans,
    List<LayerChange> changes,
    List<FindingEnd> findings,
    List<Delivered> deliveries) {

  /** More than years of work make. */
  private static final int MOST = 1_000_000;

  public WorkRecord {
    spans = List.copyOf(spans);
    changes = List.copyOf(changes);
    findings = List.copyOf(findings);
    deliveries = List.copyOf(deliveries);
    if (id.isBlank() || id.length() > 64) {
      throw new IllegalArgumentException("a record of work has no name, or a very long one");
    }
    if (!(estimate >= 0 && estimate <= 100_000)) {
      throw new IllegalArgumentException("a record of work was estimated at " + estimate);
    }
    if (spans.size() + changes.size() + findings.size() + deliveries.size() > MOST) {
      throw new IllegalArgumentException("a record of work has more than " + MOST + " entries");
    }
  }

  /**
   * Of a picture that nothing was done to.
   *
   * @param sha256 of its photograph, which it is known by wherever it is opened
   */
  public static WorkRecord of(String sha256) {
    return new WorkRecord(sha256, 0, List.of(), List.of(), List.of(), List.of());
  }

  public boolean isEmpty() {
    return spans.isEmpty() && changes.isEmpty() && findings.isEmpty() && deliveries.isEmpty();
  }

  public WorkRecord estimated(double minutes) {
    return new WorkRecord(id, minutes, spans, changes, findings, deliveries);
  }

  /** With other spans. */
  public WorkRecord with(List<Span> others) {
    return new WorkRecord(id, estimate, others, changes, findings, deliveries);
  }

  /** With a span more; where it is the last one going on, that one grows. */
  public WorkRecord plus(Span span) {
    List<Span> more = new ArrayList<>(spans);
    if (!more.isEmpty() && more.getLast().goesOnWith(span)) {
      more.set(more.size() - 1, more.getLast().with(span));
    } else {
      more.add(span);
    }
    return new WorkRecord(id, estimate, more, changes, findings, deliveries);
  }

  public WorkRecord plus(LayerChange change) {
    return new WorkRecord(id, estimate, spans, added(changes, change), findings, deliveries);
  }

  public WorkRecord plus(FindingEnd end) {
    return new WorkRecord(id, estimate, spans, changes, added(findings, end), deliveries);
  }

  public WorkRecord plus(Delivered file) {
    return new WorkRecord(id, estimate, spans, changes, findings, added(deliveries, file));
  }

  private static <T> List<T> added(List<T> all, T one) {
    List<T> more = new ArrayList<>(all);
    more.add(one);
    return more;
  }

  /** What of it lies in a stretch of time, the end left out. */
  public WorkRecord within(Instant from, Instant to) {
    return new WorkRecord(
        id,
        estimate,
        during(spans, Span::start, from, to),
        during(changes, LayerChange::at, from, to),
        during(findings, FindingEnd::at, from, to),
        during(deliveries, Delivered::at, from, to));
  }

  private static <T> List<T> during(
      List<T> all, Function<T, Instant> at, Instant from, Instant to) {
    return all.stream()
        .filter(one -> !at.apply(one).isBefore(from) && at.apply(one).isBefore(to))
        .toList();
  }

  /** Time that was worked. */
  public Duration active() {
    return spans.stream().map(Span::active).reduce(Duration.ZERO, Duration::plus);
  }

  /** Time that was waited. */
  public Duration waiting() {
    return spans.stream().map(Span::waiting).reduce(Duration.ZERO, Duration::plus);
  }

  /** Time that was worked, by phase; phases without any are left out. */
  public Map<Phase, Duration> byPhase() {
    Map<Phase, Duration> sums = new EnumMap<>(Phase.class);
    spans.forEach(s -> sums.merge(s.activity().phase(), s.active(), Duration::plus));
    return sums;
  }

  /** Time worked to time estimated; NaN where nothing was estimated. */
  public double toEstimate() {
    return estimate > 0 ? minutes(active()) / estimate : Double.NaN;
  }

  /** A duration in minutes. */
  public static double minutes(Duration time) {
    return time.toMillis() / 60_000.0;
  }
}
